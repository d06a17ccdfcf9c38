package prolalia.media;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import prolalia.core.sound.Finding;
import prolalia.core.sound.LoudnessMeter;
import prolalia.core.sound.Peaks;
import prolalia.core.sound.PreparedTake;
import prolalia.core.sound.Sound;
import prolalia.core.sound.SoundCheck;
import prolalia.core.sound.SoundMeter;
import prolalia.core.sound.Span;
import prolalia.core.sound.edit.Edit;
import prolalia.core.sound.edit.EditPlan;

/**
 * A take whose original, ends and edits are known: all else about it is found by listening to it.
 *
 * @param originalMs how long the whole recording is
 * @param heard the take as it is heard
 * @param gainDb what levelling applied
 * @param loudnessLufs of the take as it is heard
 * @param findings of the sound check
 */
public record TakeAnalysis(long originalMs, Sound heard, double gainDb, double loudnessLufs, List<Finding> findings) {
    private static final long ALL_OF_IT = Long.MAX_VALUE / 1_000_000;

    /**
     * @param original the whole recording
     * @param mp3 the take as it is heard; made when it isn't there
     * @param isThere whether it is
     * @param words that it says
     * @param longestMs the school's longest recording
     * @throws UnreadableSoundException when one of the files is no sound
     * @throws IllegalArgumentException when its ends and edits leave nothing of the original
     */
    public static TakeAnalysis listen(
            Path original, Path mp3, boolean isThere, Span trim, List<Edit> edits, String words, long longestMs)
            throws IOException, UnreadableSoundException {
        return listen(SoundReader.decode(original, ALL_OF_IT).sound(), mp3, isThere, trim, edits, words, longestMs);
    }

    /** @param whole the original; what comes after {@code longestMs} of a take that is there isn't listened to */
    public static TakeAnalysis listen(
            Sound whole, Path mp3, boolean isThere, Span trim, List<Edit> edits, String words, long longestMs)
            throws IOException, UnreadableSoundException {
        long wholeMs = whole.durationMs();
        EditPlan plan = EditPlan.of(
                wholeMs, new Span(Math.min(trim.startMs(), wholeMs), Math.min(trim.endMs(), wholeMs)), edits);
        if (plan.leavesNothing()) {
            throw new IllegalArgumentException("Nothing is left of the take");
        }
        List<Finding> findings = SoundCheck.check(SoundMeter.measure(whole), words, longestMs);
        if (!isThere) {
            PreparedTake made = TakeRenderer.renderEdited(whole, plan, mp3);
            return new TakeAnalysis(wholeMs, made.levelled(), made.gainDb(), made.loudnessLufs(), findings);
        }
        Sound heard = SoundReader.decode(mp3, Math.min(longestMs, ALL_OF_IT)).sound();
        double loudness = LoudnessMeter.ofMono(heard);
        return new TakeAnalysis(
                wholeMs, heard, loudness - LoudnessMeter.ofMono(plan.applyTo(whole)), loudness, findings);
    }

    public Peaks peaks() {
        return Peaks.of(heard);
    }
}
