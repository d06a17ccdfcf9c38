package prolalia.app.account;

import static prolalia.app.platform.db.Tables.PASSWORD_LINK;
import static prolalia.app.platform.db.Tables.TEACHER;

import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.SQLDialect;
import org.jooq.impl.DSL;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import org.sqlite.SQLiteConfig;
import org.sqlite.SQLiteDataSource;
import prolalia.app.platform.db.tables.records.TeacherRecord;
import prolalia.app.school.AuditLog;

@Repository
class TeacherStore {
    private static final int BUSY_TIMEOUT_MS = 30_000;

    private final DSLContext writing;
    private final DSLContext looking;

    TeacherStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    /** Those of a database that a running server may have open. */
    static TeacherStore of(Path database) {
        SQLiteConfig config = new SQLiteConfig();
        config.setBusyTimeout(BUSY_TIMEOUT_MS);
        config.setTransactionMode(SQLiteConfig.TransactionMode.IMMEDIATE);
        SQLiteDataSource source = new SQLiteDataSource(config);
        source.setUrl("jdbc:sqlite:" + database);
        DSLContext both = DSL.using(source, SQLDialect.SQLITE);
        return new TeacherStore(both, both);
    }

    boolean isEmpty() {
        return !looking.fetchExists(TEACHER);
    }

    Optional<SignedInTeacher> bySignInName(String signInName) {
        return looking.selectFrom(TEACHER)
                .where(TEACHER.SIGN_IN_NAME.eq(signInName), TEACHER.DISABLED_AT.isNull(), TEACHER.ENDS_AT.isNull())
                .fetchOptional(row -> new SignedInTeacher(
                        row.getId(),
                        row.getSignInName(),
                        row.getFullName(),
                        Role.valueOf(row.getRole()),
                        row.getPasswordHash()));
    }

    boolean isTaken(String signInName) {
        return looking.fetchExists(TEACHER, TEACHER.SIGN_IN_NAME.eq(signInName));
    }

    void add(String id, String signInName, String fullName, Role role, String passwordHash, long now) {
        writing.insertInto(TEACHER)
                .set(TEACHER.ID, id)
                .set(TEACHER.SIGN_IN_NAME, signInName)
                .set(TEACHER.FULL_NAME, fullName)
                .set(TEACHER.ROLE, role.name())
                .set(TEACHER.PASSWORD_HASH, passwordHash)
                .set(TEACHER.CREATED_AT, now)
                .execute();
    }

    /** Without those who only stand in. */
    List<StaffMember> all() {
        return looking.selectFrom(TEACHER)
                .where(TEACHER.ENDS_AT.isNull())
                .orderBy(TEACHER.DISABLED_AT.isNotNull(), TEACHER.FULL_NAME)
                .fetch(TeacherStore::member);
    }

    Optional<StaffMember> find(String id) {
        return looking.selectFrom(TEACHER).where(TEACHER.ID.eq(id)).fetchOptional(TeacherStore::member);
    }

    private static StaffMember member(TeacherRecord row) {
        return new StaffMember(
                row.getId(),
                row.getSignInName(),
                row.getFullName(),
                Role.valueOf(row.getRole()),
                row.getDisabledAt() != null,
                row.getEndsAt());
    }

    /** How many admins could come in if this one couldn't. */
    int adminsBeside(String id) {
        return looking.fetchCount(
                TEACHER, TEACHER.ROLE.eq(Role.ADMIN.name()), TEACHER.DISABLED_AT.isNull(), TEACHER.ID.ne(id));
    }

    void setRole(String id, Role role) {
        writing.update(TEACHER)
                .set(TEACHER.ROLE, role.name())
                .where(TEACHER.ID.eq(id))
                .execute();
    }

    /** @param at null: she can come in again */
    void setDisabled(String id, Long at) {
        writing.update(TEACHER)
                .set(TEACHER.DISABLED_AT, at)
                .where(TEACHER.ID.eq(id))
                .execute();
    }

    void setPassword(String id, String passwordHash) {
        writing.update(TEACHER)
                .set(TEACHER.PASSWORD_HASH, passwordHash)
                .where(TEACHER.ID.eq(id))
                .execute();
    }

    void setFullName(String id, String fullName) {
        writing.update(TEACHER)
                .set(TEACHER.FULL_NAME, fullName)
                .where(TEACHER.ID.eq(id))
                .execute();
    }

    /** @param at when a substitute can't come in any more */
    void setEndsAt(String id, long at) {
        writing.update(TEACHER)
                .set(TEACHER.ENDS_AT, at)
                .where(TEACHER.ID.eq(id))
                .execute();
    }

    void leadNobody() {
        writing.update(TEACHER).set(TEACHER.FIRST_STEPS, false).execute();
    }

    String passwordHash(String id) {
        return looking.select(TEACHER.PASSWORD_HASH)
                .from(TEACHER)
                .where(TEACHER.ID.eq(id))
                .fetchSingle(TEACHER.PASSWORD_HASH);
    }

    /** In place of those that she had. */
    void setPasswordLink(String teacherId, String secretHash, long endsAt) {
        removePasswordLinks(teacherId);
        writing.insertInto(PASSWORD_LINK)
                .set(PASSWORD_LINK.SECRET_HASH, secretHash)
                .set(PASSWORD_LINK.TEACHER_ID, teacherId)
                .set(PASSWORD_LINK.ENDS_AT, endsAt)
                .execute();
    }

    /** The same, noted as made by somebody who isn't signed in. */
    void setPasswordLink(StaffMember member, String secretHash, long endsAt, String by) {
        writing.transaction(within -> {
            DSLContext database = within.dsl();
            new TeacherStore(database, database).setPasswordLink(member.id(), secretHash, endsAt);
            AuditLog.in(database, Clock.systemUTC()).noteOf(by, AuditLog.Deed.STAFF_LINK, member.fullName());
        });
    }

    void removePasswordLinks(String teacherId) {
        writing.deleteFrom(PASSWORD_LINK)
                .where(PASSWORD_LINK.TEACHER_ID.eq(teacherId))
                .execute();
    }

    /** Whose password a link sets, if it holds and she may come in. */
    Optional<StaffMember> ofPasswordLink(String secretHash, long now) {
        return looking.select(PASSWORD_LINK.TEACHER_ID)
                .from(PASSWORD_LINK)
                .where(PASSWORD_LINK.SECRET_HASH.eq(secretHash), PASSWORD_LINK.ENDS_AT.gt(now))
                .fetchOptional(PASSWORD_LINK.TEACHER_ID)
                .flatMap(this::find)
                .filter(member -> !member.disabled());
    }
}
