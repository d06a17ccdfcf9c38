package prolalia.core.marking;

import java.util.Optional;
import prolalia.core.answer.AnswerContent;
import prolalia.core.answer.KeyText;
import prolalia.core.answer.Question;

/** A number: {@link prolalia.core.answer.NumberKey#accepts}. */
record TypedNumber() implements QuestionKind {
    @Override
    public boolean hasKey(QuestionWithLines asked) {
        return asked.question().number() != null;
    }

    @Override
    public double share(QuestionWithLines asked, AnswerContent given) {
        return asked.question().number().accepts(given.typed()) ? 1 : 0;
    }

    @Override
    public boolean hasTypedKey() {
        return true;
    }

    @Override
    public String key(Question question) {
        return question.number() == null ? "" : KeyText.written(question.number());
    }

    @Override
    public Optional<Question> withKey(Question question, String typed) {
        return typed.isBlank()
                ? Optional.of(question.withNumber(null))
                : KeyText.number(typed).map(question::withNumber);
    }
}
