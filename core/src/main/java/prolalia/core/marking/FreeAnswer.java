package prolalia.core.marking;

import prolalia.core.answer.AnswerContent;

/**
 * What somebody hears, reads or looks at: no rule tells what it is worth.
 *
 * @param isForPaper whether a printed paper can be answered in this way
 */
record FreeAnswer(boolean isForPaper) implements QuestionKind {
    @Override
    public boolean hasKey(QuestionWithLines asked) {
        return false;
    }

    @Override
    public double share(QuestionWithLines asked, AnswerContent given) {
        return 0;
    }
}
