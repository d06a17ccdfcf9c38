package prolalia.app.spoken;

import java.util.List;
import prolalia.core.sound.Finding;
import prolalia.core.sound.InkTrace;
import prolalia.core.sound.Peaks;
import prolalia.core.sound.Span;

/**
 * A take as it is stored.
 *
 * @param originalHash FLAC of the whole recording
 * @param soundHash MP3 of the take as it is heard; that of the original until it is made
 * @param trimStartMs where the take begins in the original
 * @param trimEndMs where it ends
 * @param truncated whether the file ended well before its stated end
 * @param kept whether students hear it
 * @param findings of the sound check
 * @param accepted whether the teacher said that it is fine as it is
 * @param voice in which it says its line
 */
public record StoredTake(
        String id,
        String lineId,
        String recordingId,
        String words,
        String originalHash,
        String soundHash,
        long durationMs,
        long trimStartMs,
        long trimEndMs,
        double gainDb,
        double loudnessLufs,
        Peaks peaks,
        boolean truncated,
        long createdAt,
        boolean kept,
        List<Finding> findings,
        boolean accepted,
        String voice) {

    /** The same sound as another take. */
    StoredTake copy(String newId, String newLineId, String newRecordingId, String newWords, long now) {
        return new StoredTake(
                newId,
                newLineId,
                newRecordingId,
                newWords,
                originalHash,
                soundHash,
                durationMs,
                trimStartMs,
                trimEndMs,
                gainDb,
                loudnessLufs,
                peaks,
                truncated,
                now,
                false,
                findings,
                false,
                voice);
    }

    /** Whether it can be heard: its MP3 is made soon after the verdict on it. */
    public boolean hasSound() {
        return !soundHash.equals(originalHash);
    }

    public boolean isDoubtful() {
        return !accepted && !findings.isEmpty();
    }

    /** Where the findings stand on a trace of this width. */
    public List<Double> notches(double width) {
        Span trim = new Span(trimStartMs, trimEndMs);
        return isDoubtful()
                ? findings.stream().map(finding -> finding.notchAt(trim, width)).toList()
                : List.of();
    }

    public InkTrace trace(double width, double height) {
        return InkTrace.of(peaks, width, height);
    }
}
