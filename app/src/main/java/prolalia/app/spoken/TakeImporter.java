package prolalia.app.spoken;

import java.time.Clock;
import java.util.List;
import org.springframework.stereotype.Component;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.platform.Ids;
import prolalia.app.platform.KeptTakes;
import prolalia.app.spoken.RecordingOwner.OfLine;
import prolalia.app.spoken.RecordingRight.Beginning;
import prolalia.core.sound.Finding;
import prolalia.core.sound.Peaks;
import prolalia.core.sound.Span;

/** Takes that come in with all that belongs to them: with their originals, and as they are heard. */
@Component
public class TakeImporter {
    private static final String FLAC = "audio/flac";

    private final RecordingStore recordings;
    private final TakeStore takes;
    private final Clock clock;

    TakeImporter(RecordingStore recordings, TakeStore takes, Clock clock) {
        this.recordings = recordings;
        this.takes = takes;
        this.clock = clock;
    }

    /**
     * A take whose files are in the media store.
     *
     * @param originalHash FLAC of the whole recording
     * @param originalMs how long that is
     * @param soundHash MP3 as it is heard
     * @param trim what is heard of the original
     * @param accepted whether the teacher said that it is fine as it is
     */
    public record ImportedTake(
            String words,
            String originalHash,
            long originalMs,
            String soundHash,
            long durationMs,
            Span trim,
            double gainDb,
            double loudnessLufs,
            Peaks peaks,
            List<Finding> findings,
            boolean accepted) {}

    /** Adds it to a line, not kept as yet; answers its id. */
    public String add(Teacher speaker, String lineId, ImportedTake take) {
        long now = clock.millis();
        String recording = Ids.newId();
        OfLine owner = new OfLine(lineId, KeptTakes.MAIN_VOICE);
        recordings.open(recording, new Beginning(owner, speaker.id(), take.words()), FLAC, null, now);
        recordings.taken(recording, take.originalHash(), take.originalMs(), now);
        String id = Ids.newId();
        takes.add(new StoredTake(
                id,
                lineId,
                recording,
                take.words(),
                take.originalHash(),
                take.soundHash(),
                take.durationMs(),
                take.trim().startMs(),
                take.trim().endMs(),
                take.gainDb(),
                take.loudnessLufs(),
                take.peaks(),
                false,
                now,
                false,
                take.findings(),
                take.accepted(),
                KeptTakes.MAIN_VOICE));
        if (take.accepted()) {
            takes.accept(id, now);
        }
        return id;
    }
}
