package prolalia.app.sound;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
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
import prolalia.app.account.Actor;
import prolalia.app.account.Actor.Phone;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.lesson.LessonAccess;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.Right;
import prolalia.app.lesson.ScriptLine;
import prolalia.app.platform.BackgroundWork;
import prolalia.app.platform.BegunWork;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.HouseProperties;
import prolalia.app.platform.LimitedStream;
import prolalia.app.platform.LocksByName;
import prolalia.app.platform.MediaStore;
import prolalia.app.platform.NotFoundException;
import prolalia.app.platform.TooLargeException;
import prolalia.app.sound.StoredRecording.State;

/**
 * Recordings from their first chunk to the verdict.
 *
 * <p>Every step leaves the recording in a state from which the next start of the server goes on: chunks are on the disk
 * before they are acknowledged, a sealed recording is rendered again if need be.
 */
@Service
public class RecordingService implements DisposableBean {
    /** A second of sound is some 16 kB; a browser that saved up a minute stays well under this. */
    static final int LARGEST_CHUNK_BYTES = 8 << 20;

    static final long LARGEST_RECORDING_BYTES = 200L << 20;
    private static final int MOST_CHUNKS = 20_000;

    /** It isn't noted with each chunk that a recording lives. */
    private static final long TOUCHED_EVERY_MS = 2_000;

    private static final int SIZES_KNOWN = 10_000;

    private static final Pattern ID = Pattern.compile("[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}");

    private final RecordingStore recordings;
    private final TakeStore takes;
    private final ChunkFolder chunks;
    private final MediaStore media;
    private final TakeMaker maker;
    private final TakeService keeping;
    private final LessonService lessons;
    private final LessonAccess access;
    private final SoundWorkers workers;
    private final DataFolder folder;
    private final Clock clock;
    private final BackgroundWork late;
    private final long quietMs;
    private final LocksByName locks = new LocksByName();
    private final Cache<String, AtomicLong> sizes =
            Caffeine.newBuilder().maximumSize(SIZES_KNOWN).build();

    RecordingService(
            RecordingStore recordings,
            TakeStore takes,
            ChunkFolder chunks,
            MediaStore media,
            TakeMaker maker,
            TakeService keeping,
            SoundWorkers workers,
            DataFolder folder,
            LessonService lessons,
            LessonAccess access,
            BegunWork begun,
            HouseProperties properties,
            Clock clock) {
        this.recordings = recordings;
        this.takes = takes;
        this.chunks = chunks;
        this.media = media;
        this.maker = maker;
        this.keeping = keeping;
        this.workers = workers;
        this.folder = folder;
        this.lessons = lessons;
        this.access = access;
        this.clock = clock;
        quietMs = properties.quiet().toMillis();
        late = new BackgroundWork("late-chunks", begun, (id, course) -> join(id), (id, why) -> {});
    }

    /**
     * Takes a chunk in; it is on the disk when this returns. The first chunk to arrive begins the recording.
     *
     * @param number from 0
     */
    public void receive(
            Actor actor, String recordingId, String lineId, String mediaType, int number, InputStream content)
            throws IOException {
        if (number < 0 || number >= MOST_CHUNKS) {
            throw new TooLargeException();
        }
        StoredRecording recording = begun(actor, recordingId, lineId, mediaType, null);
        if (recording.state() != State.OPEN && number < recording.chunks()) {
            // It is in the recording already.
            return;
        }
        folder.needRoom(0);
        AtomicLong held = sizes.get(recordingId, unseen -> new AtomicLong(chunks.size(recordingId)));
        if (held.get() > LARGEST_RECORDING_BYTES) {
            throw new TooLargeException();
        }
        // Also when the recording was ended or thrown away meanwhile, elsewhere: what is acknowledged is on the disk.
        held.addAndGet(chunks.put(recordingId, number, new LimitedStream(content, LARGEST_CHUNK_BYTES)));
        if (recording.state() == State.TAKEN || recording.state() == State.REFUSED) {
            late.in(quietMs, recordingId);
        } else if (clock.millis() - recording.changedAt() > TOUCHED_EVERY_MS) {
            recordings.touch(recordingId, clock.millis());
        }
    }

    /** What came in after a recording was put together joins it by itself. */
    private void join(String recordingId) throws IOException {
        StoredRecording recording = recordings.find(recordingId).orElse(null);
        if (recording != null
                && recording.isEnded()
                && chunks.endWithoutGap(recordingId, recording.chunks()) > recording.chunks()) {
            end(new Teacher(recording.teacherId()), recordingId, null, null);
        }
    }

    @EventListener(ApplicationReadyEvent.class)
    void goOn() throws IOException {
        chunks.recordings().forEach(late::soon);
    }

