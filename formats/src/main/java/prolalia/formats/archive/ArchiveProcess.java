package prolalia.formats.archive;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import prolalia.core.lesson.LessonLimits;
import prolalia.formats.archive.ArchivedLesson.ArchivedLine;
import prolalia.formats.archive.ArchivedLesson.ArchivedPage;
import prolalia.formats.archive.ArchivedLesson.ArchivedTake;
import prolalia.formats.paper.Paper;
import prolalia.formats.paper.PaperRefusedException;
import prolalia.formats.paper.Papers;
import prolalia.formats.process.Parent;

/**
 * A program of its own that looks through the archive of a lesson, so that whoever starts it can bound its time and memory:
 * {@code ArchiveProcess FILE FOLDER}. It writes {@code lesson.json} as it was understood, each file that the lesson names under a
 * number, and {@code files.json} ({@link UnpackedFile} by name) into the folder. Pictures and slides are opened; sounds aren't,
 * that is another program's work. On its standard output it says {@code file K of N}, and {@code done} or {@code refused REASON
 * DETAIL}. It ends when its standard input does.
 */
public final class ArchiveProcess {
    public static final String FILES = "files.json";

    private static final Map<String, String> PICTURES =
            Map.of("png", "image/png", "jpeg", "image/jpeg", "gif", "image/gif");

    private final LessonArchive archive;
    private final Path folder;
    private final Parent parent;
    private final Map<String, UnpackedFile> files = new LinkedHashMap<>();

    private ArchiveProcess(LessonArchive archive, Path folder, Parent parent) {
        this.archive = archive;
        this.folder = folder;
        this.parent = parent;
    }

    /**
     * A file of an archive.
     *
     * @param file its name in the folder
     * @param pictureType its media type as it was found; null when it is no picture
     */
    public record UnpackedFile(String file, String pictureType) {}

    public static void main(String[] arguments) {
        Parent parent = Parent.meet();
        try (LessonArchive archive = LessonArchive.open(Path.of(arguments[0]))) {
            new ArchiveProcess(archive, Path.of(arguments[1]), parent).unpack();
            parent.say("done");
        } catch (ArchiveRefusedException refused) {
            parent.say("refused " + refused.reason() + " " + refused.detail().replaceAll("\\s+", " "));
        } catch (OutOfMemoryError large) {
            parent.say("refused " + ArchiveRefusedException.Reason.TOO_LARGE + " ");
        } catch (Exception | StackOverflowError broken) {
            broken.printStackTrace();
            parent.say("refused " + ArchiveRefusedException.Reason.UNREADABLE + " ");
        }
        System.exit(0);
    }

    private void unpack() throws IOException, ArchiveRefusedException {
        ArchivedLesson lesson = archive.lesson();
        for (String picture : lesson.pictures().keySet()) {
            picture(picture);
        }
        for (ArchivedPage page : lesson.pages()) {
            if (page.picture() != null) {
                picture(page.picture().sha256());
            }
            if (page.slide() != null) {
                deck(page.slide().file());
            }
            for (ArchivedLine line : page.lines()) {
                for (ArchivedTake take : line.takes()) {
                    sounds(take);
                }
            }
        }
        for (ArchivedTake take : lesson.prompts().values()) {
            sounds(take);
        }
        LessonArchive.writeLesson(lesson, folder.resolve("lesson.json"));
        Files.write(folder.resolve(FILES), LessonArchive.json(files));
    }

    private void sounds(ArchivedTake take) throws IOException, ArchiveRefusedException {
        extract(take.original());
        if (take.heard() != null) {
            extract(take.heard());
        }
    }

    private Path extract(String name) throws IOException, ArchiveRefusedException {
        UnpackedFile known = files.get(name);
        if (known != null) {
            return folder.resolve(known.file());
        }
        String number = "file-" + (files.size() + 1);
        Path file = folder.resolve(number);
        archive.extract(name, file);
        files.put(name, new UnpackedFile(number, null));
        parent.say("file " + files.size());
        return file;
    }

    /** What the archive says of a picture's kind is not believed. */
    private void picture(String sha256) throws IOException, ArchiveRefusedException {
        String name = LessonArchive.pictureName(sha256);
        if (files.containsKey(name)) {
            return;
        }
        Path file = extract(name);
        try (ImageInputStream in = ImageIO.createImageInputStream(file.toFile())) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                throw ArchiveRefusedException.damaged(name);
            }
            ImageReader reader = readers.next();
            String type = PICTURES.get(reader.getFormatName().toLowerCase(Locale.ROOT));
            reader.setInput(in);
            if (type == null) {
                throw ArchiveRefusedException.damaged(name);
            }
            if ((long) reader.getWidth(0) * reader.getHeight(0) > LessonLimits.MOST_PIXELS) {
                throw ArchiveRefusedException.tooLarge(name);
            }
            // Later it is opened to see where there is ink: what can't be opened is no picture.
            reader.read(0);
            files.put(name, new UnpackedFile(files.get(name).file(), type));
        } catch (IOException | RuntimeException unreadable) {
            throw ArchiveRefusedException.damaged(name);
        }
    }

    private void deck(String name) throws IOException, ArchiveRefusedException {
        if (files.containsKey(name)) {
            return;
        }
        try (Paper deck = Papers.open(extract(name))) {
            parent.say("slides " + deck.pages());
        } catch (PaperRefusedException | RuntimeException noDeck) {
            throw ArchiveRefusedException.damaged(name);
        }
    }
}
