package prolalia.core.script;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class PastedScriptTest {
    private static String read(String pasted) {
        return PastedScript.read(pasted).stream()
                .map(line -> line.kind() + " " + line.words())
                .collect(Collectors.joining("\n"));
    }

    @Test
    void numberedQuestionsWithLetteredChoices() {
        assertThat(read("""
                        1. Which part comes out of the seed
                           first?
                           a) the root
                           b) the leaf

                        2) What does it drink?
                        A. water   B. milk   C. sand
                        (3) Where does it sleep?
                        Q4: Is it awake?
                        - yes
                        - no
                        """)).isEqualTo("""
                        QUESTION Which part comes out of the seed first?
                        CHOICE the root
                        CHOICE the leaf
                        QUESTION What does it drink?
                        CHOICE water
                        CHOICE milk
                        CHOICE sand
                        QUESTION Where does it sleep?
                        QUESTION Is it awake?
                        CHOICE yes
                        CHOICE no""");
    }

    @Test
    void bulletsAreDirectionsAndParagraphsArePassages() {
        assertThat(read("""
                        • Look at the picture.
                        • Point to the seed.

                        A bean sleeps in the dry soil
                        until the rain comes.

                        Then it wakes up. 2 leaves come out.
                        Which came first?
                        a. the root
                        b. the leaf
                        """)).isEqualTo("""
                        DIRECTION Look at the picture.
                        DIRECTION Point to the seed.
                        PASSAGE A bean sleeps in the dry soil until the rain comes.
                        PASSAGE Then it wakes up. 2 leaves come out.
                        QUESTION Which came first?
                        CHOICE the root
                        CHOICE the leaf""");
    }

    @Test
    void titleDirectionsAndSentencesThatStandInRowsOfTheirOwnAreLinesOfTheirOwn() {
        assertThat(read("""
                        The Water Cycle
                        Directions: Read each question. Choose one answer.
                        Water goes up, comes down, and goes up again; most of
                        it is in the sea.
                        The sun warms it.
                        1. What falls from a cloud?
                        a) rain
                        b) sand
                        """)).isEqualTo("""
                        PASSAGE The Water Cycle
                        DIRECTION Directions: Read each question. Choose one answer.
                        PASSAGE Water goes up, comes down, and goes up again; most of it is in the sea.
                        PASSAGE The sun warms it.
                        QUESTION What falls from a cloud?
                        CHOICE rain
                        CHOICE sand""");
    }

    @Test
    void hostileTextIsReadWithoutLosingWords() {
        assertThat(PastedScript.read("  \n\n\t\n")).isEmpty();
        assertThat(read("A. Milne wrote it.")).isEqualTo("PASSAGE A. Milne wrote it.");
        assertThat(read("3.5 litres of water")).isEqualTo("PASSAGE 3.5 litres of water");
        assertThat(read("1. 种子醒了吗？\r\na) 是\r\nb) 不是")).isEqualTo("QUESTION 种子醒了吗？\nCHOICE 是\nCHOICE 不是");
        assertThat(read("🌱🌱")).isEqualTo("PASSAGE 🌱🌱");
        String many = "1. Why?\n".repeat(10_000);
        assertThat(PastedScript.read(many)).hasSize(10_000);
        assertThat(PastedScript.read("word ".repeat(5_000)).get(0).words()).hasSize(5 * 5_000 - 1);
    }
}
