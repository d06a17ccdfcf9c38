package prolalia.core.align;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import prolalia.core.align.SplitLattice.Step;
import prolalia.core.script.ReadingTime;
import prolalia.core.sound.Span;

/**
 * A long recording split over the lines of its script.
 *
 * <p>Speech activity gives pieces and the pauses between them, the words give expected durations. Of all ways to give runs
 * of pieces to the lines in order, that one is taken which explains both best (dynamic programming, {@link SplitLattice});
 * pace and the usual lengths of pauses between and within lines are estimated from the recording itself, in turns with the
 * splitting. The confidence of a boundary is its probability over all ways (forward and backward sums).
 *
 * @param lines as many as the script has, in its order
 * @param findings what the teacher should look at; empty when all is certain
 */
public record ScriptSplit(List<SplitLine> lines, List<SplitFinding> findings) {
    /** Under this a boundary is marked as uncertain. */
    public static final double CERTAIN = 0.8;

    private static final int ROUNDS = 4;

    /** Of the time that the words are foretold to take; a teacher reads slowly to children. */
    private static final double[] USUAL_PACES = {1, 1.3};

    /** Lengths that fit their words deviate by less than one spread. */
    private static final double USUAL_DEVIATION_SQUARE = 0.6;

    private static final double MOST_TEMPERATURE = 8;

    /** One line in so many may be off, and one at least where there are more than two. */
    private static final int TOLERATED_OF = 10;

    /** A line that is farther off its words than so many spreads is hardly that line. */
    private static final double FAR_DEVIATION = 1.5;

    /** A recording with less speech than this share of what its script needs isn't of this script, or not all of it. */
    private static final double MUCH_SHORTER = 0.5;

    private static final double MUCH_LONGER = 2.2;

    /** With more uncertain lines than this share, it isn't the lines but the recording. */
    private static final double MANY = 0.5;

    private static final double MANY_MISSING = 0.3;

    /**
     * A line of the script.
     *
     * @param span of the recording; null when the line wasn't found in it
     * @param confidence 0 to 1, of the worse of its two boundaries
     */
    public record SplitLine(int index, String words, Span span, double confidence) {}

    /**
     * Splits a recording.
     *
     * @param pieces of its speech in order ({@link prolalia.core.sound.SpeechDetector#pieces})
     * @param script the words of each line; blank ones can't be found
     */
    public static ScriptSplit of(List<Span> pieces, List<String> script) {
        double[] expected = script.stream().mapToDouble(ReadingTime::ofWordsMs).toArray();
        if (pieces.isEmpty() || Arrays.stream(expected).sum() == 0) {
            return nothing(script);
        }
        SplitModel first = SplitModel.first(pieces, expected);
        // The whole script may be here, read at whatever pace; or a part of it, read at a usual one.
        Attempt best = attempt(pieces, expected, first);
        for (double pace : USUAL_PACES) {
            Attempt part = attempt(pieces, expected, first.at(pace));
            best = part.cost() < best.cost() ? part : best;
        }
        return read(pieces, script, expected, best);
    }

    private record Attempt(SplitModel model, SplitLattice lattice, List<Step> steps, double cost) {}

    private static Attempt attempt(List<Span> pieces, double[] expected, SplitModel first) {
        SplitModel model = first;
        SplitLattice lattice = new SplitLattice(pieces, expected, model);
        SplitLattice.Way best = lattice.best();
        for (int round = 1; round < ROUNDS; round++) {
            model = model.learn(pieces, expected, best.steps());
            lattice = new SplitLattice(pieces, expected, model);
            best = lattice.best();
        }
        return new Attempt(model, lattice, best.steps(), best.cost() + model.costOfPace());
    }

    /** The same split, with what else was found out about the recording. */
    public ScriptSplit with(Optional<Span> secondVoice) {
        List<SplitFinding> all = new ArrayList<>(findings);
        secondVoice.ifPresent(place -> all.add(new SplitFinding(SplitFinding.Kind.SECOND_VOICE, -1, place)));
        return new ScriptSplit(lines, List.copyOf(all));
    }

    private static ScriptSplit nothing(List<String> script) {
        List<SplitLine> lines = new ArrayList<>();
        for (int i = 0; i < script.size(); i++) {
            lines.add(new SplitLine(i, script.get(i), null, 0));
        }
        return new ScriptSplit(lines, List.of(new SplitFinding(SplitFinding.Kind.NOTHING_SAID, -1, new Span(0, 0))));
    }

