package prolalia.app.spoken;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.locks.Lock;
import java.util.regex.Pattern;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.platform.BackgroundWork;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.HouseProperties;
import prolalia.app.platform.LimitedStream;
import prolalia.app.platform.LocksByName;
import prolalia.app.platform.MediaStore;
import prolalia.app.platform.NotFoundException;
import prolalia.app.platform.TooLargeException;
import prolalia.app.platform.WorkJournal;
import prolalia.app.spoken.RecordingRight.Beginning;
import prolalia.app.spoken.StoredRecording.State;
import prolalia.app.workers.SoundWorkers;
import prolalia.core.sound.Refusal;

/**
 * All that is recorded, from its first chunk to the verdict, whatever it is for; what becomes of it then, its purpose says
 * ({@link RecordingUse}).
 *
 * <p>Every step leaves the recording in a state from which the next start of the server goes on: chunks are on the disk
 * before they are acknowledged, one that is put together is judged again if need be, and what comes in afterwards joins it.
 */
@Service
public class ChunkedRecordings implements DisposableBean {
    /** It isn't noted with each chunk that a recording lives. */
    private static final long TOUCHED_EVERY_MS = 2_000;

    private static final int SIZES_KNOWN = 10_000;

    private static final Pattern ID = Pattern.compile("[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}");

    private final RecordingStore store;
    private final ChunkFolder chunks;
    private final MediaStore media;
    private final SoundWorkers workers;
    private final DataFolder folder;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final Map<RecordingPurpose, RecordingUse> uses = new EnumMap<>(RecordingPurpose.class);
    private final BackgroundWork late;
    private final BackgroundWork left;
    private final long quietMs;
    private final long brokenOffMs;
    private final LocksByName locks = new LocksByName();
    private final Cache<String, AtomicLong> sizes =
            Caffeine.newBuilder().maximumSize(SIZES_KNOWN).build();

    ChunkedRecordings(
            RecordingStore store,
            ChunkFolder chunks,
            MediaStore media,
            SoundWorkers workers,
            DataFolder folder,
            TransactionTemplate transaction,
            List<RecordingUse> uses,
            WorkJournal begun,
            HouseProperties properties,
            Clock clock) {
        this.store = store;
        this.chunks = chunks;
        this.media = media;
        this.workers = workers;
        this.folder = folder;
        this.transaction = transaction;
        this.clock = clock;
        uses.forEach(use -> use.purposes().forEach(purpose -> this.uses.put(purpose, use)));
        if (this.uses.size() < RecordingPurpose.values().length) {
            throw new IllegalStateException("Nothing becomes of some recordings: " + this.uses.keySet());
        }
        quietMs = properties.quiet().toMillis();
        brokenOffMs = properties.brokenOff().toMillis();
        late = new BackgroundWork("late-chunks", begun, (id, course) -> join(id), (id, why) -> {});
        left = new BackgroundWork("left-recordings", begun, (id, course) -> finish(id), (id, why) -> {});
    }

    /**
     * Takes a chunk in; it is on the disk when this returns. The first chunk to arrive begins the recording.
     *
     * @param number from 0
     */
    public void receive(RecordingRight right, String id, String mediaType, int number, InputStream content)
            throws IOException {
        StoredRecording recording = begun(right, id, mediaType, null, number);
        RecordingPurpose purpose = recording.purpose();
        if (recording.isPutTogether() && number < recording.chunks()) {
            // It is in the recording already.
            return;
        }
        folder.needRoom(0);
        AtomicLong held = sizes.get(id, unseen -> new AtomicLong(chunks.size(id)));
        if (held.get() > purpose.largestBytes()) {
            throw new TooLargeException();
        }
        // Also when the recording was ended or thrown away meanwhile, elsewhere: what is acknowledged is on the disk.
        held.addAndGet(chunks.put(id, number, new LimitedStream(content, purpose.largestChunkBytes())));
        if (store.find(id).map(StoredRecording::isPutTogether).orElse(false)) {
            late.in(quietMs, id);
        } else {
            if (purpose.endsByItself()) {
                left.in(brokenOffMs, id);
            }
            if (clock.millis() - recording.changedAt() > TOUCHED_EVERY_MS) {
                store.touch(id, clock.millis());
            }
        }
    }

    /** Takes a whole file in, and judges it. @param words that are said in it; null: those that were to be said */
    Ended receiveFile(RecordingRight right, String id, String fileName, String words, InputStream content)
            throws IOException {
        StoredRecording recording = begun(right, id, "application/octet-stream", fileName, 0);
        if (recording.state() == State.OPEN) {
            if (words != null) {
                store.setWords(id, words);
            }
            String rawHash =
                    media.keep(new LimitedStream(content, recording.purpose().largestBytes()));
            store.seal(id, rawHash, 0, clock.millis());
        }
        return judged(id, Ending.AS_IT_CAME);
    }

