package prolalia.app.listening;

import java.util.List;
import prolalia.core.remark.RemarkPlace;
import prolalia.core.remark.Stamp;
import prolalia.core.sound.AnswerCheck;

/**
 * Something that was said back to an answer, or to what was said back.
 *
 * @param studentId whose answer it is
 * @param by the name of the teacher who made it; null: the child did
 * @param words typed, or those of a standing line; empty: it is heard alone
 * @param stamp null: none
 * @param lineId the line of its class that says it, once that is read; null: it is none
 * @param soundHash null: it is read alone, or not voiced as yet
 * @param checks what makes it hard to hear
 * @param givenAt when the child could hear it; null: not yet
 * @param metAt when the other side heard or read it; null: not yet
 */
public record Remark(
        String id,
        String answerId,
        String questionId,
        String studentId,
        String teacherId,
        String by,
        String words,
        Stamp stamp,
        String lineId,
        String soundHash,
        Long durationMs,
        List<AnswerCheck> checks,
        RemarkPlace place,
        long madeAt,
        Long givenAt,
        Long metAt) {
    public boolean isByChild() {
        return teacherId == null;
    }

    public boolean isGiven() {
        return givenAt != null;
    }

    public boolean isHeard() {
        return soundHash != null;
    }

    /** Whether a child who can't read learns nothing of it as yet. */
    public boolean isToBeRead() {
        return lineId != null && soundHash == null;
    }

    public boolean isNew() {
        return isGiven() && metAt == null;
    }
}
