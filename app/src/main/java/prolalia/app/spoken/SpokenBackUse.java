package prolalia.app.spoken;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.MediaStore;
import prolalia.app.workers.SoundWorkers;
import prolalia.app.workers.WaveformCache;
import prolalia.core.sound.AnswerCheck;
import prolalia.media.UnreadableSoundException;
import prolalia.media.process.SoundRequest;
import prolalia.media.process.SoundRequest.HeardAnswer;
import prolalia.media.process.SoundRequest.Judged;
import prolalia.media.process.SoundRequest.Rendered;

/**
 * Answers that are spoken, and what is said back to them, are trimmed and levelled as takes are. What has any sound in it is kept
 * whole, however it is spoken.
 */
@Component
class SpokenBackUse implements RecordingUse {
    /** What comes in after its end belongs to something that was allowed to be as long as it is. */
    private static final long LONGEST_LATE_MS = 3_600_000;

    /** A device that stops late records a little more than it may. */
    private static final long LATE_MS = 30_000;

    private static final Runnable NOTHING = () -> {};

    private final RecordingStore recordings;
    private final MediaStore media;
    private final SoundWorkers workers;
    private final DataFolder folder;
    private final ApplicationEventPublisher events;

    SpokenBackUse(
            RecordingStore recordings,
            MediaStore media,
            SoundWorkers workers,
            DataFolder folder,
            ApplicationEventPublisher events) {
        this.recordings = recordings;
        this.media = media;
        this.workers = workers;
        this.folder = folder;
        this.events = events;
    }

    @Override
    public Set<RecordingPurpose> purposes() {
        return EnumSet.of(RecordingPurpose.ANSWER, RecordingPurpose.REMARK);
    }

    @Override
    public Judgement judge(StoredRecording recording, Ending ending) throws IOException {
        long longestMs = (ending.longestMs() == null ? LONGEST_LATE_MS : ending.longestMs()) + LATE_MS;
        Path flac = folder.newTemporaryFile();
        Path wave = folder.newTemporaryFile();
        Path mp3 = folder.newTemporaryFile();
        try {
            Judged judged = workers.ask(new SoundRequest.Judge(
                    media.file(recording.rawHash()),
                    longestMs,
                    0,
                    List.of(),
                    true,
                    "",
                    flac,
                    wave,
                    WaveformCache.STEP_MS));
            if (judged.refusal() != null) {
                return new Judgement.Refused(judged.refusal(), 0);
            }
            Rendered made =
                    workers.ask(new SoundRequest.Render(flac, judged.take().trim(), mp3));
            HeardAnswer heard =
                    workers.ask(new SoundRequest.Hear(flac, judged.take().trim()));
            Set<AnswerCheck> checks = EnumSet.noneOf(AnswerCheck.class);
            checks.addAll(heard.checks());
            if (ending.brokenOff()) {
                checks.add(AnswerCheck.BROKEN_OFF);
            }
            return new Judgement.Taken(
                    made.durationMs(),
                    new Judgement.Heard(media.keep(mp3), made.peaks(), checks, heard.skips()),
                    NOTHING,
                    NOTHING);
        } catch (UnreadableSoundException unreadable) {
            return new Judgement.Refused(unreadable.reason(), 0);
        } finally {
            for (Path each : List.of(flac, wave, mp3)) {
                Files.deleteIfExists(each);
            }
        }
    }

    @Override
    public boolean growsInPlace() {
        return true;
    }

    @Override
    public void grew(StoredRecording was, StoredRecording now) {
        events.publishEvent(new SaidOn(now.id(), now.soundHash(), now.durationMs()));
    }

    @Override
    public void brokenOff(StoredRecording recording) {
        events.publishEvent(new BrokenOff(recording.place(), recording.id()));
    }

    @Override
    public void endedAgain(StoredRecording recording) {
        recordings.isWhole(recording.id());
    }
}
