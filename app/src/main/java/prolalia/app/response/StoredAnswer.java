package prolalia.app.response;

import java.util.List;
import java.util.Map;
import prolalia.core.answer.AnswerContent;
import prolalia.core.marking.Mark.Outcome;

/**
 * What was answered to one question, once.
 *
 * @param number counts up from 1 with each answer to the question; the highest holds. Below 1: it came after all was closed, and
 *     never holds
 * @param revision of the lesson that was met
 * @param triedAt when it was heard whether it is right; null: it wasn't
 * @param points by the key of when it was last marked
 * @param came null: in time, and before anything was told
 * @param overruled what a teacher says of it; null: nothing
 */
public record StoredAnswer(
        String id,
        String responseId,
        String questionId,
        int number,
        AnswerContent given,
        Words asked,
        long revision,
        long at,
        Long triedAt,
        double points,
        Outcome outcome,
        Came came,
        Overruled overruled) {
    /** How an answer came that isn't like the others. */
    public enum Came {
        /** After the lesson was over. */
        AFTER_END,
        /** After it was told what is right. */
        AFTER_TOLD,
        /** After all was handed in, and nothing was told. */
        AFTER_HANDED_IN,
        /** After all was handed in, and that closed it: it is kept, and doesn't count. */
        AFTER_CLOSED
    }

    /** Whether it counts when none is newer. */
    boolean counts() {
        return came != Came.AFTER_CLOSED;
    }

    /**
     * The words that were asked.
     *
     * @param choices by their ids
     */
    public record Words(String question, Map<String, String> choices) {}

    /** What of it is words. */
    public List<String> words() {
        return given.words(asked.choices());
    }

    /** @param by who says it @param at when */
    public record Overruled(double points, String reason, String by, long at) {}
}
