package prolalia.core.marking;

import java.util.Optional;
import prolalia.core.answer.AnswerContent;
import prolalia.core.answer.KeyText;
import prolalia.core.answer.Question;

/** A word or two: one of the accepted spellings, by the question's {@link prolalia.core.answer.TextRule}. */
record ShortWords() implements QuestionKind {
    @Override
    public boolean hasKey(QuestionWithLines asked) {
        return !asked.question().accepted().isEmpty();
    }

    @Override
    public double share(QuestionWithLines asked, AnswerContent given) {
        Question question = asked.question();
        return question.accepted().stream().anyMatch(each -> question.text().areSame(each, given.typed())) ? 1 : 0;
    }

    @Override
    public boolean hasTypedKey() {
        return true;
    }

    @Override
    public String key(Question question) {
        return KeyText.written(question.accepted());
    }

    @Override
    public Optional<Question> withKey(Question question, String typed) {
        return Optional.of(question.withAccepted(KeyText.accepted(typed)));
    }
}
