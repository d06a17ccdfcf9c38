package prolalia.core.sound;

import java.util.Arrays;

/**
 * One channel of sound.
 *
 * @param samples full scale is ±1.0; not copied
 * @param sampleRate samples a second, more than 0
 */
public record Sound(float[] samples, int sampleRate) {
    /** The rate at which takes are prepared and encoded. */
    public static final int TAKE_SAMPLE_RATE = 48_000;

    public Sound {
        if (sampleRate <= 0) {
            throw new IllegalArgumentException("The sample rate must be above 0, not " + sampleRate);
        }
    }

    /** Length in milliseconds, rounded down. */
    public long durationMs() {
        return samples.length * 1000L / sampleRate;
    }

    /** The samples of a stretch of time; what lies outside this sound is left out. */
    public Sound slice(Span span) {
        int from = sampleAt(span.startMs());
        int to = sampleAt(span.endMs());
        return new Sound(Arrays.copyOfRange(samples, from, Math.max(from, to)), sampleRate);
    }

    private int sampleAt(long ms) {
        return (int) Math.max(0, Math.min(samples.length, ms * sampleRate / 1000));
    }
}
