package prolalia.app.storage;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
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

    private static final long FINISHED_EVERY_MS = 4_000;

    /** Known without asking the database. */
    private volatile boolean isAnythingLeft;

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

    /**
     * Lets go of a student at once and for good, or not at all: of what she handed in, of her own rows, and of the lines that say
     * her name, with every recording of them.
     *
     * @param rows deletes her rows, and answers those lines; within the transaction
     */
    public void letGoOfStudent(String studentId, Supplier<List<String>> rows) {
        letGo(() -> {
            StorageStore.Voices voices = store.forgetResponses("student_id = '" + StorageStore.id(studentId) + "'");
            List<String> lines = rows.get();
            voices = voices.and(store.voicesOf(lines));
            store.removeLongAgo(lines);
            store.forgetRemoved(1);
            return voices;
        });
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
        letGo(() -> {
            StorageStore.Voices found = store.forgetResponses(which);
            // Lines that were said to nobody else: their takes hold their files no more.
            store.forgetRemoved(1);
            return found;
        });
    }

    /** Rows go in one transaction, in which it is written down what must go after them; a kill in between is made up for. */
    private void letGo(Supplier<StorageStore.Voices> rows) {
        transaction.executeWithoutResult(status -> store.mustGo(rows.get(), clock.millis()));
        isAnythingLeft = true;
        finish();
    }

    /** What a server that was killed left. */
    @EventListener(ApplicationReadyEvent.class)
    public void goOn() {
        isAnythingLeft = true;
        finish();
    }

    /**
     * Does away with what was let go and may still lie in a file, and with what stands in the database's log of changes. What
     * can't go now (somebody reads an older state, the disk fails) goes later.
     */
    @Scheduled(fixedDelay = FINISHED_EVERY_MS)
    public void finish() {
        if (!isAnythingLeft) {
            return;
        }
        // Before it is asked for: what comes in meanwhile is seen the next time.
        isAnythingLeft = false;
        List<StorageStore.MustGo> left = store.mustGo();
        if (!left.isEmpty()) {
            isAnythingLeft = true;
        }
        Set<String> used = store.used();
        for (StorageStore.MustGo each : left) {
            try {
                boolean gone = switch (each.kind()) {
                    case StorageStore.FILE ->
                        used.contains(each.what()) || delete(each.what(), Instant.ofEpochMilli(each.at()));
                    case StorageStore.CHUNKS -> {
                        FileSystemUtils.deleteRecursively(folder.incoming().resolve(each.what()));
                        yield true;
                    }
                    default -> store.emptyChangeLog();
                };
                if (gone) {
                    store.isGone(each);
                }
            } catch (IOException failed) {
                LOG.warn("Something that must go is tried again: {}", failed.getMessage());
            }
        }
    }

    /** Unless somebody wants it again since then; answers whether that is settled. */
    private boolean delete(String file, Instant since) throws IOException {
        if (!media.deleteUnlessWanted(file, since)) {
            return false;
        }
        Path wave = folder.waves().resolve(file.substring(0, 2)).resolve(file);
        Files.deleteIfExists(wave);
        return true;
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
            if (!used.contains(name) && delete(name, now)) {
                files++;
            }
        }
        if (files + chunks + (lines == null ? 0 : lines) > 0) {
            LOG.info("Let go: {} lines, chunks of {} recordings, {} files that nobody uses", lines, chunks, files);
        }
    }
}
