package prolalia.core.place;

import java.util.ArrayList;
import java.util.List;
import prolalia.core.place.WordPlaces.PlacedWord;

/**
 * Finds where the words of a text stand in a part of a picture, by the ink alone: rows by the gaps between them (a projection to
 * the side), words by the widest gaps in a row that agree with the words' lengths (dynamic programming over rows and gaps). What
 * the letters are isn't looked at; where the ink doesn't divide as the text does, nothing is said.
 *
 * <p>Stateless and thread-safe.
 */
public final class InkWords {
    /** A row is at least so high, in points of the picture. */
    private static final int LOWEST_ROW = 4;

    /** Dots and accents are parts of the row that they are nearer to than this, as a share of its height. */
    private static final double SAME_ROW = 0.45;

    /** Ink nearer than this share of a row's height belongs to one letter or word. */
    private static final double LETTER_GAP = 0.1;

    /** Between words of a row is about so much of a letter; less than nearly that is a gap within a word. */
    private static final double WORD_GAP = 0.5;

    private static final double NARROWEST_WORD_GAP = 0.45;
    private static final double WIDEST_LETTER_GAP = 0.35;

    /** A word is at most so many times as wide as its letters say, and some letters more. */
    private static final double WIDEST = 4;

    private static final double MORE_LETTERS = 3;

    /** What a gap that is too narrow, or too wide, costs by the letter it is off by; a word twice too wide costs a half. */
    private static final double NARROW_COSTS = 2;

    private static final double WIDE_COSTS = 0.8;

    private static final int MOST_WORDS = 400;
    private static final int MOST_RUNS = 1_500;

    private InkWords() {}

    /** A stretch of ink within a row, in points. */
    private record Run(int from, int to) {}

    /** @return where the words are; {@link WordPlaces#NONE} when that can't be told */
    public static WordPlaces find(InkMap ink, Area part, String text) {
        String[] words = text.strip().split("\\s+");
        if (text.isBlank() || words.length > MOST_WORDS) {
            return WordPlaces.NONE;
        }
        List<Area> rows = rows(ink, part);
        List<Piece> pieces = new ArrayList<>();
        for (Area row : rows) {
            List<Run> runs = runs(ink, row);
            for (int i = 0; i < runs.size(); i++) {
                boolean first = i == 0;
                pieces.add(new Piece(row, runs.get(i), first, first ? 0 : runs.get(i).from - runs.get(i - 1).to));
            }
        }
        if (pieces.isEmpty() || pieces.size() > MOST_RUNS || pieces.size() < words.length) {
            return WordPlaces.NONE;
        }
        return WordPlaces.of(align(ink, words, pieces));
    }

    /**
     * A stretch of ink.
     *
     * @param first whether it is its row's first
     * @param gap before it, in points; 0 for the first
     */
    private record Piece(Area row, Run run, boolean first, int gap) {}

    /** The rows of ink in a part of the picture, from the top, each as wide as its ink. */
    public static List<Area> rows(InkMap ink, Area part) {
        int top = (int) Math.floor(part.y() * ink.height());
        int bottom = (int) Math.ceil(part.bottom() * ink.height());
        double step = 1.0 / ink.height();
        List<Run> bands = new ArrayList<>();
        int from = -1;
        for (int y = top; y <= bottom; y++) {
            boolean free = y == bottom || ink.isFree(new Area(part.x(), y * step, part.w(), step * 0.5));
            if (!free && from < 0) {
                from = y;
            } else if (free && from >= 0) {
                bands.add(new Run(from, y));
                from = -1;
            }
        }
        List<Run> joined = new ArrayList<>();
        int highest = bands.stream().mapToInt(band -> band.to - band.from).max().orElse(0);
        for (Run band : bands) {
            Run before = joined.isEmpty() ? null : joined.get(joined.size() - 1);
            boolean small = Math.min(band.to - band.from, before == null ? highest : before.to - before.from)
                    < SAME_ROW * highest;
            if (before != null && small && band.from - before.to < SAME_ROW * highest) {
                joined.set(joined.size() - 1, new Run(before.from, band.to));
            } else {
                joined.add(band);
            }
        }
        List<Area> rows = new ArrayList<>();
        for (Run band : joined) {
            if (band.to - band.from >= LOWEST_ROW) {
                rows.add(ink.tight(Area.between(part.x(), band.from * step, part.right(), band.to * step)));
            }
        }
        return rows;
    }

