package prolalia.app.response;

import prolalia.core.marking.Mark;
import prolalia.core.marking.QuestionWithLines;

/** What an answer is worth: what its teacher says of it, else what it was marked with. */
final class ResultMarks {
    private ResultMarks() {}

    static Mark of(QuestionWithLines asked, StoredAnswer answer) {
        Mark mark = new Mark(answer.points(), asked.question().points(), answer.outcome());
        return answer.overruled() == null
                ? mark
                : mark.overruled(answer.overruled().points());
    }
}
