package prolalia.app.substitute;

import static prolalia.app.platform.db.Tables.SUBSTITUTE;

import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;

@Repository
class SubstituteStore {
    private final DSLContext writing;
    private final DSLContext looking;

    SubstituteStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    void add(String secretHash, Substitute added, long now) {
        writing.insertInto(SUBSTITUTE)
                .set(SUBSTITUTE.SECRET_HASH, secretHash)
                .set(SUBSTITUTE.TEACHER_ID, added.teacherId())
                .set(SUBSTITUTE.CLASS_ID, added.classId())
                .set(SUBSTITUTE.NOTE, added.note())
                .set(SUBSTITUTE.MADE_BY, added.madeBy())
                .set(SUBSTITUTE.MADE_AT, now)
                .execute();
    }

    Optional<Substitute> ofSecret(String secretHash) {
        return looking.selectFrom(SUBSTITUTE)
                .where(SUBSTITUTE.SECRET_HASH.eq(secretHash))
                .fetchOptional(SubstituteStore::substitute);
    }

    Optional<Substitute> ofTeacher(String teacherId) {
        return looking.selectFrom(SUBSTITUTE)
                .where(SUBSTITUTE.TEACHER_ID.eq(teacherId))
                .fetchOptional(SubstituteStore::substitute);
    }

    /** Who ever stood in for a class, the last one first. */
    List<Substitute> ofClass(String classId) {
        return looking.selectFrom(SUBSTITUTE)
                .where(SUBSTITUTE.CLASS_ID.eq(classId))
                .orderBy(SUBSTITUTE.MADE_AT.desc())
                .fetch(SubstituteStore::substitute);
    }

    private static Substitute substitute(Record row) {
        return new Substitute(
                row.get(SUBSTITUTE.TEACHER_ID),
                row.get(SUBSTITUTE.CLASS_ID),
                row.get(SUBSTITUTE.NOTE),
                row.get(SUBSTITUTE.MADE_BY));
    }
}
