package prolalia.core.script;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import prolalia.core.answer.AnswerKind;
import prolalia.core.answer.Question;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;
import prolalia.core.script.LineShape.Place;
import prolalia.core.script.ScriptEdits.PlacedLine;

/** Making questions is a change of the script like any other: what it does is undone by its reverse. */
class QuestionEditsTest {
    private final Map<String, LineShape> shapes = new LinkedHashMap<>();

    @BeforeEach
    void twoPages() {
        line("d", LineKind.DIRECTION, "one", null);
        line("q", LineKind.QUESTION, "one", "d");
        line("a", LineKind.CHOICE, "one", "q");
        line("hint", LineKind.HINT, "one", "a");
        line("b", LineKind.CHOICE, "one", "hint");
        line("p", LineKind.PASSAGE, "two", null);
    }

    private void line(String id, LineKind kind, String page, String after) {
        shapes.put(id, new LineShape("words of " + id, kind, false, null, new Place(page, after)));
    }

    private QuestionEdits edits() {
        List<PlacedLine> script = new ArrayList<>();
        shapes.forEach((id, shape) -> {
            if (!shape.removed()) {
                script.add(new PlacedLine(id, shape));
            }
        });
        return new QuestionEdits(script);
    }

    private void make(Optional<LessonChange> change) {
        change.orElseThrow().lines().forEach(step -> shapes.put(step.lineId(), step.after()));
    }

    private String asked(String id) {
        Question question = shapes.get(id).traits().question();
        return question == null ? "heard" : question.kind().name();
    }

    private List<String> right() {
        return shapes.entrySet().stream()
                .filter(each -> each.getValue().traits().mark().right())
                .map(Map.Entry::getKey)
                .toList();
    }

    @Test
    void aRightChoiceMakesItsQuestionOneToBeAnsweredAndASecondOneForSeveral() {
        make(edits().turnRight("b"));
        assertThat(asked("q")).isEqualTo("ONE_CHOICE");
        assertThat(asked("d")).as("the line above isn't its question").isEqualTo("heard");
        make(edits().turnRight("a"));
        assertThat(asked("q")).isEqualTo("SEVERAL_CHOICES");
        assertThat(right()).containsExactly("a", "b");
        make(edits().change("q", Question.of(AnswerKind.ONE_CHOICE)));
        assertThat(right()).as("of several right ones the first stays").containsExactly("a");
        make(edits().turnRight("a"));
        assertThat(asked("q")).as("it stays one to be answered").isEqualTo("ONE_CHOICE");
        assertThat(right()).isEmpty();
    }

    @Test
    void aLineOfAnyKindBecomesAQuestionAndIsOnlyHeardAgain() {
        Map<String, LineShape> before = new LinkedHashMap<>(shapes);
        Optional<LessonChange> change = edits().change("d", Question.of(AnswerKind.SPOKEN));
        make(change);
        assertThat(shapes.get("d").kind()).isEqualTo(LineKind.QUESTION);
        make(Optional.of(change.orElseThrow().reversed()));
        assertThat(shapes).isEqualTo(before);
        assertThat(edits().change("d", null)).as("nothing to change").isEmpty();
    }

    @Test
    void everyPageWithoutAQuestionGetsOneAtItsEnd() {
        make(edits().change("q", Question.of(AnswerKind.ONE_CHOICE)));
        LineTraits traits = LineTraits.of(LineKind.QUESTION).withQuestion(Question.of(AnswerKind.LONG_TEXT));
        LineShape question = new LineShape("Write it.", traits, false, "take", null, "standing");
        AtomicInteger ids = new AtomicInteger();
        Optional<LessonChange> change =
                edits().onEveryPage(List.of("one", "two", "empty"), question, () -> "new" + ids.incrementAndGet());
        make(change);
        assertThat(shapes.entrySet().stream()
                        .filter(each -> each.getKey().startsWith("new"))
                        .collect(Collectors.toMap(
                                Map.Entry::getKey, each -> each.getValue().place())))
                .isEqualTo(Map.of("new1", new Place("two", "p"), "new2", new Place("empty", null)));
        assertThat(shapes.get("new1").standingLineId()).as("it is read once").isEqualTo("standing");
        assertThat(edits().onEveryPage(List.of("one", "two", "empty"), question, () -> "again"))
                .isEmpty();
        make(Optional.of(change.orElseThrow().reversed()));
        assertThat(shapes.get("new1").removed()).isTrue();
    }

    @Test
    void pairsAndPicturesAreTheLinesOwn() {
        make(edits().pair("a", 2));
        make(edits().pair("b", 2));
        assertThat(shapes.get("a").traits().mark().pair())
                .isEqualTo(shapes.get("b").traits().mark().pair());
        make(edits().show("q", "0".repeat(64)));
        assertThat(shapes.get("q").traits().picture()).isEqualTo("0".repeat(64));
        make(edits().show("q", null));
        assertThat(shapes.get("q").traits().picture()).isNull();
        assertThat(edits().pair("a", 2)).isEmpty();
    }
}
