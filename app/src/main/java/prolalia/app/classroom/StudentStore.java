package prolalia.app.classroom;

import static org.jooq.impl.DSL.count;
import static org.jooq.impl.DSL.max;
import static prolalia.app.platform.db.Tables.CLASS_GROUP;
import static prolalia.app.platform.db.Tables.CLASS_STUDENT;
import static prolalia.app.platform.db.Tables.GROUP_STUDENT;
import static prolalia.app.platform.db.Tables.LINE;
import static prolalia.app.platform.db.Tables.NAME_LINE;
import static prolalia.app.platform.db.Tables.SCHOOL_CLASS;
import static prolalia.app.platform.db.Tables.STUDENT;
import static prolalia.app.platform.db.Tables.STUDENT_SIGN_IN;
import static prolalia.app.platform.db.Tables.TAKE;

import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.platform.KeptTakes;
import prolalia.core.classroom.Animal;
import prolalia.core.classroom.Guesses;

/** Students, in which classes and groups they are. */
@Repository
class StudentStore {
    private final DSLContext writing;
    private final DSLContext looking;

    StudentStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    /** A student who pressed wrong keys too often. */
    record ShutOut(String id, String name, String classId, String className) {
        /** She comes in to another class, too. */
        ShutOut alsoOf(ShutOut other) {
            return new ShutOut(id, name, classId, className + ", " + other.className);
        }
    }

    /** In the order in which they came in. */
    List<ClassStudent> of(String classId) {
        return where(CLASS_STUDENT.CLASS_ID.eq(classId));
    }

    /** Whoever is shut out of the classes of somebody, with the class that she would come in to. */
    List<ShutOut> shutOut(Collection<String> classIds) {
        return looking.select(STUDENT.ID, STUDENT.NAME, SCHOOL_CLASS.ID, SCHOOL_CLASS.NAME)
                .from(CLASS_STUDENT)
                .join(STUDENT)
                .on(STUDENT.ID.eq(CLASS_STUDENT.STUDENT_ID))
                .join(SCHOOL_CLASS)
                .on(SCHOOL_CLASS.ID.eq(CLASS_STUDENT.CLASS_ID))
                .where(
                        CLASS_STUDENT.CLASS_ID.in(classIds),
                        STUDENT.REMOVED_AT.isNull(),
                        STUDENT.WRONG_TRIES.ge(Guesses.NOTICED))
                .orderBy(SCHOOL_CLASS.NAME, STUDENT.NAME)
                .fetch(row -> new ShutOut(
                        row.get(STUDENT.ID),
                        row.get(STUDENT.NAME),
                        row.get(SCHOOL_CLASS.ID),
                        row.get(SCHOOL_CLASS.NAME)));
    }

    Optional<ClassStudent> find(String classId, String studentId) {
        return where(CLASS_STUDENT.CLASS_ID.eq(classId).and(STUDENT.ID.eq(studentId))).stream()
                .findFirst();
    }

    Optional<ClassStudent> ofCard(String classId, String card) {
        return where(CLASS_STUDENT.CLASS_ID.eq(classId).and(CLASS_STUDENT.CARD.eq(card))).stream()
                .findFirst();
    }

    private List<ClassStudent> where(Condition condition) {
        return looking.select(
                        STUDENT.ID,
                        STUDENT.NAME,
                        STUDENT.ANIMAL,
                        STUDENT.TINT,
                        STUDENT.PICTURE_KEY,
                        STUDENT.WRONG_TRIES,
                        STUDENT.ROSTER_ID,
                        CLASS_STUDENT.NAME_LINE_ID,
                        CLASS_STUDENT.CARD,
                        TAKE.SOUND_HASH)
                .from(CLASS_STUDENT)
                .join(STUDENT)
                .on(STUDENT.ID.eq(CLASS_STUDENT.STUDENT_ID))
                .join(LINE)
                .on(LINE.ID.eq(CLASS_STUDENT.NAME_LINE_ID))
                .leftJoin(TAKE)
                .on(TAKE.ID.eq(KeptTakes.of(LINE.ID)))
                .where(condition, STUDENT.REMOVED_AT.isNull())
                .orderBy(CLASS_STUDENT.POSITION)
                .fetch(StudentStore::student);
    }

