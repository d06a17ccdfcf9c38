package prolalia.app.lesson;

import static prolalia.app.platform.db.Tables.ON_DESK;

import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import prolalia.app.access.LessonRef;

/** When somebody opened a lesson last. */
@Repository
class OpenedStore {
    private final DSLContext writing;

    OpenedStore(DSLContext writing) {
        this.writing = writing;
    }

    void add(String teacherId, LessonRef lesson, long now) {
        writing.insertInto(ON_DESK)
                .set(ON_DESK.TEACHER_ID, teacherId)
                .set(ON_DESK.LESSON_ID, lesson.id())
                .set(ON_DESK.OPENED_AT, now)
                .onConflict(ON_DESK.TEACHER_ID, ON_DESK.LESSON_ID)
                .doUpdate()
                .set(ON_DESK.OPENED_AT, now)
                .execute();
    }
}
