package prolalia.app.response;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.assignment.Assignment;
import prolalia.app.assignment.AssignmentService;
import prolalia.app.classroom.ClassStudent;
import prolalia.app.platform.NotFoundException;
import prolalia.app.response.ResponseService.Piece;
import prolalia.app.response.ResponseStore.Spoken;
import prolalia.app.response.StoredAnswer.Came;
import prolalia.app.school.AuditLog;
import prolalia.app.school.AuditLog.Deed;
import prolalia.core.answer.AnswerContent;
import prolalia.core.marking.Mark;
import prolalia.core.marking.Mark.Outcome;
import prolalia.core.marking.Marking;
import prolalia.core.marking.QuestionWithLines;
import prolalia.core.sound.AnswerCheck;
import prolalia.core.sound.Span;

/** What the teachers of a class see of what its children answered. */
@Service
public class ResultsService {
    private static final long HERE_MS = 60_000;
    private static final int LONGEST_REASON = 500;

    private final AssignmentService assignments;
    private final ResponseStore store;
    private final AuditLog audit;
    private final MarkingAgain marking;
    private final TransactionTemplate transaction;
    private final Clock clock;

    ResultsService(
            AssignmentService assignments,
            ResponseStore store,
            AuditLog audit,
            MarkingAgain marking,
            TransactionTemplate transaction,
            Clock clock) {
        this.assignments = assignments;
        this.store = store;
        this.audit = audit;
        this.marking = marking;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** @param number within the lesson, from 1 */
    public record Head(int number, QuestionWithLines asked) {
        public String id() {
            return asked.id();
        }

        public String words() {
            return asked.line().words();
        }
    }

    /** @param overruled whether its teacher said what it is worth @param came null: as answers do */
    record Cell(String questionId, Outcome outcome, double points, boolean overruled, Came came) {}

    /** @param here whether she answers right now */
    record Row(ClassStudent student, List<Cell> cells, double points, Long handedInAt, long lastAt, boolean here) {}

    /**
     * A class's answers to something that was given.
     *
     * @param most that can be got
     * @param changed how many answers were marked again not long ago, as the key changed
     */
    record Results(Assignment assignment, List<Head> questions, List<Row> rows, int most, int changed) {}

    /** Answers as they stand. */
    public Results results(Teacher teacher, String assignmentId) {
        Assignment assignment = assignments.seen(teacher, assignmentId);
        List<Head> heads = heads(assignment);
        Map<String, StoredResponse> responses = new HashMap<>();
        store.ofAssignment(assignmentId).forEach(response -> responses.put(response.studentId(), response));
        Map<String, Map<String, StoredAnswer>> answers = store.answersOf(assignmentId);
        List<Row> rows = new ArrayList<>();
        for (ClassStudent student : assignments.given(teacher, assignment)) {
            StoredResponse response = responses.get(student.id());
            Map<String, StoredAnswer> hers =
                    response == null ? Map.of() : answers.getOrDefault(response.id(), Map.of());
            List<Cell> cells = new ArrayList<>();
            double points = 0;
            for (Head head : heads) {
                StoredAnswer answer = hers.get(head.id());
                Cell cell = cell(head, answer);
                points += cell.points();
                cells.add(cell);
            }
            long last = response == null ? 0 : response.lastAt();
            rows.add(new Row(
                    student,
                    cells,
                    points,
                    response == null ? null : response.handedInAt(),
                    last,
                    clock.millis() - last < HERE_MS));
        }
        int most = heads.stream()
                .mapToInt(head -> head.asked().question().points())
                .sum();
        return new Results(assignment, heads, rows, most, marking.told(assignment));
    }

    /** What a child handed in is hers again: she changes it, and hands in again. */
    public void reopen(Teacher teacher, String assignmentId, String studentId) {
        Assignment assignment = assignments.toChange(teacher, assignmentId);
        student(teacher, assignment, studentId);
        store.find(assignmentId, studentId).ifPresent(response -> store.reopen(response.id()));
    }

    private List<Head> heads(Assignment assignment) {
        List<Head> heads = new ArrayList<>();
        assignments.questions(assignment).forEach(asked -> heads.add(new Head(heads.size() + 1, asked)));
        return heads;
    }

    private static Cell cell(Head head, StoredAnswer answer) {
        if (answer == null) {
            return new Cell(head.id(), Outcome.NONE, 0, false, null);
        }
        Mark mark = ResultMarks.of(head.asked(), answer);
        return new Cell(head.id(), mark.outcome(), mark.points(), answer.overruled() != null, answer.came());
    }

    /**
     * A part of what was said, as a teacher hears it.
     *
     * @param skips pauses that need not be played
     * @param checks what makes it hard to hear
     */
    public record HeardPiece(String id, long durationMs, String trace, List<Span> skips, List<AnswerCheck> checks) {
        /** Pauses as a page takes them: from-to in ms. */
        public String skipsText() {
            return skips.stream()
                    .map(skip -> skip.startMs() + "-" + skip.endMs())
                    .collect(Collectors.joining(" "));
        }

        private static HeardPiece of(Spoken spoken) {
            Piece piece = Piece.of(spoken);
            return new HeardPiece(piece.id(), piece.durationMs(), piece.trace(), spoken.skips(), spoken.checks());
        }
    }

    /**
     * What was answered once before.
     *
     * @param words what of it is words
     * @param came null: as answers do
     */
    public record Try(String answerId, List<String> words, List<HeardPiece> pieces, long at, Came came) {}

    /**
     * An answer among all of them.
     *
     * @param checks what makes it hard to hear
     */
    public record Answered(
            ClassStudent student, Head question, StoredAnswer answer, Mark mark, Set<AnswerCheck> checks) {}

    /** All answers to something that was given, by question and then by child as they come in the class. */
    public List<Answered> answered(Teacher teacher, String assignmentId) {
        Assignment assignment = assignments.seen(teacher, assignmentId);
        List<ClassStudent> students = assignments.given(teacher, assignment);
        Map<String, String> responses = new HashMap<>();
        store.ofAssignment(assignmentId).forEach(response -> responses.put(response.studentId(), response.id()));
        Map<String, Map<String, StoredAnswer>> answers = store.answersOf(assignmentId);
        Map<String, Spoken> spoken = store.spoken(responses.values());
        List<Answered> all = new ArrayList<>();
        for (Head head : heads(assignment)) {
            for (ClassStudent student : students) {
                StoredAnswer answer = answers.getOrDefault(responses.get(student.id()), Map.of())
                        .get(head.id());
                if (answer != null && !answer.given().isNothing()) {
                    Set<AnswerCheck> checks = answer.given().spoken().stream()
                            .map(spoken::get)
                            .filter(Objects::nonNull)
                            .flatMap(each -> each.checks().stream())
                            .collect(Collectors.toSet());
                    all.add(new Answered(student, head, answer, ResultMarks.of(head.asked(), answer), checks));
                }
            }
        }
        return all;
    }

    /**
     * One answer, opened.
     *
     * @param shown what was answered, in words; empty: nothing that is words
     * @param changedSince whether other words were asked then than now
     * @param damaged how many parts of what was said are not there any more
     * @param before what was answered before it, newest first, and then what came after it was closed
     */
    public record Opened(
            Assignment assignment,
            ClassStudent student,
            Head question,
            StoredAnswer answer,
            Mark mark,
            List<String> shown,
            List<HeardPiece> pieces,
            int damaged,
            boolean changedSince,
            List<Try> before) {}

    public Opened open(Teacher teacher, String assignmentId, String studentId, String questionId) {
        Assignment assignment = assignments.seen(teacher, assignmentId);
        ClassStudent student = student(teacher, assignment, studentId);
        Head head = heads(assignment).stream()
                .filter(each -> each.id().equals(questionId))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("question"));
        Optional<StoredResponse> response = store.find(assignmentId, studentId);
        List<StoredAnswer> history =
                response.map(each -> store.history(each.id(), questionId)).orElse(List.of());
        Map<String, Spoken> spoken = response.isEmpty()
                ? Map.of()
                : store.spoken(List.of(response.get().id()));
        StoredAnswer answer =
                history.stream().filter(StoredAnswer::counts).findFirst().orElse(null);
        List<Try> others = history.stream()
                .filter(each -> each != answer)
                .map(each -> new Try(each.id(), each.words(), pieces(each, spoken), each.at(), each.came()))
                .filter(each -> !each.words().isEmpty() || !each.pieces().isEmpty())
                .toList();
        if (answer == null) {
            Mark none = Marking.of(head.asked(), AnswerContent.NOTHING);
            return new Opened(assignment, student, head, null, none, List.of(), List.of(), 0, false, others);
        }
        List<HeardPiece> pieces = pieces(answer, spoken);
        boolean changed = !answer.asked().question().isEmpty()
                && !answer.asked().question().equals(head.words());
        return new Opened(
                assignment,
                student,
                head,
                answer,
                ResultMarks.of(head.asked(), answer),
                answer.words(),
                pieces,
                answer.given().spoken().size() - pieces.size(),
                changed,
                others);
    }

