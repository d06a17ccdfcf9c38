package prolalia.app.assignment;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ConcurrentLinkedQueue;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** What children hear, written down every second, all at once: a class that listens doesn't hold up a teacher who records. */
@Component
class HeardLog implements DisposableBean {
    private static final Logger LOG = LoggerFactory.getLogger(HeardLog.class);
    private static final int ALL = 100;
    private static final int MOST_WAITING = 100_000;

    private final AssignmentStore store;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final ConcurrentLinkedQueue<Event> waiting = new ConcurrentLinkedQueue<>();

    HeardLog(AssignmentStore store, TransactionTemplate transaction, Clock clock) {
        this.store = store;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** @param lineId null: a page was opened @param percent how much of the line */
    private record Event(String assignmentId, String studentId, String lineId, int percent, long at) {}

    void opened(String assignmentId, String studentId) {
        put(new Event(assignmentId, studentId, null, 0, clock.millis()));
    }

    void heard(String assignmentId, String studentId, String lineId, int percent) {
        put(new Event(assignmentId, studentId, lineId, percent, clock.millis()));
    }

    private void put(Event event) {
        if (waiting.size() < MOST_WAITING) {
            waiting.add(event);
        }
    }

    @Scheduled(fixedDelay = 1_000)
    void writeDown() {
        List<Event> now = new ArrayList<>();
        for (Event next = waiting.poll(); next != null; next = waiting.poll()) {
            now.add(next);
        }
        if (now.isEmpty()) {
            return;
        }
        try {
            transaction.executeWithoutResult(status -> now.forEach(this::write));
        } catch (RuntimeException failed) {
            // One by one, so that one who was deleted meanwhile holds up nobody.
            now.forEach(this::writeAlone);
        }
    }

    private void writeAlone(Event event) {
        try {
            transaction.executeWithoutResult(status -> write(event));
        } catch (RuntimeException failed) {
            if (isGone(failed)) {
                LOG.debug("A child, or what she heard, is gone: {}", failed.getMessage());
            } else {
                LOG.warn("What children heard could not be written down as yet: {}", failed.getMessage());
                put(event);
            }
        }
    }

    /** Whether what the event names isn't there any more (SQLite: FOREIGN KEY constraint failed). */
    private static boolean isGone(Throwable failed) {
        for (Throwable cause = failed; cause != null; cause = cause.getCause()) {
            if (String.valueOf(cause.getMessage()).contains("FOREIGN KEY")) {
                return true;
            }
        }
        return false;
    }

    private void write(Event event) {
        store.visited(event.assignmentId(), event.studentId(), event.at());
        if (event.lineId() != null && event.percent() < ALL) {
            store.heardPart(event.assignmentId(), event.studentId(), event.lineId(), event.percent(), event.at());
        } else if (event.lineId() != null) {
            store.heard(event.assignmentId(), event.studentId(), event.lineId(), event.at());
        }
    }

    @Override
    public void destroy() {
        writeDown();
    }
}
