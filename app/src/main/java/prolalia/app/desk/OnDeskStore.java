package prolalia.app.desk;

import static prolalia.app.platform.db.Tables.ASSIGNMENT;
import static prolalia.app.platform.db.Tables.DESK_FOLDER;
import static prolalia.app.platform.db.Tables.LESSON;
import static prolalia.app.platform.db.Tables.LINK;
import static prolalia.app.platform.db.Tables.ON_DESK;
import static prolalia.app.platform.db.Tables.TEACHER;

import java.util.List;
import java.util.Map;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.access.LessonRef;

/** How lessons lie on somebody's desk: in which folder of hers, and when she opened them last. */
@Repository
class OnDeskStore {
    private final DSLContext writing;
    private final DSLContext looking;

    OnDeskStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    /** @param folderId null: in none */
    public record Place(long openedAt, String folderId) {}

    public record Folder(String id, String name) {}

    Map<String, Place> places(String teacherId) {
        return looking.selectFrom(ON_DESK)
                .where(ON_DESK.TEACHER_ID.eq(teacherId))
                .fetchMap(ON_DESK.LESSON_ID, row -> new Place(row.getOpenedAt(), row.getFolderId()));
    }

    List<Folder> folders(String teacherId) {
        return looking.selectFrom(DESK_FOLDER)
                .where(DESK_FOLDER.TEACHER_ID.eq(teacherId))
                .orderBy(DESK_FOLDER.NAME)
                .fetch(row -> new Folder(row.getId(), row.getName()));
    }

    boolean isLed(String teacherId) {
        return looking.fetchExists(TEACHER, TEACHER.ID.eq(teacherId), TEACHER.FIRST_STEPS.isTrue());
    }

    void isLedNoMore(String teacherId) {
        writing.update(TEACHER)
                .set(TEACHER.FIRST_STEPS, false)
                .where(TEACHER.ID.eq(teacherId))
                .execute();
    }

    /** Whether somebody else can hear something of hers: by a link or a code, or in a class. */
    boolean gaveSomething(String teacherId) {
        return looking.fetchExists(ASSIGNMENT, ASSIGNMENT.TEACHER_ID.eq(teacherId))
                || looking.fetchExists(looking.select(LINK.TOKEN)
                        .from(LINK)
                        .join(LESSON)
                        .on(LESSON.ID.eq(LINK.LESSON_ID))
                        .where(LESSON.TEACHER_ID.eq(teacherId)));
    }

    /** @param folderId null: into none */
    void put(String teacherId, LessonRef lesson, String folderId) {
        writing.insertInto(ON_DESK)
                .set(ON_DESK.TEACHER_ID, teacherId)
                .set(ON_DESK.LESSON_ID, lesson.id())
                .set(ON_DESK.FOLDER_ID, folderId)
                .onConflict(ON_DESK.TEACHER_ID, ON_DESK.LESSON_ID)
                .doUpdate()
                .set(ON_DESK.FOLDER_ID, folderId)
                .execute();
    }

    void addFolder(String id, String teacherId, String name) {
        writing.insertInto(DESK_FOLDER)
                .set(DESK_FOLDER.ID, id)
                .set(DESK_FOLDER.TEACHER_ID, teacherId)
                .set(DESK_FOLDER.NAME, name)
                .execute();
    }

    /** What lay in it lies in none. */
    void removeFolder(String id) {
        writing.update(ON_DESK)
                .setNull(ON_DESK.FOLDER_ID)
                .where(ON_DESK.FOLDER_ID.eq(id))
                .execute();
        writing.deleteFrom(DESK_FOLDER).where(DESK_FOLDER.ID.eq(id)).execute();
    }
}
