package prolalia.app.classroom;

import static prolalia.app.platform.db.Tables.ACCOMMODATION;

import java.util.Collection;
import java.util.Map;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.platform.db.tables.records.AccommodationRecord;
import prolalia.core.classroom.Accommodation;

@Repository
class AccommodationStore {
    private final DSLContext writing;
    private final DSLContext looking;

    AccommodationStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    /** Those of some students; whoever is missing has none. */
    Map<String, Accommodation> of(Collection<String> studentIds) {
        return looking.selectFrom(ACCOMMODATION)
                .where(ACCOMMODATION.STUDENT_ID.in(studentIds))
                .fetchMap(ACCOMMODATION.STUDENT_ID, AccommodationStore::accommodation);
    }

    private static Accommodation accommodation(AccommodationRecord row) {
        return new Accommodation(
                Accommodation.Hears.valueOf(row.getHears()),
                row.getSpeedPercent(),
                Accommodation.Words.valueOf(row.getWords()),
                row.getMoreTime(),
                row.getUnlimited(),
                row.getSwitches());
    }

    void set(String studentId, Accommodation accommodation) {
        writing.deleteFrom(ACCOMMODATION)
                .where(ACCOMMODATION.STUDENT_ID.eq(studentId))
                .execute();
        if (!accommodation.equals(Accommodation.NONE)) {
            writing.insertInto(ACCOMMODATION)
                    .set(ACCOMMODATION.STUDENT_ID, studentId)
                    .set(ACCOMMODATION.HEARS, accommodation.hears().name())
                    .set(ACCOMMODATION.SPEED_PERCENT, accommodation.speedPercent())
                    .set(ACCOMMODATION.WORDS, accommodation.words().name())
                    .set(ACCOMMODATION.MORE_TIME, accommodation.moreTime())
                    .set(ACCOMMODATION.UNLIMITED, accommodation.unlimited())
                    .set(ACCOMMODATION.SWITCHES, accommodation.switches())
                    .execute();
        }
    }
}
