package prolalia.media.benchmark;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import prolalia.core.sound.KeyHabit;
import prolalia.core.sound.Overlap;
import prolalia.core.sound.OverlapTrimmer;
import prolalia.core.sound.ReadingCuts;
import prolalia.core.sound.Sound;
import prolalia.core.sound.Span;

/**
 * Keys of a read-through pressed early, exactly and late: takes that have a neighbour's sound, and takes that lost some of
 * their own. Lines are spoken by espeak-ng one after another with a pause between each two, and noise under all; the key falls
 * before the end of the line before, into the pause, or after the beginning of the next, each reader in one manner, with a
 * deviation of 80 ms; pauses are uneven by a third. Counted when the whole reading is known, and at first sight. Real readers
 * breathe in their pauses, change their manner, and now and then press twice; these don't. What went wrong in the first three sets
 * of lines was looked at while the rules were made. Prints figures; run by ./prolalia bench.
 */
public final class KeysBenchmark {
    private static final int RATE = Sound.TAKE_SAMPLE_RATE;
    private static final int OVERLAP_MS = 700;
    private static final int LINES = 200;

    /** So much of somebody else's sound, or lost, is heard. */
    private static final int HEARD_MS = 40;

    /** Pauses are so much longer and shorter than usual, as a share. */
    private static final double UNEVEN_PAUSES = 0.3;

    /** The standard deviation of a reader's keys. */
    private static final double UNSTEADY_MS = 80;

    private static final int MOST_OFF_MS = 400;

    /** Single words, lists, pauses within a line, long lines. */
    private static final List<String> OTHER_LINES = List.of(
            "Wait. Listen first, then point.",
            "seven",
            "Three, two, one, go!",
            "If the wind is strong, the flag stands out straight; if not, it hangs.",
            "a thermometer",
            "Draw a ring around the tern.",
            "No, look again: the bakery opens at eight.",
            "It rained for an hour and then the sun came out over the whole bay.",
            "Who? The baker.",
            "Tell your partner what you heard, and why you think so.");

    private static final List<String> OTHER_VOICES = List.of("en-gb+f4", "en-gb+m3", "en-us+m1", "en-gb-x-rp+f1");

    private static final List<String> THIRD_LINES = List.of(
            "The lighthouse keeper lit the lamp.",
            "Why?",
            "Because it was dark.",
            "First wash your hands; then take a spoon.",
            "eleven",
            "the harbour wall",
            "Left, right, left.",
            "Can you hear the gulls, the bell and the sea?",
            "Stop! Look both ways.",
            "A crab has ten legs.");

    private static final List<String> THIRD_VOICES = List.of("en-gb+m1", "en-us+f1", "en-gb-scotland+f4", "en-us+m4");

    /** Met only when the rules for whole readings were done. */
    private static final List<String> FOURTH_LINES = List.of(
            "Cut along the dotted line.",
            "Ready? Steady. Now!",
            "twenty-six",
            "Mia, who had lost her scarf, looked under the bench.",
            "salt, flour, yeast and water",
            "The ferry leaves at ten past eight, and comes back before it is dark.",
            "No.",
            "Which of these is a mammal?",
            "Colour the roof red; leave the door as it is.",
            "a bag of chestnuts");

    private static final List<String> FOURTH_VOICES = List.of("en-us+f3", "en-gb+m5", "en-gb-scotland+m2", "en-us+f5");

    private KeysBenchmark() {}

    public static void main(String[] arguments) throws Exception {
        print("keys", MadeSpeech.all());
        print("keys (other lines)", spoken(OTHER_LINES, OTHER_VOICES));
        print("keys (third lines)", spoken(THIRD_LINES, THIRD_VOICES));
        print("keys (fourth lines)", spoken(FOURTH_LINES, FOURTH_VOICES));
    }

    private static List<MadeSpeech.Spoken> spoken(List<String> lines, List<String> voices) throws Exception {
        List<MadeSpeech.Spoken> all = new ArrayList<>();
        for (String voice : voices) {
            for (String words : lines) {
                all.add(MadeSpeech.speak(words, voice, 105 + 13 * (all.size() % 6)));
            }
        }
        return all;
    }

