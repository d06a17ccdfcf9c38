package prolalia.app.response;

import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.account.Actor.Student;
import prolalia.app.assignment.AssignedLesson;
import prolalia.app.assignment.ChildService;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.Ids;
import prolalia.app.platform.NotFoundException;
import prolalia.app.response.ResponseStore.Load;
import prolalia.app.response.ResponseStore.Spoken;
import prolalia.app.response.StoredAnswer.Came;
import prolalia.app.response.StoredAnswer.Words;
import prolalia.app.spoken.AnswerPlace;
import prolalia.app.spoken.BrokenOff;
import prolalia.app.spoken.RecordingPurpose;
import prolalia.core.answer.AnswerContent;
import prolalia.core.answer.AnswerManner;
import prolalia.core.answer.AnswerManner.Feedback;
import prolalia.core.lesson.Line;
import prolalia.core.marking.Mark;
import prolalia.core.marking.Mark.Outcome;
import prolalia.core.marking.Marking;
import prolalia.core.marking.QuestionWithLines;
import prolalia.core.published.PublishedLesson.PublishedLine;
import prolalia.core.sound.AnswerCheck;
import prolalia.core.sound.InkTrace;

/** A child answers, hears what is right when that is to be heard, and hands in. */
@Service
public class ResponseService {
    private static final Logger LOG = LoggerFactory.getLogger(ResponseService.class);
    private static final Pattern ID = Pattern.compile("[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}");

    /** More than any child gives; what is beyond is no answer of hers. */
    private static final int MOST_ANSWERS = 5_000;

    /** Questions that were taken out while she answered them. */
    private static final int MOST_UNKNOWN = 100;

    private final ChildService children;
    private final ResponseStore store;
    private final DataFolder folder;
    private final TransactionTemplate transaction;
    private final Clock clock;

