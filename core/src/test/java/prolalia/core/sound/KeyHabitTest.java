package prolalia.core.sound;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;

/** How a reader presses is learnt from a few plain keys, and forgotten when she presses otherwise. */
class KeyHabitTest {
    private static KeyHabit of(long... offsMs) {
        List<Long> offs = new ArrayList<>();
        for (long off : offsMs) {
            offs.add(off);
        }
        return new KeyHabit(offs);
    }

    @Test
    void aFewKeysAreNoHabit() {
        assertThat(KeyHabit.UNKNOWN.isKnown()).isFalse();
        assertThat(of(-200, -210, -190).isKnown()).isFalse();
        assertThat(of(-200, -210, -190).with(of(-205)).isKnown()).isTrue();
    }

    @Test
    void oneKeyFarOffChangesNothing() {
        KeyHabit late = of(180, 210, 190, 200, 220);
        assertThat(late.offMs()).isEqualTo(200);
        assertThat(late.with(of(-400)).offMs()).isBetween(180L, 220L);
        assertThat(late.spreadMs()).as("nobody is taken for a machine").isEqualTo(100);
    }

    @Test
    void whoPressesOtherwiseFromNowOnIsFollowed() {
        KeyHabit early = new KeyHabit(Collections.nCopies(40, -300L));
        KeyHabit later = early;
        for (int key = 0; key < 8; key++) {
            later = later.with(of(150));
        }
        assertThat(early.offsMs()).as("what is long ago is forgotten").hasSizeLessThan(20);
        assertThat(later.offMs()).isEqualTo(150);
    }

    @Test
    void anUnsteadyReaderHasAWideHabit() {
        assertThat(of(-400, 0, 400, -350, 380).spreadMs()).isGreaterThan(300);
    }
}
