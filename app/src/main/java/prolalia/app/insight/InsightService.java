package prolalia.app.insight;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.assignment.Assignment;
import prolalia.app.assignment.AssignmentService;
import prolalia.app.classroom.ClassStudent;
import prolalia.app.response.ResultsService;
import prolalia.app.response.ResultsService.Answered;
import prolalia.core.insight.HeardBefore;
import prolalia.core.insight.HeardBefore.Attempt;
import prolalia.core.insight.HeardBefore.Cell;
import prolalia.core.insight.HeardBefore.Hearing;
import prolalia.core.insight.HeardBefore.OfQuestion;
import prolalia.core.insight.NeedGroups;
import prolalia.core.insight.NeedGroups.Group;
import prolalia.core.insight.NeedGroups.Wrong;
import prolalia.core.insight.QuestionStatistics;
import prolalia.core.insight.Scored;
import prolalia.core.insight.TestStatistics;
import prolalia.core.lesson.Line;
import prolalia.core.marking.Mark.Outcome;
import prolalia.core.marking.QuestionWithLines;

/** What answers tell; everything that is computed is in core. */
@Service
class InsightService {
    private final ResultsService results;
    private final AssignmentService assignments;

    InsightService(ResultsService results, AssignmentService assignments) {
        this.results = results;
        this.assignments = assignments;
    }

    /**
     * A question with what its answers tell.
     *
     * @param statistics null: somebody's answer isn't marked as yet, nobody answered, or it is worth nothing
     * @param open how many answers nobody has marked as yet
     * @param heard null: nothing of it is voiced
     * @param unheardLines words of those of its lines that nobody heard
     * @param unheardBy names of those who answered without hearing
     */
    record Told(
            int number,
            QuestionWithLines asked,
            QuestionStatistics statistics,
            int open,
            OfQuestion heard,
            List<String> unheardLines,
            List<String> unheardBy) {}

    /** @param share of it that was heard before it was answered; null: nothing was answered, or nothing is voiced */
    record Square(Outcome outcome, Double share) {
        public int percent() {
            return share == null ? 0 : (int) Math.round(share * 100);
        }
    }

    record Row(ClassStudent student, List<Square> squares) {}

    /** @param names of those who took one for the other @param students their ids */
    record Need(int number, String question, String taken, List<String> names, List<String> students) {}

    record Insight(
            Assignment assignment,
            TestStatistics statistics,
            List<Told> questions,
            List<Row> rows,
            List<Need> needs,
            List<Answered> answered) {
        /** How much was heard before an answer, of a hundred; null: nothing of its question is voiced. */
        Integer heardPercent(Answered answer) {
            return rows.stream()
                    .filter(row -> row.student().id().equals(answer.student().id()))
                    .map(row -> row.squares().get(answer.question().number() - 1))
                    .filter(square -> square.share() != null)
                    .map(Square::percent)
                    .findFirst()
                    .orElse(null);
        }
    }

    Insight of(Teacher teacher, String assignmentId) {
        Assignment assignment = assignments.seen(teacher, assignmentId);
        List<QuestionWithLines> asked = new ArrayList<>(assignments.questions(assignment));
        List<Answered> answered = results.answered(teacher, assignmentId);
        Map<String, ClassStudent> students = new LinkedHashMap<>();
        assignments.given(teacher, assignment).forEach(student -> students.put(student.id(), student));
        Map<String, Integer> open = new HashMap<>();
        answered.stream()
                .filter(each -> each.mark().outcome() == Outcome.OPEN)
                .forEach(each -> open.merge(each.question().id(), 1, Integer::sum));
        TestStatistics statistics = TestStatistics.of(answered.stream()
                .filter(each ->
                        !open.containsKey(each.question().id()) && each.mark().most() > 0)
                .map(InsightService::scored)
                .toList());
        HeardBefore heard = heard(teacher, assignmentId, asked, answered);
        List<Told> told = new ArrayList<>();
        for (QuestionWithLines each : asked) {
            OfQuestion ofQuestion = heard.questions().stream()
                    .filter(one -> one.question().equals(each.id()))
                    .findFirst()
                    .orElse(null);
            told.add(new Told(
                    told.size() + 1,
                    each,
                    statistics.questions().stream()
                            .filter(one -> one.question().equals(each.id()))
                            .findFirst()
                            .orElse(null),
                    open.getOrDefault(each.id(), 0),
                    ofQuestion,
                    ofQuestion == null ? List.of() : words(each, ofQuestion.linesNobodyHeard()),
                    ofQuestion == null ? List.of() : names(students, ofQuestion.unheard())));
        }
        return new Insight(
                assignment,
                statistics,
                told,
                rows(students, asked, answered, heard),
                needs(students, asked, answered),
                answered);
    }