    private static ScriptSplit read(List<Span> pieces, List<String> script, double[] expected, Attempt attempt) {
        List<Step> best = attempt.steps();
        SplitLine[] lines = new SplitLine[script.size()];
        double[] deviations = deviations(pieces, expected, attempt);
        List<SplitFinding> findings = new ArrayList<>();
        double[] sure = attempt.lattice().probabilities(best, temperature(deviations));
        int line = 0;
        for (int i = 0; i < best.size(); i++) {
            Step step = best.get(i);
            Span span = step.pieces() == 0
                    ? null
                    : new Span(
                            pieces.get(step.firstPiece()).startMs(),
                            pieces.get(step.firstPiece() + step.pieces() - 1).endMs());
            if (!step.isLine()) {
                SplitFinding.Kind kind = line == 0
                        ? SplitFinding.Kind.BEFORE_THE_FIRST
                        : line == script.size() ? SplitFinding.Kind.AFTER_THE_LAST : SplitFinding.Kind.BETWEEN;
                findings.add(new SplitFinding(kind, Math.min(line, script.size() - 1), span));
                continue;
            }
            double before = i == 0 ? 1 : sure[i - 1];
            double confidence = span == null ? 0 : Math.min(before, sure[i]) * plausible(deviations[line]);
            lines[line] = new SplitLine(line, script.get(line), span, confidence);
            if (span == null && expected[line] > 0) {
                findings.add(new SplitFinding(SplitFinding.Kind.NOT_FOUND, line, place(lines, line)));
            } else if (span != null && confidence < CERTAIN) {
                findings.add(new SplitFinding(SplitFinding.Kind.UNCERTAIN, line, span));
            }
            line++;
        }
        judgeWhole(pieces, expected, findings);
        return new ScriptSplit(List.of(lines), List.copyOf(findings));
    }

    /** How far each line's length is off what its words foretell, in spreads; 0 where it isn't found. */
    private static double[] deviations(List<Span> pieces, double[] expected, Attempt attempt) {
        double[] deviations = new double[expected.length];
        int line = 0;
        for (Step step : attempt.steps()) {
            if (step.isLine()) {
                if (step.pieces() > 0) {
                    long startMs = pieces.get(step.firstPiece()).startMs();
                    long endMs =
                            pieces.get(step.firstPiece() + step.pieces() - 1).endMs();
                    deviations[line] = attempt.model().deviation(endMs - startMs, expected[line]);
                }
                line++;
            }
        }
        return deviations;
    }

    /**
     * The less the lengths of lines fit their words, the less the model is to be trusted. One false start in ten lines says
     * nothing of the others.
     */
    private static double temperature(double[] deviations) {
        double[] squares = Arrays.stream(deviations)
                .filter(each -> each != 0)
                .map(each -> each * each)
                .sorted()
                .toArray();
        double square = Arrays.stream(squares)
                .limit(squares.length - (squares.length + TOLERATED_OF - 3) / TOLERATED_OF)
                .average()
                .orElse(1);
        return Math.max(1, Math.min(MOST_TEMPERATURE, square / USUAL_DEVIATION_SQUARE));
    }

    private static double plausible(double deviation) {
        double beyond = Math.max(0, Math.abs(deviation) - FAR_DEVIATION);
        return Math.exp(-beyond * beyond);
    }

    private static Span place(SplitLine[] lines, int line) {
        for (int i = line - 1; i >= 0; i--) {
            if (lines[i].span() != null) {
                return new Span(lines[i].span().endMs(), lines[i].span().endMs());
            }
        }
        return new Span(0, 0);
    }

    private static void judgeWhole(List<Span> pieces, double[] expected, List<SplitFinding> findings) {
        Span all =
                new Span(pieces.get(0).startMs(), pieces.get(pieces.size() - 1).endMs());
        double sayable = Arrays.stream(expected).filter(ms -> ms > 0).count();
        double share = pieces.stream().mapToLong(Span::durationMs).sum()
                / Arrays.stream(expected).sum();
        double missing = count(findings, SplitFinding.Kind.NOT_FOUND);
        if (count(findings, SplitFinding.Kind.UNCERTAIN) > MANY * (sayable - missing)) {
            findings.add(new SplitFinding(SplitFinding.Kind.UNLIKE_SCRIPT, -1, all));
        }
        if (share < MUCH_SHORTER || missing > MANY_MISSING * sayable) {
            findings.add(new SplitFinding(SplitFinding.Kind.SHORTER_THAN_SCRIPT, -1, all));
        } else if (share > MUCH_LONGER) {
            findings.add(new SplitFinding(SplitFinding.Kind.LONGER_THAN_SCRIPT, -1, all));
        }
    }

    private static double count(List<SplitFinding> findings, SplitFinding.Kind kind) {
        return findings.stream().filter(finding -> finding.kind() == kind).count();
    }
}
