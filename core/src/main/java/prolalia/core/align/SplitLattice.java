package prolalia.core.align;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import prolalia.core.sound.Span;

/**
 * All ways to give runs of pieces to lines in order: a state is how many pieces and how many lines are used up, a step uses
 * a run of pieces for one line, or for none (something else was said), or a line for no piece (it wasn't said). Costs are
 * negative logarithms.
 */
final class SplitLattice {
    /** Something said before the first line or after the last isn't rare; between lines it is. */
    private static final double COST_OF_ENDS = 3;

    private static final double COST_OF_BETWEEN = 14;

    /** A line that isn't there. */
    private static final double COST_OF_MISSING = 16;

    /** The recording was begun late, or stopped early: then it doesn't matter how many lines are missing there. */
    private static final double COST_OF_PART = 6;

    private static final double COST_OF_MISSING_IN_REST = 0.3;

    /** A line is neither shorter nor longer than these shares of what was foretold. */
    private static final double SHORTEST = 0.3;

    private static final double LONGEST = 3;
    private static final double LOOSE_MS = 250;

    /** Something else that is said is at most this long. */
    private static final long LONGEST_EXTRA_MS = 15_000;

    private final List<Span> pieces;
    private final double[] expected;
    private final SplitModel model;
    private final double[] boundaries;
    private final int width;
    private final int lastSayable;

    /** One step; {@code isLine} is false for something that is no line's, {@code pieces} 0 for a line that isn't there. */
    record Step(int firstPiece, int pieces, boolean isLine) {}

    private interface Visitor {
        /** A step from a state to another one. */
        void step(int from, int to, double cost);
    }

    SplitLattice(List<Span> pieces, double[] expected, SplitModel model) {
        this.pieces = pieces;
        this.expected = expected;
        this.model = model;
        width = expected.length + 1;
        int sayable = expected.length;
        while (sayable > 0 && expected[sayable - 1] <= 0) {
            sayable--;
        }
        lastSayable = sayable;
        boundaries = new double[pieces.size() + 1];
        for (int i = 1; i < pieces.size(); i++) {
            boundaries[i] = model.costOfBoundary(SplitModel.logPause(pieces, i - 1));
        }
    }

    /** A way from the beginning to the end, with its cost. */
    record Way(List<Step> steps, double cost) {}

    /** The cheapest way. */
    Way best() {
        int states = (pieces.size() + 1) * width;
        float[] cost = new float[states];
        int[] cameFrom = new int[states];
        Arrays.fill(cost, Float.MAX_VALUE);
        cost[0] = 0;
        forEachStep((from, to, by) -> {
            if (cost[from] < Float.MAX_VALUE && cost[from] + by < cost[to]) {
                cost[to] = (float) (cost[from] + by);
                cameFrom[to] = from;
            }
        });
        List<Step> steps = new ArrayList<>();
        for (int at = states - 1; at != 0; at = cameFrom[at]) {
            int from = cameFrom[at];
            steps.add(new Step(from / width, at / width - from / width, at % width > from % width));
        }
        Collections.reverse(steps);
        return new Way(steps, cost[states - 1]);
    }

    /**
     * How probable it is, over all ways, that the state after each of these steps is passed.
     *
     * @param temperature 1 when the model explains the recording as well as it should; all costs are divided by it
     */
    double[] probabilities(List<Step> steps, double temperature) {
        int states = (pieces.size() + 1) * width;
        float[] there = new float[states];
        float[] on = new float[states];
        Arrays.fill(there, Float.NEGATIVE_INFINITY);
        Arrays.fill(on, Float.NEGATIVE_INFINITY);
        there[0] = 0;
        on[states - 1] = 0;
        forEachStep((from, to, by) -> there[to] = logSum(there[to], there[from] - by / temperature));
        forEachStepBackwards((from, to, by) -> on[from] = logSum(on[from], on[to] - by / temperature));
        double[] sure = new double[steps.size()];
        int piece = 0;
        int line = 0;
        for (int i = 0; i < sure.length; i++) {
            piece += steps.get(i).pieces();
            line += steps.get(i).isLine() ? 1 : 0;
            int state = piece * width + line;
            sure[i] = Math.min(1, Math.exp(there[state] + on[state] - there[states - 1]));
        }
        return sure;
    }

    private static float logSum(double a, double b) {
        if (a == Double.NEGATIVE_INFINITY || b == Double.NEGATIVE_INFINITY) {
            return (float) Math.max(a, b);
        }
        double most = Math.max(a, b);
        return (float) (most + Math.log1p(Math.exp(Math.min(a, b) - most)));
    }

    private void forEachStep(Visitor visitor) {
        for (int piece = 0; piece <= pieces.size(); piece++) {
            for (int line = 0; line < width; line++) {
                stepsFrom(piece, line, visitor);
            }
        }
    }

    private void forEachStepBackwards(Visitor visitor) {
        for (int piece = pieces.size(); piece >= 0; piece--) {
            for (int line = width - 1; line >= 0; line--) {
                stepsFrom(piece, line, visitor);
            }
        }
    }

    private void stepsFrom(int piece, int line, Visitor visitor) {
        int from = piece * width + line;
        if (line < expected.length) {
            visitor.step(from, from + 1, expected[line] > 0 ? costOfMissing(piece, line) : 0);
            if (expected[line] > 0) {
                lineSteps(piece, line, visitor);
            }
        }
        boolean atEnds = line == 0 || line == expected.length;
        for (int last = piece; last < pieces.size(); last++) {
            double ms = pieces.get(last).endMs() - pieces.get(piece).startMs();
            if (last > piece && ms > LONGEST_EXTRA_MS) {
                break;
            }
            double cost = (atEnds ? COST_OF_ENDS : COST_OF_BETWEEN) + boundaries[last + 1];
            visitor.step(from, (last + 1) * width + line, cost + costOfStopping(last + 1, line));
        }
    }

    private double costOfMissing(int piece, int line) {
        if (piece == 0) {
            return line == 0 ? COST_OF_PART : COST_OF_MISSING_IN_REST;
        }
        return piece == pieces.size() ? COST_OF_MISSING_IN_REST : COST_OF_MISSING;
    }

    /** What it costs when a step uses up the last piece and lines are left. */
    private double costOfStopping(int nextPiece, int nextLine) {
        return nextPiece == pieces.size() && nextLine < lastSayable ? COST_OF_PART : 0;
    }

    private void lineSteps(int piece, int line, Visitor visitor) {
        double foretold = expected[line] * model.pace();
        for (int last = piece; last < pieces.size(); last++) {
            double ms = pieces.get(last).endMs() - pieces.get(piece).startMs();
            if (ms > foretold * LONGEST + LOOSE_MS) {
                break;
            }
            if (ms >= foretold * SHORTEST - LOOSE_MS) {
                double cost = model.costOfLength(ms, expected[line])
                        + boundaries[last + 1]
                        + costOfStopping(last + 1, line + 1);
                visitor.step(piece * width + line, (last + 1) * width + line + 1, cost);
            }
        }
    }
}
