package prolalia.core.sound;

import java.util.Arrays;
import org.jtransforms.fft.FloatFFT_1D;

/**
 * What the speech detector looks at: every 10 ms the power in six bands of the voice, the power of all, and how
 * periodic the sound is.
 *
 * <p>Fed block by block, so that an hour of sound costs a few megabytes. Not thread-safe.
 */
public final class SpeechFrames {
    /** Time between frames. */
    public static final int HOP_MS = 10;

    /** Edges in Hz: below the first lie rumble and hum, above the last lies nothing that tells speech from noise. */
    private static final int[] BAND_EDGES_HZ = {120, 300, 700, 1500, 3000, 5000, 8000};

    static final int BANDS = BAND_EDGES_HZ.length - 1;

    /** A window of about 21 ms: short enough for the burst of a t, long enough for two periods of a low voice. */
    private static final double WINDOW_SECONDS = 0.0214;

    /** Pitch is looked for at about this rate, where the lowest harmonics are and the noise is not. */
    private static final int PITCH_RATE = 4_000;

    /** Room for two periods of the lowest voice. */
    private static final double PITCH_WINDOW_SECONDS = 0.032;

    /** The pitch of voices, children's included. */
    private static final int LOWEST_PITCH_HZ = 80;

    private static final int HIGHEST_PITCH_HZ = 500;

    /** A longer period must fit so much better than a shorter one to be taken for the pitch. */
    private static final float OCTAVE_FAVOUR = 1.05f;

    /** Far under any sound; keeps the running mean from fading into denormal numbers, which are slow. */
    private static final float ANTI_DENORMAL = 1e-20f;

    private final int sampleRate;
    private int hop;
    private final int size;
    private final FloatFFT_1D transform;
    private final float[] window;
    private final int[] bandBins = new int[BANDS + 1];
    private final float[] buffer;
    private final float[] spectrum;
    private final int decimation;
    private final int firstLag;
    private final int lastLag;
    private final float[] slow;
    private final float[] straight;
    private final double[] energy;
    private int slowAt;
    private float slowSum;
    private int slowHeld;
    private float slowMean;
    private int held;
    private int count;
    private float[] bandPower = new float[BANDS * 512];
    private float[] power = new float[512];
    private float[] periodicity = new float[512];
    private byte[] pitchLag = new byte[512];
    private final double pitchRate;
    private int bestLag;

    public SpeechFrames(int sampleRate) {
        this.sampleRate = sampleRate;
        hop = hop(0);
        int wanted = (int) (sampleRate * WINDOW_SECONDS);
        size = Math.max(64, Integer.highestOneBit(Math.max(1, wanted - 1)) << 1);
        transform = new FloatFFT_1D(size);
        window = new float[size];
        for (int i = 0; i < size; i++) {
            window[i] = (float) (0.5 - 0.5 * Math.cos(2 * Math.PI * (i + 0.5) / size));
        }
        for (int band = 0; band <= BANDS; band++) {
            bandBins[band] = (int) Math.min(size / 2, Math.round((double) BAND_EDGES_HZ[band] * size / sampleRate));
        }
        buffer = new float[size];
        spectrum = new float[size];
        decimation = Math.max(1, sampleRate / PITCH_RATE);
        pitchRate = (double) sampleRate / decimation;
        slow = new float[(int) (PITCH_WINDOW_SECONDS * pitchRate)];
        straight = new float[slow.length];
        energy = new double[slow.length + 1];
        firstLag = (int) (pitchRate / HIGHEST_PITCH_HZ);
        lastLag = (int) (pitchRate / LOWEST_PITCH_HZ);
        // Frame i is centred on the sample at i * HOP_MS.
        held = size / 2;
    }

    /** From a frame to the next one in samples: whole ones, as many as keep frame i at i * HOP_MS at any rate. */
    private int hop(int frame) {
        return (int) Math.max(1, (frame + 1L) * sampleRate * HOP_MS / 1000 - (long) frame * sampleRate * HOP_MS / 1000);
    }

