package prolalia.core.sound;

/**
 * The outline of a sound, for drawing: the largest magnitude of every 20 ms.
 *
 * @param values one byte a bucket, unsigned, 255 is full scale
 */
public record Peaks(byte[] values) {
    /** The time that one value stands for. */
    public static final int BUCKET_MS = 20;

    public static Peaks of(Sound sound) {
        return new Peaks(magnitudes(sound, BUCKET_MS));
    }

    /** The largest magnitude of every {@code bucketMs}: one byte a bucket, unsigned, 255 is full scale. */
    public static byte[] magnitudes(Sound sound, int bucketMs) {
        OutlineMeter meter = new OutlineMeter(sound.sampleRate(), bucketMs);
        meter.add(sound.samples(), sound.samples().length);
        return meter.magnitudes();
    }

    /** The largest magnitude, 0 to 1, between two shares (0 to 1) of the sound's length. */
    double largestBetween(double from, double to) {
        int first = (int) Math.min(values.length - 1L, Math.max(0, Math.floor(from * values.length)));
        int last = (int) Math.min(values.length, Math.max(first + 1, Math.ceil(to * values.length)));
        int largest = 0;
        for (int i = first; i < last; i++) {
            largest = Math.max(largest, values[i] & 0xff);
        }
        return largest / 255.0;
    }
}
