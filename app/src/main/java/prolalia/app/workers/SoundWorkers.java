package prolalia.app.workers;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Iterator;
import java.util.List;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.DoubleConsumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;
import org.springframework.util.FileSystemUtils;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.HouseProperties;
import prolalia.app.platform.LimitedProcess;
import prolalia.app.platform.Machine;
import prolalia.app.platform.Waiting;
import prolalia.app.school.SchoolService;
import prolalia.core.sound.Refusal;
import prolalia.core.sound.Sound;
import prolalia.media.UnreadableSoundException;
import prolalia.media.process.SoundForms;
import prolalia.media.process.SoundProcess;
import prolalia.media.process.SoundRequest;

/**
 * The programs in which files of sound are opened, as many at a time as the machine has processors and memory for. Each works on
 * one file after another and ends when there is nothing to do; one that takes too much memory or time is stopped, and its work
 * is tried once more, alone.
 */
@Component
public class SoundWorkers implements DisposableBean {
    private static final Logger LOG = LoggerFactory.getLogger(SoundWorkers.class);

    /** A recording is held about four times while a take is made of it: as it is, trimmed, and levelled twice. */
    private static final double TIMES_HELD = 4.3;

    private static final int LEAST_HEAP_MB = 320;
    private static final int BESIDE_SOUND_MB = 64;

    /** The server itself, and what else runs on a machine. */
    private static final int SERVER_MB = 900;

    /** What FFmpeg and Java itself take besides. */
    private static final int BESIDE_HEAP_MB = 200;

    private static final int MOST_AT_ONCE = 8;
    private static final long IDLE_MS = 120_000;

    /** Nothing that is honest is silent for so long: it says how far it is, or is done. */
    private static final long PATIENCE_MS = 120_000;

    /** Making a take of a recording takes less than its own length, also on a slow machine. */
    private static final double PATIENCE_A_LENGTH = 1.5;

    private final DataFolder folder;
    private final SchoolService school;
    private final WorkerSlots places;
    private final boolean rehearse;
    private final Deque<Worker> idle = new ArrayDeque<>();
    private final Set<Worker> all = ConcurrentHashMap.newKeySet();
    private volatile boolean stopped;
    private final ScheduledExecutorService clock = Executors.newSingleThreadScheduledExecutor(task -> {
        Thread thread = new Thread(task, "sound-clock");
        thread.setDaemon(true);
        return thread;
    });

    SoundWorkers(DataFolder folder, SchoolService school, HouseProperties properties) {
        this.folder = folder;
        this.school = school;
        rehearse = properties.rehearse();
        places = new WorkerSlots((int) Math.max(
                1,
                Math.min(Math.min(MOST_AT_ONCE, Machine.processors()), (Machine.memoryMb() - SERVER_MB) / memoryMb())));
        clock.scheduleWithFixedDelay(this::endIdle, IDLE_MS, IDLE_MS / 4, TimeUnit.MILLISECONDS);
    }

    /** What it had to open took more memory or time than there is. */
    private static final class LostException extends Exception {
        private final boolean worthAnotherTry;

        LostException(String why, boolean worthAnotherTry) {
            super(why);
            this.worthAnotherTry = worthAnotherTry;
        }
    }

    /** How many work at a time. */
    public int places() {
        return places.all();
    }

    /** What each may take of the machine's memory, about. */
    public int memoryMb() {
        return heapMb() + BESIDE_HEAP_MB;
    }

    /** Has programs ready: the first work that is asked for soon doesn't wait for their start. */
    public void warmUp() {
        clock.execute(() -> {
            try {
                for (int i = 0; i < places.all() && areTooFewReady(); i++) {
                    Worker worker = new Worker();
                    synchronized (idle) {
                        idle.addLast(worker);
                    }
                }
            } catch (IOException notStarted) {
                LOG.warn("No program for sound could be started: {}", notStarted.getMessage());
            }
        });
    }

    private boolean areTooFewReady() {
        synchronized (idle) {
            return places.areFree() && idle.size() < places.all();
        }
    }

    public <A> A ask(SoundRequest<A> request) throws IOException, UnreadableSoundException {
        return ask(request, share -> {});
    }

    /** The same for work that nobody waits for: whatever else is asked for goes first. */
    public <A> A askPatiently(SoundRequest<A> request) throws IOException, UnreadableSoundException {
        return ask(request, share -> {}, true);
    }

    /**
     * @param progress told the share that is done, where it is known
     * @throws UnreadableSoundException also when opening the file takes more memory or time than it may
     * @throws IOException when the work could not be done, whatever the file
     * @throws ServerStopsError when it could not be done since the server stops
     */
    public <A> A ask(SoundRequest<A> request, DoubleConsumer progress) throws IOException, UnreadableSoundException {
        return ask(request, progress, false);
    }

    private <A> A ask(SoundRequest<A> request, DoubleConsumer progress, boolean patient)
            throws IOException, UnreadableSoundException {
        Waiting.allowed();
        try {
            return askTwice(request, progress, patient);
        } catch (LostException lost) {
            stopIfServerStops();
            LOG.warn("A file of sound could not be opened: {}", lost.getMessage());
            throw new UnreadableSoundException(Refusal.Reason.TOO_HEAVY, lost);
        } catch (IOException | RuntimeException failure) {
            stopIfServerStops();
            throw failure;
        }
    }

