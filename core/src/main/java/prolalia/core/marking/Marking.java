package prolalia.core.marking;

import prolalia.core.answer.AnswerContent;
import prolalia.core.marking.Mark.Outcome;

/**
 * What an answer is worth, by the rule of its {@link QuestionKind}. Of a question without a right answer, and of free answers, no
 * rule tells: somebody looks at them. Stateless.
 */
public final class Marking {
    private Marking() {}

    public static Mark of(QuestionWithLines asked, AnswerContent given) {
        int most = asked.question().points();
        if (given.isNothing()) {
            return new Mark(0, most, Outcome.NONE);
        }
        if (!asked.hasKey()) {
            return new Mark(0, most, Outcome.OPEN);
        }
        return Mark.of(QuestionKind.of(asked.question()).share(asked, given), most);
    }
}
