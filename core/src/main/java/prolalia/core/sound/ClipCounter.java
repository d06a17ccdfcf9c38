package prolalia.core.sound;

/** Counts the samples of one channel that were cut off at full scale. Not thread-safe. */
public final class ClipCounter {
    /** One sample at full scale can be a true peak; from three in a row the top of the wave is missing. */
    static final int SHORTEST_RUN = 3;

    /** A hair under 1: 16-bit sound ends at 32767/32768, and a change of rate rounds. */
    private static final float FULL_SCALE = 0.9998f;

    private long clipped;
    private int run;

    /** Takes the next {@code count} samples. */
    public void add(float[] samples, int count) {
        for (int i = 0; i < count; i++) {
            if (Math.abs(samples[i]) >= FULL_SCALE) {
                run++;
                if (run == SHORTEST_RUN) {
                    clipped += SHORTEST_RUN;
                } else if (run > SHORTEST_RUN) {
                    clipped++;
                }
            } else {
                run = 0;
            }
        }
    }

    /** How many samples stand in runs of three or more at full scale. */
    public long clippedSamples() {
        return clipped;
    }
}
