package prolalia.app.archive;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Iterator;
import java.util.Locale;
import java.util.Map;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.util.FileSystemUtils;
import prolalia.app.house.DataFolder;
import prolalia.app.house.MediaStore;
import prolalia.app.house.Words;
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
    private final Words words;
    private final TransactionTemplate transaction;

    LessonTaker(
            ArchivedRows rows,
            MediaStore media,
            DataFolder folder,
            SchoolService school,
            Words words,
            TransactionTemplate transaction) {
        this.rows = rows;
        this.media = media;
        this.folder = folder;
        this.school = school;
        this.words = words;
        this.transaction = transaction;
    }

    /** Answers the id of the lesson; when it throws, nothing was taken. */
    String take(String teacherId, InputStream content) throws IOException, ArchiveRefusedException {
        Path place = folder.newTemporaryFolder();
        try {
            Path file = place.resolve("archive");
            Files.copy(new LimitedStream(content, LARGEST_BYTES), file);
            try (LessonArchive archive = LessonArchive.open(file)) {
                return new Taking(archive, place).take(teacherId);
            }
        } finally {
            FileSystemUtils.deleteRecursively(place);
        }
    }

    /**
     * What was found in the files of an archive.
     *
     * @param hashes the names that its files have in the media store, by their paths in the archive
     */
    record Listened(Map<ArchivedTake, ReadyTake> takes, Map<String, String> hashes, Map<String, String> pictureTypes) {}

    private final class Taking {
        private final LessonArchive archive;
        private final Path place;
        private final Map<String, Path> files = new HashMap<>();
        private final Listened found = new Listened(new HashMap<>(), new HashMap<>(), new HashMap<>());

        /** @param place a folder for what is looked at */
        Taking(LessonArchive archive, Path place) {
            this.archive = archive;
            this.place = place;
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
                    extracted(page.slide().file());
                }
                for (ArchivedLine line : page.lines()) {
                    for (ArchivedTake take : line.takes()) {
                        found.takes().put(take, listen(take));
                    }
                }
            }
            // Only now anything is kept.
            for (Path file : files.values()) {
                media.keep(file);
            }
            String title = lesson.title().isBlank() ? words.say("lesson.untitled") : lesson.title();
            return transaction.execute(status -> rows.add(teacherId, title, lesson, found));
        }

        private Path extracted(String name) throws IOException, ArchiveRefusedException {
            if (!files.containsKey(name)) {
                Path file = Files.createTempFile(place, "part", null);
                archive.extract(name, file);
                add(name, file);
            }
            return files.get(name);
        }

        private void add(String name, Path file) throws IOException {
            files.put(name, file);
            found.hashes().put(name, MediaStore.hashOf(file));
        }

        /** What the archive says of a picture's kind is not believed. */
        private void picture(String sha256) throws IOException, ArchiveRefusedException {
            String name = LessonArchive.pictureName(sha256);
            Path file = extracted(name);
            if (!found.hashes().get(name).equals(sha256)) {
                throw ArchiveRefusedException.damaged(name);
            }
            try (ImageInputStream in = ImageIO.createImageInputStream(file.toFile())) {
                Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
                if (!readers.hasNext()) {
                    throw ArchiveRefusedException.damaged(name);
                }
                ImageReader reader = readers.next();
                String type = PICTURES.get(reader.getFormatName().toLowerCase(Locale.ROOT));
                reader.setInput(in);
                if (type == null || (long) reader.getWidth(0) * reader.getHeight(0) > MOST_PIXELS) {
                    throw ArchiveRefusedException.damaged(name);
                }
                found.pictureTypes().put(sha256, type);
            } catch (IOException | RuntimeException unreadable) {
                throw ArchiveRefusedException.damaged(name);
            }
        }

        private ReadyTake listen(ArchivedTake take) throws IOException, ArchiveRefusedException {
            Path original = extracted(take.original());
            boolean isThere = take.heard() != null;
            Path heard = isThere ? extracted(take.heard()) : Files.createTempFile(place, "heard", ".mp3");
            try {
                KnownTake known = KnownTake.listen(
                        original,
                        heard,
                        isThere,
                        take.trim(),
                        take.plainEdits(),
                        take.words(),
                        school.settings().longestRecordingMs());
                String name = isThere ? take.heard() : heard.toString();
                if (!isThere) {
                    add(name, heard);
                }
                long durationMs = known.heard().durationMs();
                return new ReadyTake(
                        take.words(),
                        found.hashes().get(take.original()),
                        known.originalMs(),
                        found.hashes().get(name),
                        durationMs,
                        take.edits().isEmpty() ? take.trim() : new Span(0, durationMs),
                        known.gainDb(),
                        known.loudnessLufs(),
                        known.peaks(),
                        known.findings(),
                        take.accepted());
            } catch (UnreadableSoundException | IllegalArgumentException noTake) {
                throw ArchiveRefusedException.damaged(take.original());
            }
        }
    }
}
