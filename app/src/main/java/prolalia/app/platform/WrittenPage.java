package prolalia.app.platform;

import jakarta.servlet.http.HttpServletRequest;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;

/** A page that was written once for many: it lies in memory compressed (RFC 1952), and is sent as it lies to whoever takes that. */
public final class WrittenPage {
    private final byte[] compressed;

    public WrittenPage(String page) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (GZIPOutputStream gzip = new GZIPOutputStream(bytes)) {
            gzip.write(page.getBytes(StandardCharsets.UTF_8));
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        compressed = bytes.toByteArray();
    }

    /** What it takes of the memory, in bytes. */
    public int bytes() {
        return compressed.length;
    }

    /** @param response everything of it but the page itself */
    public ResponseEntity<byte[]> answer(ResponseEntity.BodyBuilder response, HttpServletRequest request) {
        response.header(HttpHeaders.VARY, HttpHeaders.ACCEPT_ENCODING);
        return takesCompressed(request)
                ? response.header(HttpHeaders.CONTENT_ENCODING, "gzip").body(compressed)
                : response.body(plain());
    }

    private static boolean takesCompressed(HttpServletRequest request) {
        String takes = request.getHeader(HttpHeaders.ACCEPT_ENCODING);
        if (takes == null) {
            return false;
        }
        for (String each : takes.toLowerCase(Locale.ROOT).replace(" ", "").split(",")) {
            if (each.startsWith("gzip")) {
                return !each.matches("gzip;q=0(\\.0+)?");
            }
        }
        return false;
    }

    private byte[] plain() {
        try (GZIPInputStream gzip = new GZIPInputStream(new ByteArrayInputStream(compressed))) {
            return gzip.readAllBytes();
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
    }
}
