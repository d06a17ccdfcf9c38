package prolalia.app.listening;

import java.io.IOException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.assignment.AssignmentService;
import prolalia.app.classroom.ClassAccess;
import prolalia.app.classroom.ClassLines;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.Lessons;
import prolalia.app.lines.ScriptLine;
import prolalia.app.platform.Ids;
import prolalia.app.platform.NotFoundException;
import prolalia.app.response.ResultsService;
import prolalia.app.response.ResultsService.Opened;
import prolalia.app.rubric.RubricService;
import prolalia.app.spoken.AnswerPlace;
import prolalia.app.spoken.ChunkedRecordings;
import prolalia.app.spoken.Ended;
import prolalia.app.spoken.Ending;
import prolalia.app.spoken.RecordingPurpose;
import prolalia.app.spoken.SaidOn;
import prolalia.core.lesson.LineKind;
import prolalia.core.remark.RemarkPlace;
import prolalia.core.remark.Stamp;

/** Teachers speak back to answers. */
@Service
public class RemarkService {
    private static final int LONGEST_WORDS = 2_000;
    private static final long LONGEST_MS = 300_000;

    /** So many standing lines have a key of their own. */
    private static final int STANDING = 8;

    private static final Pattern ID = Pattern.compile("[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}");

    private final RemarkStore store;
    private final ResultsService results;
    private final AssignmentService assignments;
    private final ChunkedRecordings recordings;
    private final RubricService rubrics;
    private final LessonService lessons;
    private final Lessons lessonStore;
    private final ClassAccess classes;
    private final ClassLines lines;
    private final TransactionTemplate transaction;
    private final Clock clock;

    RemarkService(
            RemarkStore store,
            ResultsService results,
            AssignmentService assignments,
            ChunkedRecordings recordings,
            RubricService rubrics,
            LessonService lessons,
            Lessons lessonStore,
            ClassAccess classes,
            ClassLines lines,
            TransactionTemplate transaction,
            Clock clock) {
        this.classes = classes;
        this.lines = lines;
        this.transaction = transaction;
        this.store = store;
        this.results = results;
        this.assignments = assignments;
        this.recordings = recordings;
        this.rubrics = rubrics;
        this.lessons = lessons;
        this.lessonStore = lessonStore;
        this.clock = clock;
    }

    /** An answer that is spoken back to. */
    public record At(String assignmentId, String studentId, String questionId) {}

    /** All remarks at an answer and those before it. */
    List<Remark> of(Opened opened, At at) {
        if (opened.answer() == null) {
            return List.of();
        }
        return store.of(opened.answer().responseId(), at.questionId());
    }

    /** What the child said back at an answer was met by somebody who listens. */
    void met(Teacher teacher, At at) {
        Opened opened = results.open(teacher, at.assignmentId(), at.studentId(), at.questionId());
        store.met(
                of(opened, at).stream()
                        .filter(remark -> remark.isByChild() && remark.isNew())
                        .map(Remark::id)
                        .toList(),
                clock.millis());
    }

    /** The first standing lines of a teacher that can be heard. */
    List<ScriptLine> standing(Teacher teacher) {
        return lessonStore
                .shelf(teacher.id())
                .map(shelf -> lessons.lesson(teacher, shelf.id()).pages().stream()
                        .flatMap(page -> page.lines().stream())
                        .filter(line -> line.soundHash() != null)
                        .limit(STANDING)
                        .toList())
                .orElse(List.of());
    }

    private Opened toChange(Teacher teacher, At at) {
        assignments.toChange(teacher, at.assignmentId());
        Opened opened = results.open(teacher, at.assignmentId(), at.studentId(), at.questionId());
        if (opened.answer() == null) {
            throw new NotFoundException("answer");
        }
        return opened;
    }

    public void type(Teacher teacher, At at, String typed, RemarkPlace place) {
        String kept = typed.strip();
        if (!kept.isEmpty()) {
            Opened opened = toChange(teacher, at);
            String said =
                    classes.require(teacher, opened.assignment().classId()).lessonId();
            String words = cut(kept);
            transaction.executeWithoutResult(status -> {
                // What she typed before is one line, read once.
                String line = store.lineOf(teacher.id(), opened.assignment().classId(), words)
                        .orElseGet(() -> lines.add(said, ClassLines.Part.REMARKS, LineKind.PASSAGE, words));
                add(teacher, opened, Ids.newId(), words, line, null, place);
            });
        }
    }

    private static String cut(String words) {
        return words.substring(0, Math.min(LONGEST_WORDS, words.length()));
    }

