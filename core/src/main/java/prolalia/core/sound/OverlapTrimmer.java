package prolalia.core.sound;

/**
 * Takes of a read-through overlap: each has a moment from before its key press and one from after it, so that no syllable
 * is lost. In these moments the line before may still be heard, or the next one already; they are told apart at the quietest
 * place.
 */
public final class OverlapTrimmer {
    /** A reader's thumb is seldom more than this off the true end of the words. */
    private static final int BEYOND_MS = 150;

    /** A pause shorter than this is a closed mouth within a word. */
    private static final int QUIET_FRAMES = 3;

    private static final int FRAME_MS = 10;

    /** Somebody speaks in the first frames when they are louder than this share of the loudest ones. */
    private static final double SPEAKING_SHARE = 1e-3;

    private OverlapTrimmer() {}

    /**
     * The stretch of a recording that is this line's alone.
     *
     * @param overlapMs how much at each end may be a neighbour's; 0: none
     */
    public static Span without(Sound recording, int overlapMs) {
        double[] power = power(recording);
        int zone = Math.min((overlapMs + BEYOND_MS) / FRAME_MS, power.length / 3);
        if (overlapMs == 0 || zone <= QUIET_FRAMES) {
            return new Span(0, recording.durationMs());
        }
        double loudest = 0;
        for (double each : power) {
            loudest = Math.max(loudest, each);
        }
        double speaking = loudest * SPEAKING_SHARE;
        long startMs = mean(power, 0) > speaking ? (long) quietest(power, 0, zone) * FRAME_MS : 0;
        long endMs = mean(power, power.length - QUIET_FRAMES) > speaking
                ? (long) quietest(power, power.length - zone, power.length) * FRAME_MS
                : recording.durationMs();
        return new Span(startMs, Math.max(startMs, endMs));
    }

    /** The frame in the middle of the quietest few. */
    private static int quietest(double[] power, int from, int to) {
        int best = from;
        for (int i = from; i <= to - QUIET_FRAMES; i++) {
            if (mean(power, i) < mean(power, best)) {
                best = i;
            }
        }
        return best + QUIET_FRAMES / 2;
    }

    private static double mean(double[] power, int from) {
        double sum = 0;
        for (int i = from; i < from + QUIET_FRAMES; i++) {
            sum += power[i];
        }
        return sum / QUIET_FRAMES;
    }

    private static double[] power(Sound sound) {
        int perFrame = Math.max(1, sound.sampleRate() * FRAME_MS / 1000);
        double[] power = new double[sound.samples().length / perFrame];
        for (int i = 0; i < power.length; i++) {
            for (int k = i * perFrame; k < (i + 1) * perFrame; k++) {
                power[i] += sound.samples()[k] * sound.samples()[k];
            }
        }
        return power;
    }
}