    private static Scored scored(Answered answered) {
        return new Scored(
                answered.student().id(),
                answered.question().id(),
                String.join("; ", answered.answer().words()),
                Math.min(answered.mark().points(), answered.mark().most()),
                answered.mark().most());
    }

    private HeardBefore heard(
            Teacher teacher, String assignmentId, List<QuestionWithLines> asked, List<Answered> answered) {
        List<Hearing> hearings = assignments.heardLines(teacher, assignmentId).stream()
                .map(each -> new Hearing(
                        each.studentId(), each.lineId(), each.firstAt(), each.wholeAt(), each.partPercent()))
                .toList();
        List<Attempt> attempts = answered.stream()
                .map(each -> new Attempt(
                        each.student().id(),
                        each.question().id(),
                        each.mark().outcome() == Outcome.RIGHT,
                        each.answer().at()))
                .toList();
        Map<String, List<String>> linesOf = new LinkedHashMap<>();
        asked.forEach(each -> linesOf.put(
                each.id(),
                lines(each).stream()
                        .filter(line -> line.kept().isPresent())
                        .map(Line::id)
                        .toList()));
        return HeardBefore.of(attempts, hearings, linesOf);
    }

    private static List<Line> lines(QuestionWithLines asked) {
        List<Line> lines = new ArrayList<>(List.of(asked.line()));
        asked.choices().forEach(choice -> lines.add(choice.line()));
        return lines;
    }

    private static List<String> words(QuestionWithLines asked, List<String> lineIds) {
        return lines(asked).stream()
                .filter(line -> lineIds.contains(line.id()))
                .map(Line::words)
                .toList();
    }

    private static List<String> names(Map<String, ClassStudent> students, List<String> ids) {
        return ids.stream()
                .filter(students::containsKey)
                .map(id -> students.get(id).name())
                .toList();
    }

    private static List<Row> rows(
            Map<String, ClassStudent> students,
            List<QuestionWithLines> asked,
            List<Answered> answered,
            HeardBefore heard) {
        Map<String, Outcome> outcomes = new HashMap<>();
        answered.forEach(each -> outcomes.put(
                each.student().id() + " " + each.question().id(), each.mark().outcome()));
        Map<String, Double> shares = heard.cells().stream()
                .collect(Collectors.toMap(
                        cell -> cell.attempt().student() + " " + cell.attempt().question(), Cell::share));
        List<Row> rows = new ArrayList<>();
        for (ClassStudent student : students.values()) {
            rows.add(new Row(
                    student,
                    asked.stream()
                            .map(each -> student.id() + " " + each.id())
                            .map(key -> new Square(outcomes.getOrDefault(key, Outcome.NONE), shares.get(key)))
                            .toList()));
        }
        return rows;
    }

    private static List<Need> needs(
            Map<String, ClassStudent> students, List<QuestionWithLines> asked, List<Answered> answered) {
        Set<Outcome> wrong = new HashSet<>(Set.of(Outcome.WRONG, Outcome.PART));
        List<Group> groups = NeedGroups.of(answered.stream()
                .filter(each -> wrong.contains(each.mark().outcome()))
                .map(each -> new Wrong(
                        each.student().id(),
                        each.question().id(),
                        String.join("; ", each.answer().words())))
                .toList());
        List<String> order = asked.stream().map(QuestionWithLines::id).toList();
        return groups.stream()
                .map(group -> new Need(
                        order.indexOf(group.question()) + 1,
                        asked.get(order.indexOf(group.question())).line().words(),
                        group.answer(),
                        names(students, group.students()),
                        group.students()))
                .toList();
    }
}
