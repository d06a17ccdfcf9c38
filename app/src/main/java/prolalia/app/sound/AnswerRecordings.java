package prolalia.app.sound;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.locks.Lock;
import java.util.regex.Pattern;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.platform.BackgroundWork;
import prolalia.app.platform.BegunWork;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.HouseProperties;
import prolalia.app.platform.LimitedStream;
import prolalia.app.platform.LocksByName;
import prolalia.app.platform.MediaStore;
import prolalia.app.platform.NotFoundException;
import prolalia.app.platform.TooLargeException;
import prolalia.app.sound.AnswerRecordingStore.Known;
import prolalia.app.sound.StoredRecording.State;
import prolalia.core.sound.AnswerCheck;
import prolalia.core.sound.Refusal;
import prolalia.media.UnreadableSoundException;
import prolalia.media.process.SoundRequest;
import prolalia.media.process.SoundRequest.HeardAnswer;
import prolalia.media.process.SoundRequest.Judged;
import prolalia.media.process.SoundRequest.Rendered;

/**
 * Recordings in which students answer: chunks are kept as they come, and put together, trimmed and levelled as takes are. What
 * has any sound in it is kept whole, however it is spoken.
 */
@Service
public class AnswerRecordings implements DisposableBean {
    private static final Pattern ID = Pattern.compile("[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}");
    private static final int MOST_CHUNKS = 3_600;
    private static final int LARGEST_CHUNK_BYTES = 2 << 20;
    private static final long LARGEST_BYTES = 60L << 20;

    /** What comes in after its end belongs to something that was allowed to be as long as it is. */
    private static final long LONGEST_LATE_MS = 3_600_000;

    /** A device that stops late records a little more than it may. */
    private static final long LATE_MS = 30_000;

    private final AnswerRecordingStore store;
    private final ChunkFolder chunks;
    private final MediaStore media;
    private final SoundWorkers workers;
    private final DataFolder folder;
    private final TransactionTemplate transaction;
    private final ApplicationEventPublisher events;
    private final Clock clock;
    private final LocksByName locks = new LocksByName();
    private final BackgroundWork late;
    private final BackgroundWork left;
    private final long quietMs;
    private final long brokenOffMs;

    AnswerRecordings(
            AnswerRecordingStore store,
            ChunkFolder chunks,
            MediaStore media,
            SoundWorkers workers,
            DataFolder folder,
            TransactionTemplate transaction,
            ApplicationEventPublisher events,
            HouseProperties properties,
            BegunWork begun,
            Clock clock) {
        this.store = store;
        this.chunks = chunks;
        this.media = media;
        this.workers = workers;
        this.folder = folder;
        this.transaction = transaction;
        this.events = events;
        this.clock = clock;
        quietMs = properties.quiet().toMillis();
        brokenOffMs = properties.brokenOff().toMillis();
        late = new BackgroundWork("late-answers", begun, (id, course) -> join(id), (id, why) -> {});
        left = new BackgroundWork("left-answers", begun, (id, course) -> finish(id), (id, why) -> {});
    }

    /**
     * Something that was said is longer by what came in late.
     *
     * @param soundHash as it is heard now
     */
    public record SaidOn(String recordingId, String soundHash, long durationMs) {}

    /** Something that nobody ended was put together, as far as it was said. */
    public record BrokenOff(AnswerPlace place, String recordingId) {}

    /** What became of a recording. */
    public sealed interface Ended {
        /** It can be heard. */
        record Made(String recordingId, long durationMs) implements Ended {}

        /** Nobody could hear anything in it. */
        record Refused(Refusal.Reason reason) implements Ended {}

        /** @param missing the chunks that haven't come in */
        record Incomplete(List<Integer> missing) implements Ended {}
    }

    /** Takes a chunk in; it is on the disk when this returns. */
    public void receive(AnswerPlace place, String recordingId, String mediaType, int number, InputStream content)
            throws IOException {
        if (number < 0 || number >= MOST_CHUNKS || chunks.size(recordingId(recordingId)) > LARGEST_BYTES) {
            throw new TooLargeException();
        }
        if (store.find(recordingId).isEmpty()) {
            workers.warmUp();
            store.open(recordingId, place, mediaType, clock.millis());
        }
        Known known = own(place, recordingId);
        if (known.isEnded() && number < known.chunks()) {
            // It is in the recording already.
            return;
        }
        folder.needRoom(0);
        // Also when the recording was ended or thrown away meanwhile: what is acknowledged is on the disk.
        chunks.put(recordingId, number, new LimitedStream(content, LARGEST_CHUNK_BYTES));
        if (known.isEnded()) {
            late.in(quietMs, recordingId);
        } else if (known.purpose() == RecordingPurpose.ANSWER) {
            left.in(brokenOffMs, recordingId);
        }
    }

    /** Puts together what a closed page left, as far as it was said. */
    private void finish(String recordingId) throws IOException {
        Known known = store.find(recordingId).orElse(null);
        if (known == null || known.state() != State.OPEN || known.purpose() != RecordingPurpose.ANSWER) {
            return;
        }
        long wait = chunks.newestAt(recordingId) + brokenOffMs - clock.millis();
        if (wait > 0) {
            left.in(wait, recordingId);
        } else if (chunks.endWithoutGap(recordingId, 0) > 0
                && end(known.place(), recordingId, null, LONGEST_LATE_MS, true) instanceof Ended.Made) {
            events.publishEvent(new BrokenOff(known.place(), recordingId));
        }
    }

