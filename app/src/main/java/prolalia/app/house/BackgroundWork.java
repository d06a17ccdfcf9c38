package prolalia.app.house;

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
 * tried again, later each time.
 */
public final class BackgroundWork implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(BackgroundWork.class);

    private static final int TRIES = 4;
    private static final long FIRST_WAIT_MS = 1_000;

    private final Set<String> waiting = ConcurrentHashMap.newKeySet();
    private final ScheduledExecutorService worker;
    private final String name;
    private final Work work;

    /** What is done for a thing. */
    public interface Work {
        void on(String id) throws Exception;
    }

    /** @param name of its thread, for the log */
    public BackgroundWork(String name, Work work) {
        this.name = name;
        this.work = work;
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
        in(ms, id, 1);
    }

    private void in(long ms, String id, int time) {
        if (waiting.add(id)) {
            worker.schedule(() -> run(id, time), ms, TimeUnit.MILLISECONDS);
        }
    }

    private void run(String id, int time) {
        waiting.remove(id);
        try {
            work.on(id);
        } catch (Exception failure) {
            LOG.error("{} could not do its work on {}, time {}", name, id, time, failure);
            if (time < TRIES && !worker.isShutdown()) {
                in(FIRST_WAIT_MS << (2 * time), id, time + 1);
            }
        }
    }

    @Override
    public void close() {
        worker.shutdown();
    }
}
