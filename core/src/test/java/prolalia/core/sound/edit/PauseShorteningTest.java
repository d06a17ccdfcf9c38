package prolalia.core.sound.edit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import prolalia.core.sound.Signals;
import prolalia.core.sound.Sound;
import prolalia.core.sound.Span;

/** Two words with a second of quiet between them, from 1.0 to 2.0 s. */
class PauseShorteningTest {
    private static final Sound SAID = Signals.sound(Signals.mix(
            Signals.concat(Signals.sine(220, -12, 1.0), Signals.silence(1.0), Signals.sine(220, -12, 1.0)),
            Signals.noise(-65, 3, 1)));

    private final List<Edit> edits = new ArrayList<>();

    @BeforeEach
    void none() {
        edits.clear();
    }

    private EditPlan plan() {
        return EditPlan.of(3000, new Span(0, 3000), edits);
    }

    private boolean shorten(long atMs) {
        Optional<Edit> edit = PauseShortening.of(SAID, plan(), edits, atMs);
        edit.ifPresent(edits::add);
        return edit.isPresent();
    }

    @Test
    void aPauseOfTheReadersIsHalvedEachTimeAndItsMiddleGoes() {
        assertThat(shorten(1_500)).isTrue();
        assertThat(plan().durationMs()).isBetween(2_450L, 2_550L);
        assertThat(shorten(1_500)).isTrue();
        assertThat(plan().durationMs()).isBetween(2_200L, 2_300L);
        // No word is touched: the cut stays within the quiet.
        assertThat(edits).allSatisfy(edit -> {
            Span gone = ((Edit.Cut) edit).gone();
            assertThat(gone.startMs()).isGreaterThan(1_000);
            assertThat(gone.endMs()).isLessThan(2_000);
        });
        while (shorten(1_500)) {
            assertThat(edits).hasSizeLessThan(8);
        }
        assertThat(plan().durationMs()).as("a breath is left").isGreaterThan(2_050);
    }

    @Test
    void aPauseThatWasPutInIsTakenBackFirst() {
        edits.add(new Edit.Pause(1_500, 600));
        shorten(1_500);
        assertThat(edits).last().isEqualTo(new Edit.Pause(1_500, 300));
        shorten(1_500);
        shorten(1_500);
        shorten(1_500);
        assertThat(edits).last().isEqualTo(new Edit.Pause(1_500, 0));
        assertThat(plan().durationMs()).isEqualTo(3_000);
        shorten(1_500);
        assertThat(edits).last().isInstanceOf(Edit.Cut.class);
    }

    @Test
    void whereSomebodySpeaksThereIsNoPause() {
        assertThat(shorten(500)).isFalse();
        assertThat(shorten(99_999)).isFalse();
    }
}
