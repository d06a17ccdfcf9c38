package prolalia.media.benchmark;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import prolalia.core.sound.Sound;
import prolalia.core.sound.SoundMeter;
import prolalia.core.sound.Span;
import prolalia.core.sound.edit.PauseSkips;

/**
 * How much of known speech is skipped with long pauses, and how much shorter answers are. Answers of about 20 s are made of
 * sentences of espeak-ng with pauses of 0.5 to 3 s between them, over steady white or pink noise, at several distances. Real
 * children mumble, breathe and laugh, and real rooms aren't steady: both are harder than this.
 */
public final class PausesBenchmark {
    private static final int RATE = 48_000;
    private static final int ANSWERS = 60;
    private static final double ANSWER_S = 20;
    private static final double SPEED = 1.25;

    /** 42 dB under the loudest moment nothing is heard as speech. */
    private static final double INAUDIBLE = Math.pow(10, -4.2);

    private PausesBenchmark() {}

    public static void main(String[] arguments) throws Exception {
        List<MadeSpeech.Spoken> sentences = MadeSpeech.all();
        for (double snrDb : new double[] {30, 20, 15, 10}) {
            measure(sentences, snrDb);
        }
    }

    private static void measure(List<MadeSpeech.Spoken> sentences, double snrDb) {
        Random random = new Random(5);
        long speechMs = 0;
        long lostMs = 0;
        int harmed = 0;
        double heard = 0;
        double longest = 0;
        for (int n = 0; n < ANSWERS; n++) {
            float[] samples = new float[(int) (RATE * (ANSWER_S + 8))];
            List<Span> speech = new ArrayList<>();
            double power = 0;
            int at = (int) (RATE * (0.3 + random.nextDouble()));
            while (at < RATE * ANSWER_S) {
                float[] spoken = sentences.get(random.nextInt(sentences.size())).samples();
                if (at + spoken.length >= samples.length) {
                    break;
                }
                System.arraycopy(spoken, 0, samples, at, spoken.length);
                speech.add(new Span(at * 1000L / RATE, (at + spoken.length) * 1000L / RATE));
                power = Math.max(power, MadeSpeech.rms(spoken));
                at += spoken.length + (int) (RATE * (0.5 + 2.5 * random.nextDouble() * random.nextDouble()));
            }
            int length = Math.min(samples.length, at);
            float[] noise = MadeSpeech.noise(length, power * Math.pow(10, -snrDb / 20), n % 2 == 0, random);
            float[] mixed = new float[length];
            for (int i = 0; i < length; i++) {
                mixed[i] = samples[i] + noise[i];
            }
            Sound answer = new Sound(mixed, RATE);
            List<Span> skips = PauseSkips.of(
                    answer.durationMs(), SoundMeter.measure(answer).speech());
            long lost = audibleMs(samples, skips);
            speechMs += audibleMs(samples, speech);
            lostMs += lost;
            harmed += lost > 0 ? 1 : 0;
            double share = PauseSkips.heardMs(answer.durationMs(), skips) / (double) answer.durationMs() / SPEED;
            heard += share;
            longest = Math.max(longest, share);
        }
        System.out.printf(
                Locale.ROOT,
                "pauses of %d answers at %.0f dB: %d of %d ms of speech skipped, in %d answers; at speed %.2f heard in %.0f %% of their length (longest %.0f %%)%n",
                ANSWERS,
                snrDb,
                lostMs,
                speechMs,
                harmed,
                SPEED,
                100 * heard / ANSWERS,
                100 * longest);
    }

    /** How much of the speech within some spans could be heard without the noise: a sentence has pauses of its own. */
    private static long audibleMs(float[] speech, List<Span> spans) {
        int hop = RATE / 100;
        double loudest = 0;
        for (int at = 0; at + hop <= speech.length; at += hop) {
            loudest = Math.max(loudest, power(speech, at, hop));
        }
        long ms = 0;
        for (Span span : spans) {
            for (long frame = span.startMs() / 10; frame < span.endMs() / 10; frame++) {
                int at = (int) frame * hop;
                boolean audible = at + hop <= speech.length && power(speech, at, hop) > loudest * INAUDIBLE;
                ms += audible ? 10 : 0;
            }
        }
        return ms;
    }

    private static double power(float[] samples, int at, int length) {
        double sum = 0;
        for (int i = at; i < at + length; i++) {
            sum += samples[i] * samples[i];
        }
        return sum;
    }
}
