package prolalia.core.align;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import prolalia.core.sound.Span;

class LineSliceTest {
    /** Three things are said; the second one has an inner pause. */
    private static final List<Span> PIECES =
            List.of(new Span(1_000, 2_000), new Span(3_000, 3_500), new Span(3_700, 4_000), new Span(9_000, 9_500));

    private static final long WHOLE = 10_000;

    @Test
    void theQuietAroundALineGoesWithItUpToHalfWayToItsNeighbours() {
        assertThat(LineSlice.around(new Span(3_000, 4_000), PIECES, WHOLE)).isEqualTo(new Span(2_600, 4_600));
        assertThat(LineSlice.around(new Span(1_000, 2_000), PIECES, WHOLE)).isEqualTo(new Span(600, 2_500));
        assertThat(LineSlice.around(new Span(9_000, 9_500), PIECES, WHOLE)).isEqualTo(new Span(8_600, 10_000));
    }

    @Test
    void aBoundaryThatWasPutIntoSpeechIsWhereItWasPut() {
        assertThat(LineSlice.around(new Span(3_200, 3_800), PIECES, WHOLE)).isEqualTo(new Span(3_200, 3_800));
        // Between two pieces, half the way belongs to each.
        assertThat(LineSlice.around(new Span(3_000, 3_500), PIECES, WHOLE)).isEqualTo(new Span(2_600, 3_600));
    }

    @Test
    void aLineThatWasNotFoundIsGuessedBehindTheOneBeforeAndNeverBeyondTheOneAfter() {
        assertThat(LineSlice.guess(4_000, 9_000, 1_500)).isEqualTo(new Span(4_100, 5_600));
        assertThat(LineSlice.guess(4_000, 4_600, 1_500)).isEqualTo(new Span(4_100, 4_600));
        assertThat(LineSlice.guess(0, WHOLE, 2_000)).isEqualTo(new Span(0, 2_000));
        assertThat(LineSlice.guess(9_990, WHOLE, 2_000).durationMs()).isEqualTo(100);
    }
}
