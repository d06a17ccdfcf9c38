package prolalia.app.platform;

import java.util.concurrent.atomic.AtomicLong;
import org.slf4j.Logger;

/** Says in the log what would otherwise be said with each request, at most once a minute, with how often it happened. */
final class RareWarning {
    private static final long EVERY_NS = 60_000_000_000L;

    private final Logger log;
    private final String what;
    private final AtomicLong times = new AtomicLong();
    private final AtomicLong saidAt = new AtomicLong(System.nanoTime() - EVERY_NS);

    RareWarning(Logger log, String what) {
        this.log = log;
        this.what = what;
    }

    void happened() {
        times.incrementAndGet();
        long now = System.nanoTime();
        long before = saidAt.get();
        if (now - before >= EVERY_NS && saidAt.compareAndSet(before, now)) {
            log.warn("{} ({} times since it was last said)", what, times.getAndSet(0));
        }
    }
}
