package prolalia.app.response;

import static org.jooq.impl.DSL.exists;
import static org.jooq.impl.DSL.select;
import static org.jooq.impl.DSL.selectOne;
import static org.jooq.impl.DSL.val;
import static prolalia.app.platform.db.Tables.ANSWER;
import static prolalia.app.platform.db.Tables.ASSIGNMENT;
import static prolalia.app.platform.db.Tables.MARKS_DUE;
import static prolalia.app.platform.db.Tables.RESPONSE;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.access.LessonRef;
import prolalia.core.marking.Mark;

/** What answers are worth, and which lessons' answers are to be marked again. */
@Repository
class MarkStore {
    private final DSLContext writing;
    private final DSLContext looking;

    MarkStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    /** The answers to a lesson are to be marked again, if there are any. */
    void due(LessonRef lesson) {
        writing.insertInto(MARKS_DUE, MARKS_DUE.LESSON_ID)
                .select(select(val(lesson.id()))
                        .where(exists(selectOne()
                                .from(ASSIGNMENT)
                                .join(RESPONSE)
                                .on(RESPONSE.ASSIGNMENT_ID.eq(ASSIGNMENT.ID))
                                .where(ASSIGNMENT.LESSON_ID.eq(lesson.id())))))
                .onConflict(MARKS_DUE.LESSON_ID)
                .doUpdate()
                .set(MARKS_DUE.ASKED, MARKS_DUE.ASKED.plus(1))
                .execute();
    }

    List<String> allDue() {
        return looking.select(MARKS_DUE.LESSON_ID).from(MARKS_DUE).fetch(MARKS_DUE.LESSON_ID);
    }

    /** How often it was asked for; empty: it isn't due. */
    Optional<Integer> asked(LessonRef lesson) {
        return looking.select(MARKS_DUE.ASKED)
                .from(MARKS_DUE)
                .where(MARKS_DUE.LESSON_ID.eq(lesson.id()))
                .fetchOptional(MARKS_DUE.ASKED);
    }

    /** It was done, unless it was asked for again meanwhile; answers whether it is due no more. */
    boolean isDone(LessonRef lesson, int asked) {
        return writing.deleteFrom(MARKS_DUE)
                        .where(MARKS_DUE.LESSON_ID.eq(lesson.id()), MARKS_DUE.ASKED.eq(asked))
                        .execute()
                == 1;
    }

    /** Writes down what answers to something that was given are worth by now. */
    void setMarks(String assignmentId, Map<String, Mark> byAnswer, long now) {
        byAnswer.forEach((answerId, mark) -> writing.update(ANSWER)
                .set(ANSWER.POINTS, mark.points())
                .set(ANSWER.OUTCOME, mark.outcome().name())
                .where(ANSWER.ID.eq(answerId))
                .execute());
        writing.update(ASSIGNMENT)
                .set(ASSIGNMENT.MARKED_AGAIN, byAnswer.size())
                .set(ASSIGNMENT.MARKED_AGAIN_AT, now)
                .where(ASSIGNMENT.ID.eq(assignmentId))
                .execute();
    }

    /** How many answers were worth something else when they were marked again last, if that was since then. */
    int markedAgainSince(String assignmentId, long since) {
        return looking.select(ASSIGNMENT.MARKED_AGAIN)
                .from(ASSIGNMENT)
                .where(ASSIGNMENT.ID.eq(assignmentId), ASSIGNMENT.MARKED_AGAIN_AT.ge(since))
                .fetchOptional(ASSIGNMENT.MARKED_AGAIN)
                .orElse(0);
    }
}
