package prolalia.app.sound;

import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.task.TaskExecutor;
import org.springframework.stereotype.Component;

/** Goes on with what a stopped server left undone: recordings that were sealed, but not yet made into takes. */
@Component
class SealedRecordings {
    private static final Logger LOG = LoggerFactory.getLogger(SealedRecordings.class);

    private final RecordingStore recordings;
    private final TakeMaker maker;
    private final TaskExecutor executor;

    SealedRecordings(RecordingStore recordings, TakeMaker maker, TaskExecutor applicationTaskExecutor) {
        this.recordings = recordings;
        this.maker = maker;
        this.executor = applicationTaskExecutor;
    }

    @EventListener(ApplicationReadyEvent.class)
    void goOn() {
        List<StoredRecording> sealed = recordings.inState(StoredRecording.State.SEALED);
        executor.execute(() -> sealed.forEach(this::judge));
    }

    private void judge(StoredRecording recording) {
        try {
            maker.judge(recording.id());
        } catch (Exception failure) {
            // The recording stays sealed, with its sound in the media store, and is tried again at the next start.
            LOG.error("Recording {} could not be rendered", recording.id(), failure);
        }
    }
}
