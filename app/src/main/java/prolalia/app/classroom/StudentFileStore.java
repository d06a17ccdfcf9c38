package prolalia.app.classroom;

import static prolalia.app.platform.db.Tables.ACCOMMODATION;
import static prolalia.app.platform.db.Tables.ASSIGNMENT;
import static prolalia.app.platform.db.Tables.ASSIGNMENT_TO;
import static prolalia.app.platform.db.Tables.CLASS_STUDENT;
import static prolalia.app.platform.db.Tables.GROUP_STUDENT;
import static prolalia.app.platform.db.Tables.HEARD_LINE;
import static prolalia.app.platform.db.Tables.LESSON;
import static prolalia.app.platform.db.Tables.LINE;
import static prolalia.app.platform.db.Tables.SCHOOL_CLASS;
import static prolalia.app.platform.db.Tables.SCRIPT_CHANGE;
import static prolalia.app.platform.db.Tables.STUDENT;
import static prolalia.app.platform.db.Tables.STUDENT_SIGN_IN;
import static prolalia.app.platform.db.Tables.VISIT;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.Collection;
import java.util.List;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;

/** All rows that are about one student. */
@Repository
class StudentFileStore {
    private final DSLContext writing;
    private final DSLContext looking;

    StudentFileStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    /** A line that she heard. */
    record Heard(String lesson, String words, int times, LocalDateTime last) {}

    /** A lesson that she opened. */
    record Opened(String lesson, LocalDateTime first, LocalDateTime last) {}

    List<Heard> heard(String studentId) {
        return looking.select(LESSON.TITLE, LINE.WORDS, HEARD_LINE.TIMES, HEARD_LINE.LAST_AT)
                .from(HEARD_LINE)
                .join(ASSIGNMENT)
                .on(ASSIGNMENT.ID.eq(HEARD_LINE.ASSIGNMENT_ID))
                .join(LESSON)
                .on(LESSON.ID.eq(ASSIGNMENT.LESSON_ID))
                .join(LINE)
                .on(LINE.ID.eq(HEARD_LINE.LINE_ID))
                .where(HEARD_LINE.STUDENT_ID.eq(studentId))
                .orderBy(HEARD_LINE.LAST_AT)
                .fetch(row -> new Heard(
                        row.get(LESSON.TITLE),
                        row.get(LINE.WORDS),
                        row.get(HEARD_LINE.TIMES),
                        time(row.get(HEARD_LINE.LAST_AT))));
    }

    List<Opened> opened(String studentId) {
        return looking.select(LESSON.TITLE, VISIT.OPENED_AT, VISIT.LAST_AT)
                .from(VISIT)
                .join(ASSIGNMENT)
                .on(ASSIGNMENT.ID.eq(VISIT.ASSIGNMENT_ID))
                .join(LESSON)
                .on(LESSON.ID.eq(ASSIGNMENT.LESSON_ID))
                .where(VISIT.STUDENT_ID.eq(studentId))
                .orderBy(VISIT.OPENED_AT)
                .fetch(row -> new Opened(
                        row.get(LESSON.TITLE), time(row.get(VISIT.OPENED_AT)), time(row.get(VISIT.LAST_AT))));
    }

    private static LocalDateTime time(long at) {
        return LocalDateTime.ofInstant(Instant.ofEpochMilli(at), ZoneId.systemDefault());
    }

    /** Those of some students that are here. */
    List<String> present(Collection<String> studentIds) {
        return looking.select(STUDENT.ID)
                .from(STUDENT)
                .where(STUDENT.ID.in(studentIds))
                .fetch(STUDENT.ID);
    }

    /** Deletes all of her but the lines that say her name; answers those. */
    List<String> delete(String studentId) {
        List<String> nameLines = writing.select(CLASS_STUDENT.NAME_LINE_ID)
                .from(CLASS_STUDENT)
                .where(CLASS_STUDENT.STUDENT_ID.eq(studentId))
                .fetch(CLASS_STUDENT.NAME_LINE_ID);
        // What can be undone in the lessons of her classes holds her name.
        writing.deleteFrom(SCRIPT_CHANGE)
                .where(SCRIPT_CHANGE.LESSON_ID.in(writing.select(SCHOOL_CLASS.LESSON_ID)
                        .from(SCHOOL_CLASS)
                        .join(CLASS_STUDENT)
                        .on(CLASS_STUDENT.CLASS_ID.eq(SCHOOL_CLASS.ID))
                        .where(CLASS_STUDENT.STUDENT_ID.eq(studentId))))
                .execute();
        writing.deleteFrom(HEARD_LINE)
                .where(HEARD_LINE.STUDENT_ID.eq(studentId))
                .execute();
        writing.deleteFrom(VISIT).where(VISIT.STUDENT_ID.eq(studentId)).execute();
        writing.deleteFrom(ASSIGNMENT_TO)
                .where(ASSIGNMENT_TO.STUDENT_ID.eq(studentId))
                .execute();
        writing.deleteFrom(GROUP_STUDENT)
                .where(GROUP_STUDENT.STUDENT_ID.eq(studentId))
                .execute();
        writing.deleteFrom(STUDENT_SIGN_IN)
                .where(STUDENT_SIGN_IN.STUDENT_ID.eq(studentId))
                .execute();
        writing.deleteFrom(ACCOMMODATION)
                .where(ACCOMMODATION.STUDENT_ID.eq(studentId))
                .execute();
        writing.deleteFrom(CLASS_STUDENT)
                .where(CLASS_STUDENT.STUDENT_ID.eq(studentId))
                .execute();
        writing.deleteFrom(STUDENT).where(STUDENT.ID.eq(studentId)).execute();
        return nameLines;
    }
}
