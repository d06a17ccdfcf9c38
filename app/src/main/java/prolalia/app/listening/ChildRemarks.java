package prolalia.app.listening;

import java.io.IOException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import prolalia.app.account.Actor.Student;
import prolalia.app.assignment.AssignedLesson;
import prolalia.app.assignment.ChildService;
import prolalia.app.assignment.SpokenBack;
import prolalia.app.platform.NotFoundException;
import prolalia.app.response.ResponseService;
import prolalia.app.response.ResponseService.Own;
import prolalia.app.rubric.RubricService;
import prolalia.app.rubric.RubricService.Level;
import prolalia.app.spoken.AnswerPlace;
import prolalia.app.spoken.ChunkedRecordings;
import prolalia.app.spoken.Ended;
import prolalia.app.spoken.Ending;
import prolalia.app.spoken.RecordingPurpose;
import prolalia.app.spoken.StoredRecording;
import prolalia.core.marking.QuestionWithLines;
import prolalia.core.published.PublishedLesson.PublishedPage;
import prolalia.core.published.StudentPages;
import prolalia.core.remark.Passage.Found;
import prolalia.core.remark.RemarkPlace;

/** What was said back to a child, as she hears it, and what she says to that. */
@Service
public class ChildRemarks implements SpokenBack {
    private static final long LONGEST_MS = 120_000;

    private final RemarkStore store;
    private final ChildService children;
    private final ResponseService responses;
    private final ChunkedRecordings recordings;
    private final RubricService rubrics;
    private final Clock clock;

    ChildRemarks(
            RemarkStore store,
            ChildService children,
            ResponseService responses,
            ChunkedRecordings recordings,
            RubricService rubrics,
            Clock clock) {
        this.store = store;
        this.children = children;
        this.responses = responses;
        this.recordings = recordings;
        this.rubrics = rubrics;
        this.clock = clock;
    }

    @Override
    public Map<String, Boolean> of(Student student) {
        Map<String, Boolean> news = new HashMap<>();
        rubrics.givenIn(student.id()).forEach(assignment -> news.put(assignment, false));
        store.counted(student.id()).forEach((assignment, count) -> news.put(assignment, count.unmet() > 0));
        return news;
    }

    /**
     * A passage in her words as they stand now.
     *
     * @param before what stands before it
     * @param marked the passage; empty: it is gone
     */
    public record Marked(String before, String marked, String after) {}

    /** A remark with its place. @param passage null: it is to no passage */
    public record Shown(Remark remark, Marked passage) {}

    /**
     * A question of hers that was said something to.
     *
     * @param asked null: it isn't there any more
     * @param sound of the question; null: it is silent
     * @param page on which it is asked, from 1
     * @param own null: nothing is left of her answer
     */
    public record OnQuestion(
            String questionId,
            QuestionWithLines asked,
            String sound,
            int page,
            Own own,
            List<Shown> thread,
            List<Level> levels) {
        /** Her words, as they stand now. */
        public String typed() {
            return own == null ? "" : own.answer().given().typed();
        }
    }

    /** @param open whether she may try again */
    public record ForChild(AssignedLesson met, List<OnQuestion> questions, boolean open) {}