    private static void print(String name, List<MadeSpeech.Spoken> spoken) {
        for (double snrDb : new double[] {40, 15}) {
            for (int pauseMs : new int[] {300, 500, 1000}) {
                int[] all = new int[5];
                StringBuilder each = new StringBuilder();
                for (int offMs = -400; offMs <= 400; offMs += 100) {
                    int[] found = run(spoken, snrDb, pauseMs, offMs);
                    each.append(String.format("  %+d: %d/%d", offMs, found[0], found[1]));
                    Arrays.setAll(all, i -> all[i] + found[i]);
                }
                System.out.printf(
                        "%s: %2.0f dB, pauses of %4d ms: of %d takes %d have a neighbour's sound, %d lost some of their own (%s ); at first sight %d and %d%n",
                        name, snrDb, pauseMs, all[4], all[0], all[1], each, all[2], all[3]);
            }
        }
    }

    /** @return takes with a neighbour's sound, takes that lost some; the same at first sight; takes */
    private static int[] run(List<MadeSpeech.Spoken> spoken, double snrDb, int pauseMs, int offMs) {
        Random random = new Random(5);
        int[] pause = new int[LINES];
        for (int line = 0; line < LINES; line++) {
            pause[line] = (int) (pauseMs * (1 + UNEVEN_PAUSES * (2 * random.nextDouble() - 1)) * RATE / 1000);
        }
        int[] start = new int[LINES];
        int[] end = new int[LINES];
        int at = RATE;
        for (int line = 0; line < LINES; line++) {
            start[line] = at;
            end[line] = at + spoken.get(line % spoken.size()).samples().length;
            at = end[line] + pause[line];
        }
        float[] session = new float[at + RATE];
        double loud = 0;
        for (int line = 0; line < LINES; line++) {
            float[] samples = spoken.get(line % spoken.size()).samples();
            System.arraycopy(samples, 0, session, start[line], samples.length);
            loud += MadeSpeech.rms(samples) / LINES;
        }
        float[] noise = MadeSpeech.noise(session.length, loud * Math.pow(10, -snrDb / 20), true, random);
        for (int i = 0; i < session.length; i++) {
            session[i] += noise[i];
        }
        int[] key = new int[LINES + 1];
        key[0] = start[0] - RATE / 3;
        key[LINES] = end[LINES - 1] + RATE / 3;
        for (int line = 1; line < LINES; line++) {
            double thisMs = Math.max(-MOST_OFF_MS, Math.min(MOST_OFF_MS, offMs + UNSTEADY_MS * random.nextGaussian()));
            int off = (int) (thisMs * RATE / 1000);
            key[line] = offMs == 0
                    ? end[line - 1] + pause[line - 1] / 2 + off / 2
                    : off < 0 ? end[line - 1] + off : start[line] + off;
        }
        int overlap = OVERLAP_MS * RATE / 1000;
        int[] from = new int[LINES];
        List<OverlapTrimmer.OwnPart> first = new ArrayList<>();
        KeyHabit habit = KeyHabit.UNKNOWN;
        for (int line = 0; line < LINES; line++) {
            from[line] = Math.max(0, key[line] - overlap);
            int to = Math.min(session.length, key[line + 1] + overlap);
            Sound take = new Sound(Arrays.copyOfRange(session, from[line], to), RATE);
            OverlapTrimmer.OwnPart part = OverlapTrimmer.without(
                    take,
                    new Overlap(
                            OVERLAP_MS, habit, spoken.get(line % spoken.size()).words()));
            habit = habit.with(new KeyHabit(part.offsMs()));
            first.add(part);
        }
        List<Optional<Span>> last =
                ReadingCuts.of(first.stream().map(OverlapTrimmer.OwnPart::cuts).toList());
        int[] found = new int[5];
        for (int line = 0; line < LINES; line++) {
            count(last.get(line).orElse(first.get(line).span()), line, from, start, end, found, 0);
            count(first.get(line).span(), line, from, start, end, found, 2);
            found[4]++;
        }
        return found;
    }

    private static void count(Span own, int line, int[] from, int[] start, int[] end, int[] found, int at) {
        long a = ms(from[line]) + own.startMs();
        long b = ms(from[line]) + own.endMs();
        boolean foreign =
                line > 0 && ms(end[line - 1]) - a > HEARD_MS || line + 1 < LINES && b - ms(start[line + 1]) > HEARD_MS;
        boolean lost = a - ms(start[line]) > HEARD_MS || ms(end[line]) - b > HEARD_MS;
        found[at] += foreign ? 1 : 0;
        found[at + 1] += lost ? 1 : 0;
    }

    private static long ms(int samples) {
        return samples * 1000L / RATE;
    }
}
