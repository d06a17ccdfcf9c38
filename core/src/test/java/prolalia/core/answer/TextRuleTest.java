package prolalia.core.answer;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** In what typed words may differ, and be right all the same. */
class TextRuleTest {
    private static final TextRule LAX = new TextRule(false, false, false, false);
    private static final TextRule EXACT = new TextRule(true, true, true, true);

    @ParameterizedTest
    @CsvSource({
        "Sea,sea",
        "sea.,sea",
        "'  sea   gull ',sea gull",
        "don’t,don't",
        "STRASSE,straße",
        "ｓｅａ,sea",
        "sea\u200b,sea",
        "ΟΔΟΣ,οδος",
        "é,e\u0301",
        "½,1⁄2"
    })
    void whatSoundsTheSameIsTheSame(String typed, String key) {
        assertThat(TextRule.USUAL.areSame(typed, key)).isTrue();
    }

    @ParameterizedTest
    @CsvSource({"see,sea", "seagull,sea gull", "schon,schön", "the sea,sea", "6,six", "'',sea"})
    void whatIsSpelledOtherwiseIsNot(String typed, String key) {
        assertThat(TextRule.USUAL.areSame(typed, key)).isFalse();
    }

    @Test
    void aTeacherMayBeStricterOrLessSo() {
        assertThat(LAX.areSame("Schon!", "schön")).isTrue();
        assertThat(LAX.areSame("sea-gull", "seagull")).isTrue();
        assertThat(EXACT.areSame("sea", "Sea")).isFalse();
        assertThat(EXACT.areSame("dont", "don't")).isFalse();
        assertThat(EXACT.areSame("don’t", "don't"))
                .as("which quotation mark it is never matters")
                .isTrue();
    }
}
