package prolalia.app.classroom;

import static org.jooq.impl.DSL.coalesce;
import static org.jooq.impl.DSL.count;
import static org.jooq.impl.DSL.max;
import static org.jooq.impl.DSL.noCondition;
import static org.jooq.impl.DSL.select;
import static prolalia.app.platform.db.Tables.ACCOMMODATION_HERE;
import static prolalia.app.platform.db.Tables.ASSIGNMENT;
import static prolalia.app.platform.db.Tables.CLASS_STUDENT;
import static prolalia.app.platform.db.Tables.CLASS_TEACHER;
import static prolalia.app.platform.db.Tables.LESSON;
import static prolalia.app.platform.db.Tables.SCHOOL_CLASS;
import static prolalia.app.platform.db.Tables.STUDENT;
import static prolalia.app.platform.db.Tables.TEACHER;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.account.Role;
import prolalia.app.platform.NotFoundException;
import prolalia.core.classroom.Animal;

/** Classes, and the teachers and aides of each. */
@Repository
class ClassStore {
    private final DSLContext writing;
    private final DSLContext looking;

    ClassStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    /** A teacher or an aide of a class. @param endsAt until when she stands in; null: she doesn't */
    record ClassTeacher(String id, String fullName, Role role, Long endsAt) {}

    /** The class, if somebody may see it: its teachers and aides do, and admins. */
    SchoolClass require(Teacher teacher, String classId) {
        return looking.selectFrom(SCHOOL_CLASS)
                .where(SCHOOL_CLASS.ID.eq(classId), SCHOOL_CLASS.REMOVED_AT.isNull(), may(teacher))
                .fetchOptional(ClassStore::schoolClass)
                .orElseThrow(() -> new NotFoundException("class"));
    }

    private static Condition may(Teacher teacher) {
        return teacher.role() == Role.ADMIN ? noCondition() : isOf(teacher.id());
    }

    private static Condition isOf(String teacherId) {
        return SCHOOL_CLASS.ID.in(
                select(CLASS_TEACHER.CLASS_ID).from(CLASS_TEACHER).where(CLASS_TEACHER.TEACHER_ID.eq(teacherId)));
    }

    Optional<SchoolClass> find(String classId) {
        return looking.selectFrom(SCHOOL_CLASS)
                .where(SCHOOL_CLASS.ID.eq(classId), SCHOOL_CLASS.REMOVED_AT.isNull())
                .fetchOptional(ClassStore::schoolClass);
    }

    /** The classes that somebody sees: her own first, and those of this school year before those of others. */
    List<SchoolClass> of(Teacher teacher) {
        return looking.selectFrom(SCHOOL_CLASS)
                .where(SCHOOL_CLASS.REMOVED_AT.isNull(), may(teacher))
                .orderBy(isOf(teacher.id()).desc(), SCHOOL_CLASS.SCHOOL_YEAR.desc(), SCHOOL_CLASS.NAME)
                .fetch(ClassStore::schoolClass);
    }

    /** Those that were removed, the last one first. */
    List<SchoolClass> removed(Teacher teacher) {
        return looking.selectFrom(SCHOOL_CLASS)
                .where(SCHOOL_CLASS.REMOVED_AT.isNotNull(), may(teacher))
                .orderBy(SCHOOL_CLASS.REMOVED_AT.desc())
                .fetch(ClassStore::schoolClass);
    }

    /** How many students each class has. */
    Map<String, Integer> sizes() {
        return looking.select(CLASS_STUDENT.CLASS_ID, count())
                .from(CLASS_STUDENT)
                .join(STUDENT)
                .on(STUDENT.ID.eq(CLASS_STUDENT.STUDENT_ID))
                .where(STUDENT.REMOVED_AT.isNull())
                .groupBy(CLASS_STUDENT.CLASS_ID)
                .fetchMap(CLASS_STUDENT.CLASS_ID, count());
    }

    private static SchoolClass schoolClass(Record row) {
        return new SchoolClass(
                row.get(SCHOOL_CLASS.ID),
                row.get(SCHOOL_CLASS.NAME),
                row.get(SCHOOL_CLASS.SCHOOL_YEAR),
                Animal.valueOf(row.get(SCHOOL_CLASS.PICTURE)),
                row.get(SCHOOL_CLASS.LESSON_ID),
                row.get(SCHOOL_CLASS.KEY_NEEDED),
                row.get(SCHOOL_CLASS.IDLE_MINUTES));
    }

