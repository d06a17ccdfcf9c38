package prolalia.core.align;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** About how long a word takes: what must come out longer than what, and what isn't heard at all. */
class WordSoundsTest {
    private static double ms(String word) {
        return WordSounds.of(word).ms();
    }

    @ParameterizedTest
    @CsvSource({
        "bit, bite",
        "bet, beat",
        "cat, caterpillar",
        "hop, hope",
        "at, ash",
        "a, apple",
        "sun, sunflower",
    })
    void whatIsLongerToSayIsLonger(String shorter, String longer) {
        assertThat(ms(shorter)).isLessThan(ms(longer));
    }

    @ParameterizedTest
    @CsvSource({"light, LIGHT", "beans, beans.", "beans, 'beans,'"})
    void capitalsAndSignsAreNotHeard(String one, String other) {
        assertThat(ms(one)).isEqualTo(ms(other));
    }

    @Test
    void twoLettersForOneSoundCountOnce() {
        assertThat(ms("ship")).isEqualTo(ms("sip"));
        assertThat(ms("back")).isEqualTo(ms("bak"));
        assertThat(ms("egg")).isEqualTo(ms("eg"));
    }

    @Test
    void littleWordsMayBeStressedAndVaryMore() {
        assertThat(WordSounds.of("the").spread())
                .isGreaterThan(WordSounds.of("tree").spread());
        assertThat(WordSounds.of("And").spread()).isEqualTo(WordSounds.of("and").spread());
        assertThat(ms("a")).isGreaterThanOrEqualTo(60);
    }

    @Test
    void numbersAndOtherWritingsGoBySyllables() {
        assertThat(ms("7")).isGreaterThan(100);
        assertThat(WordSounds.of("семена").syllables()).isGreaterThanOrEqualTo(1);
        assertThat(ms("семена")).isGreaterThanOrEqualTo(210);
        assertThat(WordSounds.of("–").syllables()).isEqualTo(1);
    }
}
