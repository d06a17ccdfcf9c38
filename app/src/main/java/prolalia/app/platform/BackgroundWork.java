package prolalia.app.platform;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import prolalia.app.platform.FairQueue.Waiting;

/**
 * Work that nobody waits for, one thing after another, or so many at a time; whose turn it is next, {@link FairQueue} says. What is
 * asked for twice before it begins is done once. It is forgotten when the server stops: whoever gives work keeps it in the
 * database, and gives it again at the next start. What fails is tried again, later each time: without end where the failure
 * passes, and else until it is set aside. What the server died within comes last, and after the second time it is set aside.
 */
public final class BackgroundWork implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(BackgroundWork.class);

    private static final int TRIES = 4;
    private static final long FIRST_WAIT_MS = 1_000;
    private static final long LONGEST_WAIT_MS = 300_000;
    private static final String NOBODY = "";

    private final FairQueue turns = new FairQueue();
    private final Set<String> later = ConcurrentHashMap.newKeySet();
    private final Map<String, Integer> failed = new ConcurrentHashMap<>();
    private final Map<String, UnderWay> underWay = new ConcurrentHashMap<>();
    private final ScheduledExecutorService lanes;
    private final String name;
    private final WorkJournal begun;
    private final Work work;
    private final SetAside setAside;
    private final long firstWaitMs;
    private volatile boolean closed;

    /** What is done for a thing. */
    public interface Work {
        void on(String id, UnderWay underWay) throws Exception;
    }

    /** Why a thing is set aside. */
    public enum Why {
        /** It ended the server twice. */
        ENDED_SERVER,
        /** It failed again and again. */
        FAILED
    }

    /** What is done with a thing that can't be done. */
    public interface SetAside {
        void on(String id, Why why) throws Exception;
    }

    /**
     * @param name of its threads, for the log and for {@code begun}
     * @param lanes how many things at a time
     */
    public BackgroundWork(String name, int lanes, WorkJournal begun, Work work, SetAside setAside) {
        this(name, lanes, begun, work, setAside, FIRST_WAIT_MS);
    }

    /** One thing after another. */
    public BackgroundWork(String name, WorkJournal begun, Work work, SetAside setAside) {
        this(name, 1, begun, work, setAside);
    }

    /** @param firstWaitMs before what failed is tried again */
    BackgroundWork(String name, int lanes, WorkJournal begun, Work work, SetAside setAside, long firstWaitMs) {
        this.firstWaitMs = firstWaitMs;
        this.name = name;
        this.begun = begun;
        this.work = work;
        this.setAside = setAside;
        this.lanes = Executors.newScheduledThreadPool(lanes, task -> {
            Thread thread = new Thread(task, name);
            thread.setDaemon(true);
            return thread;
        });
    }

    public void soon(String id) {
        soon(id, NOBODY);
    }

    /** @param owner who takes turns with others */
    public void soon(String id, String owner) {
        join(id, owner);
        lanes.execute(this::next);
    }

    /** All that a stopped server left, by their owners: in this order, but for what it died within. */
    public void soon(Map<String, String> left) {
        left.forEach(this::join);
        left.keySet().forEach(each -> lanes.execute(this::next));
    }

    /** All that a stopped server left. */
    public void soon(Collection<String> left) {
        Map<String, String> owned = new LinkedHashMap<>();
        left.forEach(id -> owned.put(id, NOBODY));
        soon(owned);
    }

    /** Not before so many ms; what is asked for meanwhile comes with it. */
    public void in(long ms, String id) {
        if (later.add(id)) {
            lanes.schedule(
                    () -> {
                        later.remove(id);
                        soon(id);
                    },
                    ms,
                    TimeUnit.MILLISECONDS);
        }
    }

    private void join(String id, String owner) {
        turns.join(new Waiting(id, owner, begun.wasInterrupted(name, id)));
    }

    private void next() {
        turns.begin().ifPresent(each -> {
            try {
                run(each.id());
            } finally {
                turns.end(each.id());
                // What was asked for again meanwhile had to wait for this.
                if (turns.isAnyWaiting() && !lanes.isShutdown()) {
                    lanes.execute(this::next);
                }
            }
        });
    }

    private void run(String id) {
        UnderWay course = new UnderWay();
        underWay.put(id, course);
        try {
            if (begun.begin(name, id)) {
                work.on(id, course);
            } else {
                LOG.error("{} ended the server twice on {}, which is set aside", name, id);
                setAside.on(id, Why.ENDED_SERVER);
            }
            failed.remove(id);
        } catch (Exception | Error failure) {
            int time = failed.merge(id, 1, Integer::sum);
            LOG.error("{} could not do its work on {}, time {}", name, id, time, failure);
            if (!lanes.isShutdown() && (time < TRIES || PassingFailure.isWhy(failure))) {
                in(Math.min(LONGEST_WAIT_MS, firstWaitMs << (2 * Math.min(TRIES, time - 1))), id);
            } else if (failed.remove(id) != null && !lanes.isShutdown()) {
                giveUp(id);
            }
        } finally {
            underWay.remove(id);
            over(id);
        }
    }

    private void giveUp(String id) {
        try {
            setAside.on(id, Why.FAILED);
        } catch (Exception failure) {
            LOG.error("{} could not set {} aside", name, id, failure);
        }
    }

    private void over(String id) {
        try {
            begun.end(name, id);
        } catch (RuntimeException stopped) {
            LOG.debug("It could not be noted that {} is over", id, stopped);
        }
    }

    /** How far it is; nothing of all as long as it waits. */
    public HowFar howFar(String id) {
        UnderWay course = underWay.get(id);
        return course == null ? HowFar.NOT_BEGUN : course.howFar();
    }

    /** How many things come before one, those included that are being worked on; 0 when it is being worked on itself. */
    public int before(String id) {
        return turns.before(id);
    }

    /** It isn't begun, or stopped if it can be. */
    public void cancel(String id) {
        turns.leave(id);
        UnderWay course = underWay.get(id);
        if (course != null) {
            course.stop();
        }
    }

    /** Begins nothing more, and stops what can be stopped. */
    @Override
    public void close() {
        closed = true;
        lanes.shutdown();
        underWay.values().forEach(UnderWay::stop);
    }

    /** Whether the server stops: what is stopped then is done at the next start. */
    public boolean isClosed() {
        return closed;
    }

    /** @param all 0 as long as it isn't known how much there is */
    public record HowFar(long done, long all) {
        static final HowFar NOT_BEGUN = new HowFar(0, 0);
    }

    /** What is being worked on: it says how far it is, and how it is stopped. */
    public static final class UnderWay {
        private volatile HowFar howFar = HowFar.NOT_BEGUN;
        private Runnable stop = () -> {};
        private boolean stopped;

        private UnderWay() {}

        public void at(long done, long all) {
            howFar = new HowFar(done, all);
        }

        private HowFar howFar() {
            return howFar;
        }

        /** @param how done at once when it was stopped before */
        public synchronized void stoppedBy(Runnable how) {
            stop = how;
            if (stopped) {
                how.run();
            }
        }

        private synchronized void stop() {
            stopped = true;
            stop.run();
        }
    }
}
