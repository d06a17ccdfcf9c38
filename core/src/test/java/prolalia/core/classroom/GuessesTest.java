package prolalia.core.classroom;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

/** NIST SP 800-63B 3.2.2: a hundred wrong ones at most. */
class GuessesTest {
    @Test
    void theTenthIsNoticedAndTheHundredthShuts() {
        assertThat(new Guesses(9).isNoticed()).isFalse();
        assertThat(new Guesses(9).another().isNoticed()).isTrue();
        assertThat(new Guesses(99).isShut()).isFalse();
        assertThat(new Guesses(99).another().isShut()).isTrue();
        assertThat(new Guesses(100).another()).isEqualTo(new Guesses(100));
    }
}
