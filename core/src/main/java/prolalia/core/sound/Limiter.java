package prolalia.core.sound;

import java.util.Arrays;

/**
 * Holds the true peak under a ceiling by turning the gain down before a peak comes and up again after it; the wave is
 * never cut off.
 *
 * <p>The gain that a sample needs is the ceiling over the largest magnitude at or next to it, between samples included
 * ({@link Interpolation}). Its minimum over the look-ahead, released exponentially and then averaged over the same
 * length, is at every sample at most what the sample needs (the average of values that are all at most that).
 */
final class Limiter {
    /** Peaks are kept as so many steps of the largest that there can be, rounded up. */
    private static final int STEPS = Character.MAX_VALUE;

    /** Short enough not to be heard as a dip, long enough not to be heard as distortion. */
    private static final double LOOK_AHEAD_SECONDS = 0.005;

    private static final double RELEASE_SECONDS = 0.08;

    private static final int STRIDE = 32;

    private final float[] x;
    private final int sampleRate;
    private final double ceiling;
    private final Interpolation interpolation;
    private final float largest;

    /** The largest sample of each stretch. */
    private final float[] loudest;

    /** The peaks of each stretch that was loud enough to be looked at, by its number: every gain asks for the same ones. */
    private final char[][] known;

    /** @param sound isn't changed */
    Limiter(Sound sound, double ceilingDbtp) {
        x = sound.samples();
        sampleRate = sound.sampleRate();
        ceiling = Decibels.toAmplitude(ceilingDbtp);
        interpolation = new Interpolation(sampleRate);
        known = new char[(x.length + STRIDE - 1) / STRIDE][];
        loudest = new float[known.length];
        float most = 0;
        for (int i = 0; i < x.length; i++) {
            loudest[i / STRIDE] = Math.max(loudest[i / STRIDE], Math.abs(x[i]));
        }
        for (float each : loudest) {
            most = Math.max(most, each);
        }
        largest = Math.max(Float.MIN_NORMAL, most * interpolation.bound());
    }

    /** The samples with {@code gain}, limited where the ceiling asks for it. */
    float[] apply(double gain) {
        float[] limited = new float[x.length];
        float[] needed = neededGain(gain);
        if (needed == null) {
            for (int i = 0; i < x.length; i++) {
                limited[i] = (float) (x[i] * gain);
            }
            return limited;
        }
        int ahead = Math.max(1, (int) (LOOK_AHEAD_SECONDS * sampleRate));
        slidingMinimum(needed, ahead);
        double release = 1 - Math.exp(-1 / (RELEASE_SECONDS * sampleRate));
        double held = 1;
        double sum = ahead;
        float[] recent = new float[ahead];
        int slot = 0;
        Arrays.fill(recent, 1);
        // The average at sample i covers the held gains of i - ahead + 1 to i, each a minimum that includes sample i.
        for (int i = 0; i < x.length; i++) {
            held = Math.min(needed[i], held + (1 - held) * release);
            sum += held - recent[slot];
            recent[slot] = (float) held;
            slot = slot + 1 == ahead ? 0 : slot + 1;
            limited[i] = (float) (x[i] * gain * sum / ahead);
        }
        return limited;
    }

    /** The gain that each sample needs to stay under the ceiling, or null when none needs any. */
    private float[] neededGain(double gain) {
        int reach = Interpolation.REACH;
        float[] needed = null;
        float limit = (float) (ceiling / gain);
        float[] window = new float[STRIDE + 2 * reach];
        float[] peaks = new float[STRIDE];
        float[] sums = new float[STRIDE];
        float step = largest / STEPS;
        float steps = STEPS / largest;
        for (int block = 0; block < known.length; block++) {
            int start = block * STRIDE;
            if (known[block] == null) {
                if (loudestAbout(block) * interpolation.bound() <= limit) {
                    continue;
                }
                copyWindow(x, start - (reach - 1), window);
                interpolation.peaks(window, reach - 1, STRIDE, peaks, sums);
                known[block] = new char[STRIDE];
                for (int i = 0; i < STRIDE; i++) {
                    known[block][i] = (char) Math.min(STEPS, (int) (peaks[i] * steps) + 1);
                }
            }
            for (int i = start; i < Math.min(x.length, start + STRIDE); i++) {
                float peak = known[block][i - start] * step;
                if (peak > limit) {
                    if (needed == null) {
                        needed = new float[x.length];
                        Arrays.fill(needed, 1);
                    }
                    needed[i] = Math.min(needed[i], limit / peak);
                    if (i + 1 < x.length) {
                        needed[i + 1] = Math.min(needed[i + 1], limit / peak);
                    }
                }
            }
        }
        return needed;
    }

    /** The largest sample of a stretch and its neighbours, within which its interpolation reaches. */
    private float loudestAbout(int block) {
        float before = block > 0 ? loudest[block - 1] : 0;
        float after = block + 1 < loudest.length ? loudest[block + 1] : 0;
        return Math.max(loudest[block], Math.max(before, after));
    }

    private static void copyWindow(float[] x, int from, float[] window) {
        int first = Math.max(0, from);
        int end = Math.min(x.length, from + window.length);
        Arrays.fill(window, 0);
        System.arraycopy(x, first, window, first - from, Math.max(0, end - first));
    }

    /** Replaces each value by the minimum of itself and the {@code ahead - 1} after it. */
    private static void slidingMinimum(float[] x, int ahead) {
        // Candidates for the minimum, nearest first; each is smaller than all before it. A ring of a power of two.
        int mask = Integer.highestOneBit(ahead) * 2 - 1;
        int[] at = new int[mask + 1];
        float[] value = new float[mask + 1];
        int head = 0;
        int tail = 0;
        for (int i = x.length - 1; i >= 0; i--) {
            while (tail > head && value[(tail - 1) & mask] >= x[i]) {
                tail--;
            }
            at[tail & mask] = i;
            value[tail & mask] = x[i];
            tail++;
            if (at[head & mask] >= i + ahead) {
                head++;
            }
            x[i] = value[head & mask];
        }
    }
}
