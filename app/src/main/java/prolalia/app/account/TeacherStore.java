package prolalia.app.account;

import static prolalia.app.house.db.Tables.TEACHER;

import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

@Repository
class TeacherStore {
    private final DSLContext writing;

    TeacherStore(DSLContext writing) {
        this.writing = writing;
    }

    boolean isEmpty() {
        return !writing.fetchExists(TEACHER);
    }

    Optional<SignedInTeacher> bySignInName(String signInName, boolean paused) {
        return where(TEACHER.SIGN_IN_NAME.eq(signInName), paused);
    }

    Optional<SignedInTeacher> byId(String id) {
        return where(TEACHER.ID.eq(id), false);
    }

    private Optional<SignedInTeacher> where(Condition which, boolean paused) {
        return writing.selectFrom(TEACHER)
                .where(which)
                .fetchOptional(row -> new SignedInTeacher(
                        row.getId(), row.getSignInName(), row.getFullName(), row.getPasswordHash(), paused));
    }

    void add(String id, String signInName, String fullName, String passwordHash, long now) {
        writing.insertInto(TEACHER)
                .set(TEACHER.ID, id)
                .set(TEACHER.SIGN_IN_NAME, signInName)
                .set(TEACHER.FULL_NAME, fullName)
                .set(TEACHER.PASSWORD_HASH, passwordHash)
                .set(TEACHER.CREATED_AT, now)
                .execute();
    }
}
