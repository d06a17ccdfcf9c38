package prolalia.app.elsewhere;

import java.io.IOException;
import java.io.InputStream;
import java.time.Clock;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.access.LessonAccess;
import prolalia.app.access.LessonRef;
import prolalia.app.access.Right;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.elsewhere.LongRecording.SplitLine;
import prolalia.app.platform.MediaStore;
import prolalia.app.platform.NotFoundException;
import prolalia.core.align.LineSlice;
import prolalia.core.script.ReadingTime;
import prolalia.core.sound.Span;

/** Long recordings, from the file to the takes of their lines. */
@Service
class LongRecordingService {
    static final long LARGEST_BYTES = 2L << 30;

    /** Shorter than this can't hold a word. */
    private static final long SHORTEST_LINE_MS = 100;

    private final LongRecordingStore store;
    private final SplitWorker worker;
    private final LessonAccess access;
    private final MediaStore media;
    private final Clock clock;

    LongRecordingService(
            LongRecordingStore store, SplitWorker worker, LessonAccess access, MediaStore media, Clock clock) {
        this.store = store;
        this.worker = worker;
        this.access = access;
        this.media = media;
        this.clock = clock;
    }

    /** Takes a file in; it is on the disk when this returns, and is listened to from then on. */
    void receive(Teacher teacher, String lessonId, String id, String fileName, InputStream content) throws IOException {
        LessonRef lesson = access.require(teacher, lessonId, Right.EDIT);
        String rawHash = media.keep(content);
        begin(lesson, null, id, fileName, rawHash);
    }

    /** A file that is on the disk is to be split over the lines of a page, or over the whole script. */
    void begin(LessonRef lesson, String pageId, String id, String fileName, String rawHash) {
        store.add(id, lesson, pageId, fileName, rawHash, clock.millis());
        worker.workSoon(id);
    }

    LongRecording recording(Teacher teacher, String id) {
        return store.find(id)
                .filter(recording -> access.mayStill(teacher, recording.lessonId(), Right.EDIT))
                .orElseThrow(() -> new NotFoundException("long recording"));
    }

    List<LongRecording> ofLesson(Teacher teacher, String lessonId) {
        return store.ofLesson(access.require(teacher, lessonId, Right.READ));
    }

    /** The share of it that was listened to, in percent. */
    long percentHeard(String id) {
        return worker.progressPercent(id);
    }

    byte[] outline(Teacher teacher, String id) {
        return store.outline(recording(teacher, id).id());
    }

    /** The teacher says where a line is. */
    @Transactional
    LongRecording place(Teacher teacher, String id, String lineId, long startMs, long endMs) {
        LongRecording recording = recording(teacher, id);
        line(recording, lineId);
        long start = Math.max(0, Math.min(startMs, recording.durationMs() - SHORTEST_LINE_MS));
        long end = Math.min(recording.durationMs(), Math.max(endMs, start + SHORTEST_LINE_MS));
        store.place(id, lineId, new Span(start, Math.max(start, end)), true);
        return recording(teacher, id);
    }

    /** Puts a line where the program found it; one that it didn't find, where it could be. */
    @Transactional
    LongRecording placeAsFound(Teacher teacher, String id, String lineId) {
        LongRecording recording = recording(teacher, id);
        SplitLine line = line(recording, lineId);
        if (line.found() != null) {
            store.place(id, lineId, line.found(), false);
        } else {
            store.place(id, lineId, guess(recording, line), true);
        }
        return recording(teacher, id);
    }

    /** The teacher says that a line isn't in the recording. */
    @Transactional
    LongRecording leaveOut(Teacher teacher, String id, String lineId) {
        LongRecording recording = recording(teacher, id);
        line(recording, lineId);
        store.place(id, lineId, null, true);
        return recording(teacher, id);
    }

    private static Span guess(LongRecording recording, SplitLine line) {
        long before = recording.lines().stream()
                .filter(each -> each.number() < line.number() && each.span() != null)
                .mapToLong(each -> each.span().endMs())
                .max()
                .orElse(0);
        long after = recording.lines().stream()
                .filter(each -> each.number() > line.number() && each.span() != null)
                .mapToLong(each -> each.span().startMs())
                .min()
                .orElse(recording.durationMs());
        return LineSlice.guess(before, Math.max(after, before), Math.round(ReadingTime.ofWordsMs(line.words())));
    }

    /** Makes takes of these lines, soon; each is kept. */
    LongRecording take(Teacher teacher, String id, List<String> lineIds) {
        recording(teacher, id);
        store.want(id, lineIds);
        worker.workSoon(id);
        return recording(teacher, id);
    }

    @Transactional
    void putAway(Teacher teacher, String id, boolean away) {
        store.putAway(recording(teacher, id).id(), away ? clock.millis() : null);
    }

    static SplitLine line(LongRecording recording, String lineId) {
        return recording.lines().stream()
                .filter(each -> each.lineId().equals(lineId))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("line of the recording"));
    }
}
