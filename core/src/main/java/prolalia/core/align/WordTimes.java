package prolalia.core.align;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import prolalia.core.lesson.SpokenWords;
import prolalia.core.sound.Sound;
import prolalia.core.sound.Span;
import prolalia.core.sound.SpeechFrames;
import prolalia.core.sound.SpeechShape;

/**
 * When each word of a line is said.
 *
 * <pre>{@code
 * List<WordTimes.Word> words = WordTimes.of("The bean sleeps.", sound);
 * words.get(1).span().startMs();
 * }</pre>
 *
 * <p>Of all ways to give stretches of the sound to the words in order, with or without a pause between two, that one is taken
 * whose stretches are as long as the words' letters foretell, have as many syllables, hold speech and no silence, and begin
 * where the sound changes (dynamic programming over frames of 10 ms, as in a hidden semi-Markov model: L. Rabiner, 1989, IV.D).
 * The pace is that of the sound itself. Values in, values out; thread-safe.
 */
public final class WordTimes {
    private static final int HOP = SpeechFrames.HOP_MS;

    /** A syllable too many or too few. */
    private static final double SYLLABLE = 2;

    /** A frame of silence within a word; one of speech within a pause. */
    private static final double SILENT_FRAME = 0.4;

    private static final double SPEECH_FRAME = 0.5;

    /** Under this over the noise a frame is silent, over the other it is speech. */
    private static final double SILENT_DB = 7;

    private static final double SPEECH_DB = 14;

    /** A pause where there is no sign for one, where there is a comma, where a sentence ends; none where there is a sign. */
    private static final double[] PAUSE = {3.2, 0.4, 0};

    private static final double[] NO_PAUSE = {0, 1.2, 3};

    /** What a strong change of the sound at the beginning of a word is worth. */
    private static final double CHANGE = 2.5;

    private static final double STRONG_CHANGE_DB = 12;

    /** The last word before a pause is drawn out (final lengthening; D. Klatt, 1976). */
    private static final double FINAL = 1.25;

    private static final int LONGEST_WORD_FRAMES = 260;

    /** How far a word may be from where it would be if all that is said were said evenly. */
    private static final int LEAST_BAND_FRAMES = 300;

    private static final int MOST_BAND_FRAMES = 1_500;

    private static final double BAND_SHARE = 0.25;

    private static final double FAR = 1e12;

    /** White space between words as they are written. */
    private static final Pattern WRITTEN = Pattern.compile("\\S+");

    /**
     * A word of a line.
     *
     * @param text as it is written, with its punctuation
     * @param from where it begins in the line's words, in UTF-16 units
     * @param span when it is said
     */
    public record Word(String text, int from, Span span) {}

    private final SpeechShape shape;
    private final double[] silentBefore;
    private final double[] speechBefore;
    private final int[] nucleiBefore;
    private final int frames;

    private WordTimes(SpeechShape shape) {
        this.shape = shape;
        frames = shape.frames();
        silentBefore = new double[frames + 1];
        speechBefore = new double[frames + 1];
        nucleiBefore = new int[frames + 1];
        for (int i = 0; i < frames; i++) {
            double over = shape.overNoiseDb(i);
            silentBefore[i + 1] = silentBefore[i] + SILENT_FRAME * share((SPEECH_DB - over) / (SPEECH_DB - SILENT_DB));
            speechBefore[i + 1] = speechBefore[i] + SPEECH_FRAME * share((over - SILENT_DB) / (SPEECH_DB - SILENT_DB));
            nucleiBefore[i + 1] = nucleiBefore[i] + (shape.isNucleus(i) ? 1 : 0);
        }
    }

    private static long ms(int frame) {
        return (long) frame * HOP;
    }

    private static double share(double value) {
        return Math.max(0, Math.min(1, value));
    }

