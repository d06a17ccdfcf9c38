package prolalia.core.sound;

import java.util.Arrays;

/**
 * The shape of speech, frame by frame of {@link SpeechFrames}: how far it stands out of the noise, where its syllables are, and
 * where it changes. Values only; any thread may read one.
 */
public final class SpeechShape {
    /** Syllables are looked for in the bands of the vowels' first formants, 300 to 1500 Hz. */
    private static final int FIRST_VOWEL_BAND = 1;

    private static final int LAST_VOWEL_BAND = 2;

    /** Half a width, in frames, of the hill that a syllable is smoothed to. */
    private static final int SMOOTH_FRAMES = 4;

    /** A syllable stands out of the dips beside it by this much. */
    private static final double PROMINENCE_DB = 2.5;

    /** Frames to either side that are compared for a change. */
    private static final int CHANGE_FRAMES = 2;

    private static final double LEAST = 1e-10;

    /** More than this over the noise says no more. */
    private static final double MOST_DB = 40;

    private static final double NOISE_SHARE = 0.1;

    private final double[] overNoise;
    private final double[] change;
    private final boolean[] nucleus;

    private SpeechShape(double[] overNoise, double[] change, boolean[] nucleus) {
        this.overNoise = overNoise;
        this.change = change;
        this.nucleus = nucleus;
    }

    public static SpeechShape of(SpeechFrames frames) {
        int n = frames.count();
        double[][] bands = new double[SpeechFrames.BANDS][n];
        double[] overNoise = new double[n];
        for (int band = 0; band < SpeechFrames.BANDS; band++) {
            double[] db = bands[band];
            for (int i = 0; i < n; i++) {
                db[i] = 10 * Math.log10(frames.bandPower(i, band) + LEAST);
            }
            double noise = quietest(db);
            for (int i = 0; i < n; i++) {
                db[i] = Math.max(0, Math.min(MOST_DB, db[i] - noise));
                overNoise[i] = Math.max(overNoise[i], db[i]);
            }
        }
        return new SpeechShape(smooth(overNoise, 1), changes(bands), nuclei(frames));
    }

    private static double quietest(double[] db) {
        double[] sorted = db.clone();
        Arrays.sort(sorted);
        int count = Math.max(1, (int) (sorted.length * NOISE_SHARE));
        double sum = 0;
        for (int i = 0; i < Math.min(count, sorted.length); i++) {
            sum += sorted[i];
        }
        return sum / count + 3;
    }

    private static double[] changes(double[][] bands) {
        int n = bands[0].length;
        double[] change = new double[n];
        for (int i = CHANGE_FRAMES; i < n - CHANGE_FRAMES; i++) {
            double sum = 0;
            for (double[] band : bands) {
                double step = band[i + CHANGE_FRAMES] - band[i - CHANGE_FRAMES];
                sum += step * step;
            }
            change[i] = Math.sqrt(sum / bands.length);
        }
        return change;
    }

    private static boolean[] nuclei(SpeechFrames frames) {
        int n = frames.count();
        double[] vowels = new double[n];
        for (int i = 0; i < n; i++) {
            double power = LEAST;
            for (int band = FIRST_VOWEL_BAND; band <= LAST_VOWEL_BAND; band++) {
                power += frames.bandPower(i, band);
            }
            vowels[i] = 10 * Math.log10(power);
        }
        double[] hill = smooth(smooth(vowels, SMOOTH_FRAMES), SMOOTH_FRAMES / 2);
        boolean[] nucleus = new boolean[n];
        double floor = quietest(hill);
        double dip = Double.MAX_VALUE;
        double peak = -Double.MAX_VALUE;
        int at = -1;
        for (int i = 0; i < n; i++) {
            if (at >= 0 && hill[i] > peak || at < 0 && hill[i] > dip + PROMINENCE_DB && hill[i] > floor + 6) {
                at = i;
                peak = hill[i];
            } else if (at >= 0 && hill[i] < peak - PROMINENCE_DB) {
                nucleus[at] = frames.periodicity(at) > 0.4;
                at = -1;
                dip = hill[i];
            }
            dip = at < 0 ? Math.min(dip, hill[i]) : dip;
        }
        return nucleus;
    }

    private static double[] smooth(double[] values, int half) {
        double[] smooth = new double[values.length];
        for (int i = 0; i < values.length; i++) {
            double sum = 0;
            double weights = 0;
            for (int j = -half; j <= half; j++) {
                if (i + j >= 0 && i + j < values.length) {
                    double weight = half + 1 - Math.abs(j);
                    sum += weight * values[i + j];
                    weights += weight;
                }
            }
            smooth[i] = sum / weights;
        }
        return smooth;
    }

    public int frames() {
        return overNoise.length;
    }

    /** How far the frame stands out of the noise of its own recording, in its loudest band: 0 to 40 dB. */
    public double overNoiseDb(int frame) {
        return overNoise[frame];
    }

    /** How much the spectrum changes around the frame, in dB. */
    public double changeDb(int frame) {
        return change[frame];
    }

    /** Whether a syllable has its middle at the frame. */
    public boolean isNucleus(int frame) {
        return nucleus[frame];
    }
}
