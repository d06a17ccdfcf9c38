package prolalia.formats.lesson;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import java.util.zip.ZipInputStream;

/**
 * Opens ZIPs whatever their names are written in: in UTF-8, or, as Windows packs "Schüler.csv" without saying so, in code page 437
 * (PKWARE APPNOTE 6.3, appendix D).
 */
public final class ZipNames {
    private static final Charset OTHERS =
            Charset.isSupported("IBM437") ? Charset.forName("IBM437") : StandardCharsets.ISO_8859_1;

    private ZipNames() {}

    /** @throws ZipException if it is none */
    public static ZipFile open(Path file) throws IOException {
        try {
            return new ZipFile(file.toFile(), StandardCharsets.UTF_8);
        } catch (ZipException | IllegalArgumentException otherNames) {
            return new ZipFile(file.toFile(), OTHERS);
        }
    }

    /** Entry after entry. @throws ZipException if it is broken */
    public static ZipInputStream stream(byte[] file) throws IOException {
        return new ZipInputStream(new ByteArrayInputStream(file), areUtf8(file) ? StandardCharsets.UTF_8 : OTHERS);
    }

    private static boolean areUtf8(byte[] file) throws IOException {
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(file), StandardCharsets.UTF_8)) {
            ZipEntry entry = zip.getNextEntry();
            while (entry != null) {
                entry = zip.getNextEntry();
            }
            return true;
        } catch (ZipException | IllegalArgumentException otherNames) {
            return false;
        }
    }
}
