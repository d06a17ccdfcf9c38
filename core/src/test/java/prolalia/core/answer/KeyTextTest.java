package prolalia.core.answer;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

/** What is right, as it is typed into one field. */
class KeyTextTest {
    @Test
    void numbersAreUnderstoodAndWrittenBack() {
        assertThat(KeyText.number("12 ± 0.5 cm").map(KeyText::written)).contains("12 ± 0.5 cm");
        assertThat(KeyText.number("3,5 kg!").map(KeyText::written)).contains("3.5 kg!");
        assertThat(KeyText.number("1,250").map(KeyText::written)).contains("1250");
        assertThat(KeyText.number("1/4").map(KeyText::written)).contains("0.25");
        assertThat(KeyText.number("a dozen")).isEmpty();
        assertThat(KeyText.number("3 ± some")).isEmpty();
    }

    @Test
    void spellingsAreBetweenStrokes() {
        assertThat(KeyText.accepted(" six / 6 ; half a dozen\n")).containsExactly("six", "6", "half a dozen");
        assertThat(KeyText.accepted("and/or")).containsExactly("and/or");
    }
}