    /** Takes the next {@code n} samples. */
    public void add(float[] samples, int n) {
        int from = 0;
        while (from < n) {
            int part = Math.min(size - held, n - from);
            System.arraycopy(samples, from, buffer, held, part);
            slowDown(samples, from, part);
            held += part;
            from += part;
            if (held == size) {
                endFrame();
                System.arraycopy(buffer, hop, buffer, 0, size - hop);
                held = size - hop;
                hop = hop(count);
            }
        }
    }

    private void endFrame() {
        if (count == power.length) {
            power = Arrays.copyOf(power, 2 * count);
            periodicity = Arrays.copyOf(periodicity, 2 * count);
            pitchLag = Arrays.copyOf(pitchLag, 2 * count);
            bandPower = Arrays.copyOf(bandPower, 2 * count * BANDS);
        }
        int middle = (size - hop) / 2;
        double sum = 0;
        for (int i = middle; i < middle + hop; i++) {
            sum += (double) buffer[i] * buffer[i];
        }
        power[count] = (float) (sum / hop);

        for (int i = 0; i < size; i++) {
            spectrum[i] = buffer[i] * window[i];
        }
        transform.realForward(spectrum);
        // Parseval, and the mean square of a Hann window (3/8): band powers are comparable with the power of all.
        float scale = 2f / (0.375f * size * size);
        for (int band = 0; band < BANDS; band++) {
            float total = 0;
            for (int bin = Math.max(1, bandBins[band]); bin < bandBins[band + 1]; bin++) {
                total += spectrum[2 * bin] * spectrum[2 * bin] + spectrum[2 * bin + 1] * spectrum[2 * bin + 1];
            }
            bandPower[count * BANDS + band] = total * scale;
        }
        periodicity[count] = voicing();
        pitchLag[count] = (byte) bestLag;
        count++;
    }

    /** Adds the means of neighbouring samples to the pitch window, without their slow drift. */
    private void slowDown(float[] samples, int from, int n) {
        for (int i = from; i < from + n; i++) {
            slowSum += samples[i];
            if (++slowHeld == decimation) {
                float value = slowSum / decimation;
                slowMean += (value - slowMean) * 0.1f + ANTI_DENORMAL;
                slow[slowAt] = value - slowMean;
                slowAt = slowAt + 1 == slow.length ? 0 : slowAt + 1;
                slowSum = 0;
                slowHeld = 0;
            }
        }
    }

    /** The normalised cross-correlation at the best pitch period, 0 to 1 (1 is perfectly periodic). */
    private float voicing() {
        int n = slow.length;
        System.arraycopy(slow, slowAt, straight, 0, n - slowAt);
        System.arraycopy(slow, 0, straight, n - slowAt, slowAt);
        for (int i = 0; i < n; i++) {
            energy[i + 1] = energy[i] + (double) straight[i] * straight[i];
        }
        float best = 0;
        float nearly = 0;
        bestLag = 0;
        for (int lag = firstLag; lag <= lastLag; lag++) {
            float product = product(straight, lag);
            if (product > 0) {
                double early = energy[n - lag];
                double late = energy[n] - energy[lag];
                float likeness = product / (float) Math.sqrt(early * late + 1e-20);
                best = Math.max(best, likeness);
                if (likeness > nearly) {
                    // Twice the period fits as well as the period itself, and a hair better by chance.
                    nearly = likeness * OCTAVE_FAVOUR;
                    bestLag = lag;
                }
            }
        }
        return best;
    }

    /** The sum of products of samples so far apart. */
    private static float product(float[] x, int lag) {
        float product = 0;
        for (int i = lag; i < x.length; i++) {
            product += x[i] * x[i - lag];
        }
        return product;
    }

    /** How many frames there are; the last one is centred less than a hop and half a window before the end. */
    public int count() {
        return count;
    }

    /** Mean square of the samples within the hop around frame {@code i}. */
    double power(int i) {
        return power[i];
    }

    /** Mean square within one band at frame {@code i}. */
    double bandPower(int i, int band) {
        return bandPower[i * BANDS + band];
    }

    /** Pitch in Hz at frame {@code i}, 0 where nothing is periodic; means something where the periodicity is high. */
    double pitchHz(int i) {
        return pitchLag[i] == 0 ? 0 : pitchRate / pitchLag[i];
    }

    double periodicity(int i) {
        return periodicity[i];
    }
}
