package prolalia.app.stage;

import static prolalia.app.platform.db.Tables.HINT_ASKED;
import static prolalia.app.platform.db.Tables.LINE;

import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Repository;

/** How often students asked for hints: counted in memory, and written down every few seconds, all at once. */
@Repository
class HintStore implements DisposableBean {
    private static final Logger LOG = LoggerFactory.getLogger(HintStore.class);
    private static final int LINES_REMEMBERED = 20_000;

    private final DSLContext writing;
    private final DSLContext looking;
    private final Map<String, Integer> counted = new ConcurrentHashMap<>();

    HintStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    void asked(String lineId) {
        if (counted.size() < LINES_REMEMBERED) {
            counted.merge(lineId, 1, Integer::sum);
        }
    }

    /** What is written down leaves memory when it is, so that it is counted all the time; a line that is gone counts no more. */
    @Scheduled(fixedDelay = 10_000)
    void writeDown() {
        Map<String, Integer> now = Map.copyOf(counted);
        if (now.isEmpty()) {
            return;
        }
        try {
            writing.batch(now.entrySet().stream()
                            .map(each -> writing.insertInto(HINT_ASKED, HINT_ASKED.LINE_ID, HINT_ASKED.TIMES)
                                    .select(writing.select(LINE.ID, DSL.val(each.getValue()))
                                            .from(LINE)
                                            .where(LINE.ID.eq(each.getKey())))
                                    .onConflict(HINT_ASKED.LINE_ID)
                                    .doUpdate()
                                    .set(HINT_ASKED.TIMES, HINT_ASKED.TIMES.plus(DSL.val(each.getValue()))))
                            .toList())
                    .execute();
        } catch (RuntimeException fullDisk) {
            LOG.warn("What students asked for could not be written down as yet: {}", fullDisk.getMessage());
            return;
        }
        now.forEach((line, times) ->
                counted.computeIfPresent(line, (id, all) -> all.equals(times) ? null : (Integer) (all - times)));
    }

    /** How often each was asked for; those that never were are missing. */
    Map<String, Integer> times(Collection<String> lineIds) {
        Map<String, Integer> times = new HashMap<>(looking.selectFrom(HINT_ASKED)
                .where(HINT_ASKED.LINE_ID.in(lineIds))
                .fetchMap(HINT_ASKED.LINE_ID, HINT_ASKED.TIMES));
        for (String line : lineIds) {
            Integer more = counted.get(line);
            if (more != null) {
                times.merge(line, more, Integer::sum);
            }
        }
        return times;
    }

    @Override
    public void destroy() {
        writeDown();
    }
}
