package prolalia.core.sound;

import java.util.Arrays;

/**
 * Collects the outline of a sound block by block, as {@link Peaks#magnitudes} makes it of a whole one. Not thread-safe.
 */
public final class OutlineMeter {
    private final int perBucket;
    private byte[] values = new byte[1024];
    private int count;
    private int filled;
    private float largest;

    /** @param bucketMs the time that one value stands for */
    public OutlineMeter(int sampleRate, int bucketMs) {
        perBucket = Math.max(1, sampleRate * bucketMs / 1000);
    }

    public void add(float[] samples, int howMany) {
        for (int i = 0; i < howMany; i++) {
            largest = Math.max(largest, Math.abs(samples[i]));
            if (++filled == perBucket) {
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
    }
}
