package prolalia.media.benchmark;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import prolalia.core.sound.Sound;
import prolalia.core.sound.Span;
import prolalia.media.SoundReader;

/** Spoken sentences for benchmarks, made with espeak-ng: known words, known beginnings and ends. */
final class MadeSpeech {
    static final List<String> SENTENCES = List.of(
            "Look at the picture. Point to the seed that is awake.",
            "A bean sleeps in the dry soil until the rain comes.",
            "Which part comes out of the seed first?",
            "the root",
            "Press the hat.",
            "Fish swim fast.",
            "Six thin sticks",
            "Now show your partner.",
            "How many buns cost less than half a crown?",
            "Yes! The root comes first and drinks the water.",
            "It is the part that drinks the water first.");

    private static final List<String> VOICES =
            List.of("en-gb", "en-us", "en-gb-scotland", "en-us+f3", "en-gb+f2", "en-gb+m7");

    /** A 10 ms stretch this far under the loudest one is no longer heard as speech. */
    private static final double INAUDIBLE_DB = -42;

    private MadeSpeech() {}

    /** A sentence without silence around it. */
    record Spoken(String words, float[] samples) {}

    /** Speaks every sentence in every voice at several paces. */
    static List<Spoken> all() throws IOException, InterruptedException {
        List<Spoken> all = new ArrayList<>();
        int n = 0;
        for (String voice : VOICES) {
            for (String words : SENTENCES) {
                all.add(speak(words, voice, 110 + 15 * (n++ % 5)));
            }
        }
        return all;
    }

    static Spoken speak(String words, String voice, int wordsPerMinute) throws IOException, InterruptedException {
        Path wav = Files.createTempFile("made", ".wav");
        try {
            int exit = new ProcessBuilder(
                            "espeak-ng", "-v", voice, "-s", String.valueOf(wordsPerMinute), "-w", wav.toString(), words)
                    .inheritIO()
                    .start()
                    .waitFor();
            if (exit != 0) {
                throw new IOException("espeak-ng is needed for this benchmark (Debian: apt-get install espeak-ng)");
            }
            Sound sound = SoundReader.decode(wav, 60_000).sound();
            Span heard = heard(sound);
            return new Spoken(words, sound.slice(heard).samples());
        } catch (prolalia.media.UnreadableSoundException impossible) {
            throw new IOException(impossible);
        } finally {
            Files.delete(wav);
        }
    }

    /** From the first to the last 10 ms that can be heard. */
    static Span heard(Sound sound) {
        int hop = sound.sampleRate() / 100;
        int count = sound.samples().length / hop;
        double[] power = new double[count];
        for (int i = 0; i < count; i++) {
            for (int k = i * hop; k < (i + 1) * hop; k++) {
                power[i] += Math.pow(sound.samples()[k], 2);
            }
        }
        double threshold = Arrays.stream(power).max().orElse(0) * Math.pow(10, INAUDIBLE_DB / 10);
        int first = 0;
        while (first < count && power[first] < threshold) {
            first++;
        }
        int last = count - 1;
        while (last > first && power[last] < threshold) {
            last--;
        }
        return new Span(first * 10L, (last + 1) * 10L);
    }

    /** RMS of a stretch of samples. */
    static double rms(float[] x) {
        double sum = 0;
        for (float sample : x) {
            sum += sample * sample;
        }
        return Math.sqrt(sum / Math.max(1, x.length));
    }

    /** White noise, or noise that falls by 3 dB an octave as a room's does, of an RMS. */
    static float[] noise(int length, double rms, boolean pink, Random random) {
        float[] x = new float[length];
        double b0 = 0;
        double b1 = 0;
        double b2 = 0;
        for (int i = 0; i < length; i++) {
            double white = random.nextGaussian();
            // P. Kellet's economy filter for pink noise, musicdsp.org, exact to 0.5 dB above 40 Hz.
            b0 = 0.99765 * b0 + white * 0.0990460;
            b1 = 0.96300 * b1 + white * 0.2965164;
            b2 = 0.57000 * b2 + white * 1.0526913;
            x[i] = (float) (pink ? b0 + b1 + b2 + white * 0.1848 : white);
        }
        double scale = rms / rms(x);
        for (int i = 0; i < length; i++) {
            x[i] *= (float) scale;
        }
        return x;
    }
}
