package prolalia.app.elsewhere;

import java.io.IOException;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import prolalia.app.access.LessonRef;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.elsewhere.FileBatch.StoredFile;
import prolalia.app.elsewhere.FileBatchStore.Batch;
import prolalia.app.lesson.Lessons;
import prolalia.app.platform.BackgroundWork;
import prolalia.app.platform.BackgroundWork.Why;
import prolalia.app.platform.Ids;
import prolalia.app.platform.MediaStore;
import prolalia.app.platform.NotFoundException;
import prolalia.app.platform.WorkJournal;
import prolalia.app.spoken.FileTakes;
import prolalia.app.spoken.Verdict;
import prolalia.core.sound.Refusal;

/** Makes takes of the files of batches; what a stop of the server interrupts is done at the next start. */
@Component
class FileImporter implements DisposableBean {
    private final Lessons lessons;
    private final FileBatchStore store;
    private final LongRecordingService longOnes;
    private final FileTakes takes;
    private final MediaStore media;
    private final BackgroundWork worker;

    FileImporter(
            Lessons lessons,
            FileBatchStore store,
            LongRecordingService longOnes,
            FileTakes takes,
            MediaStore media,
            WorkJournal begun) {
        this.lessons = lessons;
        this.store = store;
        this.longOnes = longOnes;
        this.takes = takes;
        this.media = media;
        worker = new BackgroundWork("file-taker", begun, (id, course) -> take(id), this::setAside);
    }

    /** The first file that isn't done is the one that ended the server, or failed. */
    private void setAside(String batchId, Why why) {
        Refusal.Reason reason = why == Why.ENDED_SERVER ? Refusal.Reason.TOO_HEAVY : Refusal.Reason.DAMAGED;
        store.files(batchId).stream()
                .filter(file -> file.wanted() && !file.isDone())
                .findFirst()
                .ifPresent(file -> store.taken(batchId, file.number(), null, null, reason));
        worker.in(1_000, batchId);
    }

    @EventListener(ApplicationReadyEvent.class)
    void goOn() {
        worker.soon(store.withWork());
    }

    void takeSoon(String batchId) {
        worker.soon(batchId);
    }

    private void take(String batchId) throws Exception {
        Batch batch = store.find(batchId).orElseThrow(() -> new NotFoundException("batch"));
        Exception failed = null;
        for (StoredFile file : store.files(batchId)) {
            if (file.wanted() && !file.isDone()) {
                try {
                    take(batch, file);
                } catch (IOException | RuntimeException failure) {
                    // It is tried again; the others don't wait for that.
                    failed = failure;
                }
            }
        }
        if (failed != null) {
            throw failed;
        }
    }

    private void take(Batch batch, StoredFile file) throws IOException {
        String batchId = batch.id();
        try {
            if (file.lineId() == null) {
                String longId = Ids.newId();
                LessonRef lesson =
                        lessons.ofHouse(batch.lessonId()).orElseThrow(() -> new NotFoundException("removed lesson"));
                longOnes.begin(lesson, file.pageId(), longId, file.name(), file.rawHash());
                store.taken(batchId, file.number(), null, longId, null);
                return;
            }
            Verdict verdict = takes.keep(
                    new Teacher(batch.teacherId()), file.lineId(), file.name(), null, media.file(file.rawHash()));
            if (verdict instanceof Verdict.Taken taken) {
                store.taken(batchId, file.number(), taken.take().id(), null, null);
            } else if (verdict instanceof Verdict.Refused refused) {
                store.taken(
                        batchId, file.number(), null, null, refused.recording().refusal());
            }
        } catch (NotFoundException removed) {
            store.place(batchId, file.number(), null, null);
            store.taken(batchId, file.number(), null, null, null);
        }
    }

    @Override
    public void destroy() {
        worker.close();
    }
}
