package prolalia.core.marking;

import java.util.HashSet;
import java.util.Set;
import prolalia.core.answer.AnswerContent;
import prolalia.core.answer.Question;
import prolalia.core.marking.QuestionWithLines.Choice;

/** Any number of choices: (right ones − wrong ones) ÷ all right ones. */
record SeveralChoices() implements QuestionKind {
    @Override
    public boolean hasKey(QuestionWithLines asked) {
        return asked.choices().stream().anyMatch(Choice::isRight);
    }

    @Override
    public double share(QuestionWithLines asked, AnswerContent given) {
        Set<String> chosen = new HashSet<>(given.chosen());
        long all = asked.choices().stream().filter(Choice::isRight).count();
        long right = asked.choices().stream()
                .filter(choice -> choice.isRight() && chosen.contains(choice.id()))
                .count();
        return (double) (right - (chosen.size() - right)) / all;
    }

    @Override
    public boolean isOnPicture(Question question, boolean choicesPlaced) {
        return choicesPlaced;
    }
}
