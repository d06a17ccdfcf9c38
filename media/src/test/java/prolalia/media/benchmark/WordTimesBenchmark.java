package prolalia.media.benchmark;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import prolalia.core.align.WordTimes;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.sound.Sound;

/**
 * How near the words' times come to the true ones, on sentences put together of single words, so that it is known when each
 * begins: hardly a gap between two, a pause at commas and full stops.
 */
final class WordTimesBenchmark {
    private static final List<String> VOICES = List.of("en-gb", "en-us", "en-gb+f3", "en-us+m4");
    private static final int[] PACES = {110, 140, 175};
    private static final int LONGEST_GAP_MS = 60;
    private static final int SHORTEST_PAUSE_MS = 180;
    private static final int LONGEST_PAUSE_MS = 500;

    private WordTimesBenchmark() {}

    private record Made(String words, List<Long> starts, Sound sound) {}

    public static void main(String[] arguments) throws Exception {
        List<Made> all = new ArrayList<>();
        Random random = new Random(11);
        for (String voice : VOICES) {
            for (int pace : PACES) {
                for (String sentence : MadeSpeech.SENTENCES) {
                    if (sentence.contains(" ")) {
                        all.add(make(sentence, voice, pace, random));
                    }
                }
            }
        }
        run("clean", all, Double.POSITIVE_INFINITY);
        run("15 dB pink noise", all, 15);
        fiveMinutes(all);
    }

    private static Made make(String sentence, String voice, int pace, Random random) throws Exception {
        int rate = Sound.TAKE_SAMPLE_RATE;
        float[] samples = new float[60 * rate];
        int at = rate / 4;
        List<Long> starts = new ArrayList<>();
        for (String word : sentence.split(" ")) {
            float[] said = MadeSpeech.speak(word, voice, pace).samples();
            starts.add(at * 1000L / rate);
            System.arraycopy(said, 0, samples, at, said.length);
            boolean pause = word.matches(".*[.,!?]");
            int gapMs = pause
                    ? SHORTEST_PAUSE_MS + random.nextInt(LONGEST_PAUSE_MS - SHORTEST_PAUSE_MS)
                    : random.nextInt(LONGEST_GAP_MS);
            at += said.length + gapMs * rate / 1000;
        }
        return new Made(sentence, starts, new Sound(Arrays.copyOf(samples, at + rate / 4), rate));
    }

    private static void run(String what, List<Made> all, double signalToNoiseDb) {
        List<Long> errors = new ArrayList<>();
        Random random = new Random(5);
        for (Made made : all) {
            List<Word> words = WordTimes.of(made.words(), noisy(made.sound(), signalToNoiseDb, random));
            for (int i = 0; i < words.size(); i++) {
                errors.add(
                        Math.abs(words.get(i).span().startMs() - made.starts().get(i)));
            }
        }
        Collections.sort(errors);
        System.out.printf(
                Locale.ROOT,
                "word starts, %s: median %d ms, 90 %% within %d ms, 95 %% within %d ms, of %d%n",
                what,
                errors.get(errors.size() / 2),
                errors.get(errors.size() * 9 / 10),
                errors.get(errors.size() * 95 / 100),
                errors.size());
    }

    private static Sound noisy(Sound sound, double signalToNoiseDb, Random random) {
        if (Double.isInfinite(signalToNoiseDb)) {
            return sound;
        }
        double rms = MadeSpeech.rms(sound.samples()) / Math.pow(10, signalToNoiseDb / 20);
        float[] noise = MadeSpeech.noise(sound.samples().length, rms, true, random);
        for (int i = 0; i < noise.length; i++) {
            noise[i] += sound.samples()[i];
        }
        return new Sound(noise, sound.sampleRate());
    }

    private static void fiveMinutes(List<Made> all) {
        StringBuilder words = new StringBuilder();
        float[] samples = new float[300 * Sound.TAKE_SAMPLE_RATE];
        int at = 0;
        for (int i = 0; at + all.get(i % all.size()).sound().samples().length < samples.length; i++) {
            Made made = all.get(i % all.size());
            System.arraycopy(
                    made.sound().samples(), 0, samples, at, made.sound().samples().length);
            at += made.sound().samples().length;
            words.append(made.words()).append(made.words().matches(".*[.?!]") ? " " : ". ");
        }
        long start = System.nanoTime();
        int count = WordTimes.of(words.toString(), new Sound(Arrays.copyOf(samples, at), Sound.TAKE_SAMPLE_RATE))
                .size();
        System.out.printf(
                Locale.ROOT,
                "word starts, a take of %d s with %d words: %.1f s%n",
                at / Sound.TAKE_SAMPLE_RATE,
                count,
                (System.nanoTime() - start) / 1e9);
    }
}
