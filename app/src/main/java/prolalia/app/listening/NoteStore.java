package prolalia.app.listening;

import static prolalia.app.platform.db.Tables.ANSWER;
import static prolalia.app.platform.db.Tables.ANSWER_NOTE;
import static prolalia.app.platform.db.Tables.RESPONSE;
import static prolalia.app.platform.db.Tables.TEACHER;

import java.util.List;
import java.util.Set;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;

/** What teachers mark at answers for themselves and each other: each her own. */
@Repository
class NoteStore {
    private final DSLContext writing;
    private final DSLContext looking;

    NoteStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    /** @param by whose it is, by her name */
    record Note(String teacherId, String by, boolean flagged, String note, long at) {}

    List<Note> of(String answerId) {
        return looking.select(ANSWER_NOTE.fields())
                .select(TEACHER.FULL_NAME)
                .from(ANSWER_NOTE)
                .join(TEACHER)
                .on(TEACHER.ID.eq(ANSWER_NOTE.TEACHER_ID))
                .where(ANSWER_NOTE.ANSWER_ID.eq(answerId))
                .orderBy(ANSWER_NOTE.AT)
                .fetch(row -> new Note(
                        row.get(ANSWER_NOTE.TEACHER_ID),
                        row.get(TEACHER.FULL_NAME),
                        row.get(ANSWER_NOTE.FLAGGED),
                        row.get(ANSWER_NOTE.NOTE),
                        row.get(ANSWER_NOTE.AT)));
    }

    /** The answers to an assignment that somebody flagged. */
    Set<String> flagged(String assignmentId) {
        return looking.select(ANSWER_NOTE.ANSWER_ID)
                .from(ANSWER_NOTE)
                .join(ANSWER)
                .on(ANSWER.ID.eq(ANSWER_NOTE.ANSWER_ID))
                .join(RESPONSE)
                .on(RESPONSE.ID.eq(ANSWER.RESPONSE_ID))
                .where(RESPONSE.ASSIGNMENT_ID.eq(assignmentId), ANSWER_NOTE.FLAGGED.isTrue())
                .fetchSet(ANSWER_NOTE.ANSWER_ID);
    }

    void put(String answerId, String teacherId, boolean flagged, String note, long now) {
        writing.insertInto(ANSWER_NOTE)
                .set(ANSWER_NOTE.ANSWER_ID, answerId)
                .set(ANSWER_NOTE.TEACHER_ID, teacherId)
                .set(ANSWER_NOTE.FLAGGED, flagged)
                .set(ANSWER_NOTE.NOTE, note)
                .set(ANSWER_NOTE.AT, now)
                .onConflict(ANSWER_NOTE.ANSWER_ID, ANSWER_NOTE.TEACHER_ID)
                .doUpdate()
                .set(ANSWER_NOTE.FLAGGED, flagged)
                .set(ANSWER_NOTE.NOTE, note)
                .set(ANSWER_NOTE.AT, now)
                .execute();
    }
}
