package prolalia.app.sound;

import prolalia.core.sound.InkTrace;
import prolalia.core.sound.Peaks;

/**
 * A take as it is stored.
 *
 * @param originalHash FLAC of the whole recording
 * @param soundHash MP3 of the take as it is heard
 * @param trimStartMs where the take begins in the original
 * @param trimEndMs where it ends
 * @param truncated whether the file ended well before its stated end
 * @param kept whether students hear it
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
        boolean kept) {

    public InkTrace trace(double width, double height) {
        return InkTrace.of(peaks, width, height);
    }
}