    private void stopIfServerStops() {
        if (stopped) {
            throw new ServerStopsError();
        }
    }

    private <A> A askTwice(SoundRequest<A> request, DoubleConsumer progress, boolean patient)
            throws IOException, UnreadableSoundException, LostException {
        try {
            return askOnce(request, progress, 1, patient);
        } catch (LostException lost) {
            if (!lost.worthAnotherTry || stopped) {
                throw lost;
            }
            LOG.warn("A program for sound was lost ({}); its work is tried again, alone", lost.getMessage());
            return askOnce(request, progress, places.all(), patient);
        }
    }

    private <A> A askOnce(SoundRequest<A> request, DoubleConsumer progress, int count, boolean patient)
            throws IOException, UnreadableSoundException, LostException {
        places.take(count, patient);
        Worker worker = null;
        boolean whole = false;
        try {
            stopIfServerStops();
            worker = take();
            A answer = worker.ask(request, progress);
            whole = true;
            return answer;
        } catch (UnreadableSoundException unreadable) {
            whole = true;
            throw unreadable;
        } finally {
            if (worker != null && whole) {
                worker.idleSince = System.nanoTime();
                synchronized (idle) {
                    idle.push(worker);
                }
            } else if (worker != null) {
                worker.close();
            }
            places.giveBack(count);
        }
    }

    private Worker take() throws IOException {
        synchronized (idle) {
            while (!idle.isEmpty()) {
                Worker worker = idle.pop();
                if (worker.process.isAlive() && worker.heapMb == heapMb()) {
                    return worker;
                }
                worker.close();
            }
        }
        return new Worker();
    }

    private void endIdle() {
        synchronized (idle) {
            for (Iterator<Worker> each = idle.iterator(); each.hasNext(); ) {
                Worker worker = each.next();
                if (System.nanoTime() - worker.idleSince > IDLE_MS * 1_000_000) {
                    each.remove();
                    worker.close();
                }
            }
        }
    }

    private int heapMb() {
        double soundMb =
                school.settings().longestRecordingMs() / 1000.0 * Sound.TAKE_SAMPLE_RATE * Float.BYTES / (1 << 20);
        return (int) Math.min(
                Math.max(LEAST_HEAP_MB, BESIDE_SOUND_MB + TIMES_HELD * soundMb),
                Math.max(LEAST_HEAP_MB, (Machine.memoryMb() - SERVER_MB) * 3 / 4));
    }

    @Override
    public void destroy() {
        stopped = true;
        clock.shutdownNow();
        all.forEach(Worker::close);
    }

    private final class Worker implements AutoCloseable {
        private final int heapMb = heapMb();
        private final Path place = folder.newTemporaryFolder();
        private final LimitedProcess process;
        private volatile long idleSince = System.nanoTime();
        private volatile long heardAt;
        private volatile boolean late;

        Worker() throws IOException {
            process = new LimitedProcess(
                    SoundProcess.class, heapMb, place, rehearse ? List.of(SoundProcess.REHEARSE) : List.of());
            all.add(this);
        }

        <A> A ask(SoundRequest<A> request, DoubleConsumer progress)
                throws IOException, UnreadableSoundException, LostException {
            heardAt = System.nanoTime();
            long patienceMs =
                    PATIENCE_MS + (long) (PATIENCE_A_LENGTH * school.settings().longestRecordingMs());
            ScheduledFuture<?> watch = clock.scheduleWithFixedDelay(
                    () -> {
                        if (System.nanoTime() - heardAt > patienceMs * 1_000_000) {
                            late = true;
                            process.close();
                        }
                    },
                    1,
                    1,
                    TimeUnit.SECONDS);
            try {
                process.writeLine(SoundForms.write(request));
                for (String line = process.readLine(); line != null; line = process.readLine()) {
                    heardAt = System.nanoTime();
                    int space = line.indexOf(' ');
                    String rest = line.substring(space + 1);
                    switch (space < 0 ? line : line.substring(0, space)) {
                        case "progress" -> progress.accept(Double.parseDouble(rest));
                        case "answer" -> {
                            return SoundForms.read(rest, request.answer());
                        }
                        case "refused" -> throw new UnreadableSoundException(Refusal.Reason.valueOf(rest), null);
                        case "heavy" -> throw new LostException("out of memory", true);
                        case "failed" -> throw new IOException(rest);
                        default -> {}
                    }
                }
            } catch (IOException gone) {
                if (process.isAlive() && !late) {
                    throw gone;
                }
            } finally {
                watch.cancel(false);
            }
            process.failed("A file of sound could not be opened");
            throw new LostException(late ? "it took too long" : "it ended by itself", !late);
        }

        @Override
        public void close() {
            all.remove(this);
            process.close();
            try {
                FileSystemUtils.deleteRecursively(place);
            } catch (IOException left) {
                LOG.debug("The folder of a program for sound stays for the sweeper", left);
            }
        }
    }
}