    void add(SchoolClass made, long now) {
        writing.insertInto(SCHOOL_CLASS)
                .set(SCHOOL_CLASS.ID, made.id())
                .set(SCHOOL_CLASS.NAME, made.name())
                .set(SCHOOL_CLASS.SCHOOL_YEAR, made.schoolYear())
                .set(SCHOOL_CLASS.PICTURE, made.picture().name())
                .set(SCHOOL_CLASS.LESSON_ID, made.lessonId())
                .set(SCHOOL_CLASS.KEY_NEEDED, made.keyNeeded())
                .set(SCHOOL_CLASS.IDLE_MINUTES, made.idleMinutes())
                .set(SCHOOL_CLASS.MADE_AT, now)
                .execute();
    }

    void change(SchoolClass changed) {
        writing.update(SCHOOL_CLASS)
                .set(SCHOOL_CLASS.NAME, changed.name())
                .set(SCHOOL_CLASS.SCHOOL_YEAR, changed.schoolYear())
                .set(SCHOOL_CLASS.PICTURE, changed.picture().name())
                .set(SCHOOL_CLASS.KEY_NEEDED, changed.keyNeeded())
                .set(SCHOOL_CLASS.IDLE_MINUTES, changed.idleMinutes())
                .where(SCHOOL_CLASS.ID.eq(changed.id()))
                .execute();
    }

    /** @param at null: it is there again */
    void setRemoved(String classId, Long at) {
        writing.update(SCHOOL_CLASS)
                .set(SCHOOL_CLASS.REMOVED_AT, at)
                .where(SCHOOL_CLASS.ID.eq(classId))
                .execute();
    }

    List<String> removedBefore(long at) {
        return looking.select(SCHOOL_CLASS.ID)
                .from(SCHOOL_CLASS)
                .where(SCHOOL_CLASS.REMOVED_AT.lt(at))
                .fetch(SCHOOL_CLASS.ID);
    }

    /** Deletes a class with all that was given to it; what is said in it is a removed lesson from now on. */
    void delete(String classId) {
        var given = select(ASSIGNMENT.ID).from(ASSIGNMENT).where(ASSIGNMENT.CLASS_ID.eq(classId));
        writing.deleteFrom(ACCOMMODATION_HERE)
                .where(ACCOMMODATION_HERE.OF_ID.in(given))
                .execute();
        writing.update(LESSON)
                .set(LESSON.REMOVED_AT, 0L)
                .setNull(LESSON.CLASS_ID)
                .where(LESSON.CLASS_ID.eq(classId))
                .execute();
        writing.deleteFrom(SCHOOL_CLASS).where(SCHOOL_CLASS.ID.eq(classId)).execute();
    }

    /** Without substitutes whose time is over. */
    List<ClassTeacher> teachers(String classId, long now) {
        return looking.select(TEACHER.ID, TEACHER.FULL_NAME, TEACHER.ROLE, TEACHER.ENDS_AT)
                .from(CLASS_TEACHER)
                .join(TEACHER)
                .on(TEACHER.ID.eq(CLASS_TEACHER.TEACHER_ID))
                .where(
                        CLASS_TEACHER.CLASS_ID.eq(classId),
                        TEACHER.ENDS_AT.isNull().or(TEACHER.ENDS_AT.gt(now)))
                .orderBy(TEACHER.ROLE.eq(Role.AIDE.name()), TEACHER.FULL_NAME)
                .fetch(row -> new ClassTeacher(
                        row.get(TEACHER.ID),
                        row.get(TEACHER.FULL_NAME),
                        Role.valueOf(row.get(TEACHER.ROLE)),
                        row.get(TEACHER.ENDS_AT)));
    }

    void addTeacher(String classId, String teacherId) {
        writing.insertInto(CLASS_TEACHER)
                .set(CLASS_TEACHER.CLASS_ID, classId)
                .set(CLASS_TEACHER.TEACHER_ID, teacherId)
                .onConflictDoNothing()
                .execute();
    }

    void removeTeacher(String classId, String teacherId) {
        writing.deleteFrom(CLASS_TEACHER)
                .where(CLASS_TEACHER.CLASS_ID.eq(classId), CLASS_TEACHER.TEACHER_ID.eq(teacherId))
                .execute();
    }

    /** The last place in a class; -1 when nobody is in it. */
    int lastPosition(String classId) {
        return writing.select(coalesce(max(CLASS_STUDENT.POSITION), -1))
                .from(CLASS_STUDENT)
                .where(CLASS_STUDENT.CLASS_ID.eq(classId))
                .fetchSingle()
                .value1();
    }
}
