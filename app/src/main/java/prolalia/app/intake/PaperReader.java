package prolalia.app.intake;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.util.FileSystemUtils;
import prolalia.app.intake.StoredPaper.State;
import prolalia.app.intake.StoredPaper.StoredPage;
import prolalia.app.papers.OpenedPages;
import prolalia.app.papers.PaperRun;
import prolalia.app.platform.BegunWork;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.Machine;
import prolalia.app.platform.MediaStore;
import prolalia.formats.paper.PaperRefusedException;
import prolalia.formats.paper.PaperRefusedException.Reason;

/**
 * Reads papers, as many at a time as the machine has memory for; teachers take turns. What a stop of the server interrupts is
 * begun again at the next start.
 */
@Component
class PaperReader implements DisposableBean {
    private static final Logger LOG = LoggerFactory.getLogger(PaperReader.class);

    /** Its name in what was begun. */
    private static final String WORK = "paper";

    /** Each takes up to some 900 MB. */
    private static final int LANES = Machine.memoryMb() < 5_000 || Machine.processors() < 2 ? 1 : 2;

    private final PaperStore store;
    private final MediaStore media;
    private final DataFolder folder;
    private final OpenedPages opened;
    private final TransactionTemplate transaction;
    private final Map<String, HowFar> progress = new ConcurrentHashMap<>();
    private final Map<String, PaperRun> running = new ConcurrentHashMap<>();
    private final BegunWork begun;
    private final PaperQueue queue = new PaperQueue();
    private final ExecutorService lanes = Executors.newFixedThreadPool(LANES, task -> {
        Thread thread = new Thread(task, "paper-reader");
        thread.setDaemon(true);
        return thread;
    });
    private volatile boolean stopped;

    PaperReader(
            PaperStore store,
            MediaStore media,
            DataFolder folder,
            OpenedPages opened,
            TransactionTemplate transaction,
            BegunWork begun) {
        this.store = store;
        this.media = media;
        this.folder = folder;
        this.opened = opened;
        this.transaction = transaction;
        this.begun = begun;
    }

    /** @param pages 0 as long as it isn't known how many there are */
    record HowFar(int page, int pages) {}

    @EventListener(ApplicationReadyEvent.class)
    void goOn() {
        store.arrived().forEach(each -> readSoon());
    }

    /** For each paper that arrived once. */
    void readSoon() {
        lanes.execute(this::readNext);
    }

    private List<PaperQueue.Waiting> waiting() {
        return store.arrived().stream()
                .map(each -> new PaperQueue.Waiting(each.id(), each.teacherId(), begun.wasInterrupted(WORK, each.id())))
                .toList();
    }

    /** How many papers are read before this one. */
    int before(String id) {
        return queue.before(waiting(), id);
    }

    private void readNext() {
        try {
            PaperQueue.Waiting next = queue.begin(waiting()).orElse(null);
            if (next == null) {
                return;
            }
            try {
                if (begun.begin(WORK, next.id())) {
                    read(next.id());
                } else {
                    store.end(next.id(), State.ARRIVED, State.REFUSED, Reason.TOO_LARGE);
                }
            } finally {
                queue.end(next.id());
                begun.end(WORK, next.id());
            }
        } catch (IOException | RuntimeException | Error failure) {
            LOG.error("A paper could not be read", failure);
        }
    }

    HowFar progress(String id) {
        return progress.getOrDefault(id, new HowFar(0, 0));
    }

    void cancel(String id) {
        if (store.end(id, State.ARRIVED, State.CANCELLED, null)) {
            PaperRun run = running.get(id);
            if (run != null) {
                run.close();
            }
        }
    }

    private void read(String id) throws IOException {
        StoredPaper paper = store.find(id).orElse(null);
        if (paper == null || paper.state() != State.ARRIVED) {
            return;
        }
        Path place = folder.newTemporaryFolder();
        try (PaperRun run = new PaperRun(media.file(paper.rawHash()), place)) {
            running.put(id, run);
            run.await((page, pages) -> progress.put(id, new HowFar(page, pages)));
            List<StoredPage> pages =
                    opened.kept(place).stream().map(StoredPage::of).toList();
            transaction.executeWithoutResult(status -> {
                if (store.end(id, State.ARRIVED, State.READ, null)) {
                    store.addPages(id, pages);
                }
            });
        } catch (PaperRefusedException refused) {
            if (stopped) {
                // It wasn't the paper: it is read at the next start.
                return;
            }
            store.end(id, State.ARRIVED, State.REFUSED, refused.reason());
        } catch (IOException | RuntimeException failure) {
            LOG.error("The paper {} could not be read", id, failure);
            store.end(id, State.ARRIVED, State.REFUSED, Reason.BROKEN);
        } finally {
            running.remove(id);
            progress.remove(id);
            FileSystemUtils.deleteRecursively(place);
        }
    }

    @Override
    public void destroy() {
        stopped = true;
        lanes.shutdown();
        running.values().forEach(PaperRun::close);
    }
}
