package prolalia.formats.questions;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import prolalia.core.marking.QuestionKind;
import prolalia.core.script.ReadForm;

/** Questions from tables as people save them. */
class QuestionFileTest {
    private static String shown(ReadForm form) {
        return form.lines().stream()
                .map(line -> (line.traits().question() == null
                                ? line.kind()
                                : line.traits().question().kind() + " "
                                        + line.traits().question().points() + " "
                                        + QuestionKind.keyOf(line.traits().question()))
                        + (line.traits().mark().right() ? " RIGHT " : " ")
                        + (line.traits().mark().pair() > 0
                                ? line.traits().mark().pair() + " "
                                : "")
                        + line.words())
                .map(line -> line.replaceAll(" +", " "))
                .collect(Collectors.joining("\n"));
    }

    private static ReadForm read(String table, Charset charset) throws Exception {
        ReadForm form = QuestionFile.read(table.getBytes(charset), "form.csv");
        // As it comes back from the program that reads what somebody sent.
        assertThat(QuestionsProcess.read(QuestionsProcess.written(form))).isEqualTo(form);
        return form;
    }

    @Test
    void columnsAreKnownByTheirHeadingsAndAnswersByLettersNumbersOrWords() throws Exception {
        ReadForm form = read("""
                Question,Type,A,B,C,Correct answer,Points,Hint,Praise
                Which swims?,,cat,cod,dog,b,2,It has fins,Yes
                Which are wet?,,rain,sand,sea,"1, 3",,,
                Which is it?,,wet sand,dry sand,,dry sand,,,
                How far?,,,,,3.5 km,,,
                Who?,,,,,Ole / Mara,,,
                Say it.,spoken,,,,,,,
                What belongs together?,pairs,sun = warm,ice = cold,,,,,
                """, StandardCharsets.UTF_8);
        assertThat(form.findings()).isEmpty();
        assertThat(shown(form)).isEqualTo("""
                ONE_CHOICE 2 Which swims?
                CHOICE cat
                CHOICE RIGHT cod
                CHOICE dog
                HINT It has fins
                PRAISE Yes
                SEVERAL_CHOICES 1 Which are wet?
                CHOICE RIGHT rain
                CHOICE sand
                CHOICE RIGHT sea
                ONE_CHOICE 1 Which is it?
                CHOICE wet sand
                CHOICE RIGHT dry sand
                NUMBER 1 3.5 km How far?
                SHORT_WORDS 1 Ole / Mara Who?
                SPOKEN 1 Say it.
                PAIRS 1 What belongs together?
                CHOICE 1 sun
                CHOICE 1 warm
                CHOICE 2 ice
                CHOICE 2 cold""");
    }

    @Test
    void otherEncodingsAreReadAndWhatIsWrongIsSaidByRow() throws Exception {
        String german = "Frage;a;b;Antwort;Farbe\nSchön?;ja;nein;c;rot\n;x;y;a;\nWas?;eins;Eins!;a;\nWieviel?;;;;\n";
        for (Charset charset : new Charset[] {StandardCharsets.UTF_16, Charset.forName("windows-1252")}) {
            ReadForm form = read(german, charset);
            assertThat(form.lines().get(0).words()).isEqualTo("Schön?");
            assertThat(form.findings())
                    .extracting(finding -> finding.row() + " " + finding.kind() + " " + finding.detail())
                    .containsExactly(
                            "1 UNKNOWN_COLUMN Farbe", "2 RIGHT_NOT_THERE c", "3 NO_QUESTION ", "4 EQUAL_CHOICES Eins!");
        }
        assertThat(read("name,colour\na,b\n", StandardCharsets.UTF_8).findings())
                .extracting(ReadForm.RowFinding::kind)
                .contains(ReadForm.Kind.NO_QUESTION_COLUMN);
        assertThat(read("", StandardCharsets.UTF_8).lines()).isEmpty();
    }
}
