package prolalia.core.marking;

import prolalia.core.answer.AnswerContent;
import prolalia.core.answer.Question;
import prolalia.core.marking.QuestionWithLines.Choice;

/** One choice of several: all or nothing. */
record OneChoice() implements QuestionKind {
    @Override
    public boolean hasKey(QuestionWithLines asked) {
        return asked.choices().stream().anyMatch(Choice::isRight);
    }

    @Override
    public double share(QuestionWithLines asked, AnswerContent given) {
        return given.chosen().size() == 1 && asked.isRight(given.chosen().get(0)) ? 1 : 0;
    }

    @Override
    public boolean isOnPicture(Question question, boolean choicesPlaced) {
        return choicesPlaced;
    }
}