    /** A standing line, as it is heard now. */
    public void standing(Teacher teacher, At at, String lineId, RemarkPlace place) {
        Opened opened = toChange(teacher, at);
        ScriptLine line = standing(teacher).stream()
                .filter(each -> each.line().id().equals(lineId))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("line"));
        add(
                teacher,
                opened,
                Ids.newId(),
                cut(line.line().words()),
                null,
                new Sounding(line.soundHash(), line.line().kept().orElseThrow().durationMs()),
                place);
    }

    /** A picture in place of words. */
    public void stamp(Teacher teacher, At at, Stamp stamp, RemarkPlace place) {
        add(teacher, toChange(teacher, at), Ids.newId(), "", stamp, null, null, place);
    }

    private void add(
            Teacher teacher, Opened opened, String id, String words, String lineId, Sounding sound, RemarkPlace place) {
        add(teacher, opened, id, words, null, lineId, sound, place);
    }

    private void add(
            Teacher teacher,
            Opened opened,
            String id,
            String words,
            Stamp stamp,
            String lineId,
            Sounding sound,
            RemarkPlace place) {
        store.add(new Remark(
                id,
                opened.answer().id(),
                opened.question().id(),
                opened.student().id(),
                teacher.id(),
                null,
                words,
                stamp,
                lineId,
                sound == null ? null : sound.hash(),
                sound == null ? null : (Long) sound.durationMs(),
                List.of(),
                place,
                clock.millis(),
                null,
                null));
    }

    /** By it a remark on an answer is recorded. */
    public AnswerPlace place(Teacher teacher, At at) {
        Opened opened = toChange(teacher, at);
        return new AnswerPlace(RecordingPurpose.REMARK, opened.answer().responseId(), at.questionId(), teacher.id());
    }

    /** What was said becomes a remark as soon as all of it came in; ending it twice makes one. */
    public Ended end(Teacher teacher, At at, String recordingId, Integer chunks, RemarkPlace place) throws IOException {
        AnswerPlace said = place(teacher, at);
        Ended ended = recordings.end(said, recordingId, Ending.after(chunks).atMost(LONGEST_MS));
        if (ended instanceof Ended.Made made) {
            add(teacher, toChange(teacher, at), recordingId, "", null, Sounding.of(made.recording()), place);
        }
        return ended;
    }

    /** A remark, or a child's answer to one, is longer by what came in late; its id is its recording's. */
    @EventListener
    void saidOn(SaidOn longer) {
        store.resound(longer.recordingId(), longer.soundHash(), longer.durationMs());
    }

    private Remark own(Teacher teacher, String assignmentId, String remarkId) {
        assignments.toChange(teacher, assignmentId);
        return store.find(assignmentId, remarkId)
                .filter(remark -> teacher.id().equals(remark.teacherId()))
                .orElseThrow(() -> new NotFoundException("remark"));
    }

    /** Takes a remark back, also one that was given already. */
    @Transactional
    public void remove(Teacher teacher, String assignmentId, String remarkId) {
        Remark remark = own(teacher, assignmentId, remarkId);
        store.remove(remark.id(), clock.millis());
        if (remark.lineId() != null && !store.isSaid(remark.lineId())) {
            lines.remove(remark.lineId());
        }
    }

    /** The same remark to others who answered the same; answers to how many. */
    public int copy(Teacher teacher, String assignmentId, String remarkId, List<String> students) {
        Remark remark = own(teacher, assignmentId, remarkId);
        List<Opened> others = students.stream()
                .filter(student -> !student.equals(remark.studentId()))
                .map(student -> results.open(teacher, assignmentId, student, remark.questionId()))
                .filter(opened -> opened.answer() != null)
                .toList();
        // A line is read once, and heard by all of them.
        Sounding sound = remark.soundHash() == null || remark.lineId() != null
                ? null
                : new Sounding(remark.soundHash(), remark.durationMs());
        transaction.executeWithoutResult(status -> others.forEach(opened -> add(
                teacher,
                opened,
                Ids.newId(),
                remark.words(),
                remark.stamp(),
                remark.lineId(),
                sound,
                RemarkPlace.WHOLE)));
        return others.size();
    }

    /**
     * Gives back what hasn't been: the children can hear it now.
     *
     * @param studentId null: of all
     * @param remarkId null: all of them
     */
    @Transactional
    public int give(Teacher teacher, String assignmentId, String studentId, String remarkId) {
        assignments.toChange(teacher, assignmentId);
        List<String> ids = new ArrayList<>();
        for (Remark remark : store.ofAssignment(assignmentId)) {
            boolean meant = (studentId == null || remark.studentId().equals(studentId))
                    && (remarkId == null || remark.id().equals(remarkId));
            if (meant && !remark.isGiven() && teacher.id().equals(remark.teacherId())) {
                ids.add(remark.id());
            }
        }
        if (remarkId == null) {
            rubrics.give(teacher, assignmentId, studentId);
        }
        return store.give(ids, clock.millis());
    }

    /**
     * What is still to be done with what this teacher said, or judged by a rubric.
     *
     * @param waiting how much of it hasn't been given back
     * @param toBeRead the lines of what she typed that no child hears as yet
     */
    record Counted(String assignmentId, int waiting, List<String> toBeRead) {}

    Counted counted(Teacher teacher, String assignmentId) {
        assignments.seen(teacher, assignmentId);
        List<Remark> own = store.ofAssignment(assignmentId).stream()
                .filter(remark -> teacher.id().equals(remark.teacherId()))
                .toList();
        long waiting = own.stream().filter(remark -> !remark.isGiven()).count();
        return new Counted(
                assignmentId,
                (int) waiting + rubrics.waiting(teacher, assignmentId),
                own.stream()
                        .filter(Remark::isToBeRead)
                        .map(Remark::lineId)
                        .distinct()
                        .toList());
    }

    String sound(Teacher teacher, String assignmentId, String remarkId) {
        assignments.seen(teacher, assignmentId);
        return Optional.of(remarkId)
                .filter(id -> ID.matcher(id).matches())
                .flatMap(id -> store.find(assignmentId, id))
                .map(Remark::soundHash)
                .orElseThrow(() -> new NotFoundException("sound"));
    }
}