    /**
     * @param line its words as they are written
     * @param sound in which they are said
     * @return the written words in order, those too that aren't said (a dash, an icon): they take no time; empty when there is
     *     nothing to say or nothing to hear
     */
    public static List<Word> of(String line, Sound sound) {
        List<Word> written = new ArrayList<>();
        List<Integer> said = new ArrayList<>();
        Matcher matcher = WRITTEN.matcher(line);
        while (matcher.find()) {
            if (!SpokenWords.of(matcher.group()).isEmpty()) {
                said.add(written.size());
            }
            written.add(new Word(matcher.group(), matcher.start(), new Span(0, 0)));
        }
        if (said.isEmpty() || sound.samples().length == 0) {
            return List.of();
        }
        SpeechFrames frames = new SpeechFrames(sound.sampleRate());
        frames.add(sound.samples(), sound.samples().length);
        List<String> words = said.stream().map(i -> written.get(i).text()).toList();
        List<Span> spans = new WordTimes(SpeechShape.of(frames)).align(words, sound.durationMs());
        long at = 0;
        int next = 0;
        for (int i = 0; i < written.size(); i++) {
            Word word = written.get(i);
            boolean isSaid = next < said.size() && said.get(next) == i;
            Span span = isSaid ? spans.get(next++) : new Span(at, at);
            written.set(i, new Word(word.text(), word.from(), span));
            at = span.endMs();
        }
        return written;
    }

    private List<Span> align(List<String> words, long durationMs) {
        int n = words.size();
        double[] expected = new double[n];
        int[] syllables = new int[n];
        double[] spread = new double[n];
        int[] sign = new int[n];
        double sum = 0;
        for (int w = 0; w < n; w++) {
            WordSounds sounds = WordSounds.of(words.get(w));
            sign[w] = signAfter(words.get(w), w == n - 1);
            expected[w] = sounds.ms() / HOP * (sign[w] > 0 ? FINAL : 1);
            syllables[w] = sounds.syllables();
            spread[w] = sounds.spread();
            sum += expected[w];
        }
        double speech = Math.max(n * 3, speechBefore[frames] / SPEECH_FRAME);
        double pace = speech / sum;
        int[][] best = lay(expected, syllables, spread, sign, pace);
        if (best == null) {
            return evenly(expected, sum, durationMs);
        }
        // Once more with the pace at which the words themselves turned out to be said.
        double taken = 0;
        for (int[] span : best) {
            taken += span[1] - span[0];
        }
        int[][] again = lay(expected, syllables, spread, sign, Math.max(0.2, taken / sum));
        List<Span> spans = new ArrayList<>();
        for (int[] span : again == null ? best : again) {
            spans.add(new Span(Math.min(durationMs, ms(span[0])), Math.min(durationMs, ms(span[1]))));
        }
        return spans;
    }

    /** Where the sound can't hold the words, each has its share of it. */
    private static List<Span> evenly(double[] expected, double sum, long durationMs) {
        List<Span> spans = new ArrayList<>();
        double before = 0;
        for (double each : expected) {
            long start = (long) (before / sum * durationMs);
            before += each;
            spans.add(new Span(start, Math.max(start, (long) (before / sum * durationMs))));
        }
        return spans;
    }

    private static int signAfter(String word, boolean last) {
        return last || word.matches(".*[.!?…:;][\"'”’)]*") ? 2 : word.matches(".*[,–—-][\"'”’)]*") ? 1 : 0;
    }

    /** Where a word may be: between two frames. What was found for it is kept for these frames alone. */
    private record Band(int first, int last, int[] startOf, int[] cameFrom) {
        static Band of(int first, int last) {
            return new Band(first, last, new int[last - first + 1], new int[last - first + 1]);
        }
    }

    /** First and one past the last frame of each word. */
    private int[][] lay(double[] expected, int[] syllables, double[] spread, int[] sign, double pace) {
        int n = expected.length;
        double total = 0;
        for (double each : expected) {
            total += each * pace;
        }
        // Before the first word there may be any silence.
        double[] end = speechBefore.clone();
        double[] start = new double[frames + 1];
        List<Band> bands = new ArrayList<>();
        int endsFrom = 0;
        double before = 0;
        for (int w = 0; w < n; w++) {
            double length = Math.max(2, expected[w] * pace);
            Band band = band((before + length / 2) / total, length);
            before += length;
            bands.add(band);
            begin(band, endsFrom, end, w == 0 ? -1 : sign[w - 1], start);
            end = said(band, start, length, syllables[w], spread[w]);
            endsFrom = band.first();
        }
        return traced(end, bands);
    }