    @Override
    public void destroy() {
        late.close();
    }

    /**
     * Takes a whole file in and judges it.
     *
     * @param saidWords what was to be said in it; null: the line's words
     */
    public Verdict receiveFile(
            Actor actor, String recordingId, String lineId, String fileName, String saidWords, InputStream content)
            throws IOException {
        StoredRecording recording = begun(actor, recordingId, lineId, "application/octet-stream", fileName);
        if (recording.state() == State.OPEN) {
            if (saidWords != null) {
                recordings.setWords(recordingId, saidWords);
            }
            String rawHash = media.keep(new LimitedStream(content, LARGEST_RECORDING_BYTES));
            recordings.seal(recordingId, rawHash, 0, clock.millis());
        }
        return maker.judge(recordingId);
    }

    private StoredRecording begun(Actor actor, String recordingId, String lineId, String mediaType, String fileName) {
        if (!ID.matcher(recordingId).matches()) {
            throw new NotFoundException("recording");
        }
        Optional<StoredRecording> known = recordings.find(recordingId);
        if (known.isPresent()) {
            return owned(actor, known);
        } else {
            workers.warmUp();
            ScriptLine line = lessons.line(actor, lineId, Right.RECORD);
            recordings.open(
                    recordingId, lineId, speaker(actor), line.line().words(), mediaType, fileName, clock.millis());
        }
        return recording(actor, recordingId);
    }

    /**
     * Ends a recording and judges it. Ending it twice gives the same verdict; when more of it came in since, it is put together
     * and judged anew.
     *
     * @param count how many chunks it has; null: as many as came in without a gap
     * @param shownWords the words that the reader saw, which another tab may have changed since; null: not known
     * @param keep whether the take is kept on its line at once
     */
    public Verdict end(Actor actor, String recordingId, Integer count, String shownWords, boolean keep)
            throws IOException {
        Verdict verdict = end(actor, recordingId, count, shownWords);
        if (keep && verdict instanceof Verdict.Taken taken) {
            keeping.keep(actor, taken.take().id());
        }
        return verdict;
    }

    private Verdict end(Actor actor, String recordingId, Integer count, String shownWords) throws IOException {
        Lock lock = locks.of(recordingId);
        lock.lock();
        try {
            StoredRecording recording = recording(actor, recordingId);
            // What came in is never left out, whatever a browser says of it.
            int from = recording.chunks();
            int arrived = chunks.endWithoutGap(recordingId, from);
            int all = count == null ? arrived : Math.max(arrived, Math.min(count, MOST_CHUNKS));
            List<Integer> missing = chunks.missing(recordingId, from, all);
            if (!missing.isEmpty()) {
                return new Verdict.Incomplete(missing);
            }
            if (recording.state() == State.OPEN || recording.state() == State.DISCARDED && all > 0) {
                if (shownWords != null) {
                    recordings.setWords(recordingId, shownWords);
                }
                seal(recordingId, all);
                from = all;
            } else if (recording.isEnded() && from > 0 && all > from) {
                return endAgain(recording, all);
            }
            String whole = extended(recordingId, from);
            Verdict verdict = maker.judge(recordings.find(whole).isPresent() ? whole : recordingId);
            chunks.delete(recordingId, from);
            return verdict;
        } finally {
            lock.unlock();
        }
    }

    private void seal(String recordingId, int all) throws IOException {
        Path whole = chunks.assembled(recordingId, null, 0, all);
        try {
            recordings.seal(recordingId, media.keep(whole), all, clock.millis());
        } finally {
            Files.deleteIfExists(whole);
        }
    }

    /** The name of a recording anew, with as many chunks as there are by now. */
    private static String extended(String recordingId, int count) {
        return UUID.nameUUIDFromBytes((recordingId + count).getBytes(StandardCharsets.UTF_8))
                .toString();
    }

    /** Chunks came in after a recording was put together, from a device that had been offline: all of it is a recording anew. */
    private Verdict endAgain(StoredRecording recording, int all) throws IOException {
        String id = recording.id();
        String whole = extended(id, all);
        recordings.open(
                whole,
                recording.lineId(),
                recording.speakerId(),
                recording.words(),
                recording.mediaType(),
                recording.fileName(),
                clock.millis());
        if (recordings.find(whole).orElseThrow().state() == State.OPEN) {
            Path file = chunks.assembled(id, media.file(recording.rawHash()), recording.chunks(), all);
            try {
                String rawHash = media.keep(file);
                recordings.seal(whole, rawHash, all, clock.millis());
                recordings.extend(id, rawHash, all);
            } finally {
                Files.deleteIfExists(file);
            }
            chunks.delete(id, all);
        }
        Verdict verdict = maker.judge(whole);
        boolean wasKept = takes.ofRecording(id).map(StoredTake::kept).orElse(false);
        if (verdict instanceof Verdict.Taken taken && wasKept) {
            keeping.keep(new Teacher(recording.teacherId()), taken.take().id());
        }
        return verdict;
    }

