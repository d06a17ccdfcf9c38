package prolalia.core.sound;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import prolalia.core.script.Syllables;

/**
 * How well speech fits the words that should be said in it, as far as that can be told without knowing a sound of them: people
 * pause where a comma or a full stop is, seldom elsewhere, and syllables take about as long as others. Immutable.
 */
final class PhraseFit {
    /** Nothing is known of the words: everything fits. */
    static final PhraseFit ANYTHING = new PhraseFit(0, List.of());

    /** What is said up to a mark, and the marks; what follows the last mark has none. */
    private static final Pattern PHRASE =
            Pattern.compile("(?<said>[^.!?;:,…،؛؟、。！？，]+)(?<marks>[.!?;:,…،؛؟、。！？，]*)", Pattern.DOTALL);

    private static final Pattern END_OF_SENTENCE = Pattern.compile("[.!?;:…؛؟。！？]");

    /** Shorter ones are the closed mouth before a p or t, or a breath. */
    private static final long PAUSE_MS = 180;

    /** Syllables are uneven: a pause is at a mark if it is within this share of what is said, or within so many syllables. */
    private static final double NEAR_SHARE = 0.12;

    private static final double NEAR_SYLLABLES = 0.8;

    /** A pause where no mark is makes a stretch as much less likely as a shorter pause at its end. */
    private static final double UNEXPECTED = 0.7;

    private static final double MOST_UNEXPECTED_MS = 400;

    /** A mark that is read over, by somebody who pauses at all others of the line; and the end of a sentence, always. */
    private static final double MISSING_MS = 250;

    /** A syllable of speech without its pauses. */
    private static final double SYLLABLE_MS = 250;

    /** So much faster people read, and so much slower they say single words, in the logarithm: nothing is said against it. */
    private static final double USUALLY_FASTER = 0.55;

    private static final double USUALLY_SLOWER = 1.1;

    private static final double PACE_SPREAD = 0.3;
    private static final double PACE_MS = 130;
    private static final double MOST_PACE_MS = 700;

    private final int syllables;
    private final List<Mark> marks;

    private PhraseFit(int syllables, List<Mark> marks) {
        this.syllables = syllables;
        this.marks = marks;
    }

    /** @param share of the syllables before it @param sentence whether a sentence ends there */
    private record Mark(double share, boolean sentence) {}

    static PhraseFit of(String words) {
        int all = Syllables.of(words);
        if (all == 0) {
            return ANYTHING;
        }
        List<Mark> marks = new ArrayList<>();
        int before = 0;
        Matcher phrase = PHRASE.matcher(words);
        while (phrase.find()) {
            int said = Syllables.of(phrase.group("said"));
            before += said;
            if (said > 0 && before < all && !phrase.group("marks").isEmpty()) {
                boolean sentence =
                        END_OF_SENTENCE.matcher(phrase.group("marks")).find();
                marks.add(new Mark((double) before / all, sentence));
            }
        }
        return new PhraseFit(all, List.copyOf(marks));
    }

    boolean isKnown() {
        return syllables > 0;
    }

    /**
     * How unlike the words a stretch is, in ms of a pause that would make up for it; 0: as expected.
     *
     * @param pieces of speech, in order
     */
    double unlikeMs(List<Span> pieces, long fromMs, long toMs) {
        if (!isKnown()) {
            return 0;
        }
        List<Span> said = pieces.stream()
                .filter(piece -> piece.startMs() < toMs && piece.endMs() > fromMs)
                .map(piece -> new Span(Math.max(fromMs, piece.startMs()), Math.min(toMs, piece.endMs())))
                .toList();
        long saidMs = said.stream().mapToLong(Span::durationMs).sum();
        if (saidMs == 0) {
            return MOST_PACE_MS;
        }
        double unlike = pace(saidMs);
        boolean[] met = new boolean[marks.size()];
        long before = 0;
        for (int i = 0; i + 1 < said.size(); i++) {
            before += said.get(i).durationMs();
            long pauseMs = said.get(i + 1).startMs() - said.get(i).endMs();
            if (pauseMs >= PAUSE_MS) {
                double off = offMark((double) before / saidMs, met);
                unlike += Math.min(MOST_UNEXPECTED_MS, UNEXPECTED * pauseMs) * off;
            }
        }
        return unlike + missing(met);
    }

    private double missing(boolean[] met) {
        long all = IntStream.range(0, met.length).filter(i -> met[i]).count();
        double missing = 0;
        for (int i = 0; i < met.length; i++) {
            if (!met[i]) {
                missing += marks.get(i).sentence() ? MISSING_MS : MISSING_MS * all / met.length;
            }
        }
        return missing;
    }

    private double pace(long saidMs) {
        double slower = Math.log(saidMs / (syllables * SYLLABLE_MS));
        double off = Math.max(0, Math.max(slower - USUALLY_SLOWER, -slower - USUALLY_FASTER)) / PACE_SPREAD;
        return Math.min(MOST_PACE_MS, PACE_MS * off * off);
    }

    /** @return 0: a mark is there, and counts as met; 1: none is near */
    private double offMark(double share, boolean[] met) {
        double near = Math.max(NEAR_SHARE, NEAR_SYLLABLES / syllables);
        int nearest = IntStream.range(0, met.length)
                .filter(i -> !met[i])
                .boxed()
                .min(Comparator.comparingDouble(i -> Math.abs(marks.get(i).share() - share)))
                .orElse(-1);
        if (nearest < 0) {
            return 1;
        }
        double off = Math.max(0, Math.min(1, Math.abs(marks.get(nearest).share() - share) / near - 1));
        met[nearest] = off < 1;
        return off;
    }
}
