package prolalia.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import prolalia.core.intake.FoundSound.SaidLine;
import prolalia.core.intake.SoundsOfLines.Written;
import prolalia.core.place.Area;

/** A sound is of the line that the file says, or that it clearly stands by; otherwise somebody is asked. */
class SoundsOfLinesTest {
    private static final List<Written> LINES = List.of(
            written("What does the bean need?", 0.1, 0.05, 0.8, 0.1),
            written("water", 0.1, 0.3, 0.3, 0.06),
            written("a hat", 0.1, 0.4, 0.3, 0.06));

    private static Written written(String words, double x, double y, double w, double h) {
        return new Written(words, Optional.of(new Area(x, y, w, h)));
    }

    private static FoundSound at(double x, double y) {
        return new FoundSound(new Area(x - 0.02, y - 0.02, 0.04, 0.04), null);
    }

    private static FoundSound saying(String words, double x, double y) {
        return new FoundSound(new Area(x, y, 0.04, 0.07), new SaidLine(FoundKind.CHOICE, "b)", words));
    }

    private static List<OptionalInt> lines(Integer... lines) {
        return Arrays.stream(lines)
                .map(line -> line == null ? OptionalInt.empty() : OptionalInt.of(line))
                .toList();
    }

    @Test
    void whatTheFileSaysHoldsWhereverTheSoundStands() {
        assertThat(SoundsOfLines.pair(List.of(saying("A hat.", 0.9, 0.05), saying("water", 0.9, 0.15)), LINES))
                .isEqualTo(lines(2, 1));
    }

    @Test
    void aSoundBesideALineIsOfThatLineAndOneBetweenTwoIsAskedAbout() {
        assertThat(SoundsOfLines.pair(List.of(at(0.07, 0.43), at(0.07, 0.33), at(0.93, 0.1)), LINES))
                .isEqualTo(lines(2, 1, 0));
        assertThat(SoundsOfLines.pair(List.of(at(0.2, 0.38)), LINES))
                .as("between two")
                .isEqualTo(lines((Integer) null));
        assertThat(SoundsOfLines.pair(List.of(at(0.95, 0.95)), LINES))
                .as("in the corner of the slide")
                .isEqualTo(lines((Integer) null));
        assertThat(SoundsOfLines.pair(List.of(at(0.08, 0.33), at(0.08, 0.33)), LINES))
                .as("two at one line")
                .isEqualTo(lines(null, null));
    }

    @Test
    void aSoundWhoseWordsStandNowhereBringsItsLine() {
        Proposal proposal = Proposal.of(List.of(), List.of(saying("The bean sleeps.", 0.1, 0.1), at(0.5, 0.5)));
        assertThat(proposal.wanted()).hasSize(1);
        assertThat(proposal.wanted().get(0).text()).isEqualTo("The bean sleeps.");
        assertThat(proposal.wanted().get(0).label()).isEqualTo("b)");
        assertThat(proposal.sounds()).containsExactly(proposal.lines().get(0).id(), null);
        Proposal told = proposal.say(1, proposal.lines().get(0).id()).orElseThrow();
        assertThat(told.sounds()).containsExactly(null, proposal.lines().get(0).id());
    }
}
