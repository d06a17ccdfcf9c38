package prolalia.core.sound;

/**
 * The true peak of one channel, ITU-R BS.1770-5 Annex 2: the largest magnitude at or between its samples.
 *
 * <p>Samples that can't hold a new peak (see {@link Interpolation#bound()}) are passed over, which changes no result and
 * saves most of the work on speech. Not thread-safe.
 */
public final class TruePeakMeter {
    private static final int BLOCK = 4096;
    private static final int STRIDE = 32;

    private final Interpolation interpolation;
    private final float[] buffer = new float[2 * Interpolation.REACH + BLOCK];
    private final float[] peaks = new float[STRIDE];
    private final float[] sums = new float[STRIDE];
    private int held = Interpolation.REACH;
    private float peak;
    private boolean startMirrored;

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

    /**
     * Before its first sample a sound is taken to be mirrored, and so after its last: a recording that begins or ends in
     * the middle of a wave isn't charged with the click that silence would make there.
     */
    private void mirrorStart() {
        int first = Interpolation.REACH;
        for (int n = 1; n <= first && first + n < held; n++) {
            buffer[first - n] = buffer[first + n];
        }
        startMirrored = true;
    }

    private void drain() {
        int reach = Interpolation.REACH;
        if (!startMirrored) {
            mirrorStart();
        }
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
        float[] after = new float[Interpolation.REACH];
        for (int n = 0; n < after.length && n < held; n++) {
            after[n] = buffer[held - 1 - n];
        }
        end.add(after, after.length);
        end.drain();
        return Decibels.ofAmplitude(end.peak);
    }

    private TruePeakMeter(TruePeakMeter other) {
        interpolation = other.interpolation;
        System.arraycopy(other.buffer, 0, buffer, 0, other.held);
        held = other.held;
        peak = other.peak;
        startMirrored = other.startMirrored;
    }

    /** The true peak of a whole sound in dBTP. */
    public static double ofMono(Sound sound) {
        TruePeakMeter meter = new TruePeakMeter(sound.sampleRate());
        meter.add(sound.samples(), sound.samples().length);
        return meter.truePeakDbtp();
    }
}
