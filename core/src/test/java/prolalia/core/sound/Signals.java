package prolalia.core.sound;

import java.util.Arrays;
import java.util.Random;

/** Made sounds for tests, 48 kHz unless said otherwise. */
public final class Signals {
    public static final int RATE = 48_000;

    private Signals() {}

    public static float[] sine(double hz, double dbfsPeak, double seconds, int rate, double phase) {
        float[] x = new float[(int) (seconds * rate)];
        double amplitude = Math.pow(10, dbfsPeak / 20);
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (amplitude * Math.sin(2 * Math.PI * hz * i / rate + phase));
        }
        return x;
    }

    public static float[] sine(double hz, double dbfsPeak, double seconds) {
        return sine(hz, dbfsPeak, seconds, RATE, 0);
    }

    public static float[] silence(double seconds) {
        return new float[(int) (seconds * RATE)];
    }

    /** White noise of an RMS level. */
    public static float[] noise(double dbfsRms, double seconds, long seed) {
        float[] x = silence(seconds);
        Random random = new Random(seed);
        double level = Math.pow(10, dbfsRms / 20);
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (level * random.nextGaussian());
        }
        return x;
    }

    /** Vowels in syllables of 220 ms with 60 ms between them: a voice at 140 Hz through two formants. */
    public static float[] voice(double dbfsPeak, double seconds) {
        return voice(140, dbfsPeak, seconds);
    }

    /** The same voice at another pitch. */
    public static float[] voice(double pitchHz, double dbfsPeak, double seconds) {
        float[] x = silence(seconds);
        double amplitude = Math.pow(10, dbfsPeak / 20);
        double largest = 0;
        for (int i = 0; i < x.length; i++) {
            double t = (double) i / RATE;
            double inSyllable = t % 0.28 / 0.22;
            double envelope = inSyllable < 1 ? Math.sqrt(Math.sin(Math.PI * inSyllable)) : 0;
            double sum = 0;
            for (int harmonic = 1; harmonic <= 24; harmonic++) {
                double hz = pitchHz * harmonic;
                double weight = 1 / (1 + Math.pow((hz - 600) / 180, 2)) + 0.5 / (1 + Math.pow((hz - 1500) / 250, 2));
                sum += weight * Math.sin(2 * Math.PI * hz * t);
            }
            x[i] = (float) (envelope * sum);
            largest = Math.max(largest, Math.abs(x[i]));
        }
        for (int i = 0; i < x.length; i++) {
            x[i] *= (float) (amplitude / largest);
        }
        return x;
    }

    public static float[] concat(float[]... parts) {
        float[] all =
                new float[Arrays.stream(parts).mapToInt(part -> part.length).sum()];
        int at = 0;
        for (float[] part : parts) {
            System.arraycopy(part, 0, all, at, part.length);
            at += part.length;
        }
        return all;
    }

    public static float[] mix(float[] one, float[] other) {
        float[] sum = one.clone();
        for (int i = 0; i < Math.min(one.length, other.length); i++) {
            sum[i] += other[i];
        }
        return sum;
    }

    public static Sound sound(float[] samples) {
        return new Sound(samples, RATE);
    }
}
