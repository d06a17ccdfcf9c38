package prolalia.core.sound;

import java.util.Arrays;

/**
 * Between two samples: the polyphase interpolator of ITU-R BS.1770-5 Annex 2, which finds what a converter would put
 * out between the samples.
 *
 * <p>Annex 2 gives a 48-tap filter as an example that meets it; this one is a longer windowed sinc (Kaiser), flat to
 * within 0.02 dB up to 0.9 of half the sample rate, so that high tones read no lower than they are.
 */
final class Interpolation {
    /** Annex 2 asks for 192 kHz or more after oversampling (four times at 48 kHz). */
    private static final int OVERSAMPLED_RATE = 192_000;

    /** Samples to either side that take part in one value. */
    static final int REACH = 16;

    private static final double KAISER_BETA = 8;

    private final float[][] phases;
    private final float bound;

    Interpolation(int sampleRate) {
        int factor = Math.max(1, (OVERSAMPLED_RATE + sampleRate - 1) / sampleRate);
        phases = new float[factor - 1][2 * REACH];
        double largestSum = 1;
        for (int p = 1; p < factor; p++) {
            float[] taps = phases[p - 1];
            double shift = (double) p / factor;
            double sum = 0;
            for (int k = 0; k < taps.length; k++) {
                double distance = k - (REACH - 1) - shift;
                double window = besselI0(KAISER_BETA * Math.sqrt(Math.max(0, 1 - square(distance / REACH))))
                        / besselI0(KAISER_BETA);
                taps[k] = (float) (window * sinc(distance));
                sum += taps[k];
            }
            double absolute = 0;
            for (int k = 0; k < taps.length; k++) {
                taps[k] /= (float) sum;
                absolute += Math.abs(taps[k]);
            }
            largestSum = Math.max(largestSum, absolute);
        }
        bound = (float) largestSum;
    }

    /** No interpolated value is more than this many times the largest sample within reach. */
    float bound() {
        return bound;
    }

    /**
     * For each of {@code count} samples the largest magnitude at it and between it and the next one.
     *
     * @param x samples, with the reach inside the array at both ends
     * @param start {@code REACH - 1} or more, and at most {@code x.length - REACH - count}
     * @param peaks at least {@code count} long
     * @param sums room for {@code count} values
     */
    void peaks(float[] x, int start, int count, float[] peaks, float[] sums) {
        for (int i = 0; i < count; i++) {
            peaks[i] = Math.abs(x[start + i]);
        }
        for (float[] taps : phases) {
            Arrays.fill(sums, 0, count, 0);
            // Taps outside, samples inside: the form that the compiler turns into vector instructions.
            for (int k = 0; k < taps.length; k++) {
                float tap = taps[k];
                int first = start - (REACH - 1) + k;
                for (int i = 0; i < count; i++) {
                    sums[i] += tap * x[first + i];
                }
            }
            for (int i = 0; i < count; i++) {
                peaks[i] = Math.max(peaks[i], Math.abs(sums[i]));
            }
        }
    }

    private static double square(double x) {
        return x * x;
    }

    private static double sinc(double x) {
        return x == 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x);
    }

    /** The modified Bessel function of order 0 by its power series. */
    private static double besselI0(double x) {
        double sum = 1;
        double term = 1;
        for (int k = 1; term > 1e-12 * sum; k++) {
            term *= square(x / (2 * k));
            sum += term;
        }
        return sum;
    }
}
