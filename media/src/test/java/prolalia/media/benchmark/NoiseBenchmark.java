package prolalia.media.benchmark;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import prolalia.core.sound.Sound;
import prolalia.core.sound.SoundMeter;
import prolalia.core.sound.Span;
import prolalia.core.sound.edit.NoiseReduction;

/**
 * How much noise reduction lowers the noise under spoken sentences, and whether it takes words away with it. Speech to noise
 * is worked out from the parts themselves: the reduction is told nothing of them.
 */
public final class NoiseBenchmark {
    private static final int RATE = Sound.TAKE_SAMPLE_RATE;
    private static final double[] SPEECH_TO_NOISE_DB = {10, 15, 20};
    private static final int FRAME = RATE / 100;

    private NoiseBenchmark() {}

    public static void main(String[] arguments) throws Exception {
        List<MadeSpeech.Spoken> all = MadeSpeech.all();
        for (boolean pink : new boolean[] {true, false}) {
            for (double snrDb : SPEECH_TO_NOISE_DB) {
                run(all, pink, snrDb);
            }
        }
    }

    private static void run(List<MadeSpeech.Spoken> all, boolean pink, double snrDb) {
        double gained = 0;
        double least = Double.MAX_VALUE;
        double covered = 0;
        double leastCovered = 1;
        int sets = 0;
        for (int i = 0; i < all.size(); i += 5) {
            Random random = new Random(i);
            float[] clean = padded(all.get(i).samples());
            float[] noise = noiseFor(clean, all.get(i), snrDb, pink, random);
            float[] noisy = new float[clean.length];
            for (int k = 0; k < noisy.length; k++) {
                noisy[k] = clean[k] + noise[k];
            }
            float[] reduced = NoiseReduction.reduce(new Sound(noisy, RATE)).samples();
            List<Span> speech = SoundMeter.measure(new Sound(clean, RATE)).speech();
            double before = speechToNoise(noisy, speech);
            double gain = speechToNoise(reduced, speech) - before;
            double share =
                    covered(speech, SoundMeter.measure(new Sound(reduced, RATE)).speech());
            gained += gain;
            least = Math.min(least, gain);
            covered += share;
            leastCovered = Math.min(leastCovered, share);
            sets++;
        }
        System.out.printf(
                Locale.ROOT,
                "noise reduction, %s noise at %.0f dB, %d sentences: speech to noise %+.1f dB (least %+.1f), "
                        + "%.1f %% of the clean speech still found (least %.1f %%)%n",
                pink ? "pink" : "white",
                snrDb,
                sets,
                gained / sets,
                least,
                100 * covered / sets,
                100 * leastCovered);
    }

    /** A second of quiet before and after. */
    private static float[] padded(float[] spoken) {
        float[] padded = new float[spoken.length + 2 * RATE];
        System.arraycopy(spoken, 0, padded, RATE, spoken.length);
        return padded;
    }

    private static float[] noiseFor(
            float[] clean, MadeSpeech.Spoken spoken, double snrDb, boolean pink, Random random) {
        double level = MadeSpeech.rms(spoken.samples()) / Math.pow(10, snrDb / 20);
        return MadeSpeech.noise(clean.length, level, pink, random);
    }

    /** The level in frames of speech over the level in all others, in dB. */
    private static double speechToNoise(float[] x, List<Span> speech) {
        List<Double> loud = new ArrayList<>();
        List<Double> quiet = new ArrayList<>();
        for (int frame = 0; (frame + 1) * FRAME <= x.length; frame++) {
            double power = 0;
            for (int i = frame * FRAME; i < (frame + 1) * FRAME; i++) {
                power += x[i] * x[i];
            }
            long ms = frame * 10L;
            boolean spoken = speech.stream().anyMatch(span -> ms >= span.startMs() && ms < span.endMs());
            boolean near = speech.stream().anyMatch(span -> ms >= span.startMs() - 100 && ms < span.endMs() + 100);
            if (spoken) {
                loud.add(power);
            } else if (!near) {
                quiet.add(power);
            }
        }
        return 10 * Math.log10(mean(loud) / Math.max(1e-12, mean(quiet)));
    }

    private static double mean(List<Double> values) {
        return values.stream().mapToDouble(Double::doubleValue).average().orElse(0);
    }

    /** The share of the clean speech that lies within the speech that is found. */
    private static double covered(List<Span> clean, List<Span> found) {
        long all = 0;
        long within = 0;
        for (Span span : clean) {
            for (long ms = span.startMs(); ms < span.endMs(); ms += 10) {
                long at = ms;
                all++;
                within += found.stream().anyMatch(each -> at >= each.startMs() && at < each.endMs()) ? 1 : 0;
            }
        }
        return all == 0 ? 1 : (double) within / all;
    }
}
