package prolalia.core.sound;

/**
 * The true peak of one channel, ITU-R BS.1770-5 Annex 2: the largest magnitude at or between its samples.
 *
 * <p>Samples that can't hold a new peak (see {@link Interpolation#bound()}) are passed over, which changes no result and
 * saves most of the work on speech. Not thread-safe.
 */
public final class TruePeakMeter {
    private static final int BLOCK = 4096;
    private static final int STRIDE = 64;

    private final Interpolation interpolation;
    private final float[] buffer = new float[2 * Interpolation.REACH + BLOCK];
    private final float[] peaks = new float[STRIDE];
    private final float[] sums = new float[STRIDE];
    private int held = Interpolation.REACH;
    private float peak;

    public TruePeakMeter(int sampleRate) {
        interpolation = new Interpolation(sampleRate);
    }

    /** Takes the next {@code count} samples. */
    public void add(float[] samples, int count) {
        int from = 0;
        while (from < count) {
            int n = Math.min(buffer.length - held, count - from);
            System.arraycopy(samples, from, buffer, held, n);
            held += n;
            from += n;
            if (held == buffer.length) {
                drain();
            }
        }
    }

    private void drain() {
        int reach = Interpolation.REACH;
        int last = held - reach;
        for (int start = reach - 1; start < last; start += STRIDE) {
            int end = Math.min(last, start + STRIDE);
            float largest = 0;
            for (int i = start - (reach - 1); i < end + reach; i++) {
                largest = Math.max(largest, Math.abs(buffer[i]));
            }
            if (largest * interpolation.bound() > peak) {
                interpolation.peaks(buffer, start, end - start, peaks, sums);
                for (int i = 0; i < end - start; i++) {
                    peak = Math.max(peak, peaks[i]);
                }
            }
        }
        int keep = 2 * reach - 1;
        System.arraycopy(buffer, held - keep, buffer, 0, keep);
        held = keep;
    }

    /** The true peak of all that was added, in dBTP; negative infinity when all of it is digital silence. */
    public double truePeakDbtp() {
        TruePeakMeter end = new TruePeakMeter(this);
        end.add(new float[2 * Interpolation.REACH], 2 * Interpolation.REACH);
        end.drain();
        return Decibels.ofAmplitude(end.peak);
    }

    private TruePeakMeter(TruePeakMeter other) {
        interpolation = other.interpolation;
        System.arraycopy(other.buffer, 0, buffer, 0, other.held);
        held = other.held;
        peak = other.peak;
    }

    /** The true peak of a whole sound in dBTP. */
    public static double ofMono(Sound sound) {
        TruePeakMeter meter = new TruePeakMeter(sound.sampleRate());
        meter.add(sound.samples(), sound.samples().length);
        return meter.truePeakDbtp();
    }
}
