package prolalia.media.benchmark;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import prolalia.core.script.Syllables;
import prolalia.core.sound.Finding;
import prolalia.core.sound.Finding.Kind;
import prolalia.core.sound.Sound;
import prolalia.core.sound.SoundCheck;
import prolalia.core.sound.SoundMeter;

/** How often each finding of the sound check is right on takes made with and without the fault. Prints figures. */
public final class SoundCheckBenchmark {
    private static final int RATE = Sound.TAKE_SAMPLE_RATE;
    private static final int TAKES = 100;

    private SoundCheckBenchmark() {}

    public static void main(String[] arguments) throws Exception {
        List<MadeSpeech.Spoken> spoken = MadeSpeech.all().stream()
                .filter(each -> Syllables.of(each.words()) > 5)
                .toList();
        System.out.printf(
                "sound check: of %d takes each, found where the fault is / not found where it isn't%n", TAKES);
        for (Kind kind : EnumSet.complementOf(EnumSet.of(Kind.TOO_LONG))) {
            int hits = 0;
            int clean = 0;
            Random random = new Random(kind.ordinal());
            for (int i = 0; i < TAKES; i++) {
                MadeSpeech.Spoken each = spoken.get(i % spoken.size());
                hits += found(faulty(kind, each, random), each.words()).contains(kind) ? 1 : 0;
                clean += found(good(each, random), each.words()).contains(kind) ? 0 : 1;
            }
            System.out.printf("  %-15s %3d / %3d%n", kind.id(), hits, clean);
        }
    }

    private static Set<Kind> found(float[] x, String words) {
        return SoundCheck.check(SoundMeter.measure(new Sound(x, RATE)), words, 600_000).stream()
                .map(Finding::kind)
                .collect(Collectors.toSet());
    }

    /** A take as teachers make them: a second of room around it, 25 to 40 dB of speech to noise, -12 dBFS peak. */
    private static float[] good(MadeSpeech.Spoken spoken, Random random) {
        float[] voice = scaled(spoken.samples(), -12 + 6 * random.nextDouble());
        return inRoom(voice, 25 + 15 * random.nextDouble(), random);
    }

    private static float[] faulty(Kind kind, MadeSpeech.Spoken spoken, Random random) {
        float[] voice = scaled(spoken.samples(), -12 + 6 * random.nextDouble());
        double snrDb = 25 + 15 * random.nextDouble();
        return switch (kind) {
            case NOTHING_SAID ->
                MadeSpeech.noise(RATE * 3, Math.pow(10, (-60 + 30 * random.nextDouble()) / 20), true, random);
            case TOO_QUIET -> inRoom(scaled(spoken.samples(), -34 - 10 * random.nextDouble()), snrDb, random);
            case CLIPPED -> clipped(inRoom(scaled(spoken.samples(), 2 + 6 * random.nextDouble()), snrDb, random));
            case NOISY -> inRoom(voice, 4 + 9 * random.nextDouble(), random);
            case CUT_OFF_START -> {
                float[] whole = inRoom(voice, snrDb, random);
                yield Arrays.copyOfRange(whole, loudPlace(whole, 0.1, 0.5, random), whole.length);
            }
            case CUT_OFF_END -> {
                float[] whole = inRoom(voice, snrDb, random);
                yield Arrays.copyOf(whole, loudPlace(whole, 0.5, 0.9, random));
            }
            case LONG_GAP -> gapped(voice, 2.3 + 2 * random.nextDouble(), snrDb, random);
            case TOO_FAST -> inRoom(paced(voice, spoken.words(), 5.6 + 1.4 * random.nextDouble()), snrDb, random);
            case MUCH_SHORTER -> inRoom(paced(voice, spoken.words(), 9 + 4 * random.nextDouble()), snrDb, random);
            case TOO_SLOW -> inRoom(paced(voice, spoken.words(), 0.85 + 0.4 * random.nextDouble()), snrDb, random);
            case MUCH_LONGER -> inRoom(paced(voice, spoken.words(), 0.3 + 0.3 * random.nextDouble()), snrDb, random);
            case TOO_LONG -> throw new IllegalArgumentException("A matter of length alone");
        };
    }

    private static float[] scaled(float[] x, double peakDbfs) {
        float largest = 0;
        for (float sample : x) {
            largest = Math.max(largest, Math.abs(sample));
        }
        float[] y = x.clone();
        for (int i = 0; i < y.length; i++) {
            y[i] *= (float) (Math.pow(10, peakDbfs / 20) / largest);
        }
        return y;
    }

    private static float[] inRoom(float[] voice, double snrDb, Random random) {
        int before = (int) (RATE * (0.4 + random.nextDouble()));
        int after = (int) (RATE * (0.4 + random.nextDouble()));
        float[] x = MadeSpeech.noise(
                before + voice.length + after,
                MadeSpeech.rms(voice) * Math.pow(10, -snrDb / 20),
                random.nextBoolean(),
                random);
        for (int i = 0; i < voice.length; i++) {
            x[before + i] += voice[i];
        }
        return x;
    }

    private static float[] clipped(float[] x) {
        for (int i = 0; i < x.length; i++) {
            x[i] = Math.max(-1, Math.min(1, x[i]));
        }
        return x;
    }

    /** A place between two shares of the sound where somebody is in the middle of a word. */
    private static int loudPlace(float[] x, double from, double to, Random random) {
        double loud = 0.7 * MadeSpeech.rms(x);
        for (int tries = 0; ; tries++) {
            int at = (int) (x.length * (from + (to - from) * random.nextDouble()));
            double around = MadeSpeech.rms(Arrays.copyOfRange(x, at - RATE / 50, at + RATE / 50));
            if (around > loud || tries > 500) {
                return at;
            }
        }
    }

    private static float[] gapped(float[] voice, double gapSeconds, double snrDb, Random random) {
        int at = voice.length / 2;
        float[] x = new float[voice.length + (int) (gapSeconds * RATE)];
        System.arraycopy(voice, 0, x, 0, at);
        System.arraycopy(voice, at, x, x.length - (voice.length - at), voice.length - at);
        return inRoom(x, snrDb, random);
    }

    /** The voice played faster or slower until it has a pace, in syllables a second of speech. */
    private static float[] paced(float[] voice, String words, double syllablesPerSecond) {
        double seconds = Syllables.of(words) / syllablesPerSecond;
        double spoken = SoundMeter.measure(new Sound(voice, RATE)).speechMs() / 1000.0;
        double factor = spoken / seconds;
        float[] y = new float[(int) (voice.length / factor)];
        if (factor >= 0.5) {
            for (int i = 0; i < y.length; i++) {
                y[i] = voice[Math.min(voice.length - 1, (int) (i * factor))];
            }
            return y;
        }
        // Slower than half would not sound like a voice: the words are said over and over instead.
        for (int i = 0; i < y.length; i++) {
            y[i] = voice[i % voice.length];
        }
        return y;
    }
}
