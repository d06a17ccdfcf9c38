package prolalia.core.align;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import prolalia.core.align.SplitLattice.Step;
import prolalia.core.sound.Span;

/**
 * How this recording was read: its pace, and how long its pauses are between lines and within them. Lengths of pauses are
 * taken to be log-normal.
 *
 * @param pace of the time that the words are expected to take
 * @param between mean of the natural logarithm of the pauses between lines, in ms
 * @param within the same of pauses within lines
 */
record SplitModel(double pace, double between, double betweenSpread, double within, double withinSpread) {
    /** Spoken lengths scatter by about this around what syllables and pauses foretell (natural logarithm)... */
    private static final double SPREAD = 0.22;

    /** ... and short words by some more: a syllable more or less is a fixed time. */
    private static final double LOOSE_MS = 130;

    /** A pause that was left out or put in is never impossible. */
    private static final double MOST_COST = 5;

    /** Farther than this from the usual pause (natural logarithm): half as long, or nearly twice. */
    private static final double FAR = 0.65;

    private static final double LEAST_SPREAD = 0.22;
    private static final double MOST_SPREAD = 0.7;

    /** Teachers differ in pace by about this (natural logarithm). */
    private static final double PACE_SPREAD = 0.3;

    /** Before anything is known, pauses within lines are as long as those at punctuation. */
    private static final double USUAL_WITHIN = Math.log(180);

    /** As many pauses within lines as it takes to outweigh the usual one. */
    private static final int TRUST = 4;

    /** Pauses between lines are at least a fifth longer than those within (natural logarithm). */
    private static final double LEAST_DIFFERENCE = 0.2;

    /** The longest pauses, as many as there are boundaries, are the boundaries at first. */
    static SplitModel first(List<Span> pieces, double[] expected) {
        double[] pauses = new double[pieces.size() - 1];
        Arrays.setAll(pauses, i -> logPause(pieces, i));
        Arrays.sort(pauses);
        int boundaries = Math.min(
                pauses.length,
                (int) Arrays.stream(expected).filter(ms -> ms > 0).count() - 1);
        double spoken = pieces.get(pieces.size() - 1).endMs() - pieces.get(0).startMs();
        double[] longest = Arrays.copyOfRange(pauses, pauses.length - boundaries, pauses.length);
        for (double pause : longest) {
            spoken -= Math.exp(pause);
        }
        double pace =
                Math.max(0.4, Math.min(2.5, spoken / Arrays.stream(expected).sum()));
        return new SplitModel(
                pace,
                mean(longest, Math.log(700)),
                spread(longest, mean(longest, 0)),
                within(Arrays.copyOf(pauses, pauses.length - boundaries), mean(longest, Math.log(700))),
                MOST_SPREAD);
    }

    /** The same, but for the pace. */
    SplitModel at(double otherPace) {
        return new SplitModel(otherPace, between, betweenSpread, within, withinSpread);
    }

    /** How unlikely such a pace is, in the measure of the other costs. */
    double costOfPace() {
        double off = Math.log(pace) / PACE_SPREAD;
        return off * off / 2;
    }

    /** How far a line's length is off what was foretold, in spreads; 1 is usual. */
    double deviation(double ms, double expectedMs) {
        double foretold = expectedMs * pace;
        return Math.log(ms / foretold) / Math.hypot(SPREAD, LOOSE_MS / foretold);
    }

    /** What a split of the recording says of it. */
    SplitModel learn(List<Span> pieces, double[] expected, List<Step> steps) {
        List<Double> inner = new ArrayList<>();
        List<Double> outer = new ArrayList<>();
        List<Double> paces = new ArrayList<>();
        int line = 0;
        for (Step step : steps) {
            int last = step.firstPiece() + step.pieces() - 1;
            for (int i = step.firstPiece(); i < last; i++) {
                inner.add(logPause(pieces, i));
            }
            if (step.pieces() > 0 && last < pieces.size() - 1) {
                outer.add(logPause(pieces, last));
            }
            if (step.isLine() && step.pieces() > 0 && expected[line] > 0) {
                double ms =
                        pieces.get(last).endMs() - pieces.get(step.firstPiece()).startMs();
                paces.add(Math.log(ms / expected[line]));
            }
            line += step.isLine() ? 1 : 0;
        }
        double usual = median(toArray(outer), between);
        double[] near = near(toArray(outer), usual);
        double meanBetween = mean(near, between);
        double[] within = toArray(inner);
        double[] ratios = toArray(paces);
        Arrays.sort(ratios);
        return new SplitModel(
                ratios.length == 0 ? pace : Math.exp(ratios[ratios.length / 2]),
                meanBetween,
                spread(near, meanBetween),
                within(within, meanBetween),
                spread(within, mean(within, USUAL_WITHIN)));
    }

    /** How unlikely it is that a line takes so long: half the squared deviation, and the spread. */
    double costOfLength(double ms, double expectedMs) {
        double off = deviation(ms, expectedMs);
        double spread = Math.hypot(SPREAD, LOOSE_MS / (expectedMs * pace));
        return off * off / 2 + Math.log(spread / SPREAD);
    }

    /** How much less likely a pause is as a boundary than within a line; negative when a boundary is likelier. */
    double costOfBoundary(double logPause) {
        double asBetween = costOf(Math.min(logPause, between), between, betweenSpread);
        double asWithin = costOf(Math.max(logPause, within), within, withinSpread);
        return Math.max(-MOST_COST, Math.min(MOST_COST, asBetween - asWithin));
    }

    private static double costOf(double value, double mean, double spread) {
        double off = (value - mean) / spread;
        return off * off / 2 + Math.log(spread);
    }

    static double logPause(List<Span> pieces, int after) {
        return Math.log(
                Math.max(10, pieces.get(after + 1).startMs() - pieces.get(after).endMs()));
    }

    private static double[] toArray(List<Double> values) {
        return values.stream().mapToDouble(Double::doubleValue).toArray();
    }

    /** Drawn towards the usual while there are few: two pauses before a "that's all" aren't pauses within lines. */
    private static double within(double[] values, double between) {
        double sum = TRUST * USUAL_WITHIN + Arrays.stream(values).sum();
        return Math.min(sum / (TRUST + values.length), between - LEAST_DIFFERENCE);
    }

    private static double mean(double[] values, double otherwise) {
        return Arrays.stream(values).average().orElse(otherwise);
    }

    private static double spread(double[] values, double mean) {
        double square = Arrays.stream(values)
                .map(value -> (value - mean) * (value - mean))
                .average()
                .orElse(0.25);
        return Math.max(LEAST_SPREAD, Math.min(MOST_SPREAD, Math.sqrt(square)));
    }

    private static double median(double[] values, double otherwise) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return sorted.length == 0 ? otherwise : sorted[sorted.length / 2];
    }

    /** The pauses near the usual one: those that were left out, or where something was dropped, say nothing of it. */
    private static double[] near(double[] values, double middle) {
        return Arrays.stream(values)
                .filter(value -> Math.abs(value - middle) < FAR)
                .toArray();
    }
}
