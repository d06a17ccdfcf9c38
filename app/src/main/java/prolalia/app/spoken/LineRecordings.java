package prolalia.app.spoken;

import java.io.IOException;
import java.io.InputStream;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import prolalia.app.access.LessonAccess;
import prolalia.app.access.Right;
import prolalia.app.account.Actor;
import prolalia.app.account.Actor.Phone;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.lesson.LessonService;
import prolalia.app.platform.HouseProperties;
import prolalia.app.platform.KeptTakes;
import prolalia.app.platform.NotFoundException;
import prolalia.app.school.SchoolService;
import prolalia.app.spoken.RecordingOwner.OfLine;
import prolalia.app.spoken.StoredRecording.State;

/** Recordings of lines, from their first chunk to the take that is made of them. */
@Service
public class LineRecordings {
    private final ChunkedRecordings chunked;
    private final RecordingStore recordings;
    private final TakeStore takes;
    private final TakeService keeping;
    private final LessonService lessons;
    private final LessonAccess access;
    private final SchoolService school;
    private final Clock clock;
    private final long quietMs;

    LineRecordings(
            ChunkedRecordings chunked,
            RecordingStore recordings,
            TakeStore takes,
            TakeService keeping,
            LessonService lessons,
            LessonAccess access,
            SchoolService school,
            HouseProperties properties,
            Clock clock) {
        this.chunked = chunked;
        this.recordings = recordings;
        this.takes = takes;
        this.keeping = keeping;
        this.lessons = lessons;
        this.access = access;
        this.school = school;
        this.clock = clock;
        quietMs = properties.quiet().toMillis();
    }

    /** Who may record a line: whoever may record in its lesson, as long as she may. @param lineId null: no new one */
    private final class LineRight implements RecordingRight {
        private final Actor actor;
        private final String lineId;

        private LineRight(Actor actor, String lineId) {
            this.actor = actor;
            this.lineId = lineId;
        }

        @Override
        public Beginning beginning() {
            if (lineId == null) {
                throw new NotFoundException("recording");
            }
            String words = lessons.line(actor, lineId, Right.RECORD).line().words();
            return new Beginning(new OfLine(lineId, KeptTakes.MAIN_VOICE), speaker(actor), words);
        }

        @Override
        public boolean covers(StoredRecording recording) {
            return recording.purpose() == RecordingPurpose.LINE
                    && access.mayStill(actor, recording.lessonId(), Right.RECORD);
        }
    }

    /** A recording of a line, new or gone on with. */
    public RecordingRight of(Actor actor, String lineId) {
        return new LineRight(actor, lineId);
    }

    /** Those of lines that were begun. */
    public RecordingRight begun(Actor actor) {
        return new LineRight(actor, null);
    }

    /**
     * Takes a whole file in and judges it.
     *
     * @param saidWords what was to be said in it; null: the line's words
     */
    public Verdict receiveFile(
            Actor actor, String recordingId, String lineId, String fileName, String saidWords, InputStream content)
            throws IOException {
        return verdict(chunked.receiveFile(of(actor, lineId), recordingId, fileName, saidWords, content));
    }

    /**
     * Ends a recording and judges it; see {@link ChunkedRecordings#end}.
     *
     * @param count how many chunks it has; null: as many as came in without a gap
     * @param shownWords the words that the reader saw, which another tab may have changed since; null: not known
     * @param keep whether the take is kept on its line at once
     */
    public Verdict end(Actor actor, String recordingId, Integer count, String shownWords, boolean keep)
            throws IOException {
        Verdict verdict = verdict(
                chunked.end(begun(actor), recordingId, Ending.after(count).saying(shownWords)));
        if (keep && verdict instanceof Verdict.Taken taken) {
            keeping.keep(actor, taken.take().id());
        }
        return verdict;
    }

    /** A refused recording is a take all the same, says the teacher. */
    public Verdict takeWhole(Actor actor, String recordingId) throws IOException {
        return verdict(chunked.takeWhole(begun(actor), recordingId));
    }

    private Verdict verdict(Ended ended) {
        if (ended instanceof Ended.Made made) {
            return new Verdict.Taken(
                    takes.ofRecording(made.recording().id()).orElseThrow(() -> new NotFoundException("take")));
        }
        return ended instanceof Ended.Refused refused
                ? new Verdict.Refused(refused.recording(), school.settings().longestRecordingMs())
                : new Verdict.Incomplete(((Ended.Incomplete) ended).missing());
    }

    /** Throws away a false start. Takes aren't touched. */
    public void discard(Actor actor, String recordingId) {
        chunked.discard(begun(actor), recordingId);
    }

    /** Whether nothing came in as yet under a name. */
    public boolean isNew(String recordingId) {
        return chunked.isNew(recordingId);
    }

    public StoredRecording recording(Actor actor, String recordingId) {
        return chunked.own(begun(actor), recordingId);
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