    public ForChild forChild(Student student, String assignmentId) {
        AssignedLesson met = children.meetStill(student, assignmentId);
        Map<String, Own> own = responses.own(student, assignmentId);
        Map<String, Integer> pages = new HashMap<>();
        int number = 0;
        for (PublishedPage page : StudentPages.shown(met.lesson())) {
            number++;
            for (QuestionWithLines asked : page.questions()) {
                pages.put(asked.id(), number);
            }
        }
        Map<String, List<Remark>> byQuestion = new HashMap<>();
        List<String> order = new ArrayList<>(met.asked().keySet());
        for (Remark remark : store.ofChild(assignmentId, student.id())) {
            if (remark.isGiven() || remark.isByChild()) {
                byQuestion
                        .computeIfAbsent(remark.questionId(), unseen -> new ArrayList<>())
                        .add(remark);
                if (!order.contains(remark.questionId())) {
                    order.add(remark.questionId());
                }
            }
        }
        Map<String, List<Level>> levels = rubrics.given(assignmentId, student.id());
        List<OnQuestion> questions = new ArrayList<>();
        for (String question : order) {
            List<Remark> thread = byQuestion.getOrDefault(question, List.of());
            List<Level> judged = levels.getOrDefault(question, List.of());
            if (thread.isEmpty() && judged.isEmpty()) {
                continue;
            }
            Own answer = own.get(question);
            String typed = answer == null ? "" : answer.answer().given().typed();
            questions.add(new OnQuestion(
                    question,
                    met.asked().get(question),
                    met.lesson().line(question).map(line -> line.soundHash()).orElse(null),
                    pages.getOrDefault(question, 1),
                    answer,
                    thread.stream()
                            .map(remark -> new Shown(remark, marked(remark, typed)))
                            .toList(),
                    judged));
        }
        return new ForChild(met, questions, children.isOpen(met));
    }

    private static Marked marked(Remark remark, String typed) {
        if (remark.place().passage() == null) {
            return null;
        }
        Optional<Found> found = remark.place().passage().in(typed);
        if (found.isEmpty()) {
            return new Marked(remark.place().passage().exact(), "", "");
        }
        int from = typed.offsetByCodePoints(0, found.get().start());
        int to = typed.offsetByCodePoints(0, found.get().end());
        return new Marked(typed.substring(0, from), typed.substring(from, to), typed.substring(to));
    }

    private Remark given(Student student, String assignmentId, String remarkId) {
        children.meetStill(student, assignmentId);
        return store.ofChild(assignmentId, student.id()).stream()
                .filter(remark -> remark.id().equals(remarkId) && (remark.isGiven() || remark.isByChild()))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("remark"));
    }

    void met(Student student, String assignmentId, String remarkId) {
        Remark remark = given(student, assignmentId, remarkId);
        if (!remark.isByChild()) {
            store.met(List.of(remark.id()), clock.millis());
        }
    }

    String sound(Student student, String assignmentId, String remarkId) {
        return Optional.ofNullable(given(student, assignmentId, remarkId).soundHash())
                .orElseThrow(() -> new NotFoundException("sound"));
    }

    /** The sound of a level that she was given. */
    String levelSound(Student student, String assignmentId, String questionId, int criterion) {
        children.meetStill(student, assignmentId);
        return rubrics.given(assignmentId, student.id()).getOrDefault(questionId, List.of()).stream()
                .filter(level -> level.criterion() == criterion && level.soundHash() != null)
                .reduce((first, last) -> last)
                .map(Level::soundHash)
                .orElseThrow(() -> new NotFoundException("sound"));
    }

    /** By it her reply to a remark is recorded. */
    public AnswerPlace place(Student student, String assignmentId, String remarkId) {
        Remark remark = given(student, assignmentId, remarkId);
        String response =
                responses.place(student, assignmentId, remark.questionId()).responseId();
        return new AnswerPlace(RecordingPurpose.REMARK, response, remark.questionId(), student.id());
    }

    /** What she said stands after what was said to her, as soon as all of it came in; ended twice it is there once. */
    public Ended end(Student student, String assignmentId, String remarkId, String recordingId, Integer chunks)
            throws IOException {
        Remark remark = given(student, assignmentId, remarkId);
        Ended ended = recordings.end(
                place(student, assignmentId, remarkId),
                recordingId,
                Ending.after(chunks).atMost(LONGEST_MS));
        if (ended instanceof Ended.Made made) {
            StoredRecording said = made.recording();
            long now = clock.millis();
            store.add(new Remark(
                    recordingId,
                    remark.answerId(),
                    remark.questionId(),
                    student.id(),
                    null,
                    null,
                    "",
                    null,
                    null,
                    said.soundHash(),
                    said.durationMs(),
                    List.of(),
                    RemarkPlace.WHOLE,
                    now,
                    now,
                    null));
        }
        return ended;
    }

    /** @throws NotFoundException where she may not answer any more */
    void require(Student student, String assignmentId) {
        children.meetStill(student, assignmentId);
    }
}
