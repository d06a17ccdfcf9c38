package prolalia.app.station;

import static prolalia.app.platform.db.Tables.ROTATION;

import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.access.LessonRef;
import prolalia.app.platform.db.tables.records.RotationRecord;
import prolalia.core.station.RotationClock;

@Repository
class RotationStore {
    private static final long MINUTE_MS = 60_000;

    private final DSLContext writing;
    private final DSLContext looking;

    RotationStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    Optional<RotationPlan> of(LessonRef lesson) {
        return looking.selectFrom(ROTATION)
                .where(ROTATION.LESSON_ID.eq(lesson.id()))
                .fetchOptional(row -> {
                    List<String> groups = row.getGroupNames()
                            .lines()
                            .filter(name -> !name.isBlank())
                            .toList();
                    return new RotationPlan(
                            groups,
                            row.getMinutes().intValue(),
                            row.getRounds().intValue(),
                            row.getSignalLineId(),
                            clock(row));
                });
    }

    private static RotationClock clock(RotationRecord row) {
        return row.getClockRound() == null
                ? null
                : new RotationClock(
                        row.getMinutes() * MINUTE_MS,
                        Math.max(1, row.getRounds().intValue()),
                        row.getClockRound().intValue(),
                        row.getClockEndsAt(),
                        row.getClockLength(),
                        row.getClockHalted());
    }

    void keep(LessonRef lesson, RotationPlan plan) {
        RotationRecord row = new RotationRecord();
        row.setLessonId(lesson.id());
        row.setGroupNames(String.join("\n", plan.groups()));
        row.setMinutes(plan.minutes());
        row.setRounds(plan.rounds());
        row.setSignalLineId(plan.signalLineId());
        RotationClock clock = plan.clock();
        row.setClockRound(clock == null ? null : clock.round());
        row.setClockEndsAt(clock == null ? null : clock.endsAtMs());
        row.setClockLength(clock == null ? null : clock.lengthMs());
        row.setClockHalted(clock == null ? null : clock.haltedLeftMs());
        writing.insertInto(ROTATION)
                .set(row)
                .onConflict(ROTATION.LESSON_ID)
                .doUpdate()
                .set(row)
                .execute();
    }
}