    private StoredRecording begun(RecordingRight right, String id, String mediaType, String fileName, int number) {
        Optional<StoredRecording> known = known(id);
        if (known.isPresent()) {
            requireRoom(known.get().purpose(), number);
            return own(right, known);
        }
        Beginning beginning = right.beginning();
        requireRoom(beginning.owner().purpose(), number);
        workers.warmUp();
        store.open(id, beginning, mediaType, fileName, clock.millis());
        return own(right, id);
    }

    private static void requireRoom(RecordingPurpose purpose, int number) {
        if (number < 0 || number >= purpose.mostChunks()) {
            throw new TooLargeException();
        }
    }

    private Optional<StoredRecording> known(String id) {
        if (!ID.matcher(id).matches()) {
            throw new NotFoundException("recording");
        }
        return store.find(id);
    }

    /** A recording that may be gone on with. */
    public StoredRecording own(RecordingRight right, String id) {
        return own(right, known(id));
    }

    private static StoredRecording own(RecordingRight right, Optional<StoredRecording> known) {
        return known.filter(right::covers).orElseThrow(() -> new NotFoundException("recording"));
    }

    /** Whether nothing came in as yet under a name. */
    public boolean isNew(String id) {
        return known(id).isEmpty();
    }

    /** A false start, or one that was refused. Its sound stays for a while: it was somebody's voice, and a press is soon made. */
    public void discard(RecordingRight right, String id) {
        // Thrown away before its first chunk came in: there is nothing to do, and nothing wrong.
        if (isNew(id)) {
            return;
        }
        StoredRecording recording = own(right, id);
        if (recording.state() == State.OPEN || recording.state() == State.REFUSED) {
            store.discard(id, clock.millis());
        }
    }

    /**
     * Ends a recording and judges it. Ending it twice gives the same verdict; when more of it came in since, it is put together
     * and judged anew.
     */
    public Ended end(RecordingRight right, String id, Ending ending) throws IOException {
        own(right, id);
        return end(id, ending);
    }

    private Ended end(String id, Ending ending) throws IOException {
        Lock lock = locks.of(id);
        lock.lock();
        try {
            StoredRecording recording = store.find(id).orElseThrow(() -> new NotFoundException("recording"));
            // What came in is never left out, whatever a browser says of it.
            int from = recording.chunks();
            int arrived = chunks.endWithoutGap(id, from);
            int all = ending.chunks() == null
                    ? arrived
                    : Math.max(
                            arrived,
                            Math.min(ending.chunks(), recording.purpose().mostChunks()));
            List<Integer> missing = chunks.missing(id, from, all);
            if (!missing.isEmpty()) {
                return new Ended.Incomplete(missing);
            }
            boolean more = all > from;
            if (recording.state() == State.TAKEN && more && from > 0) {
                return grown(recording, all, ending);
            }
            if (recording.state() == State.OPEN && all == 0) {
                store.refused(id, Refusal.Reason.EMPTY, 0, clock.millis());
            } else if (recording.state() == State.OPEN || more && recording.state() != State.TAKEN) {
                if (ending.words() != null) {
                    store.setWords(id, ending.words());
                }
                seal(recording, all);
            } else if (ending.chunks() != null) {
                uses.get(recording.purpose()).endedAgain(recording);
            }
            String whole = beside(id, from);
            Ended ended = judged(store.find(whole).isPresent() ? whole : id, ending);
            chunks.delete(id, all);
            return ended;
        } finally {
            lock.unlock();
        }
    }

    /** Puts all of it together that is there: what it was put together of before, and what came in since. */
    private String assembled(StoredRecording recording, int all) throws IOException {
        int from = recording.rawHash() == null ? 0 : recording.chunks();
        Path file = chunks.assembled(recording.id(), from == 0 ? null : media.file(recording.rawHash()), from, all);
        try {
            return media.keep(file);
        } finally {
            Files.deleteIfExists(file);
        }
    }

    private void seal(StoredRecording recording, int all) throws IOException {
        store.seal(recording.id(), assembled(recording, all), all, clock.millis());
    }

    /** The name of a recording beside one, with as many chunks as there are by now. */
    private static String beside(String id, int count) {
        return UUID.nameUUIDFromBytes((id + count).getBytes(StandardCharsets.UTF_8))
                .toString();
    }