    private static ClassStudent student(Record row) {
        return new ClassStudent(
                row.get(STUDENT.ID),
                row.get(STUDENT.NAME),
                Animal.valueOf(row.get(STUDENT.ANIMAL)),
                Animal.Tint.valueOf(row.get(STUDENT.TINT)),
                new Guesses(row.get(STUDENT.WRONG_TRIES)),
                row.get(CLASS_STUDENT.NAME_LINE_ID),
                row.get(TAKE.SOUND_HASH),
                row.get(CLASS_STUDENT.CARD),
                row.get(STUDENT.PICTURE_KEY),
                row.get(STUDENT.ROSTER_ID));
    }

    void add(String id, String name, Animal animal, Animal.Tint tint, String sealedKey, String rosterId, long now) {
        writing.insertInto(STUDENT)
                .set(STUDENT.ID, id)
                .set(STUDENT.NAME, name)
                .set(STUDENT.ANIMAL, animal.name())
                .set(STUDENT.TINT, tint.name())
                .set(STUDENT.PICTURE_KEY, sealedKey)
                .set(STUDENT.ROSTER_ID, rosterId)
                .set(STUDENT.MADE_AT, now)
                .execute();
    }

    void enter(String classId, String studentId, String nameLineId, String card, int position) {
        writing.insertInto(CLASS_STUDENT)
                .set(CLASS_STUDENT.CLASS_ID, classId)
                .set(CLASS_STUDENT.STUDENT_ID, studentId)
                .set(CLASS_STUDENT.NAME_LINE_ID, nameLineId)
                .set(CLASS_STUDENT.CARD, card)
                .set(CLASS_STUDENT.POSITION, position)
                .execute();
        writing.insertInto(NAME_LINE)
                .set(NAME_LINE.LINE_ID, nameLineId)
                .set(NAME_LINE.STUDENT_ID, studentId)
                .execute();
    }

    void leave(String classId, String studentId) {
        writing.deleteFrom(CLASS_STUDENT)
                .where(CLASS_STUDENT.CLASS_ID.eq(classId), CLASS_STUDENT.STUDENT_ID.eq(studentId))
                .execute();
        writing.deleteFrom(GROUP_STUDENT)
                .where(
                        GROUP_STUDENT.STUDENT_ID.eq(studentId),
                        GROUP_STUDENT.GROUP_ID.in(writing.select(CLASS_GROUP.ID)
                                .from(CLASS_GROUP)
                                .where(CLASS_GROUP.CLASS_ID.eq(classId))))
                .execute();
        writing.deleteFrom(STUDENT_SIGN_IN)
                .where(STUDENT_SIGN_IN.CLASS_ID.eq(classId), STUDENT_SIGN_IN.STUDENT_ID.eq(studentId))
                .execute();
    }

    /** The lines that say her name, in the classes that she is in. */
    Map<String, String> nameLines(String studentId) {
        return writing.select(CLASS_STUDENT.CLASS_ID, CLASS_STUDENT.NAME_LINE_ID)
                .from(CLASS_STUDENT)
                .where(CLASS_STUDENT.STUDENT_ID.eq(studentId))
                .fetchMap(CLASS_STUDENT.CLASS_ID, CLASS_STUDENT.NAME_LINE_ID);
    }

    void rename(String studentId, String name) {
        writing.update(STUDENT)
                .set(STUDENT.NAME, name)
                .where(STUDENT.ID.eq(studentId))
                .execute();
    }

    void setRosterId(String studentId, String rosterId) {
        writing.update(STUDENT)
                .set(STUDENT.ROSTER_ID, rosterId)
                .where(STUDENT.ID.eq(studentId))
                .execute();
    }

    void setAnimal(String studentId, Animal animal, Animal.Tint tint) {
        writing.update(STUDENT)
                .set(STUDENT.ANIMAL, animal.name())
                .set(STUDENT.TINT, tint.name())
                .where(STUDENT.ID.eq(studentId))
                .execute();
    }

    void setKey(String studentId, String sealedKey) {
        writing.update(STUDENT)
                .set(STUDENT.PICTURE_KEY, sealedKey)
                .set(STUDENT.WRONG_TRIES, 0)
                .where(STUDENT.ID.eq(studentId))
                .execute();
    }

