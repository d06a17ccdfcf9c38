package prolalia.core.sound.edit;

import prolalia.core.sound.Sound;

/** The best place for a cut: where it is quietest near the place that was pointed at. */
public final class QuietPoint {
    /** Farther than this, and the cut isn't where the teacher wanted it. */
    private static final int REACH_MS = 30;

    private static final int WINDOW_MS = 5;

    private QuietPoint() {}

    /**
     * @param ms a place in the sound
     * @return the middle of the quietest 5 ms within 30 ms of it; the nearest of them when several are as quiet
     */
    public static long near(Sound sound, long ms) {
        long best = ms;
        double least = Double.MAX_VALUE;
        for (int away = 0; away <= REACH_MS; away++) {
            for (long at : away == 0 ? new long[] {ms} : new long[] {ms - away, ms + away}) {
                double power = power(sound, at);
                if (at >= 0 && at <= sound.durationMs() && power < least * 0.999) {
                    least = power;
                    best = at;
                }
            }
        }
        return best;
    }

    private static double power(Sound sound, long ms) {
        float[] x = sound.samples();
        int half = sound.sampleRate() * WINDOW_MS / 2000;
        int middle = (int) (ms * sound.sampleRate() / 1000);
        double power = 0;
        for (int i = Math.max(0, middle - half); i < Math.min(x.length, middle + half); i++) {
            power += x[i] * x[i];
        }
        return power;
    }
}
