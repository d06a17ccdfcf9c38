package prolalia.app.platform;

import static prolalia.app.platform.db.Tables.BEGUN_WORK;

import java.time.Clock;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;

/**
 * What is being worked on, noted before it is begun: what is still noted when the server starts was under way when it died, and
 * may have been why.
 */
@Repository
public class WorkJournal {
    /** Once, and once more when the server died within. */
    private static final int MOST_TIMES = 2;

    private final DSLContext writing;
    private final DSLContext looking;
    private final Clock clock;
    private final long startedAt;

    WorkJournal(DSLContext writing, @Qualifier("looking") DSLContext looking, Clock clock) {
        this.writing = writing;
        this.looking = looking;
        this.clock = clock;
        startedAt = clock.millis();
    }

    /** Notes that it is begun; answers whether it may be: false when the server died within it twice. */
    public boolean begin(String kind, String id) {
        int times = times(kind, id) + 1;
        if (times > MOST_TIMES) {
            return false;
        }
        writing.insertInto(BEGUN_WORK)
                .set(BEGUN_WORK.KIND, kind)
                .set(BEGUN_WORK.ID, id)
                .set(BEGUN_WORK.TIMES, times)
                .set(BEGUN_WORK.BEGUN_AT, clock.millis())
                .onConflict(BEGUN_WORK.KIND, BEGUN_WORK.ID)
                .doUpdate()
                .set(BEGUN_WORK.TIMES, times)
                .set(BEGUN_WORK.BEGUN_AT, clock.millis())
                .execute();
        return true;
    }

    /** Whether a server died within it before this one was started: then it comes last. */
    public boolean wasInterrupted(String kind, String id) {
        return looking.fetchExists(
                BEGUN_WORK, BEGUN_WORK.KIND.eq(kind), BEGUN_WORK.ID.eq(id), BEGUN_WORK.BEGUN_AT.lt(startedAt));
    }

    private int times(String kind, String id) {
        return looking.select(BEGUN_WORK.TIMES)
                .from(BEGUN_WORK)
                .where(BEGUN_WORK.KIND.eq(kind), BEGUN_WORK.ID.eq(id))
                .fetchOptional(BEGUN_WORK.TIMES)
                .orElse(0);
    }

    /** It is over, whatever became of it. */
    public void end(String kind, String id) {
        writing.deleteFrom(BEGUN_WORK)
                .where(BEGUN_WORK.KIND.eq(kind), BEGUN_WORK.ID.eq(id))
                .execute();
    }
}
