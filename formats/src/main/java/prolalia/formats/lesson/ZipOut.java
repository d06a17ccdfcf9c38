package prolalia.formats.lesson;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.CRC32;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Writes a ZIP (PKWARE APPNOTE 6.3, names in UTF-8), file by file. */
public final class ZipOut {
    private final ZipOutputStream zip;

    /** @param out not closed */
    public ZipOut(OutputStream out) {
        zip = new ZipOutputStream(out, StandardCharsets.UTF_8);
    }

    public void put(String name, byte[] content) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(content);
        zip.closeEntry();
    }

    public void put(String name, Path content) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        Files.copy(content, zip);
        zip.closeEntry();
    }

    /** A file as it is, whose bytes can be looked for at their place. */
    public void putPlain(String name, byte[] content) throws IOException {
        ZipEntry entry = new ZipEntry(name);
        CRC32 sum = new CRC32();
        sum.update(content);
        entry.setMethod(ZipEntry.STORED);
        entry.setSize(content.length);
        entry.setCrc(sum.getValue());
        zip.putNextEntry(entry);
        zip.write(content);
        zip.closeEntry();
    }

    /** From here on come sounds and pictures, which are as small as they get. */
    public void compressNoMore() {
        zip.setLevel(Deflater.NO_COMPRESSION);
    }

    public void finish() throws IOException {
        zip.finish();
    }
}
