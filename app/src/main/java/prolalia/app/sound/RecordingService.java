package prolalia.app.sound;

import java.io.IOException;
import java.io.InputStream;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import org.springframework.stereotype.Service;
import prolalia.app.house.MediaStore;
import prolalia.app.house.NotHereException;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.ScriptLine;
import prolalia.app.sound.StoredRecording.State;

/**
 * Recordings from their first chunk to the verdict.
 *
 * <p>Every step leaves the recording in a state from which the next start of the server goes on: chunks are on the disk
 * before they are acknowledged, a sealed recording is rendered again if need be.
 */
@Service
public class RecordingService {
    /** A second of sound is some 16 kB; a browser that saved up a minute stays well under this. */
    static final int LARGEST_CHUNK_BYTES = 8 << 20;

    static final long LARGEST_RECORDING_BYTES = 200L << 20;
    private static final int MOST_CHUNKS = 20_000;

    /** A recording that sent nothing for this long isn't being recorded any more. */
    private static final long QUIET_MS = 5_000;

    private static final Pattern ID = Pattern.compile("[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}");

    private final RecordingStore recordings;
    private final TakeStore takes;
    private final ChunkFolder chunks;
    private final MediaStore media;
    private final TakeMaker maker;
    private final LessonService lessons;
    private final Clock clock;

    RecordingService(
            RecordingStore recordings,
            TakeStore takes,
            ChunkFolder chunks,
            MediaStore media,
            TakeMaker maker,
            LessonService lessons,
            Clock clock) {
        this.recordings = recordings;
        this.takes = takes;
        this.chunks = chunks;
        this.media = media;
        this.maker = maker;
        this.lessons = lessons;
        this.clock = clock;
    }

    /** More came in than a recording may have. */
    public static final class TooLargeException extends RuntimeException {}

    /**
     * Takes a chunk in; it is on the disk when this returns. The first chunk to arrive begins the recording.
     *
     * @param number from 0
     */
    public void receive(
            String teacherId, String recordingId, String lineId, String mediaType, int number, InputStream content)
            throws IOException {
        if (number < 0 || number >= MOST_CHUNKS) {
            throw new TooLargeException();
        }
        StoredRecording recording = begun(teacherId, recordingId, lineId, mediaType, null);
        if (recording.state() != State.OPEN) {
            return;
        }
        if (chunks.size(recordingId) > LARGEST_RECORDING_BYTES) {
            throw new TooLargeException();
        }
        chunks.put(recordingId, number, new LimitedStream(content, LARGEST_CHUNK_BYTES));
        recordings.touch(recordingId, clock.millis());
    }

    /** At most so much of a stream; whoever reads on gets a {@link TooLargeException}. */
    public static InputStream limited(InputStream content, long mostBytes) {
        return new LimitedStream(content, mostBytes);
    }

    /**
     * Takes a whole file in and judges it.
     *
     * @param saidWords what was to be said in it; null: the line's words
     */
    public Verdict receiveFile(
            String teacherId, String recordingId, String lineId, String fileName, String saidWords, InputStream content)
            throws IOException {
        StoredRecording recording = begun(teacherId, recordingId, lineId, "application/octet-stream", fileName);
        if (recording.state() == State.OPEN) {
            if (saidWords != null) {
                recordings.setWords(recordingId, saidWords);
            }
            String rawHash = media.keep(new LimitedStream(content, LARGEST_RECORDING_BYTES));
            recordings.seal(recordingId, rawHash, clock.millis());
        }
        return maker.judge(recordingId);
    }

    private StoredRecording begun(
            String teacherId, String recordingId, String lineId, String mediaType, String fileName) {
        if (!ID.matcher(recordingId).matches()) {
            throw new NotHereException("recording");
        }
        if (recordings.find(recordingId).isEmpty()) {
            ScriptLine line = lessons.line(teacherId, lineId);
            recordings.open(recordingId, lineId, line.line().words(), mediaType, fileName, clock.millis());
        }
        return recording(teacherId, recordingId);
    }

    /**
     * Ends a recording and judges it. Ending it twice gives the same verdict.
     *
     * @param count how many chunks it has; null: as many as came in without a gap
     * @param shownWords the words that the reader saw, which another tab may have changed since; null: not known
     */
    public Verdict end(String teacherId, String recordingId, Integer count, String shownWords) throws IOException {
        StoredRecording recording = recording(teacherId, recordingId);
        if (recording.state() == State.OPEN) {
            int all = count == null ? chunks.countWithoutGap(recordingId) : Math.min(count, MOST_CHUNKS);
            List<Integer> missing = chunks.missing(recordingId, all);
            if (!missing.isEmpty()) {
                return new Verdict.Incomplete(missing);
            }
            if (shownWords != null) {
                recordings.setWords(recordingId, shownWords);
            }
            recordings.seal(recordingId, media.keep(chunks.assembled(recordingId, all)), clock.millis());
        }
        Verdict verdict = maker.judge(recordingId);
        chunks.delete(recordingId);
        return verdict;
    }

    /** A refused recording is a take all the same, says the teacher. */
    public Verdict takeWhole(String teacherId, String recordingId) throws IOException {
        if (!recording(teacherId, recordingId).canBeTakenWhole()) {
            throw new NotHereException("recording to take whole");
        }
        return maker.takeWhole(recordingId);
    }

    /** Throws away a false start. Takes aren't touched. */
    public void discard(String teacherId, String recordingId) throws IOException {
        StoredRecording recording = recording(teacherId, recordingId);
        if (recording.state() == State.OPEN || recording.state() == State.REFUSED) {
            recordings.discard(recordingId, clock.millis());
            chunks.delete(recordingId);
        }
    }

    public StoredRecording recording(String teacherId, String recordingId) {
        return recordings
                .find(recordingId)
                .filter(recording -> recording.teacherId().equals(teacherId))
                .orElseThrow(() -> new NotHereException("recording"));
    }

    /** What was begun and never ended: offered to the teacher again. */
    public List<StoredRecording> unfinished(String teacherId) {
        return recordings.unfinished(teacherId, clock.millis() - QUIET_MS);
    }

    /** Recordings of a line that aren't takes, but have sound in them. */
    public List<StoredRecording> refusedOf(String lineId) {
        return recordings.refusedOf(lineId);
    }

    public Optional<StoredTake> lastTakeOf(String teacherId) {
        return takes.lastOf(teacherId);
    }

    /** All takes of a line, newest first. */
    public List<StoredTake> takesOf(String lineId) {
        return takes.ofLine(lineId);
    }
}
