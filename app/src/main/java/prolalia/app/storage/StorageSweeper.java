package prolalia.app.storage;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.util.FileSystemUtils;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.MediaStore;

/**
 * Lets go, once a day, what was removed more than 30 days ago, and then the files that nobody uses. Nothing else deletes what
 * somebody recorded or brought in.
 */
@Service
public class StorageSweeper {
    private static final Logger LOG = LoggerFactory.getLogger(StorageSweeper.class);

    /** As long as what was removed can be put back. */
    public static final Duration BIN = Duration.ofDays(30);

    /** A file that was just kept may not have its row as yet; a sound that is tried on the bench never gets one. */
    static final Duration UNUSED = Duration.ofDays(7);

    private static final long DAY_MS = 24 * 3_600_000L;

    private final StorageStore store;
    private final MediaStore media;
    private final DataFolder folder;
    private final TransactionTemplate transaction;
    private final Clock clock;

    StorageSweeper(
            StorageStore store, MediaStore media, DataFolder folder, TransactionTemplate transaction, Clock clock) {
        this.store = store;
        this.media = media;
        this.folder = folder;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** Lets go of some lines at once and for good, with every recording of them. */
    public void letGoOf(List<String> lineIds) {
        StorageStore.Voices voices = transaction.execute(status -> {
            StorageStore.Voices found = store.voicesOf(lineIds);
            store.removeLongAgo(lineIds);
            store.forgetRemoved(1);
            return found;
        });
        deleteFiles(voices);
    }

    /** Lets go at once and for good of all that a student handed in. */
    public void letGoOfResponsesOf(String studentId) {
        letGoOfResponses("student_id = '" + StorageStore.id(studentId) + "'");
    }

    /** Lets go of all that was handed in to what was given to a class. */
    public void letGoOfResponsesTo(String classId) {
        letGoOfResponses(
                "assignment_id IN (SELECT id FROM assignment WHERE class_id = '" + StorageStore.id(classId) + "')");
    }

    /** Lets go of what was worked on last before a time. */
    public void letGoOfResponsesBefore(long at) {
        letGoOfResponses("last_at < " + at);
    }

    private void letGoOfResponses(String which) {
        StorageStore.Voices voices = transaction.execute(status -> {
            StorageStore.Voices found = store.forgetResponses(which);
            // Lines that were said to nobody else: their takes hold their files no more.
            store.forgetRemoved(1);
            return found;
        });
        if (!voices.files().isEmpty() || !voices.recordings().isEmpty()) {
            deleteFiles(voices);
        }
    }

    private void deleteFiles(StorageStore.Voices voices) {
        // What was overwritten still stands in the log of changes until that is emptied.
        store.emptyChangeLog();
        Set<String> used = store.used();
        try {
            for (String recording : voices.recordings()) {
                FileSystemUtils.deleteRecursively(folder.incoming().resolve(recording));
            }
            for (String file : voices.files()) {
                if (!used.contains(file)) {
                    delete(file);
                }
            }
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private void delete(String file) throws IOException {
        media.delete(file);
        Path wave = folder.waves().resolve(file.substring(0, 2)).resolve(file);
        Files.deleteIfExists(wave);
    }

    @Scheduled(fixedDelay = DAY_MS, initialDelay = 3_600_000)
    public void sweep() throws IOException {
        Instant now = clock.instant();
        long binned = now.minus(BIN).toEpochMilli();
        Integer lines = transaction.execute(status -> store.forgetRemoved(binned));
        int chunks = 0;
        for (String recording : store.concludedBefore(binned)) {
            if (FileSystemUtils.deleteRecursively(folder.incoming().resolve(recording))) {
                chunks++;
            }
        }
        FileSystemUtils.deleteRecursively(folder.coarseWaves());
        Set<String> used = store.used();
        int files = 0;
        for (String name : media.keptBefore(now.minus(UNUSED))) {
            if (!used.contains(name)) {
                delete(name);
                files++;
            }
        }
        if (files + chunks + (lines == null ? 0 : lines) > 0) {
            LOG.info("Let go: {} lines, chunks of {} recordings, {} files that nobody uses", lines, chunks, files);
        }
    }
}
