package prolalia.core.script;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import prolalia.core.marking.QuestionKind;

/** A pasted list becomes questions where it tells what is right. */
class PastedQuestionsTest {
    private static String read(String pasted) {
        return read(pasted, List.of());
    }

    private static String read(String pasted, List<PastedChange> changes) {
        return PastedQuestions.read(pasted, changes).stream()
                .map(line -> (line.traits().question() == null
                                ? line.kind()
                                : line.traits().question().kind() + " "
                                        + QuestionKind.keyOf(line.traits().question()))
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

    @Test
    void whatIsChangedWhereTheLinesAreLookedOverMeetsItsLineAgain() {
        String pasted = "The sea\nIt is wide. It is deep.\n1. Which swims?\na) cat\nb) cod\nc) cod\nAnswers: 1 a";
        List<PastedChange> changes = new ArrayList<>();
        BiConsumer<Integer, String> change = (line, deed) -> {
            String name =
                    PastedChange.names(PastedQuestions.read(pasted, changes)).get(line);
            changes.addAll(PastedChange.read(deed.replace("@", name)));
        };
        change.accept(1, "CUT @ 3");
        change.accept(2, "JOIN @");
        change.accept(1, "CUT @ 3");
        change.accept(0, "KIND @ DIRECTION");
        change.accept(4, "RIGHT @");
        // Of two with the same words the one that was meant.
        change.accept(6, "RIGHT @");
        String changed = """
                DIRECTION The sea
                PASSAGE It is wide.
                PASSAGE It is deep.
                ONE_CHOICE Which swims?
                CHOICE cat
                CHOICE cod
                CHOICE RIGHT cod""";
        assertThat(read(pasted, changes)).isEqualTo(changed);
        assertThat(read("New.\n\n" + pasted, changes))
                .as("a line before them is new")
                .isEqualTo("PASSAGE New.\n" + changed);
        change.accept(3, "ANSWERED @");
        assertThat(read(pasted, changes)).contains("\nQUESTION Which swims?");
        change.accept(3, "ANSWERED @ SPOKEN");
        assertThat(read(pasted, changes)).contains("\nSPOKEN Which swims?");
        List<PastedChange> hostile =
                PastedChange.read("CUT\nCUT x 1\nKIND 0-1 NONE\nCUT 0-1 -4\nJOIN 0-1\nCUT 0-1 99999999999\n<script>");
        assertThat(read("a b\n", hostile)).isEqualTo("PASSAGE a b");
        assertThat(PastedQuestions.read("", hostile)).isEmpty();
    }
}
