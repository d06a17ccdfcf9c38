package prolalia.core.sound;

import java.util.Optional;

/** Counts the samples of one channel that were cut off at full scale. Not thread-safe. */
public final class ClipCounter {
    /** One sample at full scale can be a true peak; from three in a row the top of the wave is missing. */
    static final int SHORTEST_RUN = 3;

    /** A hair under 1: 16-bit sound ends at 32767/32768, and a change of rate rounds. */
    private static final float FULL_SCALE = 0.9998f;

    private final int sampleRate;
    private long clipped;
    private long seen;
    private long first = -1;
    private long last;
    private int run;

    /** @param sampleRate samples a second, for saying when it happened */
    public ClipCounter(int sampleRate) {
        this.sampleRate = sampleRate;
    }

    /** Takes the next {@code count} samples. */
    public void add(float[] samples, int count) {
        for (int i = 0; i < count; i++) {
            if (Math.abs(samples[i]) >= FULL_SCALE) {
                run++;
                if (run == SHORTEST_RUN) {
                    clipped += SHORTEST_RUN;
                    first = first < 0 ? seen + i - SHORTEST_RUN + 1 : first;
                } else if (run > SHORTEST_RUN) {
                    clipped++;
                }
                last = run >= SHORTEST_RUN ? seen + i + 1 : last;
            } else {
                run = 0;
            }
        }
        seen += count;
    }

    /** From the first clipped sample to the last; empty when there is none. */
    public Optional<Span> place() {
        return first < 0
                ? Optional.empty()
                : Optional.of(new Span(first * 1000 / sampleRate, (last * 1000 + sampleRate - 1) / sampleRate));
    }

    /** How many samples stand in runs of three or more at full scale. */
    public long clippedSamples() {
        return clipped;
    }
}