    private static List<Run> runs(InkMap ink, Area row) {
        double step = 1.0 / ink.width();
        int left = (int) Math.floor(row.x() * ink.width());
        int right = (int) Math.ceil(row.right() * ink.width());
        List<Run> runs = new ArrayList<>();
        int from = -1;
        double joins = LETTER_GAP * row.h() * ink.height();
        for (int x = left; x <= right; x++) {
            boolean free = x == right || ink.isFree(new Area(x * step, row.y(), step * 0.5, row.h()));
            if (!free && from < 0) {
                from = x;
            } else if (free && from >= 0) {
                Run before = runs.isEmpty() ? null : runs.get(runs.size() - 1);
                if (before != null && from - before.to < joins) {
                    runs.set(runs.size() - 1, new Run(before.from, x));
                } else {
                    runs.add(new Run(from, x));
                }
                from = -1;
            }
        }
        return runs;
    }

    /** Gives each word a stretch of pieces: words are as long as their letters say, and gaps between them are wide. */
    private static List<PlacedWord> align(InkMap ink, String[] words, List<Piece> pieces) {
        double letters = 0;
        for (String word : words) {
            letters += length(word);
        }
        double all = 0;
        for (Piece piece : pieces) {
            all += piece.run.to - piece.run.from + (piece.first ? 0 : piece.gap);
        }
        double perLetter = all / (letters + WORD_GAP * Math.max(0, words.length - 1));
        int count = pieces.size();
        double[][] cost = new double[words.length + 1][count + 1];
        int[][] begun = new int[words.length + 1][count + 1];
        for (double[] each : cost) {
            java.util.Arrays.fill(each, Double.POSITIVE_INFINITY);
        }
        cost[0][0] = 0;
        for (int word = 1; word <= words.length; word++) {
            double wanted = length(words[word - 1]) * perLetter;
            for (int end = word; end <= count; end++) {
                for (int start = end - 1; start >= word - 1; start--) {
                    // A word stands in one row.
                    if (start < end - 1 && pieces.get(start + 1).first) {
                        break;
                    }
                    double wide = pieces.get(end - 1).run.to - pieces.get(start).run.from;
                    if (wide > WIDEST * wanted + MORE_LETTERS * perLetter) {
                        break;
                    }
                    double off = Math.log(wide / wanted);
                    double gap = pieces.get(start).first
                            ? 0
                            : Math.max(0, NARROWEST_WORD_GAP * perLetter - pieces.get(start).gap) / perLetter;
                    double here = cost[word - 1][start] + off * off + NARROW_COSTS * gap;
                    for (int inner = start + 1; inner < end; inner++) {
                        here += WIDE_COSTS
                                * Math.max(0, pieces.get(inner).gap - WIDEST_LETTER_GAP * perLetter)
                                / perLetter;
                    }
                    if (here < cost[word][end]) {
                        cost[word][end] = here;
                        begun[word][end] = start;
                    }
                }
            }
        }
        List<PlacedWord> placed = new ArrayList<>();
        if (Double.isInfinite(cost[words.length][count])) {
            return placed;
        }
        for (int word = words.length, end = count; word > 0; end = begun[word][end], word--) {
            Piece first = pieces.get(begun[word][end]);
            Piece last = pieces.get(end - 1);
            placed.add(
                    0,
                    new PlacedWord(
                            words[word - 1],
                            ink.tight(Area.between(
                                    (double) first.run.from / ink.width(),
                                    first.row.y(),
                                    (double) last.run.to / ink.width(),
                                    first.row.bottom()))));
        }
        return placed;
    }

    /** In letters of usual width: i and l are narrow, m and w wide. */
    private static double length(String word) {
        double length = 0;
        for (int i = 0; i < word.length(); i++) {
            char letter = word.charAt(i);
            length += "iljtfIr.,;:!'’|()".indexOf(letter) >= 0 ? 0.6 : "mwMW".indexOf(letter) >= 0 ? 1.5 : 1;
        }
        return Math.max(0.5, length);
    }
}
