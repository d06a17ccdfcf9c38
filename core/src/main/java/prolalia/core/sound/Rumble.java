package prolalia.core.sound;

/**
 * Takes away what is under every voice: an offset of the microphone's, and rumble. A first-order high-pass at
 * {@value #CUTOFF_HZ} Hz; a low voice's 80 Hz lose 0.3 dB.
 */
public final class Rumble {
    static final double CUTOFF_HZ = 20;

    private Rumble() {}

    /** Changes the samples; they begin without a thump, whatever the offset. */
    public static void remove(float[] samples, int sampleRate) {
        double keep = Math.exp(-2 * Math.PI * CUTOFF_HZ / sampleRate);
        double before = mean(samples, Math.min(samples.length, sampleRate / 20));
        double out = 0;
        for (int i = 0; i < samples.length; i++) {
            out = keep * (out + samples[i] - before);
            before = samples[i];
            samples[i] = (float) out;
        }
    }

    private static double mean(float[] samples, int count) {
        double sum = 0;
        for (int i = 0; i < count; i++) {
            sum += samples[i];
        }
        return count == 0 ? 0 : sum / count;
    }
}
