package prolalia.formats.paper;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;
import prolalia.core.intake.FoundPage;
import prolalia.formats.paper.PaperRefusedException.Reason;
import prolalia.formats.process.Parent;
import tools.jackson.databind.json.JsonMapper;

/**
 * A program of its own that reads a paper, page by page, so that whoever starts it can bound its time and memory:
 * {@code PaperProcess FILE FOLDER}. It writes a picture and a {@code page-N.json} ({@link PaperPage}) for each page into the
 * folder, and says on its standard output how far it is: {@code pages N}, {@code page K} and so on, and {@code done},
 * {@code refused REASON}, or {@code unwritten} when the disk did not take it. It ends when its standard input does.
 */
public final class PaperProcess {
    /** Enough for a large screen; text stays sharp at twice its size. */
    static final int LONGEST_PX = 1600;

    /** A picture larger than this is written as JPEG, if that is smaller. */
    private static final int LARGE_BYTES = 250_000;

    private static final float QUALITY = 0.86f;

    private final Path folder;
    private final Parent parent;
    private final JsonMapper json = new JsonMapper();

    private PaperProcess(Path folder, Parent parent) {
        this.folder = folder;
        this.parent = parent;
    }

    /** The disk, not the paper. */
    private static final class UnwrittenException extends IOException {
        private static final long serialVersionUID = 1;

        UnwrittenException(IOException why) {
            super(why);
        }
    }

    public static void main(String[] arguments) {
        Parent parent = Parent.meet();
        try {
            new PaperProcess(Path.of(arguments[1]), parent).read(Path.of(arguments[0]));
            parent.say("done");
        } catch (PaperRefusedException refused) {
            refused.printStackTrace();
            parent.say("refused " + refused.reason());
        } catch (UnwrittenException fullDisk) {
            fullDisk.printStackTrace();
            parent.say("unwritten");
        } catch (OutOfMemoryError large) {
            parent.say("refused " + Reason.TOO_LARGE);
        } catch (Exception | StackOverflowError broken) {
            broken.printStackTrace();
            parent.say("refused " + Reason.BROKEN);
        }
        System.exit(0);
    }

    private void read(Path file) throws PaperRefusedException, IOException {
        try (Paper paper = Papers.open(file)) {
            parent.say("pages " + paper.pages());
            List<FoundPage> lines = paper.lines();
            for (int page = 0; page < paper.pages(); page++) {
                read(paper, page, lines.get(page));
                parent.say("page " + (page + 1));
            }
        }
    }

    private void read(Paper paper, int page, FoundPage found) throws IOException {
        int number = page + 1;
        Paper.PageSize size = paper.size(page);
        PageParts parts = parts(paper, page);
        String name = null;
        String mediaType = null;
        byte[] bytes = null;
        try {
            BufferedImage picture = paper.picture(page, LONGEST_PX);
            bytes = png(picture);
            mediaType = "image/png";
            if (bytes.length > LARGE_BYTES) {
                byte[] smaller = jpeg(picture);
                if (smaller.length < bytes.length) {
                    bytes = smaller;
                    mediaType = "image/jpeg";
                }
            }
            name = "page-" + number + (mediaType.endsWith("png") ? ".png" : ".jpg");
        } catch (IOException | RuntimeException notDrawn) {
            // The page comes with its words all the same.
            notDrawn.printStackTrace();
            name = null;
        }
        if (name != null) {
            write(name, bytes);
        }
        List<PaperPage.Sound> sounds = new ArrayList<>();
        for (PageParts.SoundPart sound : parts.sounds()) {
            String soundFile = "page-" + number + "-sound-" + (sounds.size() + 1);
            write(soundFile, sound.content());
            sounds.add(new PaperPage.Sound(sound.area(), sound.name(), soundFile, sound.line()));
        }
        PaperPage read = new PaperPage(
                number,
                size.width(),
                size.height(),
                name,
                mediaType,
                found.lines(),
                sounds,
                parts.jumps().stream()
                        .map(jump -> new PaperPage.Jump(jump.area(), jump.toPage() + 1))
                        .toList(),
                parts.links().stream()
                        .map(link -> new PaperPage.Link(link.area(), link.words(), link.address()))
                        .toList(),
                paper.isHidden(page));
        write("page-" + number + ".json", json.writeValueAsBytes(read));
    }

    private void write(String name, byte[] content) throws UnwrittenException {
        try {
            Files.write(folder.resolve(name), content);
        } catch (IOException fullDisk) {
            throw new UnwrittenException(fullDisk);
        }
    }

    private static PageParts parts(Paper paper, int page) {
        try {
            return paper.parts(page);
        } catch (IOException | RuntimeException broken) {
            broken.printStackTrace();
            return PageParts.NONE;
        }
    }

    private static byte[] png(BufferedImage picture) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(picture, "png", bytes);
        return bytes.toByteArray();
    }

    private static byte[] jpeg(BufferedImage picture) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        try (ImageOutputStream output = ImageIO.createImageOutputStream(bytes)) {
            ImageWriteParam how = writer.getDefaultWriteParam();
            how.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            how.setCompressionQuality(QUALITY);
            writer.setOutput(output);
            writer.write(null, new IIOImage(picture, null, null), how);
        } finally {
            writer.dispose();
        }
        return bytes.toByteArray();
    }
}
