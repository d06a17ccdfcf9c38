package prolalia.app.platform;

import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Work that nobody waits for, one thing after another. What is asked for twice before it begins is done once. It is forgotten
 * when the server stops: whoever gives work keeps it in the database, and gives it again at the next start. What fails is
 * tried again, later each time; what the server died within comes last, and after the second time it is set aside.
 */
public final class BackgroundWork implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(BackgroundWork.class);

    private static final int TRIES = 4;
    private static final long FIRST_WAIT_MS = 1_000;
    private static final long LAST_MS = 5_000;

    private final Set<String> waiting = ConcurrentHashMap.newKeySet();
    private final ScheduledExecutorService worker;
    private final String name;
    private final BegunWork begun;
    private final Work work;
    private final Work setAside;
    private final long firstWaitMs;
    private final long lastMs;

    /** What is done for a thing. */
    public interface Work {
        void on(String id) throws Exception;
    }

    /**
     * @param name of its thread, for the log and for {@code begun}
     * @param setAside done with what ended the server twice
     */
    public BackgroundWork(String name, BegunWork begun, Work work, Work setAside) {
        this(name, begun, work, setAside, FIRST_WAIT_MS, LAST_MS);
    }

    /**
     * @param firstWaitMs before what failed is tried again
     * @param lastMs by then whatever else is to be done has been asked for
     */
    BackgroundWork(String name, BegunWork begun, Work work, Work setAside, long firstWaitMs, long lastMs) {
        this.firstWaitMs = firstWaitMs;
        this.lastMs = lastMs;
        this.name = name;
        this.begun = begun;
        this.work = work;
        this.setAside = setAside;
        worker = Executors.newSingleThreadScheduledExecutor(task -> {
            Thread thread = new Thread(task, name);
            thread.setDaemon(true);
            return thread;
        });
    }

    public void soon(String id) {
        in(0, id);
    }

    /** Not before so many ms; what is asked for meanwhile comes with it. */
    public void in(long ms, String id) {
        in(begun.wasInterrupted(name, id) ? Math.max(ms, lastMs) : ms, id, 1);
    }

    private void in(long ms, String id, int time) {
        if (waiting.add(id)) {
            worker.schedule(() -> run(id, time), ms, TimeUnit.MILLISECONDS);
        }
    }

    private void run(String id, int time) {
        waiting.remove(id);
        try {
            if (begun.begin(name, id)) {
                work.on(id);
            } else {
                LOG.error("{} ended the server twice on {}, which is set aside", name, id);
                setAside.on(id);
            }
        } catch (Exception | Error failure) {
            LOG.error("{} could not do its work on {}, time {}", name, id, time, failure);
            if (time < TRIES && !worker.isShutdown()) {
                in(firstWaitMs << (2 * time), id, time + 1);
            }
        } finally {
            over(id);
        }
    }

    private void over(String id) {
        try {
            begun.end(name, id);
        } catch (RuntimeException stopped) {
            LOG.debug("It could not be noted that {} is over", id, stopped);
        }
    }

    @Override
    public void close() {
        worker.shutdown();
    }
}
