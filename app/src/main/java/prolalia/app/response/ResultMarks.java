package prolalia.app.response;

import prolalia.core.marking.Asked;
import prolalia.core.marking.Mark;
import prolalia.core.marking.Marking;

/** What an answer is worth: what its teacher says of it, else what the rule says. */
final class ResultMarks {
    private ResultMarks() {}

    static Mark of(Asked asked, StoredAnswer answer) {
        Mark mark = Marking.of(asked, answer.given());
        return answer.overruled() == null
                ? mark
                : mark.overruled(answer.overruled().points());
    }
}
