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
        int perBucket = Math.max(1, sound.sampleRate() * BUCKET_MS / 1000);
        float[] x = sound.samples();
        byte[] values = new byte[(x.length + perBucket - 1) / perBucket];
        for (int bucket = 0; bucket < values.length; bucket++) {
            float largest = 0;
            for (int i = bucket * perBucket; i < Math.min(x.length, (bucket + 1) * perBucket); i++) {
                largest = Math.max(largest, Math.abs(x[i]));
            }
            values[bucket] = (byte) Math.min(255, Math.round(largest * 255));
        }
        return new Peaks(values);
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
