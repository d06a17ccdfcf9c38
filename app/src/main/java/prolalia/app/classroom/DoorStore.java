package prolalia.app.classroom;

import static prolalia.app.platform.db.Tables.CLASS_STUDENT;
import static prolalia.app.platform.db.Tables.LINK;
import static prolalia.app.platform.db.Tables.SCHOOL_CLASS;
import static prolalia.app.platform.db.Tables.STUDENT;
import static prolalia.app.platform.db.Tables.STUDENT_DEVICE;
import static prolalia.app.platform.db.Tables.STUDENT_SIGN_IN;

import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.account.Actor.Student;

/** The doors of classes, and who came in by them, by the hash of the secret in a browser's cookie. */
@Repository
class DoorStore {
    private static final String PURPOSE = "door";
    private static final int MOST_DEVICES = 12;

    private final DSLContext writing;
    private final DSLContext looking;

    DoorStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    /** @param word that opens it as well */
    record Door(String token, String word, String classId) {}

    Optional<Door> ofClass(String classId) {
        return looking.selectFrom(LINK)
                .where(LINK.CLASS_ID.eq(classId), LINK.WITHDRAWN_AT.isNull())
                .orderBy(LINK.MADE_AT.desc())
                .limit(1)
                .fetchOptional(row -> new Door(row.getToken(), row.getTyped(), row.getClassId()));
    }

    Optional<Door> ofToken(String token) {
        return looking.selectFrom(LINK)
                .where(LINK.TOKEN.eq(token), LINK.CLASS_ID.isNotNull(), LINK.WITHDRAWN_AT.isNull())
                .fetchOptional(row -> new Door(row.getToken(), row.getTyped(), row.getClassId()));
    }

    Optional<Door> ofWord(String word) {
        return looking.selectFrom(LINK)
                .where(LINK.TYPED.eq(word), LINK.CLASS_ID.isNotNull(), LINK.WITHDRAWN_AT.isNull())
                .fetchOptional(row -> new Door(row.getToken(), row.getTyped(), row.getClassId()));
    }

    void add(Door door, long now) {
        writing.insertInto(LINK)
                .set(LINK.TOKEN, door.token())
                .set(LINK.TYPED, door.word())
                .set(LINK.PURPOSE, PURPOSE)
                .set(LINK.CLASS_ID, door.classId())
                .set(LINK.MADE_AT, now)
                .execute();
    }

    void withdrawAll(String classId, long now) {
        writing.update(LINK)
                .set(LINK.WITHDRAWN_AT, now)
                .where(LINK.CLASS_ID.eq(classId), LINK.WITHDRAWN_AT.isNull())
                .execute();
    }

    void signIn(String secretHash, Student student, long now) {
        writing.insertInto(STUDENT_SIGN_IN)
                .set(STUDENT_SIGN_IN.SECRET_HASH, secretHash)
                .set(STUDENT_SIGN_IN.STUDENT_ID, student.id())
                .set(STUDENT_SIGN_IN.CLASS_ID, student.classId())
                .set(STUDENT_SIGN_IN.MADE_AT, now)
                .set(STUDENT_SIGN_IN.SEEN_AT, now)
                .execute();
        // She is at so many devices at most; at the ones before she isn't any more.
        writing.deleteFrom(STUDENT_SIGN_IN)
                .where(
                        STUDENT_SIGN_IN.STUDENT_ID.eq(student.id()),
                        STUDENT_SIGN_IN.SECRET_HASH.notIn(writing.select(STUDENT_SIGN_IN.SECRET_HASH)
                                .from(STUDENT_SIGN_IN)
                                .where(STUDENT_SIGN_IN.STUDENT_ID.eq(student.id()))
                                .orderBy(
                                        STUDENT_SIGN_IN.MADE_AT.desc(),
                                        STUDENT_SIGN_IN
                                                .SECRET_HASH
                                                .eq(secretHash)
                                                .desc())
                                .limit(MOST_DEVICES)))
                .execute();
    }

    /** Who is behind a secret, as long as she is in the class that she came in to. */
    Optional<Student> signedIn(String secretHash, long madeSince) {
        return looking.select(STUDENT_SIGN_IN.STUDENT_ID, STUDENT_SIGN_IN.CLASS_ID)
                .from(STUDENT_SIGN_IN)
                .join(CLASS_STUDENT)
                .on(
                        CLASS_STUDENT.STUDENT_ID.eq(STUDENT_SIGN_IN.STUDENT_ID),
                        CLASS_STUDENT.CLASS_ID.eq(STUDENT_SIGN_IN.CLASS_ID))
                .join(STUDENT)
                .on(STUDENT.ID.eq(STUDENT_SIGN_IN.STUDENT_ID))
                .join(SCHOOL_CLASS)
                .on(SCHOOL_CLASS.ID.eq(STUDENT_SIGN_IN.CLASS_ID))
                .where(
                        STUDENT_SIGN_IN.SECRET_HASH.eq(secretHash),
                        STUDENT_SIGN_IN.MADE_AT.ge(madeSince),
                        STUDENT.REMOVED_AT.isNull(),
                        SCHOOL_CLASS.REMOVED_AT.isNull())
                .fetchOptional(
                        row -> new Student(row.get(STUDENT_SIGN_IN.STUDENT_ID), row.get(STUDENT_SIGN_IN.CLASS_ID)));
    }

    boolean knowsDevice(String studentId, String deviceHash) {
        return looking.fetchExists(
                STUDENT_DEVICE, STUDENT_DEVICE.STUDENT_ID.eq(studentId), STUDENT_DEVICE.SECRET_HASH.eq(deviceHash));
    }

    void rememberDevice(String studentId, String deviceHash, long now) {
        if (!knowsDevice(studentId, deviceHash)) {
            writing.insertInto(STUDENT_DEVICE)
                    .set(STUDENT_DEVICE.STUDENT_ID, studentId)
                    .set(STUDENT_DEVICE.SECRET_HASH, deviceHash)
                    .set(STUDENT_DEVICE.AT, now)
                    .onConflictDoNothing()
                    .execute();
        }
    }

    void signOut(String secretHash) {
        writing.deleteFrom(STUDENT_SIGN_IN)
                .where(STUDENT_SIGN_IN.SECRET_HASH.eq(secretHash))
                .execute();
    }

    void signOutStudent(String studentId) {
        writing.deleteFrom(STUDENT_SIGN_IN)
                .where(STUDENT_SIGN_IN.STUDENT_ID.eq(studentId))
                .execute();
    }

    void removeMadeBefore(long when) {
        writing.deleteFrom(STUDENT_SIGN_IN)
                .where(STUDENT_SIGN_IN.MADE_AT.lt(when))
                .execute();
    }
}
