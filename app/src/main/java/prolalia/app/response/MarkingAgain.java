package prolalia.app.response;

import java.time.Clock;
import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.event.TransactionPhase;
import org.springframework.transaction.event.TransactionalEventListener;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.access.LessonRef;
import prolalia.app.assignment.Assignment;
import prolalia.app.assignment.AssignmentService;
import prolalia.app.history.QuestionsChanged;
import prolalia.app.lesson.Lessons;
import prolalia.app.platform.BackgroundWork;
import prolalia.app.platform.WorkJournal;
import prolalia.core.marking.Mark;
import prolalia.core.marking.Marking;
import prolalia.core.marking.QuestionWithLines;

/**
 * When something of a lesson's questions changes, what was answered to them is marked again: soon, and by itself. That it is due
 * is written down with the change, so that no end of the server comes between.
 */
@Service
class MarkingAgain implements DisposableBean {
    /** So long it is told that answers were marked again. */
    private static final Duration TOLD = Duration.ofDays(1);

    private final MarkStore marks;
    private final ResponseStore responses;
    private final AssignmentService assignments;
    private final Lessons lessons;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final BackgroundWork work;

    MarkingAgain(
            MarkStore marks,
            ResponseStore responses,
            AssignmentService assignments,
            Lessons lessons,
            TransactionTemplate transaction,
            WorkJournal begun,
            Clock clock) {
        this.marks = marks;
        this.responses = responses;
        this.assignments = assignments;
        this.lessons = lessons;
        this.transaction = transaction;
        this.clock = clock;
        work = new BackgroundWork("marking-again", begun, (id, course) -> markAgain(id), (id, why) -> {});
    }

    @EventListener
    void due(QuestionsChanged changed) {
        marks.due(changed.lesson());
    }

    @TransactionalEventListener(phase = TransactionPhase.AFTER_COMMIT, fallbackExecution = true)
    void soon(QuestionsChanged changed) {
        if (marks.asked(changed.lesson()).isPresent()) {
            work.soon(changed.lesson().id());
        }
    }

    @EventListener(ApplicationReadyEvent.class)
    void goOn() {
        marks.allDue().forEach(work::soon);
    }

    private void markAgain(String lessonId) {
        LessonRef lesson = lessons.ofHouse(lessonId).orElse(null);
        if (lesson == null) {
            return;
        }
        marks.asked(lesson).ifPresent(asked -> {
            assignments.ofHouse(lesson).forEach(this::markAgain);
            if (!marks.isDone(lesson, asked)) {
                work.soon(lessonId);
            }
        });
    }

    private void markAgain(Assignment assignment) {
        Map<String, QuestionWithLines> questions = assignments.questions(assignment).stream()
                .collect(Collectors.toMap(QuestionWithLines::id, Function.identity()));
        Map<String, Mark> changed = new HashMap<>();
        List<String> byRule = questions.values().stream()
                .filter(question -> question.question().kind().isMarkedByRule())
                .map(QuestionWithLines::id)
                .toList();
        for (StoredAnswer answer : responses.toBeMarked(assignment.id(), byRule)) {
            QuestionWithLines question = questions.get(answer.questionId());
            if (question != null) {
                Mark now = Marking.of(question, answer.given());
                if (now.points() != answer.points() || now.outcome() != answer.outcome()) {
                    changed.put(answer.id(), now);
                }
            }
        }
        if (!changed.isEmpty()) {
            transaction.executeWithoutResult(status -> marks.setMarks(assignment.id(), changed, clock.millis()));
        }
    }

    /** How many answers are worth something else than they were, by a key that changed not long ago. */
    int told(Assignment assignment) {
        return marks.markedAgainSince(assignment.id(), clock.millis() - TOLD.toMillis());
    }

    @Override
    public void destroy() {
        work.close();
    }
}
