package prolalia.core.sound;

import java.util.Arrays;

/**
 * Integrated loudness of a programme, gated, as ITU-R BS.1770-5 Annex 1 says.
 *
 * <pre>{@code
 * LoudnessMeter meter = new LoudnessMeter(48_000, 1);
 * meter.add(new float[][] {samples}, samples.length);
 * double lufs = meter.integratedLufs();
 * }</pre>
 *
 * <p>A mono sound counts once (not as two speakers). Not thread-safe.
 */
public final class LoudnessMeter {
    /** What the meter reads when nothing passes the absolute gate: silence, or less than one block of 400 ms. */
    public static final double SILENCE_LUFS = -70.0;

    /** The constant of equation (2): a 997 Hz sine at 0 dBFS in one channel reads -3.01 LKFS. */
    private static final double OFFSET_DB = -0.691;

    private static final double RELATIVE_GATE_LU = -10;

    /** Blocks of 400 ms overlap by 75 %, so each is four steps of 100 ms. */
    private static final int STEPS_PER_BLOCK = 4;

    private static final int STEPS_PER_SECOND = 10;
    private static final double SURROUND_WEIGHT = 1.41;

    private final KWeighting[] filters;
    private final double[] weights;
    private final int samplesPerStep;
    private final double[] filtered;
    private double stepPower;
    private int stepSamples;
    private double[] steps = new double[256];
    private int stepCount;

    /**
     * @param sampleRate samples a second
     * @param channels 1 or more, in the order of ISO/IEC 23001-8 (left, right, centre, low frequency, surrounds)
     */
    public LoudnessMeter(int sampleRate, int channels) {
        filters = new KWeighting[channels];
        Arrays.setAll(filters, channel -> new KWeighting(sampleRate));
        weights = weightsFor(channels);
        samplesPerStep = Math.max(1, sampleRate / STEPS_PER_SECOND);
        filtered = new double[samplesPerStep];
    }

    /** Weights of Table 3; the low-frequency channel is left out of the sum. */
    private static double[] weightsFor(int channels) {
        double s = SURROUND_WEIGHT;
        return switch (channels) {
            case 4 -> new double[] {1, 1, s, s};
            case 5 -> new double[] {1, 1, 1, s, s};
            case 6 -> new double[] {1, 1, 1, 0, s, s};
            case 8 -> new double[] {1, 1, 1, 0, s, s, s, s};
            default -> {
                double[] all = new double[channels];
                Arrays.fill(all, 1);
                yield all;
            }
        };
    }

    /**
     * @param channels one array a channel
     * @param count how many samples of each array to take
     */
    public void add(float[][] channels, int count) {
        int from = 0;
        while (from < count) {
            int part = Math.min(samplesPerStep - stepSamples, count - from);
            for (int c = 0; c < filters.length; c++) {
                filters[c].filter(channels[c], from, part, filtered);
                double sum = 0;
                for (int i = 0; i < part; i++) {
                    sum += filtered[i] * filtered[i];
                }
                stepPower += weights[c] * sum;
            }
            from += part;
            stepSamples += part;
            if (stepSamples == samplesPerStep) {
                endStep();
            }
        }
    }

    private void endStep() {
        if (stepCount == steps.length) {
            steps = Arrays.copyOf(steps, 2 * stepCount);
        }
        steps[stepCount++] = stepPower / samplesPerStep;
        stepPower = 0;
        stepSamples = 0;
    }

    /** Integrated loudness in LUFS, {@link #SILENCE_LUFS} when nothing passes the absolute gate. */
    public double integratedLufs() {
        double ungated = meanPowerAbove(powerOf(SILENCE_LUFS));
        if (Double.isNaN(ungated)) {
            return SILENCE_LUFS;
        }
        double gate = Math.max(powerOf(SILENCE_LUFS), powerOf(lufsOf(ungated) + RELATIVE_GATE_LU));
        double gated = meanPowerAbove(gate);
        return Double.isNaN(gated) ? SILENCE_LUFS : lufsOf(gated);
    }

    private double meanPowerAbove(double gate) {
        double sum = 0;
        int blocks = 0;
        for (int i = STEPS_PER_BLOCK; i <= stepCount; i++) {
            double power = (steps[i - 4] + steps[i - 3] + steps[i - 2] + steps[i - 1]) / STEPS_PER_BLOCK;
            if (power > gate) {
                sum += power;
                blocks++;
            }
        }
        return blocks == 0 ? Double.NaN : sum / blocks;
    }

    private static double lufsOf(double power) {
        return OFFSET_DB + Decibels.ofPower(power);
    }

    private static double powerOf(double lufs) {
        return Math.pow(10, (lufs - OFFSET_DB) / 10);
    }

    /** Integrated loudness of one channel; a sound shorter than one block is filled up with silence. */
    public static double ofMono(Sound sound) {
        LoudnessMeter meter = new LoudnessMeter(sound.sampleRate(), 1);
        meter.add(new float[][] {sound.samples()}, sound.samples().length);
        int missing = STEPS_PER_BLOCK * meter.samplesPerStep - sound.samples().length;
        if (missing > 0) {
            meter.add(new float[][] {new float[missing]}, missing);
        }
        return meter.integratedLufs();
    }
}