    /** Chunks came in after a recording was taken, from a device that had been offline. */
    private Ended grown(StoredRecording recording, int all, Ending ending) throws IOException {
        RecordingUse use = uses.get(recording.purpose());
        String id = recording.id();
        String grown = use.growsInPlace() ? id : beside(id, all);
        if (use.growsInPlace()) {
            seal(recording, all);
        } else {
            store.open(grown, beginningOf(recording), recording.mediaType(), recording.fileName(), clock.millis());
            if (store.find(grown).orElseThrow().state() == State.OPEN) {
                String rawHash = assembled(recording, all);
                store.seal(grown, rawHash, all, clock.millis());
                store.extend(id, rawHash, all);
            }
        }
        Ended ended = judged(grown, ending);
        chunks.delete(id, all);
        if (ended instanceof Ended.Made made) {
            use.grew(recording, made.recording());
        }
        return ended;
    }

    private static Beginning beginningOf(StoredRecording recording) {
        return new Beginning(recording.owner(), recording.speakerId(), recording.words());
    }

    /** A refused recording is kept all the same. */
    Ended takeWhole(RecordingRight right, String id) throws IOException {
        if (!own(right, id).canBeTakenWhole()) {
            throw new NotFoundException("recording to take whole");
        }
        return judged(id, Ending.WHOLE);
    }

    /** The verdict on a recording; the first time, it is opened for it. */
    private Ended judged(String id, Ending ending) throws IOException {
        Lock lock = locks.of(id);
        lock.lock();
        try {
            StoredRecording recording = store.find(id).orElseThrow();
            if (recording.state() == State.SEALED || ending.whole() && recording.canBeTakenWhole()) {
                conclude(recording, uses.get(recording.purpose()).judge(recording, ending));
            }
        } finally {
            lock.unlock();
        }
        StoredRecording recording = store.find(id).orElseThrow();
        if (recording.state() == State.TAKEN) {
            return new Ended.Made(recording);
        }
        if (recording.refusal() == null) {
            throw new NotFoundException("recording that was thrown away");
        }
        return new Ended.Refused(recording);
    }

    private void conclude(StoredRecording recording, Judgement judgement) {
        String id = recording.id();
        if (judgement instanceof Judgement.Taken taken) {
            transaction.executeWithoutResult(status -> {
                taken.together().run();
                store.taken(id, taken.durationMs(), taken.heard(), clock.millis());
            });
            taken.afterwards().run();
        } else if (judgement instanceof Judgement.Refused refused) {
            // What came in stays, whatever it is, until nobody has asked for it for a while ({@code StorageSweeper}).
            store.refused(id, refused.reason(), refused.wholeMs(), clock.millis());
        }
    }

    /** What came in after a recording was put together joins it by itself. */
    private void join(String id) throws IOException {
        StoredRecording recording = store.find(id).orElse(null);
        if (recording == null || chunks.endWithoutGap(id, recording.chunks()) <= recording.chunks()) {
            return;
        }
        if (recording.state() == State.SEALED) {
            late.in(quietMs, id);
        } else if (recording.isPutTogether()) {
            end(id, Ending.AS_IT_CAME);
        }
    }

    /** Puts together what a closed page left, as far as it was said. */
    private void finish(String id) throws IOException {
        StoredRecording recording = store.find(id).orElse(null);
        if (recording == null
                || recording.state() != State.OPEN
                || !recording.purpose().endsByItself()) {
            return;
        }
        long wait = chunks.newestAt(id) + brokenOffMs - clock.millis();
        if (wait > 0) {
            left.in(wait, id);
        } else if (chunks.endWithoutGap(id, 0) > 0) {
            brokenOff(end(id, Ending.BROKEN_OFF));
        }
    }

    private void brokenOff(Ended ended) {
        if (ended instanceof Ended.Made made) {
            uses.get(made.recording().purpose()).brokenOff(made.recording());
        }
    }

    @EventListener(ApplicationReadyEvent.class)
    void goOn() throws IOException {
        List<String> there = new ArrayList<>(chunks.recordings());
        there.forEach(late::soon);
        // A device that was there when the server went goes on by itself.
        there.forEach(id -> left.in(brokenOffMs, id));
        // Where it went between taking one in and telling it; whoever was told knows it.
        store.brokenOff().forEach(recording -> uses.get(recording.purpose()).brokenOff(recording));
    }

    /** Goes on with one that was put together, but not yet judged when the server stopped. */
    void judgeSealed(StoredRecording recording) throws IOException {
        if (recording.purpose().endsByItself()) {
            brokenOff(judged(recording.id(), Ending.BROKEN_OFF));
        } else {
            judged(recording.id(), Ending.AS_IT_CAME);
        }
    }

    @Override
    public void destroy() {
        late.close();
        left.close();
    }
}
