package prolalia.app.account;

import static prolalia.app.platform.db.Tables.SIGN_IN;
import static prolalia.app.platform.db.Tables.TEACHER;

import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;

/** Who is signed in, by the hash of the secret in a browser's cookie. */
@Repository
class SignInStore {
    private final DSLContext writing;
    private final DSLContext looking;

    SignInStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    record Held(SignedInTeacher teacher, long seenAt) {}

    void add(String secretHash, String teacherId, long now) {
        writing.insertInto(SIGN_IN)
                .set(SIGN_IN.SECRET_HASH, secretHash)
                .set(SIGN_IN.TEACHER_ID, teacherId)
                .set(SIGN_IN.MADE_AT, now)
                .set(SIGN_IN.SEEN_AT, now)
                .execute();
    }

    /** @param seenSince those that weren't used since then hold no more */
    Optional<Held> find(String secretHash, long seenSince, long now) {
        return looking.select(SIGN_IN.SEEN_AT, TEACHER.ID, TEACHER.SIGN_IN_NAME, TEACHER.FULL_NAME, TEACHER.ROLE)
                .from(SIGN_IN)
                .join(TEACHER)
                .on(TEACHER.ID.eq(SIGN_IN.TEACHER_ID))
                .where(
                        SIGN_IN.SECRET_HASH.eq(secretHash),
                        SIGN_IN.SEEN_AT.ge(seenSince),
                        TEACHER.DISABLED_AT.isNull(),
                        TEACHER.ENDS_AT.isNull().or(TEACHER.ENDS_AT.gt(now)))
                .fetchOptional(row -> new Held(
                        new SignedInTeacher(
                                row.get(TEACHER.ID),
                                row.get(TEACHER.SIGN_IN_NAME),
                                row.get(TEACHER.FULL_NAME),
                                Role.valueOf(row.get(TEACHER.ROLE)),
                                null),
                        row.get(SIGN_IN.SEEN_AT)));
    }

    void seen(String secretHash, long now) {
        writing.update(SIGN_IN)
                .set(SIGN_IN.SEEN_AT, now)
                .where(SIGN_IN.SECRET_HASH.eq(secretHash))
                .execute();
    }

    void remove(String secretHash) {
        writing.deleteFrom(SIGN_IN).where(SIGN_IN.SECRET_HASH.eq(secretHash)).execute();
    }

    /** Whoever she is signed in as, on whichever device, but for one. @param exceptHash null: none */
    void removeOf(String teacherId, String exceptHash) {
        writing.deleteFrom(SIGN_IN)
                .where(SIGN_IN.TEACHER_ID.eq(teacherId), SIGN_IN.SECRET_HASH.ne(exceptHash == null ? "" : exceptHash))
                .execute();
    }

    void removeUnseenSince(long since) {
        writing.deleteFrom(SIGN_IN).where(SIGN_IN.SEEN_AT.lt(since)).execute();
    }
}
