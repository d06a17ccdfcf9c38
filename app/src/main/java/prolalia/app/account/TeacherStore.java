package prolalia.app.account;

import static prolalia.app.platform.db.Tables.TEACHER;

import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;

@Repository
class TeacherStore {
    private final DSLContext writing;
    private final DSLContext looking;

    TeacherStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    boolean isEmpty() {
        return !looking.fetchExists(TEACHER);
    }

    Optional<SignedInTeacher> bySignInName(String signInName) {
        return looking.selectFrom(TEACHER)
                .where(TEACHER.SIGN_IN_NAME.eq(signInName))
                .fetchOptional(row -> new SignedInTeacher(
                        row.getId(), row.getSignInName(), row.getFullName(), row.getPasswordHash()));
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
