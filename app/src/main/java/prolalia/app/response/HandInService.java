package prolalia.app.response;

import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.account.Actor.Student;
import prolalia.app.assignment.AssignedLesson;
import prolalia.app.assignment.ChildService;
import prolalia.app.response.ResponseService.Heard;
import prolalia.core.answer.AnswerManner;
import prolalia.core.answer.AnswerManner.Feedback;
import prolalia.core.marking.QuestionWithLines;
import prolalia.core.published.PublishedLesson;
import prolalia.core.published.StudentPages;

/** A child hands in, and hears then what is right when that is to be heard. */
@Service
public class HandInService {
    private final ChildService children;
    private final ResponseService responses;
    private final ResponseStore store;
    private final TransactionTemplate transaction;
    private final Clock clock;

    HandInService(
            ChildService children,
            ResponseService responses,
            ResponseStore store,
            TransactionTemplate transaction,
            Clock clock) {
        this.children = children;
        this.responses = responses;
        this.store = store;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** @param missing the questions that are to be answered first, with the numbers of their pages */
    public record HandedIn(
            boolean done, List<Missing> missing, Map<String, Heard> heard, double points, int most, boolean closed) {}

    public record Missing(String question, int page) {}

    /** Hands all of it in, unless something is to be answered first. */
    public HandedIn handIn(Student student, String assignmentId) {
        AssignedLesson met = children.meet(student, assignmentId);
        long now = clock.millis();
        StoredResponse response = store.begun(assignmentId, student.id(), now);
        Map<String, StoredAnswer> answers = store.answers(response.id());
        List<Missing> missing = missing(met.lesson(), answers);
        if (!missing.isEmpty()) {
            return new HandedIn(false, missing, Map.of(), 0, 0, false);
        }
        boolean told = ResponseService.manner(met).feedback() != Feedback.NONE;
        transaction.executeWithoutResult(status -> {
            store.setHandedIn(response.id(), now);
            if (told) {
                store.setTried(answers.values().stream().map(StoredAnswer::id).collect(Collectors.toSet()), now);
            }
        });
        Map<String, Heard> heard = new LinkedHashMap<>();
        double points = 0;
        int most = 0;
        if (!told) {
            return new HandedIn(
                    true, missing, heard, 0, 0, ResponseService.manner(met).closes());
        }
        for (QuestionWithLines question : met.asked().values()) {
            StoredAnswer answer = answers.get(question.id());
            most += question.question().points();
            if (answer != null) {
                heard.put(question.id(), responses.heard(met, question, answer));
                points += ResultMarks.of(question, answer).points();
            }
        }
        boolean shown = ResponseService.manner(met).points() != AnswerManner.Points.HIDDEN;
        return new HandedIn(
                true,
                missing,
                heard,
                shown ? points : 0,
                shown ? most : 0,
                ResponseService.manner(met).closes());
    }

    private static List<Missing> missing(PublishedLesson lesson, Map<String, StoredAnswer> answers) {
        List<Missing> missing = new ArrayList<>();
        int number = 0;
        for (PublishedLesson.PublishedPage page : StudentPages.shown(lesson)) {
            number++;
            for (QuestionWithLines question : page.questions()) {
                StoredAnswer answer = answers.get(question.id());
                if (question.question().required()
                        && (answer == null || answer.given().isNothing())) {
                    missing.add(new Missing(question.id(), number));
                }
            }
        }
        return missing;
    }
}
