package prolalia.app.classroom;

import static prolalia.app.platform.db.Tables.ACCOMMODATION;
import static prolalia.app.platform.db.Tables.ACCOMMODATION_HERE;

import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.platform.db.tables.records.AccommodationRecord;
import prolalia.core.classroom.Accommodated.Here;
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

    /** What is different here and there, by student and by the lesson or the giving that it is said of. */
    Map<String, Map<String, Here>> here(Collection<String> studentIds) {
        Map<String, Map<String, Here>> here = new HashMap<>();
        looking.selectFrom(ACCOMMODATION_HERE)
                .where(ACCOMMODATION_HERE.STUDENT_ID.in(studentIds))
                .forEach(row -> here.computeIfAbsent(row.getStudentId(), none -> new HashMap<>())
                        .put(
                                row.getOfId(),
                                new Here(
                                        new Accommodation(
                                                Accommodation.Hears.valueOf(row.getHears()),
                                                row.getSpeedPercent(),
                                                Accommodation.Words.valueOf(row.getWords()),
                                                row.getMoreTime(),
                                                row.getUnlimited(),
                                                0),
                                        row.getTries())));
        return here;
    }

    /** @param said null: what holds always holds there, too */
    void setHere(String studentId, String of, Here said) {
        writing.deleteFrom(ACCOMMODATION_HERE)
                .where(ACCOMMODATION_HERE.STUDENT_ID.eq(studentId), ACCOMMODATION_HERE.OF_ID.eq(of))
                .execute();
        if (said != null) {
            writing.insertInto(ACCOMMODATION_HERE)
                    .set(ACCOMMODATION_HERE.STUDENT_ID, studentId)
                    .set(ACCOMMODATION_HERE.OF_ID, of)
                    .set(ACCOMMODATION_HERE.HEARS, said.accommodation().hears().name())
                    .set(ACCOMMODATION_HERE.SPEED_PERCENT, said.accommodation().speedPercent())
                    .set(ACCOMMODATION_HERE.WORDS, said.accommodation().words().name())
                    .set(ACCOMMODATION_HERE.MORE_TIME, said.accommodation().moreTime())
                    .set(ACCOMMODATION_HERE.UNLIMITED, said.accommodation().unlimited())
                    .set(ACCOMMODATION_HERE.TRIES, said.tries())
                    .execute();
        }
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
