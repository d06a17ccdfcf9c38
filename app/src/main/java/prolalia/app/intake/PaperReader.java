package prolalia.app.intake;

import java.io.IOException;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.util.FileSystemUtils;
import prolalia.app.intake.StoredPaper.State;
import prolalia.app.intake.StoredPaper.StoredPage;
import prolalia.app.platform.BackgroundWork;
import prolalia.app.platform.BackgroundWork.HowFar;
import prolalia.app.platform.BackgroundWork.UnderWay;
import prolalia.app.platform.BackgroundWork.Why;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.Machine;
import prolalia.app.platform.MediaStore;
import prolalia.app.platform.WorkJournal;
import prolalia.app.workers.OpenedPages;
import prolalia.app.workers.PaperRun;
import prolalia.formats.paper.PaperRefusedException;
import prolalia.formats.paper.PaperRefusedException.Reason;

/**
 * Reads papers, as many at a time as the machine has memory for; teachers take turns. What a stop of the server interrupts is
 * begun again at the next start.
 */
@Component
class PaperReader implements DisposableBean {
    /** Each takes up to some 900 MB. */
    private static final int LANES = Machine.memoryMb() < 5_000 || Machine.processors() < 2 ? 1 : 2;

    private final PaperStore store;
    private final MediaStore media;
    private final DataFolder folder;
    private final OpenedPages opened;
    private final TransactionTemplate transaction;
    private final BackgroundWork worker;

    PaperReader(
            PaperStore store,
            MediaStore media,
            DataFolder folder,
            OpenedPages opened,
            TransactionTemplate transaction,
            WorkJournal begun) {
        this.store = store;
        this.media = media;
        this.folder = folder;
        this.opened = opened;
        this.transaction = transaction;
        worker = new BackgroundWork("paper", LANES, begun, this::read, this::setAside);
    }

    private void setAside(String id, Why why) {
        store.end(id, State.ARRIVED, State.REFUSED, why == Why.ENDED_SERVER ? Reason.TOO_LARGE : Reason.BROKEN);
    }

    @EventListener(ApplicationReadyEvent.class)
    void goOn() {
        Map<String, String> teachers = new LinkedHashMap<>();
        store.arrived().forEach(paper -> teachers.put(paper.id(), paper.teacherId()));
        worker.soon(teachers);
    }

    void readSoon(String id, String teacherId) {
        worker.soon(id, teacherId);
    }

    /** How many papers are read before this one. */
    int before(String id) {
        return worker.before(id);
    }

    /** Of its pages. */
    HowFar progress(String id) {
        return worker.howFar(id);
    }

    void cancel(String id) {
        if (store.end(id, State.ARRIVED, State.CANCELLED, null)) {
            worker.cancel(id);
        }
    }

    private void read(String id, UnderWay course) throws IOException {
        StoredPaper paper = store.find(id).orElse(null);
        if (paper == null || paper.state() != State.ARRIVED) {
            return;
        }
        Path place = folder.newTemporaryFolder();
        try (PaperRun run = new PaperRun(media.file(paper.rawHash()), place)) {
            course.stoppedBy(run::close);
            run.await(course::at);
            List<StoredPage> pages =
                    opened.kept(place).stream().map(StoredPage::of).toList();
            transaction.executeWithoutResult(status -> {
                if (store.end(id, State.ARRIVED, State.READ, null)) {
                    store.addPages(id, pages);
                }
            });
        } catch (PaperRefusedException refused) {
            if (worker.isClosed()) {
                // It wasn't the paper: it is read at the next start.
                return;
            }
            store.end(id, State.ARRIVED, State.REFUSED, refused.reason());
        } finally {
            FileSystemUtils.deleteRecursively(place);
        }
    }

    @Override
    public void destroy() {
        worker.close();
    }
}
