package prolalia.app.platform;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.InputStreamResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;

/**
 * Serves files of the media store: whole or in ranges (RFC 9110, 14), with a strong entity tag (8.8.3), and immutable,
 * since another content would have another name.
 */
@Component
public class MediaResponses {
    public static final MediaType MP3 = MediaType.valueOf("audio/mpeg");

    private static final CacheControl FOR_EVER =
            CacheControl.maxAge(Duration.ofDays(365)).cachePrivate().immutable();

    private final MediaStore media;

    MediaResponses(MediaStore media) {
        this.media = media;
    }

    public ResponseEntity<Resource> serve(String hash, MediaType type, HttpServletRequest request) throws IOException {
        return serve(hash, type, request, FOR_EVER);
    }

    /** Serves what an address stands for now: another time it may be another file. */
    public ResponseEntity<Resource> serveCurrent(String hash, MediaType type, HttpServletRequest request)
            throws IOException {
        return serve(hash, type, request, CacheControl.noCache().cachePrivate());
    }

    /** Serves what is a child's own: on a shared device nothing of it is left for the next one. */
    public ResponseEntity<Resource> serveOwn(String hash, MediaType type, HttpServletRequest request)
            throws IOException {
        return serve(hash, type, request, CacheControl.noStore());
    }

    private ResponseEntity<Resource> serve(
            String hash, MediaType type, HttpServletRequest request, CacheControl caching) throws IOException {
        Path file = media.file(hash);
        String entityTag = "\"" + hash + "\"";
        ResponseEntity.BodyBuilder response = ResponseEntity.ok()
                .cacheControl(caching)
                .eTag(entityTag)
                .contentType(type)
                .header(HttpHeaders.ACCEPT_RANGES, "bytes");
        String onlyIf = request.getHeader(HttpHeaders.IF_RANGE);
        if (onlyIf != null && !onlyIf.equals(entityTag)) {
            // RFC 9110, 13.1.5: the range was asked of something else, so all of this is sent. A stream has no ranges.
            return response.contentLength(Files.size(file)).body(new InputStreamResource(Files.newInputStream(file)));
        }
        return response.body(new FileSystemResource(file));
    }
}