    private static List<HeardPiece> pieces(StoredAnswer answer, Map<String, Spoken> spoken) {
        return answer.given().spoken().stream()
                .map(spoken::get)
                .filter(Objects::nonNull)
                .map(HeardPiece::of)
                .toList();
    }

    private ClassStudent student(Teacher teacher, Assignment assignment, String studentId) {
        return assignments.given(teacher, assignment).stream()
                .filter(each -> each.id().equals(studentId))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("student"));
    }

    /** Thrown when points aren't a number from 0 to what there is to get; nothing was changed. */
    public static final class PointsRefusedException extends RuntimeException {
        private static final long serialVersionUID = 1;
        private final int most;

        PointsRefusedException(double most) {
            this.most = (int) most;
        }

        public int most() {
            return most;
        }
    }

    private static void requirePoints(Double points, Opened opened) {
        double most = opened.mark().most();
        if (points != null && !(points >= 0 && points <= most)) {
            throw new PointsRefusedException(most);
        }
    }

    /**
     * @param points null: what the rule says holds again
     * @throws PointsRefusedException unless they are from 0 to the most that there is to get
     */
    public void overrule(
            Teacher teacher, String assignmentId, String studentId, String questionId, Double points, String reason) {
        Assignment assignment = assignments.toChange(teacher, assignmentId);
        StoredAnswer answer = store.find(assignmentId, studentId)
                .map(response -> store.newest(response.id(), questionId))
                .orElseThrow(() -> new NotFoundException("answer"));
        requirePoints(points, open(teacher, assignmentId, studentId, questionId));
        transaction.executeWithoutResult(status -> overrule(teacher, assignment, answer.id(), points, reason));
    }

    private void overrule(Teacher teacher, Assignment assignment, String answerId, Double points, String reason) {
        String why = reason.strip();
        String kept = why.substring(0, Math.min(LONGEST_REASON, why.length()));
        store.overrule(answerId, teacher.id(), points, kept, clock.millis());
        audit.note(teacher.id(), Deed.MARK_OVERRULED, assignment.title());
    }

    /**
     * Says what an answer is worth, unless somebody else did meanwhile, or the child answered anew.
     *
     * @param answerId that was heard
     * @param seenAt when what was seen of its points was said; 0: nobody had said it
     * @return what stands there instead; empty: it was said
     */
    public Optional<Opened> overruleSeen(
            Teacher teacher,
            String assignmentId,
            String studentId,
            String questionId,
            double points,
            String answerId,
            long seenAt) {
        Opened now = open(teacher, assignmentId, studentId, questionId);
        StoredAnswer answer = now.answer();
        if (answer == null) {
            throw new NotFoundException("answer");
        }
        requirePoints(points, now);
        if (!isAsSeen(answer, answerId, seenAt)) {
            return Optional.of(now);
        }
        boolean said = Boolean.TRUE.equals(transaction.execute(status -> overruleStill(teacher, now, points)));
        return said ? Optional.empty() : Optional.of(open(teacher, assignmentId, studentId, questionId));
    }

    /** Whether an answer stands as somebody saw it. */
    public static boolean isAsSeen(StoredAnswer answer, String answerId, long seenAt) {
        long saidAt = answer.overruled() == null ? 0 : answer.overruled().at();
        return answer.id().equals(answerId) && saidAt == seenAt;
    }

    /** Says what an answer is worth, unless it isn't as it was when it was opened; answers whether it was said. Within a transaction. */
    public boolean overruleStill(Teacher teacher, Opened opened, double points) {
        StoredAnswer was = opened.answer();
        StoredAnswer now = store.newest(was.responseId(), opened.question().id());
        if (now == null
                || !isAsSeen(
                        now,
                        was.id(),
                        was.overruled() == null ? 0 : was.overruled().at())) {
            return false;
        }
        Assignment assignment =
                assignments.toChange(teacher, opened.assignment().id());
        overrule(
                teacher,
                assignment,
                now.id(),
                points,
                now.overruled() == null ? "" : now.overruled().reason());
        return true;
    }

    /** The sound of something that was said to an assignment. */
    public String sound(Teacher teacher, String assignmentId, String recordingId) {
        assignments.seen(teacher, assignmentId);
        return store.spoken(assignmentId, null, recordingId)
                .map(Spoken::soundHash)
                .orElseThrow(() -> new NotFoundException("sound"));
    }

    /** The media type of a picture that somebody answered with. */
    String pictureType(Teacher teacher, String assignmentId, String hash) {
        assignments.seen(teacher, assignmentId);
        return store.ofAssignment(assignmentId).stream()
                .flatMap(response -> store.pictureType(response.id(), hash).stream())
                .findFirst()
                .orElseThrow(() -> new NotFoundException("picture"));
    }

    /**
     * What a student answered, as it stands in a table: in words, or as the recordings that lead to it.
     *
     * @param recordings ids of what was said
     */
    record Line(ClassStudent student, List<String> words, Map<Integer, List<String>> recordings, double points) {}

    List<Line> lines(Teacher teacher, Results results) {
        Map<String, Map<String, StoredAnswer>> answers =
                store.answersOf(results.assignment().id());
        Map<String, String> responses = new LinkedHashMap<>();
        store.ofAssignment(results.assignment().id())
                .forEach(response -> responses.put(response.studentId(), response.id()));
        List<Line> lines = new ArrayList<>();
        for (Row row : results.rows()) {
            Map<String, StoredAnswer> hers =
                    answers.getOrDefault(responses.getOrDefault(row.student().id(), ""), Map.of());
            List<String> words = new ArrayList<>();
            Map<Integer, List<String>> recordings = new HashMap<>();
            for (Head head : results.questions()) {
                StoredAnswer answer = hers.get(head.id());
                words.add(answer == null ? "" : String.join("; ", answer.words()));
                if (answer != null && !answer.given().spoken().isEmpty()) {
                    recordings.put(words.size() - 1, answer.given().spoken());
                }
            }
            lines.add(new Line(row.student(), words, recordings, row.points()));
        }
        lines.sort(Comparator.comparing(line -> line.student().name()));
        return lines;
    }
}
