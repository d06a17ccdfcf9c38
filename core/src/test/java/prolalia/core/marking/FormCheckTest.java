package prolalia.core.marking;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import prolalia.core.answer.AnswerKind;
import prolalia.core.answer.ChoiceMark;
import prolalia.core.answer.Question;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;
import prolalia.core.lesson.Take;
import prolalia.core.marking.FormCheck.Finding;

/** What a teacher is told of a question before she gives it out. */
class FormCheckTest {
    private static final ChoiceMark RIGHT = new ChoiceMark(true, 0);

    private final List<Line> lines = new ArrayList<>();

    private FormCheckTest asked(Question question) {
        return line(LineTraits.of(LineKind.QUESTION).withQuestion(question), "Which one swims?", true);
    }

    private FormCheckTest choice(String words, ChoiceMark mark) {
        return line(LineTraits.of(LineKind.CHOICE).withMark(mark), words, true);
    }

    private FormCheckTest line(LineTraits traits, String words, boolean voiced) {
        String id = "line" + lines.size();
        Optional<Take> kept = voiced ? Optional.of(new Take(id, words, 900, false)) : Optional.empty();
        lines.add(new Line(id, traits, words, kept));
        return this;
    }

    private FormCheckTest praised() {
        return line(LineTraits.of(LineKind.PRAISE), "Yes!", true);
    }

    private List<Finding> found() {
        return FormCheck.of(QuestionWithLines.on(lines).get(0), false);
    }

    @Test
    void aQuestionWithAllThatBelongsToItIsWell() {
        asked(Question.of(AnswerKind.ONE_CHOICE))
                .choice("the cod", RIGHT)
                .choice("the cat", ChoiceMark.NONE)
                .praised();
        assertThat(found()).isEmpty();
    }

    @Test
    void whatIsMissingIsFound() {
        asked(Question.of(AnswerKind.ONE_CHOICE).withPoints(0)).choice("the cod", ChoiceMark.NONE);
        assertThat(found())
                .containsExactlyInAnyOrder(
                        Finding.FEW_CHOICES, Finding.NO_RIGHT_ANSWER, Finding.NO_FEEDBACK, Finding.NO_POINTS);
    }

    @Test
    void choicesThatAreReadAlikeOrCanNotBeHeardAreFound() {
        asked(Question.of(AnswerKind.SEVERAL_CHOICES))
                .choice("The cod.", RIGHT)
                .choice("the  cod", ChoiceMark.NONE)
                .praised();
        assertThat(found()).containsExactly(Finding.EQUAL_CHOICES);
        lines.clear();
        asked(Question.of(AnswerKind.ONE_CHOICE))
                .choice("the cod", RIGHT)
                .line(LineTraits.of(LineKind.CHOICE), "the cat", false)
                .praised();
        assertThat(found()).containsExactly(Finding.SILENT_CHOICE);
    }

    @Test
    void aChoiceOfNoPairIsFoundAndOneThatLeadsAstrayIsNot() {
        asked(Question.of(AnswerKind.PAIRS))
                .choice("cod", new ChoiceMark(false, 1))
                .choice("sea", new ChoiceMark(false, 1))
                .choice("cat", new ChoiceMark(false, 2))
                .praised();
        assertThat(found()).containsExactly(Finding.SINGLE_IN_PAIRS);
        lines.remove(3);
        choice("somewhere else", ChoiceMark.NONE);
        assertThat(found()).isEmpty();
    }

    @Test
    void onPaperNobodyDrawsOrSpeaks() {
        asked(Question.of(AnswerKind.DRAWING));
        QuestionWithLines drawing = QuestionWithLines.on(lines).get(0);
        assertThat(FormCheck.of(drawing, true)).containsExactly(Finding.NOT_ON_PAPER);
        assertThat(FormCheck.of(drawing, false)).isEmpty();
        lines.clear();
        asked(Question.of(AnswerKind.DRAWING).withRequired(false));
        assertThat(FormCheck.of(QuestionWithLines.on(lines).get(0), true)).isEmpty();
    }
}
