package prolalia.core.sound;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Speech fits words better or worse; only the order of the figures counts. */
class PhraseFitTest {
    /** Stretches of speech and the pauses between them, in ms, in turns. */
    private static List<Span> said(long... lengths) {
        List<Span> pieces = new ArrayList<>();
        long at = 0;
        for (int i = 0; i < lengths.length; i++) {
            if (i % 2 == 0) {
                pieces.add(new Span(at, at + lengths[i]));
            }
            at += lengths[i];
        }
        return pieces;
    }

    private static double unlike(String words, List<Span> pieces) {
        return PhraseFit.of(words).unlikeMs(pieces, 0, 60_000);
    }

    @Test
    void aPauseIsExpectedAtAMarkAndNowhereElse() {
        List<Span> parted = said(400, 500, 2_400);
        assertThat(unlike("Yes! The root comes first and drinks the water.", parted))
                .isZero();
        assertThat(unlike("The root comes first and it drinks the water.", parted))
                .isGreaterThan(200);
        assertThat(unlike("Yes! The root comes first and drinks the water.", said(2_800)))
                .as("the sentence that ends isn't heard")
                .isGreaterThan(200);
        assertThat(unlike("First the root, then the leaf", said(1_600)))
                .as("a comma may be read over")
                .isZero();
    }

    @Test
    void aListOfWhichOnePartIsMissingFitsWorseThanTheWholeOfIt() {
        String list = "Three, two, one, go!";
        assertThat(unlike(list, said(400, 250, 350, 250, 400, 250, 380)))
                .isLessThan(unlike(list, said(350, 250, 400, 250, 380)));
    }

    @Test
    void fewWordsThatLastVeryLongOrHardlyAtAllAreOthers() {
        assertThat(unlike("the root", said(500))).isZero();
        assertThat(unlike("the root", said(800))).as("somebody reads slowly").isZero();
        assertThat(unlike("the root", said(2_500))).isGreaterThan(300);
        assertThat(unlike("How many buns cost less than half a crown?", said(500)))
                .isGreaterThan(300);
    }

    @Test
    void ofWordsThatAreNotKnownOrNotSaidNothingIsTold() {
        assertThat(unlike("", said(400, 500, 2_400))).isZero();
        assertThat(unlike("☀️ …", said(400))).isZero();
        assertThat(PhraseFit.of("the root").unlikeMs(said(400), 1_000, 2_000))
                .as("silence")
                .isGreaterThan(500);
        assertThat(unlike("看，种子醒了。", said(300, 300, 1_200))).isZero();
    }
}