    void setCard(String classId, String studentId, String card) {
        writing.update(CLASS_STUDENT)
                .set(CLASS_STUDENT.CARD, card)
                .where(CLASS_STUDENT.CLASS_ID.eq(classId), CLASS_STUDENT.STUDENT_ID.eq(studentId))
                .execute();
    }

    /** Asked while nobody else writes: of two guesses at once both count. */
    Guesses guesses(String studentId) {
        return new Guesses(writing.select(STUDENT.WRONG_TRIES)
                .from(STUDENT)
                .where(STUDENT.ID.eq(studentId))
                .fetchSingle(STUDENT.WRONG_TRIES));
    }

    void setGuesses(String studentId, Guesses guesses) {
        writing.update(STUDENT)
                .set(STUDENT.WRONG_TRIES, guesses.wrong())
                .where(STUDENT.ID.eq(studentId))
                .execute();
    }

    /** The names of the classes that somebody is in. */
    Map<String, String> classesOf(String studentId) {
        return looking.select(SCHOOL_CLASS.ID, SCHOOL_CLASS.NAME)
                .from(CLASS_STUDENT)
                .join(SCHOOL_CLASS)
                .on(SCHOOL_CLASS.ID.eq(CLASS_STUDENT.CLASS_ID))
                .where(CLASS_STUDENT.STUDENT_ID.eq(studentId), SCHOOL_CLASS.REMOVED_AT.isNull())
                .fetchMap(SCHOOL_CLASS.ID, SCHOOL_CLASS.NAME);
    }

    List<Group> groups(String classId) {
        Map<String, List<String>> members = looking.select(GROUP_STUDENT.GROUP_ID, GROUP_STUDENT.STUDENT_ID)
                .from(GROUP_STUDENT)
                .join(CLASS_GROUP)
                .on(CLASS_GROUP.ID.eq(GROUP_STUDENT.GROUP_ID))
                .where(CLASS_GROUP.CLASS_ID.eq(classId), CLASS_GROUP.REMOVED_AT.isNull())
                .fetchGroups(GROUP_STUDENT.GROUP_ID, GROUP_STUDENT.STUDENT_ID);
        return looking.selectFrom(CLASS_GROUP)
                .where(CLASS_GROUP.CLASS_ID.eq(classId), CLASS_GROUP.REMOVED_AT.isNull())
                .orderBy(CLASS_GROUP.NAME)
                .fetch(row -> new Group(
                        row.getId(), row.getName(), new LinkedHashSet<>(members.getOrDefault(row.getId(), List.of()))));
    }

    void addGroup(String id, String classId, String name) {
        writing.insertInto(CLASS_GROUP)
                .set(CLASS_GROUP.ID, id)
                .set(CLASS_GROUP.CLASS_ID, classId)
                .set(CLASS_GROUP.NAME, name)
                .execute();
    }

    void changeGroup(String groupId, String name, Collection<String> studentIds) {
        writing.update(CLASS_GROUP)
                .set(CLASS_GROUP.NAME, name)
                .where(CLASS_GROUP.ID.eq(groupId))
                .execute();
        emptyGroup(groupId);
        for (String student : new LinkedHashSet<>(studentIds)) {
            writing.insertInto(GROUP_STUDENT)
                    .set(GROUP_STUDENT.GROUP_ID, groupId)
                    .set(GROUP_STUDENT.STUDENT_ID, student)
                    .execute();
        }
    }

    void emptyGroup(String groupId) {
        writing.deleteFrom(GROUP_STUDENT)
                .where(GROUP_STUDENT.GROUP_ID.eq(groupId))
                .execute();
    }

    void removeGroup(String groupId, long now) {
        writing.update(CLASS_GROUP)
                .set(CLASS_GROUP.REMOVED_AT, now)
                .where(CLASS_GROUP.ID.eq(groupId))
                .execute();
    }

    /** The students of a class that are in no other one. */
    List<String> onlyIn(String classId) {
        return looking.select(CLASS_STUDENT.STUDENT_ID)
                .from(CLASS_STUDENT)
                .groupBy(CLASS_STUDENT.STUDENT_ID)
                .having(count().eq(1), max(CLASS_STUDENT.CLASS_ID).eq(classId))
                .fetch(CLASS_STUDENT.STUDENT_ID);
    }
}
