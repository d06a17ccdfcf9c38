package prolalia.core.sound;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import prolalia.core.sound.TakeCuts.Cut;

class ReadingCutsTest {
    /** Begins at 700 ms, ends either within what is said, or where it does: the first is likelier by itself. */
    private static final TakeCuts FIRST = new TakeCuts(
            List.of(new Cut(700, 0, 600, 0)),
            List.of(new Cut(2_000, -20, 500, 0), new Cut(2_700, 680, 450, -370)),
            List.of(List.of(0.0, 0.0)));

    /** It sees the same two pauses, a little otherwise; with the first, its words would have a pause that nothing asks for. */
    private static final TakeCuts SECOND = new TakeCuts(
            List.of(new Cut(690, -10, 500, 0), new Cut(1_420, 720, 470, -360)),
            List.of(new Cut(4_000, 0, 600, 0)),
            List.of(List.of(315.0), List.of(0.0)));

    @Test
    void thePauseIsCutWhereItFitsTheWordsOfBothLines() {
        assertThat(ReadingCuts.of(List.of(FIRST))).containsExactly(Optional.of(new Span(700, 2_000)));
        assertThat(ReadingCuts.of(List.of(FIRST, SECOND)))
                .containsExactly(Optional.of(new Span(700, 2_700)), Optional.of(new Span(1_420, 4_000)));
    }

    @Test
    void aStretchInWhichNothingIsSaidIsNoLine() {
        TakeCuts nothing = new TakeCuts(
                List.of(new Cut(700, 0, 600, 0)),
                List.of(new Cut(900, 200, 600, 0)),
                List.of(List.of(TakeCuts.NOTHING_SAID)));
        assertThat(ReadingCuts.of(List.of(nothing))).containsExactly(Optional.empty());
    }

    @Test
    void takesThatSawNoPauseTogetherAreCutEachForItself() {
        TakeCuts elsewhere = new TakeCuts(
                List.of(new Cut(200, -500, 400, 0)), List.of(new Cut(3_000, 0, 600, 0)), List.of(List.of(0.0)));
        assertThat(ReadingCuts.of(List.of(FIRST, elsewhere)))
                .containsExactly(Optional.of(new Span(700, 2_000)), Optional.of(new Span(200, 3_000)));
    }
}
