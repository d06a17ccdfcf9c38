package prolalia.app.school;

import static prolalia.app.platform.db.Tables.SCHOOL;

import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;

@Repository
class SchoolStore {
    private static final int THE_ONE = 1;

    private final DSLContext writing;
    private final DSLContext looking;

    SchoolStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    SchoolSettings settings() {
        return looking.selectFrom(SCHOOL)
                .fetchOptional(row -> new SchoolSettings(
                        row.getName(),
                        row.getLongestRecordingMs(),
                        row.getKeepMonths(),
                        row.getAddress(),
                        row.getTimeZone()))
                .orElse(SchoolSettings.AT_FIRST);
    }

    void save(SchoolSettings settings) {
        writing.insertInto(SCHOOL)
                .set(SCHOOL.ID, THE_ONE)
                .set(SCHOOL.NAME, settings.name())
                .set(SCHOOL.LONGEST_RECORDING_MS, settings.longestRecordingMs())
                .set(SCHOOL.KEEP_MONTHS, settings.keepMonths())
                .set(SCHOOL.ADDRESS, settings.address())
                .set(SCHOOL.TIME_ZONE, settings.timeZone())
                .onConflict(SCHOOL.ID)
                .doUpdate()
                .set(SCHOOL.NAME, settings.name())
                .set(SCHOOL.LONGEST_RECORDING_MS, settings.longestRecordingMs())
                .set(SCHOOL.KEEP_MONTHS, settings.keepMonths())
                .set(SCHOOL.ADDRESS, settings.address())
                .set(SCHOOL.TIME_ZONE, settings.timeZone())
                .execute();
    }
}