    /** What came in after a recording was put together joins it by itself. */
    private void join(String recordingId) throws IOException {
        Known known = store.find(recordingId).orElse(null);
        if (known != null && known.isEnded() && chunks.endWithoutGap(recordingId, known.chunks()) > known.chunks()) {
            end(known.place(), recordingId, null, LONGEST_LATE_MS, false);
        }
    }

    @EventListener(ApplicationReadyEvent.class)
    void goOn() throws IOException {
        chunks.recordings().forEach(late::soon);
        // A device that was there when the server went goes on by itself.
        chunks.recordings().forEach(recording -> left.in(brokenOffMs, recording));
        // Where it went between taking one in and telling it; whoever was told knows it.
        store.brokenOff().forEach(known -> events.publishEvent(new BrokenOff(known.place(), known.id())));
    }

    @Override
    public void destroy() {
        late.close();
        left.close();
    }

    private static String recordingId(String id) {
        if (!ID.matcher(id).matches()) {
            throw new NotFoundException("recording");
        }
        return id;
    }

    private Known own(AnswerPlace place, String recordingId) {
        return store.find(recordingId(recordingId))
                .filter(known -> known.speakerId().equals(place.speakerId())
                        && known.purpose() == place.purpose()
                        && known.target().equals(place.target()))
                .orElseThrow(() -> new NotFoundException("recording"));
    }

    /**
     * Ends a recording; ending it twice answers the same, and when more of it came in since, it is put together and judged anew.
     *
     * @param count how many chunks it has; null: as many as came in
     * @param longestMs what comes after it isn't kept
     */
    public Ended end(AnswerPlace place, String recordingId, Integer count, long longestMs) throws IOException {
        return end(place, recordingId, count, longestMs, false);
    }

    /** @param brokenOff whether nobody ends it but this server */
    private Ended end(AnswerPlace place, String recordingId, Integer count, long longestMs, boolean brokenOff)
            throws IOException {
        Lock lock = locks.of(recordingId);
        lock.lock();
        try {
            Known known = own(place, recordingId);
            int from = known.isEnded() ? known.chunks() : 0;
            int arrived = chunks.endWithoutGap(recordingId, from);
            int all = count == null ? arrived : Math.max(arrived, Math.min(count, MOST_CHUNKS));
            List<Integer> missing = chunks.missing(recordingId, from, all);
            if (!missing.isEmpty()) {
                return new Ended.Incomplete(missing);
            }
            if (!known.isEnded() && (known.state() == State.OPEN || all > 0) || all > from) {
                make(known, all, longestMs + LATE_MS, brokenOff);
                known = own(place, recordingId);
            } else if (count != null) {
                store.isWhole(recordingId);
            }
            return known.state() == State.TAKEN
                    ? new Ended.Made(recordingId, known.durationMs())
                    : new Ended.Refused(
                            known.refusal() == null ? Refusal.Reason.EMPTY : Refusal.Reason.valueOf(known.refusal()));
        } finally {
            lock.unlock();
        }
    }

    private void make(Known known, int all, long longestMs, boolean brokenOff) throws IOException {
        String recordingId = known.id();
        if (all == 0) {
            store.refused(recordingId, Refusal.Reason.EMPTY, null, 0, clock.millis());
            return;
        }
        boolean goesOn = known.isEnded() && known.rawHash() != null;
        Path whole = chunks.assembled(
                recordingId, goesOn ? media.file(known.rawHash()) : null, goesOn ? known.chunks() : 0, all);
        Path flac = folder.newTemporaryFile();
        Path wave = folder.newTemporaryFile();
        Path mp3 = folder.newTemporaryFile();
        String raw = null;
        try {
            raw = media.keep(whole);
            Judged judged = workers.ask(new SoundRequest.Judge(
                    media.file(raw), longestMs, 0, List.of(), true, "", flac, wave, WaveformCache.STEP_MS));
            if (judged.refusal() != null) {
                store.refused(recordingId, judged.refusal(), raw, all, clock.millis());
            } else {
                Rendered made =
                        workers.ask(new SoundRequest.Render(flac, judged.take().trim(), mp3));
                HeardAnswer heard =
                        workers.ask(new SoundRequest.Hear(flac, judged.take().trim()));
                Set<AnswerCheck> checks = EnumSet.noneOf(AnswerCheck.class);
                checks.addAll(heard.checks());
                if (brokenOff) {
                    checks.add(AnswerCheck.BROKEN_OFF);
                }
                String sound = media.keep(mp3);
                String kept = raw;
                transaction.executeWithoutResult(status -> store.taken(
                        known, kept, all, made, new HeardAnswer(checks, heard.skips()), sound, clock.millis()));
                if (goesOn) {
                    events.publishEvent(new SaidOn(recordingId, sound, made.durationMs()));
                }
            }
            chunks.delete(recordingId, all);
        } catch (UnreadableSoundException unreadable) {
            store.refused(recordingId, unreadable.reason(), raw, all, clock.millis());
        } finally {
            for (Path each : List.of(whole, flac, wave, mp3)) {
                Files.deleteIfExists(each);
            }
        }
    }

    /** The sound of what was taken in of a speaker at a place; empty when nothing of it can be heard. */
    public Optional<Sounding> sounding(AnswerPlace place, String recordingId) {
        return store.sounding(own(place, recordingId).id());
    }

    /** A sound as it is heard. */
    public record Sounding(String hash, long durationMs) {}

    /** A false start. What came in of it goes by itself, later. */
    public void discard(String speakerId, String recordingId) {
        store.find(recordingId(recordingId))
                .filter(known -> known.speakerId().equals(speakerId))
                .ifPresent(known -> store.discard(recordingId, clock.millis()));
    }
}
