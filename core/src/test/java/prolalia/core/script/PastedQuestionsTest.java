package prolalia.core.script;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import prolalia.core.answer.KeyText;

/** A pasted list becomes questions where it tells what is right. */
class PastedQuestionsTest {
    private static String read(String pasted) {
        return PastedQuestions.read(pasted).stream()
                .map(line -> (line.traits().question() == null
                                ? line.kind()
                                : line.traits().question().kind() + " "
                                        + KeyText.of(line.traits().question()))
                        + (line.traits().mark().right() ? " RIGHT " : " ")
                        + line.words())
                .map(line -> line.replace("  ", " "))
                .collect(Collectors.joining("\n"));
    }

    @Test
    void aStarBeforeOrAfterAChoiceMarksIt() {
        assertThat(read("""
                1. Which one
                   swims?
                   a) the cat
                  *b) the cod
                2) Which are wet?
                A. rain *   B. sand
                A. rain *
                B. sand
                * C. sea
                3. Tell about it.
                * a bullet
                """)).isEqualTo("""
                ONE_CHOICE Which one swims?
                CHOICE the cat
                CHOICE RIGHT the cod
                SEVERAL_CHOICES Which are wet?
                CHOICE rain *
                CHOICE sand
                CHOICE RIGHT rain
                CHOICE sand
                CHOICE RIGHT sea
                QUESTION Tell about it.
                CHOICE a bullet""");
    }

    @Test
    void choicesGoOnAsLongAsTheirLettersDoInAnyAlphabet() {
        StringBuilder many = new StringBuilder("1. Which letter?\n");
        for (char letter = 'a'; letter <= 'z'; letter++) {
            many.append(letter == 'k' ? "*" : "")
                    .append(letter)
                    .append(") the ")
                    .append(letter)
                    .append('\n');
        }
        assertThat(read(many.toString()))
                .contains("CHOICE RIGHT the k")
                .endsWith("CHOICE the z")
                .doesNotContain("l)");
        assertThat(read("1. كم عدد الأرجل؟\nأ) ستة\n*ب) ثمانية")).contains("CHOICE ستة\nCHOICE RIGHT ثمانية");
        assertThat(read("1. Сколько?\nа) пять\nб) шесть\nKey: 1. б")).endsWith("CHOICE RIGHT шесть");
        assertThat(read("1. Who says\nI. am here?\na) me\n*b) you")).startsWith("ONE_CHOICE Who says I. am here?");
    }

    @Test
    void aKeyAtTheEndTellsLettersWordsAndNumbers() {
        assertThat(read("""
                1. Which one swims?
                a) the cat
                b) the cod
                2. Which are wet?
                a) rain
                b) sand
                c) sea
                3. What falls from clouds?
                4. How far is it?

                Answer key
                1) b   2) a, c
                3. rain / rain drops
                4. 3,5 km
                """)).isEqualTo("""
                ONE_CHOICE Which one swims?
                CHOICE the cat
                CHOICE RIGHT the cod
                SEVERAL_CHOICES Which are wet?
                CHOICE RIGHT rain
                CHOICE sand
                CHOICE RIGHT sea
                SHORT_WORDS rain / rain drops What falls from clouds?
                NUMBER 3.5 km How far is it?""");
        assertThat(read("1. Swims?\na. cat\nb. cod\nAnswers: 1b"))
                .contains("RIGHT cod")
                .doesNotContain("Answers");
    }

    @Test
    void aQuestionWithChoicesIsAnsweredAlsoWhenNothingTellsWhichIsRight() {
        assertThat(read("Key: a word that begins a passage.\n1. Why?\na) so\nb) or so"))
                .isEqualTo("PASSAGE Key: a word that begins a passage.\nONE_CHOICE Why?\nCHOICE so\nCHOICE or so");
        assertThat(read("")).isEmpty();
    }
}
