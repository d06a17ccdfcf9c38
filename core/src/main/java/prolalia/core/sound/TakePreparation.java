package prolalia.core.sound;

import java.util.Optional;
import prolalia.core.sound.Refusal.Reason;

/**
 * From a recording to a take: measured, judged, trimmed to what was said, brought to its loudness.
 *
 * <p>Stateless and thread-safe. Needs about three times the memory of the samples.
 */
public final class TakePreparation {
    /** Left before the first word: a breath, so that the word doesn't fall upon the listener. */
    static final int LEAD_IN_MS = 120;

    /** Left after the last word: speech fades away longer than it comes. */
    static final int LEAD_OUT_MS = 250;

    /** The shortest word ("a", "o") lasts about 150 ms when said on its own, and is found a little longer. */
    static final int SHORTEST_SPEECH_MS = 150;

    /** A recording that ends sooner than this can't hold a word at all. */
    private static final int SHORTEST_RECORDING_MS = 150;

    /** Under this level even the loudest tenth of a recording is silence: a muted microphone's own hiss. */
    static final double SILENCE_DBFS = -72;

    /** What a take is levelled to before it is encoded: MP3 raises true peaks by up to about 0.5 dB (measured). */
    public static final Leveller.Target BEFORE_ENCODING =
            new Leveller.Target(Leveller.TARGET_LUFS, Leveller.HIGHEST_TRUE_PEAK_DBTP - 0.5);

    private static final int FADE_MS = 4;

    private TakePreparation() {}

    /**
     * @param recording mono, at any rate; not changed
     * @param longestMs the school's longest recording
     */
    public static Preparation prepare(Sound recording, long longestMs) {
        Judgement judgement = judge(recording, longestMs, false);
        return judgement instanceof SpokenPart part ? level(recording, part, BEFORE_ENCODING) : (Refusal) judgement;
    }

    /**
     * What of a recording is said, or why it can't be a take: a fifth of the work of making one.
     *
     * @param recording mono, at any rate; not changed
     * @param longestMs the school's longest recording
     * @param wholeAnyway all of it is a take, says the teacher, although nobody was found speaking
     */
    public static Judgement judge(Sound recording, long longestMs, boolean wholeAnyway) {
        if (recording.durationMs() > longestMs) {
            return new Refusal(Reason.TOO_LONG, recording.durationMs());
        }
        Measurement measured = SoundMeter.measure(recording);
        Optional<Reason> reason = refusal(measured);
        if (reason.isEmpty()) {
            return new SpokenPart(trim(measured), measured);
        }
        return wholeAnyway && (reason.get() == Reason.NO_SPEECH || reason.get() == Reason.TOO_SHORT)
                ? new SpokenPart(new Span(0, recording.durationMs()), measured)
                : new Refusal(reason.get(), measured.durationMs());
    }

    /** The take that is made of a part of a recording. */
    public static PreparedTake level(Sound recording, SpokenPart part, Leveller.Target target) {
        Leveller.Levelled levelled = level(recording, part.trim(), target);
        return new PreparedTake(
                part.trim(),
                part.original(),
                levelled.sound(),
                levelled.gainDb(),
                levelled.loudnessLufs(),
                Peaks.of(levelled.sound()));
    }

    /** A part of a recording as it is heard. */
    public static Leveller.Levelled level(Sound recording, Span trim, Leveller.Target target) {
        Sound trimmed = recording.slice(trim);
        Rumble.remove(trimmed.samples(), trimmed.sampleRate());
        fadeEnds(trimmed);
        return Leveller.level(trimmed, target);
    }

    private static Optional<Reason> refusal(Measurement measured) {
        if (measured.durationMs() == 0) {
            return Optional.of(Reason.EMPTY);
        }
        if (measured.levelDbfs() < SILENCE_DBFS) {
            return Optional.of(Reason.SILENT);
        }
        if (measured.durationMs() < SHORTEST_RECORDING_MS) {
            return Optional.of(Reason.TOO_SHORT);
        }
        if (measured.speech().isEmpty()) {
            return Optional.of(Reason.NO_SPEECH);
        }
        return measured.speechMs() < SHORTEST_SPEECH_MS ? Optional.of(Reason.TOO_SHORT) : Optional.empty();
    }

    private static Span trim(Measurement measured) {
        Span spoken = measured.spoken();
        return new Span(
                Math.max(0, spoken.startMs() - LEAD_IN_MS),
                Math.min(measured.durationMs(), spoken.endMs() + LEAD_OUT_MS));
    }

    /** A cut through noise clicks unless it is faded over a few milliseconds. */
    private static void fadeEnds(Sound sound) {
        float[] x = sound.samples();
        int length = Math.min(x.length / 2, sound.sampleRate() * FADE_MS / 1000);
        for (int i = 0; i < length; i++) {
            float share = (i + 0.5f) / length;
            x[i] *= share;
            x[x.length - 1 - i] *= share;
        }
    }
}