    ResponseService(
            ChildService children,
            ResponseStore store,
            DataFolder folder,
            TransactionTemplate transaction,
            Clock clock) {
        this.folder = folder;
        this.children = children;
        this.store = store;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** How an answer was taken in. */
    public enum Taken {
        SAVED,
        /** It is kept, but the lesson is over by now. */
        CLOSED,
        /** It is kept, but the question isn't there any more. */
        GONE,
        /** It isn't kept: the question was answered as often as it may be. */
        NO_MORE,
        /** It is kept and doesn't count: all of it was handed in, and that closes it. */
        HANDED_IN
    }

    /**
     * What a child hears of an answer.
     *
     * @param outcome null: it isn't told
     * @param sound of what is said to it; null: nothing of its own
     * @param words that are said; null: nothing
     * @param triesLeft null: as many as she likes
     */
    public record Heard(Outcome outcome, Double points, Integer most, String sound, String words, Integer triesLeft) {}

    /** A part of a spoken answer. @param brokenOff whether nobody ended it */
    public record Piece(String id, long durationMs, String trace, boolean brokenOff) {
        private static final int WIDTH = 320;
        private static final int HEIGHT = 40;

        static Piece of(Spoken spoken) {
            String trace = InkTrace.of(spoken.peaks(), WIDTH, HEIGHT).path();
            return new Piece(
                    spoken.recordingId(),
                    spoken.durationMs(),
                    trace,
                    spoken.checks().contains(AnswerCheck.BROKEN_OFF));
        }
    }

    /** An answer as its child finds it again. */
    record Held(AnswerContent given, List<Piece> pieces, Heard heard) {}

    /** All that a child answered. @param closed whether it is handed in, and nothing is changed any more */
    record State(Map<String, Held> answers, boolean handedIn, boolean open, boolean closed) {}

    State state(Student student, String assignmentId) {
        AssignedLesson met = children.meetStill(student, assignmentId);
        Optional<StoredResponse> response = store.find(assignmentId, student.id());
        boolean open = children.isOpen(met);
        if (response.isEmpty()) {
            return new State(Map.of(), false, open, false);
        }
        Map<String, Spoken> spoken = store.spoken(List.of(response.get().id()));
        boolean handedIn = response.get().handedInAt() != null;
        Map<String, Held> held = new HashMap<>();
        store.answers(response.get().id()).forEach((question, answer) -> {
            boolean told = answer.triedAt() != null && met.asked().containsKey(question);
            held.put(
                    question,
                    new Held(
                            answer.given(),
                            pieces(answer.given(), spoken),
                            told ? heard(met, met.asked().get(question), answer) : null));
        });
        return new State(held, handedIn, open, handedIn && manner(met).closes());
    }

    private static List<Piece> pieces(AnswerContent given, Map<String, Spoken> spoken) {
        return given.spoken().stream()
                .map(spoken::get)
                .filter(piece -> piece != null)
                .map(Piece::of)
                .toList();
    }

    /** An answer of hers as it stands. */
    public record Own(StoredAnswer answer, List<Piece> pieces) {}

    /** All that she answered, by question. */
    public Map<String, Own> own(Student student, String assignmentId) {
        children.meetStill(student, assignmentId);
        Optional<StoredResponse> response = store.find(assignmentId, student.id());
        Map<String, Own> own = new HashMap<>();
        if (response.isPresent()) {
            Map<String, Spoken> spoken = store.spoken(List.of(response.get().id()));
            store.answers(response.get().id())
                    .forEach((question, answer) -> own.put(question, new Own(answer, pieces(answer.given(), spoken))));
        }
        return own;
    }

    /** Something that she said. */
    Piece piece(Student student, String assignmentId, String recordingId) {
        return Piece.of(spoken(student, assignmentId, recordingId));
    }

    private Spoken spoken(Student student, String assignmentId, String recordingId) {
        return store.spoken(assignmentId, student.id(), recordingId)
                .orElseThrow(() -> new NotFoundException("recording"));
    }

    /**
     * Takes an answer in; it is on the disk when this returns. What comes in late, after the lesson was over or its question was
     * taken out, is kept as well.
     */
    public Taken give(Student student, String assignmentId, String questionId, String answerId, AnswerContent given) {
        if (!ID.matcher(answerId).matches() || !ID.matcher(questionId).matches()) {
            throw new NotFoundException("answer");
        }
        folder.needRoom(0);
        // Before the transaction: it may have to be rendered.
        AssignedLesson met = children.meetStill(student, assignmentId);
        return transaction.execute(status -> taken(student, met, questionId, answerId, given));
    }

    /** What a child had begun to say when her page was closed stands with what she said before; she can leave it out. */
    @EventListener
    void brokenOff(BrokenOff left) {
        AnswerPlace place = left.place();
        StoredResponse response = store.byId(place.responseId()).orElse(null);
        Student student = Optional.ofNullable(response)
                .flatMap(hers -> children.asSheComesIn(hers.studentId(), hers.assignmentId()))
                .orElse(null);
        if (student == null) {
            return;
        }
        try {
            AssignedLesson met = children.meetStill(student, response.assignmentId());
            transaction.executeWithoutResult(status -> goOn(student, met, response.id(), left));
        } catch (NotFoundException gone) {
            LOG.info("What a child had begun to say belongs to nothing any more");
        }
    }

    /** Within the transaction: what she answers meanwhile stays. */
    private void goOn(Student student, AssignedLesson met, String responseId, BrokenOff left) {
        String question = left.place().questionId();
        // Also when she left it out since.
        boolean known = store.history(responseId, question).stream()
                .anyMatch(each -> each.given().spoken().contains(left.recordingId()));
        StoredAnswer holds = store.newest(responseId, question);
        AnswerContent before = holds == null ? AnswerContent.NOTHING : holds.given();
        if (!known && before.spoken().size() < AnswerContent.MOST_SPOKEN) {
            taken(student, met, question, Ids.newId(), before.withSpoken(left.recordingId()));
        }
    }

    private Taken taken(Student student, AssignedLesson met, String questionId, String answerId, AnswerContent given) {
        long now = clock.millis();
        StoredResponse response = store.begun(met.assignment().id(), student.id(), now);
        QuestionWithLines question = met.asked().get(questionId);
        boolean closed = response.handedInAt() != null && manner(met).closes();
        if (question != null && hasNoMoreTries(met, response.id(), questionId) && !store.has(answerId)) {
            return Taken.NO_MORE;
        }
        if (!store.has(answerId)) {
            Load load = store.load(response.id(), met.asked().keySet());
            if (load.answers() >= MOST_ANSWERS || question == null && load.unknown() >= MOST_UNKNOWN) {
                return question == null ? Taken.GONE : Taken.NO_MORE;
            }
            AnswerContent own = ownPieces(response, questionId, given);
            Mark mark = question == null ? new Mark(0, 0, Outcome.OPEN) : Marking.of(question, own);
            StoredAnswer before = store.newest(response.id(), questionId);
            StoredAnswer added = new StoredAnswer(
                    answerId,
                    response.id(),
                    questionId,
                    0,
                    own,
                    words(question),
                    met.assignment().revision(),
                    now,
                    null,
                    mark.points(),
                    mark.outcome(),
                    came(met, response, question),
                    null);
            store.add(added);
            if (isStateOf(before, added)) {
                store.replace(before, now);
            }
        }
        if (question == null) {
            return Taken.GONE;
        }
        if (closed) {
            return Taken.HANDED_IN;
        }
        return children.isOpen(met) ? Taken.SAVED : Taken.CLOSED;
    }

    /** Whether she typed or drew on, in the same lesson and at the same time of answering. */
    private static boolean isStateOf(StoredAnswer before, StoredAnswer added) {
        return before != null
                && before.came() == added.came()
                && added.counts()
                && before.revision() == added.revision()
                && added.given().goesOnFrom(before.given());
    }

    private Came came(AssignedLesson met, StoredResponse response, QuestionWithLines question) {
        if (response.handedInAt() != null && manner(met).closes()) {
            return Came.AFTER_CLOSED;
        }
        if (!children.isOpen(met)) {
            return Came.AFTER_END;
        }
        boolean handedIn = response.handedInAt() != null;
        boolean told = question != null
                && manner(met).feedback() == Feedback.EACH
                && store.history(response.id(), question.id()).stream()
                        .anyMatch(before -> before.triedAt() != null && before.outcome() == Outcome.RIGHT);
        if (told || handedIn && manner(met).feedback() != Feedback.NONE) {
            return Came.AFTER_TOLD;
        }
        return handedIn ? Came.AFTER_HANDED_IN : null;
    }

    /** Of what was said, and of pictures, only what this child said and brought for this question is an answer. */
    private AnswerContent ownPieces(StoredResponse response, String questionId, AnswerContent given) {
        if (given.spoken().isEmpty() && given.picture() == null) {
            return given;
        }
        Map<String, Spoken> spoken = store.spoken(List.of(response.id()));
        List<String> own = given.spoken().stream()
                .filter(id ->
                        spoken.containsKey(id) && spoken.get(id).questionId().equals(questionId))
                .distinct()
                .toList();
        String picture = given.picture() != null
                        && store.pictureType(response.id(), given.picture()).isPresent()
                ? given.picture()
                : null;
        return new AnswerContent(
                given.chosen(), given.pairs(), given.pressed(), given.typed(), own, given.drawn(), picture);
    }

    private static Words words(QuestionWithLines asked) {
        return asked == null
                ? new Words("", Map.of())
                : new Words(
                        asked.line().words(),
                        asked.choices().stream()
                                .collect(Collectors.toMap(
                                        choice -> choice.id(),
                                        choice -> choice.line().words())));
    }

    /** Whether an answer is right, where that may be heard as soon as it is given: a try. */
    public Heard check(Student student, String assignmentId, String questionId) {
        AssignedLesson met = children.meet(student, assignmentId);
        StoredResponse response =
                store.find(assignmentId, student.id()).orElseThrow(() -> new NotFoundException("response"));
        QuestionWithLines question = met.asked().get(questionId);
        StoredAnswer answer = store.newest(response.id(), questionId);
        if (question == null || answer == null || manner(met).feedback() != Feedback.EACH) {
            throw new NotFoundException("answer");
        }
        if (answer.triedAt() == null) {
            store.setTried(List.of(answer.id()), clock.millis());
        }
        return heard(met, question, answer);
    }

    static AnswerManner manner(AssignedLesson met) {
        return met.lesson().settings().answering();
    }

    /** Null: as many as she likes. */
    private Integer triesLeft(AssignedLesson met, String responseId, String questionId) {
        int tries = met.tries() == null ? manner(met).tries() : met.tries();
        return tries == 0 ? null : Math.max(0, tries - store.tries(responseId, questionId));
    }

    private boolean hasNoMoreTries(AssignedLesson met, String responseId, String questionId) {
        Integer left = triesLeft(met, responseId, questionId);
        return left != null && left == 0;
    }

    Heard heard(AssignedLesson met, QuestionWithLines question, StoredAnswer answer) {
        Mark mark = ResultMarks.of(question, answer);
        Optional<Line> said = mark.outcome() == Outcome.RIGHT
                ? question.praise()
                : mark.outcome() == Outcome.OPEN || mark.outcome() == Outcome.NONE
                        ? Optional.empty()
                        : question.correctionOf(answer.given());
        String sound = said.flatMap(line -> met.lesson().line(line.id()))
                .map(PublishedLine::soundHash)
                .orElse(null);
        boolean shown = manner(met).points() != AnswerManner.Points.HIDDEN;
        return new Heard(
                mark.outcome(),
                shown ? mark.points() : null,
                shown ? mark.most() : null,
                sound,
                said.map(Line::words).orElse(null),
                triesLeft(met, answer.responseId(), question.id()));
    }

    /** Where what a child says belongs: her response is begun by it. */
    public AnswerPlace place(Student student, String assignmentId, String questionId) {
        children.meetStill(student, assignmentId);
        if (!ID.matcher(questionId).matches()) {
            throw new NotFoundException("question");
        }
        StoredResponse response = store.begun(assignmentId, student.id(), clock.millis());
        return new AnswerPlace(RecordingPurpose.ANSWER, response.id(), questionId, student.id());
    }

    /** Whether something was given to her: to others it isn't there. */
    void require(Student student, String assignmentId) {
        children.meetStill(student, assignmentId);
    }

    /** So long an answer to a question may be, in ms. */
    long longestMs(Student student, String assignmentId, String questionId) {
        AssignedLesson met = children.meetStill(student, assignmentId);
        QuestionWithLines question = met.asked().get(questionId);
        int own = question == null ? 0 : question.question().longestSeconds();
        return 1000L * (own == 0 ? manner(met).longestSeconds() : own);
    }

    /** The sound of something that she said. */
    String sound(Student student, String assignmentId, String recordingId) {
        return spoken(student, assignmentId, recordingId).soundHash();
    }

    /** The id of her response. */
    Optional<String> responseOf(Student student, String assignmentId) {
        return store.find(assignmentId, student.id()).map(StoredResponse::id);
    }
}
