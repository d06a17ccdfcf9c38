package prolalia.app.lines;

import prolalia.core.answer.AnswerManner;
import prolalia.core.answer.Question;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** How questions, and the manner in which they are asked, are kept in a column. */
public final class QuestionColumns {
    private static final JsonMapper JSON = JsonMapper.builder()
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .build();

    private QuestionColumns() {}

    static String written(Question question) {
        return question == null ? null : JSON.writeValueAsString(question);
    }

    static Question question(String written) {
        return read(written, Question.class);
    }

    public static String written(AnswerManner manner) {
        return AnswerManner.USUAL.equals(manner) ? null : JSON.writeValueAsString(manner);
    }

    public static AnswerManner manner(String written) {
        AnswerManner manner = read(written, AnswerManner.class);
        return manner == null ? AnswerManner.USUAL : manner;
    }

    private static <T> T read(String written, Class<T> type) {
        try {
            return written == null ? null : JSON.readValue(written, type);
        } catch (JacksonException otherwise) {
            // What can't be understood any more is a line like every other; a lesson opens all the same.
            return null;
        }
    }
}
