package prolalia.media.benchmark;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import prolalia.core.align.ScriptSplit;
import prolalia.core.align.ScriptSplit.SplitLine;
import prolalia.core.sound.Sound;
import prolalia.core.sound.SoundMeter;
import prolalia.core.sound.Span;

/**
 * How many boundaries of long recordings with known pauses are found inside the true pause, and whether the confidence tells
 * right from wrong. Prints figures; run by ./prolalia bench.
 */
public final class SplitBenchmark {
    private static final int RATE = Sound.TAKE_SAMPLE_RATE;
    private static final int LINES = 24;

    private SplitBenchmark() {}

    /** @param pauses the true pauses between lines */
    private record Made(float[] samples, List<String> script, List<Span> pauses) {}

    /** A boundary that was found, with its confidence. */
    private record Judged(boolean right, double confidence) {}

    public static void main(String[] arguments) throws Exception {
        List<MadeSpeech.Spoken> all = MadeSpeech.all();
        run("clean, pauses within lines up to half of those between", all, 0.5, Double.POSITIVE_INFINITY, false);
        run("15 dB pink noise, pauses within lines up to 70 %", all, 0.7, 15, false);
        run("clean, a title first and \"that's all\" last, some pauses missing", all, 0.5, 60, true);
        twentyMinutes(all);
    }

    private static void run(String what, List<MadeSpeech.Spoken> all, double inner, double snrDb, boolean odd) {
        List<Judged> judged = new ArrayList<>();
        for (int set = 0; set < 30; set++) {
            Made made = make(all, set, LINES, inner, snrDb, odd);
            ScriptSplit split = split(made);
            List<SplitLine> lines = split.lines();
            for (int i = 0; i + 1 < lines.size(); i++) {
                Span one = lines.get(i).span();
                Span next = lines.get(i + 1).span();
                double confidence =
                        Math.min(lines.get(i).confidence(), lines.get(i + 1).confidence());
                boolean right = false;
                if (one != null && next != null) {
                    long middle = (one.endMs() + next.startMs()) / 2;
                    Span pause = made.pauses().get(i);
                    right = middle >= pause.startMs() && middle <= pause.endMs();
                }
                judged.add(new Judged(right, confidence));
            }
        }
        long right = judged.stream().filter(Judged::right).count();
        System.out.printf(
                Locale.ROOT,
                "split, %s: %.1f %% of %d boundaries inside the true pause, confidence AUC %.3f%n",
                what,
                100.0 * right / judged.size(),
                judged.size(),
                auc(judged));
    }

    private static void twentyMinutes(List<MadeSpeech.Spoken> all) {
        Made made = make(all, 99, 360, 0.5, 30, false);
        SoundMeter meter = new SoundMeter(RATE, 1);
        meter.add(new float[][] {made.samples()}, made.samples().length);
        long start = System.nanoTime();
        List<Span> pieces = meter.pieces();
        ScriptSplit.of(pieces, made.script());
        System.out.printf(
                Locale.ROOT,
                "split of %.1f min over %d lines (%d pieces): %.2f s beyond decoding and measuring%n",
                made.samples().length / 60.0 / RATE,
                made.script().size(),
                pieces.size(),
                (System.nanoTime() - start) / 1e9);
    }

    private static ScriptSplit split(Made made) {
        SoundMeter meter = new SoundMeter(RATE, 1);
        meter.add(new float[][] {made.samples()}, made.samples().length);
        return ScriptSplit.of(meter.pieces(), made.script());
    }

    private static Made make(List<MadeSpeech.Spoken> all, int set, int count, double inner, double snrDb, boolean odd) {
        Random random = new Random(set);
        int voice = set % (all.size() / MadeSpeech.SENTENCES.size()) * MadeSpeech.SENTENCES.size();
        double between = 0.7 + 0.5 * random.nextDouble();
        List<float[]> parts = new ArrayList<>();
        List<String> script = new ArrayList<>();
        List<Span> pauses = new ArrayList<>();
        double at = add(parts, 0, new float[RATE]);
        if (odd) {
            at = add(parts, at, spoken(all, voice, random).samples());
            at = add(parts, at, silence(between * 1.1));
        }
        for (int line = 0; line < count; line++) {
            MadeSpeech.Spoken first = spoken(all, voice, random);
            at = add(parts, at, first.samples());
            String words = first.words();
            if (random.nextInt(3) == 0) {
                at = add(parts, at, silence(between * inner * (0.4 + 0.6 * random.nextDouble())));
                MadeSpeech.Spoken second = spoken(all, voice, random);
                at = add(parts, at, second.samples());
                words = words.replaceAll("[.?!]$", "") + ". " + second.words();
            }
            script.add(words);
            boolean short_ = odd && random.nextInt(8) == 0;
            double pause = short_ ? 0.12 : between * (0.85 + 0.3 * random.nextDouble());
            long start = Math.round(at * 1000);
            at = add(parts, at, silence(pause));
            pauses.add(new Span(start, Math.round(at * 1000)));
        }
        if (odd) {
            at = add(parts, at, spoken(all, voice, random).samples());
        }
        add(parts, at, new float[RATE]);
        float[] samples = new float[parts.stream().mapToInt(part -> part.length).sum()];
        int to = 0;
        for (float[] part : parts) {
            System.arraycopy(part, 0, samples, to, part.length);
            to += part.length;
        }
        double level = MadeSpeech.rms(samples);
        double noise = Double.isInfinite(snrDb) ? 0.00002 : level / Math.pow(10, snrDb / 20);
        float[] room = MadeSpeech.noise(samples.length, noise, true, random);
        for (int i = 0; i < samples.length; i++) {
            samples[i] += room[i];
        }
        return new Made(samples, script, pauses);
    }

    private static MadeSpeech.Spoken spoken(List<MadeSpeech.Spoken> all, int voice, Random random) {
        return all.get(voice + random.nextInt(MadeSpeech.SENTENCES.size()));
    }

    private static float[] silence(double seconds) {
        return new float[(int) (seconds * RATE)];
    }

    private static double add(List<float[]> parts, double at, float[] part) {
        parts.add(part);
        return at + (double) part.length / RATE;
    }

    /** The probability that a right boundary has more confidence than a wrong one. */
    private static double auc(List<Judged> judged) {
        List<Judged> sorted = judged.stream()
                .sorted(Comparator.comparingDouble(Judged::confidence))
                .toList();
        double wins = 0;
        double wrong = 0;
        long rights = judged.stream().filter(Judged::right).count();
        for (int i = 0; i < sorted.size(); ) {
            int end = i;
            double tiedWrong = 0;
            double tiedRight = 0;
            while (end < sorted.size()
                    && sorted.get(end).confidence() == sorted.get(i).confidence()) {
                if (sorted.get(end++).right()) {
                    tiedRight++;
                } else {
                    tiedWrong++;
                }
            }
            wins += tiedRight * (wrong + tiedWrong / 2);
            wrong += tiedWrong;
            i = end;
        }
        return wrong == 0 ? 1 : wins / (wrong * rights);
    }
}
