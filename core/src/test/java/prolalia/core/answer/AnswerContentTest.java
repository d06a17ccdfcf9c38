package prolalia.core.answer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
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
}
