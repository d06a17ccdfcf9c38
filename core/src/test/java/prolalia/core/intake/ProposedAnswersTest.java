package prolalia.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import prolalia.core.answer.AnswerKind;
import prolalia.core.intake.ProposedAnswers.Answer;
import prolalia.core.place.Area;

class ProposedAnswersTest {
    private static final Area LARGE = new Area(0.1, 0.16, 0.8, 0.2);
    private static final Area SMALL = new Area(0.5, 0.39, 0.2, 0.04);
    private static final Area FLAT = new Area(0.1, 0.55, 0.8, 0.09);

    private final Proposal proposal = Proposal.of(List.of(
            new FoundLine(FoundKind.DIRECTION, "Draw what lives in the pool.", new Area(0.1, 0.1, 0.5, 0.03)),
            new FoundLine(FoundKind.QUESTION, "1. How many legs has a crab?", new Area(0.1, 0.4, 0.3, 0.03)),
            new FoundLine(FoundKind.QUESTION, "2. Which one would you be, and why?", new Area(0.1, 0.5, 0.5, 0.03)),
            new FoundLine(FoundKind.QUESTION, "3. Choose.", new Area(0.1, 0.66, 0.2, 0.03)),
            new FoundLine(FoundKind.CHOICE, "a) crab", new Area(0.1, 0.7, 0.2, 0.03)),
            new FoundLine(FoundKind.CHOICE, "b) shrimp", new Area(0.1, 0.74, 0.2, 0.03)),
            new FoundLine(FoundKind.LABEL, "Keep the pool clean.", new Area(0.15, 0.85, 0.3, 0.03))));

    private final Map<String, Answer> answers =
            ProposedAnswers.of(proposal.lines(), List.of(LARGE, SMALL, FLAT, new Area(0.1, 0.83, 0.6, 0.08)));

    @Test
    void emptyBoxesAreAnsweredInByTheLineTheyBelongTo() {
        assertThat(answers.get("f1").question().kind()).isEqualTo(AnswerKind.DRAWING);
        assertThat(answers.get("f1").places()).containsExactly(LARGE);
        assertThat(answers.get("f2").question().kind()).as("beside it").isEqualTo(AnswerKind.SHORT_WORDS);
        assertThat(answers.get("f2").places()).containsExactly(SMALL);
        assertThat(answers.get("f3").question().kind()).isEqualTo(AnswerKind.LONG_TEXT);
        assertThat(answers.get("f3").places()).containsExactly(FLAT);
    }

    @Test
    void choicesGoBeforeBoxesAndABoxWithWordsIsNone() {
        assertThat(answers.get("f4").question().kind()).isEqualTo(AnswerKind.ONE_CHOICE);
        assertThat(answers).hasSize(4);
    }

    @Test
    void inATableEachLabelIsAnsweredInTheCellBesideIt() {
        Proposal table = Proposal.of(List.of(
                new FoundLine(FoundKind.QUESTION, "1. Fill the table.", new Area(0.1, 0.1, 0.2, 0.02)),
                new FoundLine(FoundKind.LABEL, "crab", new Area(0.12, 0.15, 0.05, 0.02)),
                new FoundLine(FoundKind.LABEL, "shrimp", new Area(0.12, 0.2, 0.07, 0.02)),
                new FoundLine(FoundKind.LABEL, "Keep it clean.", new Area(0.12, 0.4, 0.2, 0.02))));
        Area first = new Area(0.4, 0.14, 0.3, 0.04);
        Area second = new Area(0.4, 0.19, 0.3, 0.04);
        Map<String, Answer> filled = ProposedAnswers.of(table.lines(), List.of(first, second));
        assertThat(filled).containsOnlyKeys("f2", "f3");
        assertThat(filled.get("f2").places()).containsExactly(first);
        assertThat(filled.get("f3").question().kind()).isEqualTo(AnswerKind.SHORT_WORDS);
    }
}
