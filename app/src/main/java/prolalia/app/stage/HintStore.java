package prolalia.app.stage;

import static prolalia.app.house.db.Tables.HINT_ASKED;

import java.util.Collection;
import java.util.Map;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** How often students asked for hints. */
@Repository
class HintStore {
    private final DSLContext writing;

    HintStore(DSLContext writing) {
        this.writing = writing;
    }

    void asked(String lineId) {
        writing.insertInto(HINT_ASKED)
                .set(HINT_ASKED.LINE_ID, lineId)
                .set(HINT_ASKED.TIMES, 1)
                .onConflict(HINT_ASKED.LINE_ID)
                .doUpdate()
                .set(HINT_ASKED.TIMES, HINT_ASKED.TIMES.plus(1))
                .execute();
    }

    /** How often each was asked for; those that never were are missing. */
    Map<String, Integer> times(Collection<String> lineIds) {
        return writing.selectFrom(HINT_ASKED)
                .where(HINT_ASKED.LINE_ID.in(lineIds))
                .fetchMap(HINT_ASKED.LINE_ID, HINT_ASKED.TIMES);
    }
}
