package prolalia.app.archive;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Semaphore;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.util.FileSystemUtils;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.archive.ArchivedRows.Added;
import prolalia.app.archive.ArchivedRows.Listened;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.LimitedProcess;
import prolalia.app.platform.MediaStore;
import prolalia.app.platform.Messages;
import prolalia.app.school.SchoolService;
import prolalia.app.spoken.TakeImporter.ImportedTake;
import prolalia.app.workers.SoundWorkers;
import prolalia.core.sound.Peaks;
import prolalia.core.sound.Refusal;
import prolalia.core.sound.Span;
import prolalia.formats.archive.ArchiveProcess;
import prolalia.formats.archive.ArchiveProcess.UnpackedFile;
import prolalia.formats.archive.ArchiveRefusedException;
import prolalia.formats.archive.ArchiveRefusedException.Reason;
import prolalia.formats.archive.ArchivedLesson;
import prolalia.formats.archive.ArchivedLesson.ArchivedLine;
import prolalia.formats.archive.ArchivedLesson.ArchivedPage;
import prolalia.formats.archive.ArchivedLesson.ArchivedTake;
import prolalia.formats.archive.LessonArchive;
import prolalia.media.UnreadableSoundException;
import prolalia.media.process.SoundRequest;
import prolalia.media.process.SoundRequest.MadeTake;

/** Brings a lesson in from its archive: everything in it is looked at and listened to first, then all of it is taken. */
@Service
class LessonImporter {
    static final long LARGEST_BYTES = 4L << 30;

    private static final int HEAP_MB = 560;
    private static final long LONGEST_SILENCE_MS = 90_000;
    private static final long LONGEST_MS = 20 * 60_000;

    /** A school with short recordings still gets back what one with long ones made. */
    private static final long LONGEST_TAKE_MS = 600_000;

    private final ArchivedRows rows;
    private final MediaStore media;
    private final DataFolder folder;
    private final SchoolService school;
    private final Messages messages;
    private final SoundWorkers workers;
    private final TransactionTemplate transaction;

    /** One at a time: an archive may be large. */
    private final Semaphore room = new Semaphore(1, true);

    LessonImporter(
            ArchivedRows rows,
            MediaStore media,
            DataFolder folder,
            SchoolService school,
            Messages messages,
            SoundWorkers workers,
            TransactionTemplate transaction) {
        this.rows = rows;
        this.media = media;
        this.folder = folder;
        this.school = school;
        this.messages = messages;
        this.workers = workers;
        this.transaction = transaction;
    }

    /** When it throws, nothing was taken. */
    Added take(Teacher teacher, InputStream content) throws IOException, ArchiveRefusedException {
        Path place = folder.newTemporaryFolder();
        try {
            Path file = place.resolve("archive");
            Files.copy(content, file);
            room.acquireUninterruptibly();
            try {
                unpack(file, place);
                return new Taking(place).take(teacher);
            } finally {
                room.release();
            }
        } finally {
            FileSystemUtils.deleteRecursively(place);
        }
    }

    /** In a program of its own, whatever is in it. */
    private static void unpack(Path file, Path place) throws IOException, ArchiveRefusedException {
        try (LimitedProcess process = new LimitedProcess(
                ArchiveProcess.class,
                HEAP_MB,
                place,
                List.of(file.toAbsolutePath().toString(), place.toAbsolutePath().toString()))) {
            process.limit(LONGEST_SILENCE_MS, () -> LONGEST_MS);
            for (String line = process.readLine(); line != null; line = process.readLine()) {
                String[] words = line.split(" ", 3);
                if (words[0].equals("done")) {
                    return;
                } else if (words[0].equals("refused")) {
                    throw new ArchiveRefusedException(Reason.valueOf(words[1]), words.length > 2 ? words[2] : "");
                }
            }
            process.failed("An archive could not be looked through");
            throw ArchiveRefusedException.tooLarge("");
        }
    }

    private final class Taking {
        private final Path place;
        private final ArchivedLesson lesson;
        private final Map<String, UnpackedFile> unpacked;
        private final Set<Path> files = new LinkedHashSet<>();
        private final Listened found = new Listened(new HashMap<>(), new HashMap<>(), new HashMap<>());

        /** @param place the folder into which the archive was unpacked */
        Taking(Path place) throws IOException {
            this.place = place;
            lesson = LessonArchive.readUnpacked(place);
            unpacked = LessonArchive.unpackedFiles(place);
        }

        Added take(Teacher teacher) throws IOException, ArchiveRefusedException {
            for (String picture : lesson.pictures().keySet()) {
                picture(picture);
            }
            for (ArchivedPage page : lesson.pages()) {
                if (page.picture() != null) {
                    picture(page.picture().sha256());
                }
                if (page.slide() != null
                        && !found.hashes().containsKey(page.slide().file())) {
                    add(page.slide().file(), file(page.slide().file()));
                }
                for (ArchivedLine line : page.lines()) {
                    for (ArchivedTake take : line.takes()) {
                        found.takes().put(take, listen(take));
                    }
                }
            }
            for (ArchivedTake take : lesson.prompts().values()) {
                found.takes().put(take, listen(take));
            }
            // Only now anything is kept.
            for (Path file : files) {
                media.keep(file);
            }
            String title = lesson.title().isBlank() ? messages.say("lesson.untitled") : lesson.title();
            return transaction.execute(status -> rows.add(teacher, title, lesson, found));
        }

        private Path file(String name) {
            // A plain name, whatever the program that opened the archive was made to write.
            return place.resolve(Path.of(unpacked.get(name).file()).getFileName());
        }

        private String add(String name, Path file) throws IOException {
            files.add(file);
            String hash = MediaStore.hashOf(file);
            found.hashes().put(name, hash);
            return hash;
        }

        private void picture(String sha256) throws IOException, ArchiveRefusedException {
            String name = LessonArchive.pictureName(sha256);
            if (!found.hashes().containsKey(name) && !add(name, file(name)).equals(sha256)) {
                throw ArchiveRefusedException.damaged(name);
            }
            found.pictureTypes().put(sha256, unpacked.get(name).pictureType());
        }

        private ImportedTake listen(ArchivedTake take) throws IOException, ArchiveRefusedException {
            boolean isThere = take.heard() != null;
            Path heard = isThere ? file(take.heard()) : Files.createTempFile(place, "heard", ".mp3");
            // The original is kept as our own program writes it, and is opened by the server itself only then.
            Path original = Files.createTempFile(place, "original", ".flac");
            try {
                SoundRequest.Known known = workers.ask(new SoundRequest.Listen(
                        file(take.original()),
                        heard,
                        isThere,
                        new SoundRequest.Edited(take.trim(), take.plainEdits()),
                        take.words(),
                        Math.max(LONGEST_TAKE_MS, school.settings().longestRecordingMs()),
                        original));
                MadeTake made = known.take();
                return new ImportedTake(
                        take.words(),
                        add(original.toString(), original),
                        known.originalMs(),
                        add(heard.toString(), heard),
                        made.durationMs(),
                        take.edits().isEmpty() ? take.trim() : new Span(0, made.durationMs()),
                        made.gainDb(),
                        made.loudnessLufs(),
                        new Peaks(made.peaks()),
                        made.findings(),
                        take.accepted());
            } catch (UnreadableSoundException noTake) {
                throw noTake.reason() == Refusal.Reason.TOO_LONG || noTake.reason() == Refusal.Reason.TOO_HEAVY
                        ? ArchiveRefusedException.tooLarge(take.original())
                        : ArchiveRefusedException.damaged(take.original());
            }
        }
    }
}
