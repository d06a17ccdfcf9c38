package prolalia.app.listening;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.assignment.Assignment;
import prolalia.app.assignment.AssignmentService;
import prolalia.app.classroom.ClassStudent;
import prolalia.app.listening.NoteStore.Note;
import prolalia.app.platform.Messages;
import prolalia.app.platform.NotFoundException;
import prolalia.app.response.OpenAnswers;
import prolalia.app.response.ResultsService;
import prolalia.app.response.ResultsService.Answered;
import prolalia.app.response.ResultsService.Opened;
import prolalia.app.rubric.RubricService;
import prolalia.app.rubric.RubricService.Held;
import prolalia.core.answer.AnswerContent;
import prolalia.core.marking.Mark.Outcome;

/** What a teacher hears at the listening desk, in what order, and what she marks there. */
@Service
class ListeningService {
    private static final int LONGEST_NOTE = 2_000;

    private final ResultsService results;
    private final OpenAnswers openAnswers;
    private final AssignmentService assignments;
    private final NoteStore notes;
    private final RemarkStore remarks;
    private final RubricService rubrics;
    private final Messages messages;
    private final TransactionTemplate transaction;
    private final Clock clock;

    ListeningService(
            ResultsService results,
            OpenAnswers openAnswers,
            AssignmentService assignments,
            NoteStore notes,
            RemarkStore remarks,
            RubricService rubrics,
            Messages messages,
            TransactionTemplate transaction,
            Clock clock) {
        this.results = results;
        this.openAnswers = openAnswers;
        this.assignments = assignments;
        this.notes = notes;
        this.remarks = remarks;
        this.rubrics = rubrics;
        this.messages = messages;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** What is heard one after the other. */
    enum Order {
        /** Everybody's answer to one question, then to the next. */
        QUESTION,
        /** All of one child, then of the next. */
        CHILD,
        /** Lesson after lesson. */
        LESSON
    }

    /** Which answers are in the queue. */
    enum Which {
        /** Those that nobody has marked as yet. */
        OPEN,
        /** Those that somebody has to hear or look at, marked or not. */
        FREE,
        ALL,
        FLAGGED
    }

    /** Where answers come whose sound check found something. */
    enum Checked {
        AS_THEY_COME,
        FIRST,
        LAST
    }

    /** An answer in the queue. @param replied whether the child said something to what was said back, and nobody heard it */
    record Stop(Assignment assignment, Answered answered, boolean flagged, boolean replied) {
        public ClassStudent student() {
            return answered.student();
        }

        public Outcome outcome() {
            return answered.mark().outcome();
        }
    }

    /**
     * @param assignments to which there are answers
     * @param groups the stops under the question, the child or the lesson that they belong to
     */
    record Queue(String classId, List<Assignment> assignments, Map<String, List<Stop>> groups, int size) {}

    /** What was answered to one lesson. */
    Queue queue(Teacher teacher, String assignmentId, Order order, Which which, Checked checked) {
        Assignment assignment = assignments.seen(teacher, assignmentId);
        List<Stop> all = stops(teacher, assignment);
        return new Queue(
                assignment.classId(), List.of(assignment), groups(all, order, which, checked, false), in(which, all));
    }

    /** What a class answered to all its lessons. */
    Queue queueOfClass(Teacher teacher, String classId, Order order, Which which, Checked checked) {
        Map<String, Integer> open = openAnswers.byAssignment(teacher, classId);
        Map<String, Integer> replied = remarks.byAssignment(classId);
        List<Assignment> meant = assignments.ofClass(teacher, classId).stream()
                .filter(each -> which != Which.OPEN || open.containsKey(each.id()) || replied.containsKey(each.id()))
                .toList();
        List<Stop> all =
                meant.stream().flatMap(each -> stops(teacher, each).stream()).toList();
        return new Queue(classId, meant, groups(all, order, which, checked, true), in(which, all));
    }

    private List<Stop> stops(Teacher teacher, Assignment assignment) {
        Set<String> flagged = notes.flagged(assignment.id());
        Set<String> replied = remarks.repliedTo(assignment.id());
        return results.answered(teacher, assignment.id()).stream()
                .map(each -> new Stop(
                        assignment,
                        each,
                        flagged.contains(each.answer().id()),
                        replied.contains(
                                each.student().id() + "/" + each.question().id())))
                .toList();
    }

    private static int in(Which which, List<Stop> all) {
        return (int) all.stream().filter(stop -> isIn(which, stop)).count();
    }

    /** @param named whether a question says of which lesson it is */
    private Map<String, List<Stop>> groups(List<Stop> all, Order order, Which which, Checked checked, boolean named) {
        Map<String, List<Stop>> groups = new LinkedHashMap<>();
        Map<String, Set<String>> called = new HashMap<>();
        all.forEach(stop -> called.computeIfAbsent(stop.student().name(), unseen -> new HashSet<>())
                .add(stop.student().id()));
        Function<Stop, String> title = stop ->
                order == Order.CHILD && called.get(stop.student().name()).size() > 1
                        // As everywhere, those of one name are told apart by their animals.
                        ? messages.say(
                                "listening.sameName",
                                stop.student().name(),
                                messages.say("animal." + stop.student().animal()))
                        : name(stop, order, named);
        List<Stop> inOrder = new ArrayList<>(all);
        if (order == Order.CHILD) {
            inOrder.sort(Comparator.comparing((Stop stop) -> stop.student().name())
                    .thenComparing(stop -> stop.student().id()));
        }
        // What was said to a remark waits for somebody who listens: it comes before everything.
        String first = messages.say("listening.saidBack");
        groups.put(first, new ArrayList<>());
        // A question keeps its place, however its answers come.
        inOrder.forEach(stop -> groups.computeIfAbsent(title.apply(stop), unseen -> new ArrayList<>()));
        List<Stop> stops =
                new ArrayList<>(all.stream().filter(stop -> isIn(which, stop)).toList());
        if (checked != Checked.AS_THEY_COME) {
            boolean hardFirst = checked == Checked.FIRST;
            stops.sort(Comparator.comparing(stop -> stop.answered().checks().isEmpty() == hardFirst));
        }
        stops.forEach(
                stop -> groups.get(stop.replied() ? first : title.apply(stop)).add(stop));
        groups.values().removeIf(List::isEmpty);
        return groups;
    }

    private static String name(Stop stop, Order order, boolean named) {
        Answered answered = stop.answered();
        return switch (order) {
            case CHILD -> stop.student().name();
            case LESSON -> stop.assignment().title();
            case QUESTION ->
                (named ? stop.assignment().title() + " · " : "")
                        + answered.question().number() + ". "
                        + answered.question().words();
        };
    }

    /** A lesson of the same class with answers that nobody has marked as yet. */
    record Other(String assignmentId, String title, int open) {}

    List<Other> others(Teacher teacher, Assignment assignment) {
        Map<String, Integer> open = openAnswers.byAssignment(teacher, assignment.classId());
        return assignments.ofClass(teacher, assignment.classId()).stream()
                .filter(each -> !each.id().equals(assignment.id()) && open.containsKey(each.id()))
                .map(each -> new Other(each.id(), each.title(), open.get(each.id())))
                .toList();
    }

    private static boolean isIn(Which which, Stop stop) {
        AnswerContent given = stop.answered().answer().given();
        boolean free = !stop.answered().question().asked().question().kind().isMarkedByRule()
                || !given.spoken().isEmpty()
                || !given.drawn().isEmpty()
                || given.picture() != null;
        return switch (which) {
            case OPEN -> stop.outcome() == Outcome.OPEN || stop.replied();
            case FREE -> free;
            case ALL -> true;
            case FLAGGED -> stop.flagged();
        };
    }

    /**
     * An answer at the desk.
     *
     * @param own what this teacher marked at it; null: nothing
     * @param others what her colleagues did
     */
    record Heard(Opened opened, Note own, List<Note> others) {
        /** When what is seen of its points was said; 0: nobody has said it. */
        public long saidAt() {
            var answer = opened.answer();
            return answer == null || answer.overruled() == null
                    ? 0
                    : answer.overruled().at();
        }
    }

    Heard hear(Teacher teacher, String assignmentId, String studentId, String questionId) {
        Opened opened = results.open(teacher, assignmentId, studentId, questionId);
        List<Note> all =
                opened.answer() == null ? List.of() : notes.of(opened.answer().id());
        return new Heard(
                opened,
                all.stream()
                        .filter(note -> note.teacherId().equals(teacher.id()))
                        .findFirst()
                        .orElse(null),
                all.stream()
                        .filter(note -> !note.teacherId().equals(teacher.id()))
                        .toList());
    }

    /** @return what stands there instead; empty: it was said */
    Optional<Opened> give(
            Teacher teacher,
            String assignmentId,
            String studentId,
            String questionId,
            double points,
            String answerId,
            long seenAt) {
        return results.overruleSeen(teacher, assignmentId, studentId, questionId, points, answerId, seenAt);
    }

    /** What is told of the points of an answer; what stands there instead, where that isn't what was seen. */
    record Judged(Outcome outcome, Optional<Opened> instead) {}

    /** @param levels of the criteria of its rubric, or {@link RubricService#NONE} */
    public Judged byRubric(
            Teacher teacher,
            String assignmentId,
            String studentId,
            String questionId,
            List<Integer> levels,
            String answerId,
            long seenAt) {
        assignments.toChange(teacher, assignmentId);
        Opened opened = results.open(teacher, assignmentId, studentId, questionId);
        Held held = rubrics.ofQuestion(questionId).orElseThrow(() -> new NotFoundException("rubric"));
        if (opened.answer() == null) {
            throw new NotFoundException("answer");
        }
        if (!ResultsService.isAsSeen(opened.answer(), answerId, seenAt)) {
            return new Judged(opened.mark().outcome(), Optional.of(opened));
        }
        transaction.executeWithoutResult(status -> rubrics.mark(
                        teacher, held, answerId, levels, opened.mark().most())
                .ifPresent(all -> results.overruleStill(teacher, opened, all)));
        return new Judged(
                results.open(teacher, assignmentId, studentId, questionId)
                        .mark()
                        .outcome(),
                Optional.empty());
    }

    /** @param rubricId empty: none */
    void useRubric(Teacher teacher, String assignmentId, String questionId, String rubricId) {
        Assignment assignment = assignments.toChange(teacher, assignmentId);
        if (assignments.questions(assignment).stream()
                .noneMatch(asked -> asked.id().equals(questionId))) {
            throw new NotFoundException("question");
        }
        rubrics.use(teacher, questionId, rubricId);
    }

    public void note(
            Teacher teacher, String assignmentId, String studentId, String questionId, boolean flagged, String note) {
        assignments.toChange(teacher, assignmentId);
        Opened opened = results.open(teacher, assignmentId, studentId, questionId);
        if (opened.answer() == null) {
            throw new NotFoundException("answer");
        }
        String kept = note.strip();
        notes.put(
                opened.answer().id(),
                teacher.id(),
                flagged,
                kept.substring(0, Math.min(LONGEST_NOTE, kept.length())),
                clock.millis());
    }

    /** Whether something is there for a teacher. */
    void require(Teacher teacher, String assignmentId) {
        assignments.seen(teacher, assignmentId);
    }

    /** The sound of a child's name; null: it is silent. */
    String nameSound(Teacher teacher, String assignmentId, String studentId) {
        return assignments.given(teacher, assignments.seen(teacher, assignmentId)).stream()
                .filter(student -> student.id().equals(studentId))
                .findFirst()
                .map(ClassStudent::nameSound)
                .orElseThrow(() -> new NotFoundException("name"));
    }
}
