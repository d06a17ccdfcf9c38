package prolalia.core.marking;

import java.util.List;
import java.util.Optional;
import prolalia.core.answer.AnswerContent;
import prolalia.core.answer.AnswerKind;
import prolalia.core.answer.Question;
import prolalia.core.place.Area;

/**
 * What a kind of question does: whether it has a key and what an answer is worth by it, the key as a teacher types it, and how it
 * is asked on a page. Stateless.
 *
 * <p>A new {@link AnswerKind} doesn't compile until {@link #of} answers for it.
 */
public sealed interface QuestionKind
        permits OneChoice,
                SeveralChoices,
                ShortWords,
                TypedNumber,
                OrderOfChoices,
                PairsOfChoices,
                PressedAreas,
                FreeAnswer {
    static QuestionKind of(AnswerKind kind) {
        return switch (kind) {
            case ONE_CHOICE -> new OneChoice();
            case SEVERAL_CHOICES -> new SeveralChoices();
            case SHORT_WORDS -> new ShortWords();
            case NUMBER -> new TypedNumber();
            case ORDER -> new OrderOfChoices();
            case PAIRS -> new PairsOfChoices();
            case AREAS -> new PressedAreas();
            case LONG_TEXT -> new FreeAnswer(true);
            case SPOKEN, DRAWING -> new FreeAnswer(false);
            case PICTURE -> new FreeAnswer(true);
        };
    }

    static QuestionKind of(Question question) {
        return of(question.kind());
    }

    /** What is right of a question, as it would be typed; empty: nothing, or it isn't typed. */
    static String keyOf(Question question) {
        return of(question).key(question);
    }

    /** Whether it is told what is right, so that a rule can mark it. */
    boolean hasKey(QuestionWithLines asked);

    /**
     * What an answer that is something is worth, of a question that has a key.
     *
     * @return a share of its points, 1 at most; what is below 0 counts as 0
     */
    double share(QuestionWithLines asked, AnswerContent given);

    /** Whether its key is typed into one field. */
    default boolean hasTypedKey() {
        return false;
    }

    /** What is right, as it would be typed; empty: nothing, or it isn't typed. */
    default String key(Question question) {
        return "";
    }

    /** The question with what was typed as its key. @return empty when that can't be read */
    default Optional<Question> withKey(Question question, String typed) {
        return Optional.of(question);
    }

    /** Whether its choices are shown in another order than that of the script. */
    default boolean isShuffled() {
        return false;
    }

    /** Whether it is answered on the picture of its page. @param choicesPlaced whether all its choices have a place there */
    default boolean isOnPicture(Question question, boolean choicesPlaced) {
        return question.place() != null;
    }

    /** The question with the places that its page has for it. @param areas one at least */
    default Question placed(Question question, List<Area> areas) {
        return question.withPlace(areas.get(0));
    }

    /** Whether a printed paper can be answered in this way. */
    default boolean isForPaper() {
        return true;
    }

    /** Whether a choice should belong to another one, and doesn't. */
    default boolean hasSingle(QuestionWithLines asked) {
        return false;
    }
}
