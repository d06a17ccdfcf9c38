package prolalia.core.sound;

import java.util.Arrays;

/**
 * Collects the outline of a sound block by block, as {@link Peaks#magnitudes} makes it of a whole one. Not thread-safe.
 */
public final class OutlineMeter {
    private final long sampleRate;
    private final long bucketMs;
    private byte[] values = new byte[1024];
    private int count;
    private int filled;
    private long taken;
    private long end;
    private float largest;

    /** @param bucketMs the time that one value stands for */
    public OutlineMeter(int sampleRate, int bucketMs) {
        this.sampleRate = sampleRate;
        this.bucketMs = bucketMs;
        end = end();
    }

    public void add(float[] samples, int howMany) {
        for (int i = 0; i < howMany; i++) {
            largest = Math.max(largest, Math.abs(samples[i]));
            filled++;
            if (++taken >= end) {
                close();
            }
        }
    }

    /** The largest magnitude of every bucket up to now: one byte each, unsigned, 255 is full scale. */
    public byte[] magnitudes() {
        if (filled > 0) {
            close();
        }
        return Arrays.copyOf(values, count);
    }

    private void close() {
        if (count == values.length) {
            values = Arrays.copyOf(values, count * 2);
        }
        values[count++] = (byte) Math.min(255, Math.round(largest * 255));
        filled = 0;
        largest = 0;
        end = end();
    }

    /** Where the bucket that is being filled ends: counted from the beginning, so that no rate makes them drift. */
    private long end() {
        return Math.max(taken + 1, (count + 1L) * sampleRate * bucketMs / 1000);
    }
}