    /** @param share of what is said, up to the middle of the word */
    private Band band(double share, double length) {
        double spoken = share * speechBefore[frames];
        int middle = Arrays.binarySearch(speechBefore, spoken);
        middle = Math.min(frames, middle < 0 ? -middle - 1 : middle);
        double half = length + Math.max(LEAST_BAND_FRAMES, Math.min(MOST_BAND_FRAMES, frames * BAND_SHARE));
        return Band.of((int) Math.max(0, middle - half), (int) Math.min(frames, middle + half));
    }

    /**
     * What it costs at least when a word starts at a frame: at once after the one before, or after a pause.
     *
     * @param end what it costs when the word before ends at a frame
     * @param sign after the word before; -1: there is none
     */
    private void begin(Band band, int endsFrom, double[] end, int sign, double[] start) {
        double pause = FAR;
        int pauseFrom = band.first();
        for (int t = Math.min(endsFrom, band.first()); t <= band.last(); t++) {
            double change = t < frames ? share(shape.changeDb(t) / STRONG_CHANGE_DB) * CHANGE : 0;
            pause = t == 0 ? FAR : pause + speechBefore[t] - speechBefore[t - 1];
            double opened = end[t] + (sign < 0 ? 0 : PAUSE[sign]);
            if (opened < pause) {
                pause = opened;
                pauseFrom = t;
            }
            double atOnce = end[t] + (sign < 0 ? 0 : NO_PAUSE[sign]);
            if (t >= band.first()) {
                start[t] = Math.min(atOnce, pause) - change;
                band.cameFrom()[t - band.first()] = atOnce <= pause ? t : pauseFrom;
            }
        }
    }

    /** What it costs at least when a word ends at a frame. */
    private double[] said(Band band, double[] start, double length, int syllables, double spread) {
        double[] end = new double[frames + 1];
        Arrays.fill(end, FAR);
        int longest = (int) Math.min(LONGEST_WORD_FRAMES, length * 4 + 10);
        double[] deviation = new double[longest + 1];
        for (int frame = 1; frame <= longest; frame++) {
            double off = Math.log(frame / length) / spread;
            deviation[frame] = off * off / 2;
        }
        for (int t = band.first(); t <= band.last(); t++) {
            for (int s = Math.max(band.first(), t - longest); s <= t - 2; s++) {
                double cost = start[s]
                        + deviation[t - s]
                        + SYLLABLE * Math.abs(nucleiBefore[t] - nucleiBefore[s] - syllables)
                        + silentBefore[t]
                        - silentBefore[s];
                if (cost < end[t]) {
                    end[t] = cost;
                    band.startOf()[t - band.first()] = s;
                }
            }
        }
        return end;
    }

    /** The way that costs least; null when there is none: less sound than so many words take. */
    private int[][] traced(double[] end, List<Band> bands) {
        int at = frames;
        double best = Double.MAX_VALUE;
        for (int t = 0; t <= frames; t++) {
            double cost = end[t] + speechBefore[frames] - speechBefore[t];
            if (cost < best) {
                best = cost;
                at = t;
            }
        }
        if (best >= FAR / 2) {
            return null;
        }
        int[][] spans = new int[bands.size()][];
        for (int w = bands.size() - 1; w >= 0; w--) {
            Band band = bands.get(w);
            at = Math.max(band.first(), Math.min(band.last(), at));
            int start = band.startOf()[at - band.first()];
            spans[w] = new int[] {Math.min(start, at), at};
            start = Math.max(band.first(), Math.min(band.last(), start));
            at = band.cameFrom()[start - band.first()];
        }
        return spans;
    }
}
