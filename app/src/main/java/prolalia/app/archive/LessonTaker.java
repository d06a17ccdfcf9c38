package prolalia.app.archive;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.HashMap;
import java.util.Iterator;
import java.util.Map;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.house.DataFolder;
import prolalia.app.house.MediaStore;
import prolalia.app.lesson.LessonService;
import prolalia.app.school.SchoolService;
import prolalia.app.sound.LimitedStream;
import prolalia.app.sound.ReadyTakes.ReadyTake;
import prolalia.core.sound.Span;
import prolalia.formats.archive.ArchiveRefusedException;
import prolalia.formats.archive.ArchivedLesson;
import prolalia.formats.archive.ArchivedLesson.ArchivedLine;
import prolalia.formats.archive.ArchivedLesson.ArchivedPage;
import prolalia.formats.archive.ArchivedLesson.ArchivedTake;
import prolalia.formats.archive.LessonArchive;
import prolalia.media.KnownTake;
import prolalia.media.UnreadableSoundException;

/** Brings a lesson back out of its archive: everything in it is looked at and listened to first, then all of it is taken. */
@Service
class LessonTaker {
    static final long LARGEST_BYTES = 4L << 30;

    private static final long MOST_PIXELS = 100_000_000;
    private static final Map<String, String> PICTURES =
            Map.of("png", "image/png", "jpeg", "image/jpeg", "gif", "image/gif");

    private final ArchivedRows rows;
    private final MediaStore media;
    private final DataFolder folder;
    private final SchoolService school;
    private final TransactionTemplate transaction;

    LessonTaker(
            ArchivedRows rows,
            MediaStore media,
            DataFolder folder,
            SchoolService school,
            TransactionTemplate transaction) {
        this.rows = rows;
        this.media = media;
        this.folder = folder;
        this.school = school;
        this.transaction = transaction;
    }

    /** Answers the id of the lesson; when it throws, nothing was taken. */
    String take(String teacherId, InputStream content) throws IOException, ArchiveRefusedException {
        Path file = folder.newTemporaryFile();
        try {
            Files.copy(new LimitedStream(content, LARGEST_BYTES), file, StandardCopyOption.REPLACE_EXISTING);
            try (LessonArchive archive = LessonArchive.open(file)) {
                return new Taking(archive).take(teacherId);
            }
        } finally {
            Files.deleteIfExists(file);
        }
    }

    /** What was found in the files of an archive. */
    record Listened(Map<ArchivedTake, ReadyTake> takes, Map<String, String> hashes, Map<String, String> pictureTypes) {}

    private final class Taking {
        private final LessonArchive archive;
        private final Listened found = new Listened(new HashMap<>(), new HashMap<>(), new HashMap<>());

        Taking(LessonArchive archive) {
            this.archive = archive;
        }

        String take(String teacherId) throws IOException, ArchiveRefusedException {
            ArchivedLesson lesson = archive.lesson();
            if (lesson.pages().size() > LessonService.MOST_PAGES) {
                throw ArchiveRefusedException.tooLarge("lesson.json");
            }
            for (String picture : lesson.pictures().keySet()) {
                picture(picture);
            }
            for (ArchivedPage page : lesson.pages()) {
                if (page.picture() != null) {
                    picture(page.picture().sha256());
                }
                if (page.slide() != null) {
                    kept(page.slide().file());
                }
                for (ArchivedLine line : page.lines()) {
                    for (ArchivedTake take : line.takes()) {
                        found.takes().put(take, listen(take));
                    }
                }
            }
            return transaction.execute(status -> rows.add(teacherId, lesson, found));
        }

        /** Moves a file of the archive into the media store; answers its name there. */
        private String kept(String name) throws IOException, ArchiveRefusedException {
            if (!found.hashes().containsKey(name)) {
                Path file = folder.newTemporaryFile();
                try {
                    archive.extract(name, file);
                    found.hashes().put(name, media.keep(file));
                } finally {
                    Files.deleteIfExists(file);
                }
            }
            return found.hashes().get(name);
        }

        /** What the archive says of a picture's kind is not believed. */
        private void picture(String sha256) throws IOException, ArchiveRefusedException {
            String name = LessonArchive.pictureName(sha256);
            String hash = kept(name);
            if (!hash.equals(sha256)) {
                throw ArchiveRefusedException.damaged(name);
            }
            try (ImageInputStream in =
                    ImageIO.createImageInputStream(media.file(hash).toFile())) {
                Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
                if (!readers.hasNext()) {
                    throw ArchiveRefusedException.damaged(name);
                }
                ImageReader reader = readers.next();
                String type = PICTURES.get(reader.getFormatName().toLowerCase(java.util.Locale.ROOT));
                reader.setInput(in);
                if (type == null || (long) reader.getWidth(0) * reader.getHeight(0) > MOST_PIXELS) {
                    throw ArchiveRefusedException.damaged(name);
                }
                found.pictureTypes().put(hash, type);
            } catch (IOException | RuntimeException unreadable) {
                throw ArchiveRefusedException.damaged(name);
            }
        }

        private ReadyTake listen(ArchivedTake take) throws IOException, ArchiveRefusedException {
            String original = kept(take.original());
            Path made = take.heard() == null ? folder.newTemporaryFile() : null;
            try {
                Path heard = made == null ? media.file(kept(take.heard())) : made;
                KnownTake known = KnownTake.listen(
                        media.file(original),
                        heard,
                        made == null,
                        take.trim(),
                        take.plainEdits(),
                        take.words(),
                        school.settings().longestRecordingMs());
                String sound = made == null ? kept(take.heard()) : media.keep(made);
                long durationMs = known.heard().durationMs();
                return new ReadyTake(
                        take.words(),
                        original,
                        known.originalMs(),
                        sound,
                        durationMs,
                        take.edits().isEmpty() ? take.trim() : new Span(0, durationMs),
                        known.gainDb(),
                        known.loudnessLufs(),
                        known.peaks(),
                        known.findings(),
                        take.accepted());
            } catch (UnreadableSoundException | IllegalArgumentException noTake) {
                throw ArchiveRefusedException.damaged(take.original());
            } finally {
                if (made != null) {
                    Files.deleteIfExists(made);
                }
            }
        }
    }
}
