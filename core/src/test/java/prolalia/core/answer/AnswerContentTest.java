package prolalia.core.answer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import prolalia.core.answer.AnswerContent.Point;
import prolalia.core.answer.AnswerContent.Stroke;

/** What a child's page may send: whatever it is, it is an answer, or it is refused whole. */
class AnswerContentTest {
    private static AnswerContent drawn(List<Stroke> strokes) {
        return new AnswerContent(null, null, null, null, null, strokes, null);
    }

    @Test
    void whatIsMissingIsNothingAndWhatIsNothingWithinIsRefused() {
        AnswerContent none = new AnswerContent(null, null, null, null, null, null, null);
        assertThat(none).isEqualTo(AnswerContent.NOTHING);
        assertThat(none.isNothing()).isTrue();
        assertThat(AnswerContent.typed("  ").isNothing()).isTrue();
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new AnswerContent(Arrays.asList("a", null), null, null, null, null, null, null));
        assertThatIllegalArgumentException().isThrownBy(() -> drawn(Collections.singletonList(null)));
        Map<String, String> pairs = new HashMap<>();
        pairs.put("a", null);
        assertThatIllegalArgumentException().isThrownBy(() -> AnswerContent.paired(pairs));
        assertThatIllegalArgumentException().isThrownBy(() -> new Stroke(6, Arrays.asList(1, null)));
        assertThatIllegalArgumentException().isThrownBy(() -> new Stroke(6, List.of(1, 2, 3)));
    }

    @Test
    void moreThanAnybodyAnswersIsRefused() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> AnswerContent.typed("a".repeat(AnswerContent.LONGEST_TYPED + 1)));
        assertThatIllegalArgumentException()
                .isThrownBy(() ->
                        drawn(Collections.nCopies(AnswerContent.MOST_STROKES + 1, new Stroke(6, List.of(1, 1)))));
        List<Integer> scribble = new ArrayList<>(Collections.nCopies(2 * AnswerContent.MOST_POINTS + 2, 5));
        assertThatIllegalArgumentException().isThrownBy(() -> drawn(List.of(new Stroke(6, scribble))));
        assertThat(drawn(List.of(new Stroke(6, scribble.subList(2, scribble.size()))))
                        .isNothing())
                .isFalse();
    }

    @Test
    void itsWordsNameChoicesAndPlaces() {
        Map<String, String> choices = Map.of("a", "the cod", "b", "in the sea");
        assertThat(AnswerContent.chosen("a", "gone").words(choices)).containsExactly("the cod", "?");
        assertThat(AnswerContent.paired(Map.of("a", "b")).words(choices)).containsExactly("the cod – in the sea");
        assertThat(AnswerContent.pressed(new Point(0.254, 0.5)).words(choices)).containsExactly("(25 %, 50 %)");
    }

    @Test
    void aStrokeKeepsItsFormOnASheetOfAnyHeight() {
        Stroke stroke = new Stroke(6, List.of(0, 0, 5_000, 10_000));
        assertThat(stroke.polyline(6_000)).isEqualTo("0,0 5000,6000");
        assertThat(stroke.polyline(2_000)).isEqualTo("0,0 5000,2000");
    }

    private static final Stroke STROKE = new Stroke(6, List.of(1, 2, 3, 4));

    @Test
    void whatIsTypedOrDrawnOnIsTheSameAnswerAndAnythingElseIsAnother() {
        AnswerContent word = AnswerContent.typed("Rain");
        AnswerContent sun = drawn(List.of(STROKE));
        assertThat(AnswerContent.typed("Rainy").goesOnFrom(word)).isTrue();
        assertThat(AnswerContent.typed("R").goesOnFrom(word)).as("also shorter").isTrue();
        assertThat(drawn(List.of(STROKE, STROKE)).goesOnFrom(sun)).isTrue();
        assertThat(AnswerContent.NOTHING.goesOnFrom(word))
                .as("all was taken away")
                .isFalse();
        assertThat(drawn(List.of()).goesOnFrom(sun)).isFalse();
        assertThat(word.goesOnFrom(AnswerContent.NOTHING)).as("it begins").isFalse();
        assertThat(word.goesOnFrom(sun)).isFalse();
        assertThat(AnswerContent.chosen("b").goesOnFrom(AnswerContent.chosen("a")))
                .isFalse();
        AnswerContent both = new AnswerContent(null, null, null, "Rain", null, List.of(STROKE), null);
        assertThat(both.goesOnFrom(word)).as("she draws as well").isTrue();
        assertThat(word.goesOnFrom(both)).as("the drawing is gone").isFalse();
        assertThat(word.withSpoken("r").goesOnFrom(word))
                .as("she says something")
                .isFalse();
        assertThat(word.withSpoken("r").withSpoken("s").spoken()).containsExactly("r", "s");
        assertThat(word.withSpoken("r").typed()).isEqualTo("Rain");
    }

    @Test
    void aKindSaysHowItIsAnsweredAndMarked() {
        assertThat(EnumSet.allOf(AnswerKind.class).stream().filter(AnswerKind::isFree))
                .containsExactly(AnswerKind.LONG_TEXT, AnswerKind.SPOKEN, AnswerKind.DRAWING);
        assertThat(EnumSet.allOf(AnswerKind.class).stream().filter(AnswerKind::isTyped))
                .containsExactly(AnswerKind.SHORT_WORDS, AnswerKind.NUMBER, AnswerKind.LONG_TEXT);
        assertThat(EnumSet.allOf(AnswerKind.class).stream().filter(AnswerKind::hasRightChoices))
                .containsExactly(AnswerKind.ONE_CHOICE, AnswerKind.SEVERAL_CHOICES);
        assertThat(EnumSet.allOf(AnswerKind.class).stream().filter(kind -> !kind.isMarkedByRule()))
                .containsExactly(AnswerKind.LONG_TEXT, AnswerKind.SPOKEN, AnswerKind.DRAWING, AnswerKind.PICTURE);
    }

    @Test
    void whatATeacherSaysOfAQuestionStaysWithinItsBounds() {
        Question free = Question.of(AnswerKind.LONG_TEXT)
                .withWays(EnumSet.of(AnswerKind.LONG_TEXT, AnswerKind.SPOKEN, AnswerKind.NUMBER));
        assertThat(free.ways()).as("other free ways only").containsExactly(AnswerKind.SPOKEN);
        assertThat(free.allWays()).containsExactlyInAnyOrder(AnswerKind.LONG_TEXT, AnswerKind.SPOKEN);
        assertThat(Question.of(AnswerKind.NUMBER)
                        .withWays(EnumSet.of(AnswerKind.SPOKEN))
                        .ways())
                .isEmpty();
        assertThat(free.withPoints(101).points()).isEqualTo(100);
        assertThat(free.withPoints(-1).points()).isZero();
        assertThat(free.withLongestSeconds(601).longestSeconds()).isEqualTo(600);
        assertThat(free.withLongestSeconds(90).longestSeconds()).isEqualTo(90);
        Question words = Question.of(AnswerKind.SHORT_WORDS)
                .withAccepted(Arrays.asList(" cod ", "", null, "cod", "x".repeat(201), "y".repeat(200)));
        assertThat(words.accepted()).containsExactly("cod", "x".repeat(200), "y".repeat(200));
    }
}