    /** A refused recording is a take all the same, says the teacher. */
    public Verdict takeWhole(Actor actor, String recordingId) throws IOException {
        if (!recording(actor, recordingId).canBeTakenWhole()) {
            throw new NotFoundException("recording to take whole");
        }
        return maker.takeWhole(recordingId);
    }

    /** Throws away a false start. Takes aren't touched. */
    public void discard(Actor actor, String recordingId) {
        StoredRecording recording = recording(actor, recordingId);
        if (recording.state() == State.OPEN || recording.state() == State.REFUSED) {
            // Its sound stays for a while ({@code StorageSweeper}): it was somebody's voice, and a press is soon made.
            recordings.discard(recordingId, clock.millis());
        }
    }

    /** Whether nothing came in as yet under a name. */
    public boolean isNew(String recordingId) {
        return recordings.find(recordingId).isEmpty();
    }

    public StoredRecording recording(Actor actor, String recordingId) {
        return owned(actor, recordings.find(recordingId));
    }

    private static String speaker(Actor actor) {
        if (actor instanceof Teacher teacher) {
            return teacher.id();
        }
        if (actor instanceof Phone phone) {
            return phone.reader().id();
        }
        throw new NotFoundException("somebody who speaks");
    }

    private StoredRecording owned(Actor actor, Optional<StoredRecording> found) {
        return found.filter(recording -> access.mayStill(actor, recording.lessonId(), Right.RECORD))
                .orElseThrow(() -> new NotFoundException("recording"));
    }

    /**
     * What was begun in a lesson and never ended.
     *
     * @param recordings newest first
     */
    public record Unfinished(String lessonId, String title, List<StoredRecording> recordings) {}

    /** What was begun and never ended, by lesson: offered to the teacher again. */
    public List<Unfinished> unfinished(Teacher teacher) {
        return unfinished(teacher, List.of());
    }

    /** @param left what a page that was closed left, of which its browser knows that nobody records it any more */
    public List<Unfinished> unfinished(Teacher teacher, List<String> left) {
        Map<String, List<StoredRecording>> byLesson = new LinkedHashMap<>();
        for (StoredRecording each : recordings.unfinished(teacher.id(), clock.millis() - quietMs, left)) {
            byLesson.computeIfAbsent(each.lessonId(), unseen -> new ArrayList<>())
                    .add(each);
        }
        List<Unfinished> unfinished = new ArrayList<>();
        byLesson.forEach((lessonId, ofLesson) -> lessons.find(teacher, lessonId)
                .ifPresent(lesson -> unfinished.add(new Unfinished(lessonId, lesson.title(), ofLesson))));
        return unfinished;
    }

    /** What was begun of one line last and never ended. */
    public Optional<StoredRecording> unfinishedOf(Teacher teacher, String lineId, List<String> left) {
        return unfinished(teacher, left).stream()
                .flatMap(each -> each.recordings().stream())
                .filter(each -> each.lineId().equals(lineId))
                .findFirst();
    }

    /** What was begun in one lesson and never ended. */
    public List<StoredRecording> unfinished(Teacher teacher, String lessonId) {
        return unfinished(teacher).stream()
                .filter(each -> each.lessonId().equals(lessonId))
                .flatMap(each -> each.recordings().stream())
                .toList();
    }

    /** Ends all that was begun in a lesson; what can be a take of a line on which nothing is heard is kept there. */
    public void finishAll(Teacher teacher, String lessonId) throws IOException {
        for (StoredRecording each : unfinished(teacher, lessonId)) {
            boolean silent = lessons.line(teacher, each.lineId()).line().kept().isEmpty();
            end(teacher, each.id(), null, null, silent);
        }
    }

    /** What was thrown away and never ended is offered again. */
    public void reopen(Teacher teacher, String recordingId) {
        StoredRecording recording = recording(teacher, recordingId);
        if (recording.state() == State.DISCARDED && recording.rawHash() == null) {
            recordings.reopen(recordingId);
        }
    }

    /** Recordings of a line that aren't takes, but have sound in them. */
    public List<StoredRecording> refusedOf(String lineId) {
        return recordings.refusedOf(lineId);
    }

    public Optional<StoredTake> lastTakeOf(Teacher teacher) {
        return takes.lastOf(teacher.id());
    }

    /** All takes of a line, newest first. */
    public List<StoredTake> takesOf(String lineId) {
        return takes.ofLine(lineId);
    }
}
