package prolalia.formats.paper;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipFile;
import prolalia.formats.lesson.ZipNames;
import prolalia.formats.paper.PaperRefusedException.Reason;

/** Opens papers by what is in them; a file's name is not asked. */
public final class Papers {
    public static final int MOST_PAGES = 500;

    /** Where a PDF may begin (ISO 32000-2, implementation notes of Annex I: within the first 1,024 bytes). */
    private static final int HEAD = 1024;

    private Papers() {}

    /** @throws PaperRefusedException if no pages can be made of it */
    public static Paper open(Path file) throws PaperRefusedException, IOException {
        Paper paper = opened(file);
        Reason refusal = paper.pages() == 0 ? Reason.EMPTY : paper.pages() > MOST_PAGES ? Reason.TOO_MANY_PAGES : null;
        if (refusal != null) {
            paper.close();
            throw new PaperRefusedException(refusal);
        }
        return paper;
    }

    private static Paper opened(Path file) throws PaperRefusedException, IOException {
        byte[] start;
        try (InputStream content = Files.newInputStream(file)) {
            start = content.readNBytes(HEAD);
        }
        String head = new String(start, StandardCharsets.ISO_8859_1);
        if (head.contains("%PDF-")) {
            return PdfPaper.open(file);
        }
        if (head.startsWith("PK")) {
            return packed(file);
        }
        if (head.startsWith("\u00d0\u00cf\u0011\u00e0")) {
            // The old container of office files; new ones with a password come in it too.
            boolean locked = contains(file, "EncryptedPackage");
            throw new PaperRefusedException(locked ? Reason.ENCRYPTED : Reason.OLD_SLIDES);
        }
        if (head.contains("<svg")) {
            return PicturePaper.of(SvgPicture.draw(file));
        }
        return PicturePaper.open(file);
    }

    private static Paper packed(Path file) throws PaperRefusedException {
        boolean slides;
        boolean openDocument;
        try (ZipFile zip = ZipNames.open(file)) {
            slides = zip.getEntry("ppt/presentation.xml") != null;
            openDocument = zip.getEntry("META-INF/manifest.xml") != null && zip.getEntry("content.xml") != null;
        } catch (IOException cut) {
            throw new PaperRefusedException(Reason.BROKEN, cut);
        }
        if (!slides) {
            throw new PaperRefusedException(openDocument ? Reason.OPEN_DOCUMENT : Reason.UNKNOWN);
        }
        return SlidesPaper.open(file);
    }

    private static boolean contains(Path file, String name) throws IOException {
        try (InputStream content = Files.newInputStream(file)) {
            byte[] directory = content.readNBytes(4 << 20);
            return new String(directory, StandardCharsets.UTF_16LE).contains(name)
                    || new String(directory, 1, directory.length - 1, StandardCharsets.UTF_16LE).contains(name);
        }
    }
}
