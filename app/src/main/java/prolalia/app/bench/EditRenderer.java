package prolalia.app.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.bench.EditStore.TakeEdits;
import prolalia.app.platform.BackgroundWork;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.MediaStore;
import prolalia.app.platform.WorkJournal;
import prolalia.app.spoken.StoredTake;
import prolalia.app.spoken.TakeService;
import prolalia.app.workers.SoundWorkers;
import prolalia.core.sound.edit.Edit;
import prolalia.core.sound.edit.EditPlan;
import prolalia.media.UnreadableSoundException;
import prolalia.media.process.SoundRequest;
import prolalia.media.process.SoundRequest.Edited;
import prolalia.media.process.SoundRequest.MadeTake;

/** Makes takes sound as their edits say, one after another; what a stop of the server interrupts is done at the next start. */
@Component
class EditRenderer implements DisposableBean {
    private static final Logger LOG = LoggerFactory.getLogger(EditRenderer.class);

    /** One edit follows another: what is heard on the bench comes first, and several are rendered as one. */
    private static final long PATIENCE_MS = 600;

    private final EditStore edits;
    private final TakeService takes;
    private final SoundWorkers workers;
    private final MediaStore media;
    private final DataFolder folder;
    private final TransactionTemplate transaction;
    private final BackgroundWork work;

    EditRenderer(
            EditStore edits,
            TakeService takes,
            SoundWorkers workers,
            MediaStore media,
            DataFolder folder,
            TransactionTemplate transaction,
            WorkJournal begun) {
        this.edits = edits;
        this.takes = takes;
        this.workers = workers;
        this.media = media;
        this.folder = folder;
        this.transaction = transaction;
        work = new BackgroundWork(
                "edit-renderer", begun, (takeId, course) -> render(takeId), (takeId, why) -> setAside(takeId));
    }

    /** The take sounds as it did; its edits are there, and the next one has it rendered again. */
    private void setAside(String takeId) {
        LOG.error("Take {} stays as it sounded before its last edits", takeId);
    }

    @EventListener(ApplicationReadyEvent.class)
    void goOn() {
        edits.unrendered().forEach(this::renderSoon);
    }

    void renderSoon(String takeId) {
        work.in(PATIENCE_MS, takeId);
    }

    EditPlan plan(long originalMs, TakeEdits held) {
        return EditPlan.of(originalMs, held.trim(), made(held));
    }

    /** The edits that hold. */
    List<Edit> made(TakeEdits held) {
        return held.edits().subList(0, held.made()).stream()
                .map(StoredEdit::edit)
                .toList();
    }

    /** What a take keeps, as the programs that open files understand it. */
    Edited edited(TakeEdits held) {
        return new Edited(held.trim(), made(held));
    }

    private void render(String takeId) throws IOException, UnreadableSoundException {
        TakeEdits held = edits.of(takeId).orElse(null);
        if (held == null || edits.isRendered(takeId)) {
            return;
        }
        StoredTake take = takes.find(takeId);
        Path mp3 = folder.newTemporaryFile();
        try {
            MadeTake made = workers.ask(
                    new SoundRequest.RenderEdited(media.file(take.originalHash()), edited(held), take.words(), mp3));
            String hash = media.keep(mp3);
            transaction.executeWithoutResult(status -> {
                if (edits.setRendered(held)) {
                    takes.resound(take, made, hash);
                }
            });
        } finally {
            Files.deleteIfExists(mp3);
        }
    }

    @Override
    public void destroy() {
        work.close();
    }
}
