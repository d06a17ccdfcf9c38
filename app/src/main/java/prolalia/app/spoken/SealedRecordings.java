package prolalia.app.spoken;

import java.util.Comparator;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.task.TaskExecutor;
import org.springframework.stereotype.Component;
import prolalia.app.platform.WorkJournal;

/** Goes on with what a stopped server left undone: recordings that were put together, but not yet judged. */
@Component
class SealedRecordings {
    private static final Logger LOG = LoggerFactory.getLogger(SealedRecordings.class);

    private final RecordingStore recordings;
    private final ChunkedRecordings chunked;
    private final WorkJournal begun;
    private final TaskExecutor executor;

    SealedRecordings(
            RecordingStore recordings,
            ChunkedRecordings chunked,
            WorkJournal begun,
            TaskExecutor applicationTaskExecutor) {
        this.recordings = recordings;
        this.chunked = chunked;
        this.begun = begun;
        this.executor = applicationTaskExecutor;
    }

    @EventListener(ApplicationReadyEvent.class)
    void goOn() {
        // What the last server died within comes last; one after another, so that each is alone with its fault.
        List<StoredRecording> sealed = recordings.inState(StoredRecording.State.SEALED).stream()
                .sorted(Comparator.comparing((StoredRecording each) -> begun.wasInterrupted(TakeMaker.WORK, each.id())))
                .toList();
        executor.execute(() -> sealed.forEach(this::judge));
    }

    private void judge(StoredRecording recording) {
        try {
            chunked.judgeSealed(recording);
        } catch (Exception | Error failure) {
            // The recording stays sealed, with its sound in the media store, and is tried again at the next start.
            LOG.error("Recording {} could not be rendered", recording.id(), failure);
        }
    }
}
