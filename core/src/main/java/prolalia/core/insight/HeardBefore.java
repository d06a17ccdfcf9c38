package prolalia.core.insight;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * How much of each question was heard before it was answered, and whether wrong answers go with not hearing. Immutable.
 *
 * @param cells one for each answer
 * @param questions in the order in which their lines were given
 */
public record HeardBefore(List<Cell> cells, List<OfQuestion> questions) {
    /** From this share on it counts as heard: the end of a sentence is often clear before it is said. */
    public static final double HEARD = 0.8;

    /** Up to this share it counts as not heard at all. */
    public static final double UNHEARD = 0.1;

    /** With fewer on either side a difference is chance. */
    private static final int FEWEST = 3;

    /** So much more often right: about one answer in four. */
    private static final double DIFFERENCE = 0.25;

    /**
     * What somebody heard of a line.
     *
     * @param firstAt when something of it
     * @param wholeAt when all of it first; null: never
     * @param partPercent how much at most without its end, of a hundred
     */
    public record Hearing(String student, String line, long firstAt, Long wholeAt, int partPercent) {
        private double shareBefore(long at) {
            if (wholeAt != null && wholeAt <= at) {
                return 1;
            }
            return firstAt <= at ? partPercent / 100.0 : 0;
        }
    }

    /** An answer. @param right whether it got all points */
    public record Attempt(String student, String question, boolean right, long at) {}

    /**
     * An answer with what was heard before it.
     *
     * @param share of the question and its choices, each line as much as another, 0 to 1
     * @param lines the same for each line
     */
    public record Cell(Attempt attempt, double share, Map<String, Double> lines) {
        public boolean isUnheard() {
            return share <= UNHEARD;
        }
    }

    /**
     * What hearing means for a question.
     *
     * @param heard mean share over its answers, 0 to 1; null: nobody answered
     * @param unheard who answered without hearing
     * @param rightHeard share of right answers among those who heard it; null: nobody did
     * @param rightNotHeard the same among those who heard less; null: all heard it
     * @param wrongGoesWithNotHearing whether that differs by more than chance would in a class
     * @param linesNobodyHeard of its lines
     */
    public record OfQuestion(
            String question,
            Double heard,
            List<String> unheard,
            Double rightHeard,
            Double rightNotHeard,
            boolean wrongGoesWithNotHearing,
            List<String> linesNobodyHeard) {}

    /** @param linesOf the voiced lines of each question: its own, and its choices; questions without any are left out */
    public static HeardBefore of(List<Attempt> attempts, List<Hearing> hearings, Map<String, List<String>> linesOf) {
        Map<String, Map<String, Hearing>> byStudent = new HashMap<>();
        hearings.forEach(each -> byStudent
                .computeIfAbsent(each.student(), unseen -> new HashMap<>())
                .put(each.line(), each));
        List<Cell> cells = new ArrayList<>();
        List<OfQuestion> questions = new ArrayList<>();
        linesOf.forEach((question, lines) -> {
            if (lines.isEmpty()) {
                return;
            }
            List<Cell> own = attempts.stream()
                    .filter(attempt -> attempt.question().equals(question))
                    .map(attempt -> cell(attempt, lines, byStudent.getOrDefault(attempt.student(), Map.of())))
                    .toList();
            cells.addAll(own);
            questions.add(question(question, own, lines));
        });
        return new HeardBefore(List.copyOf(cells), List.copyOf(questions));
    }

    private static Cell cell(Attempt attempt, List<String> lines, Map<String, Hearing> heard) {
        Map<String, Double> shares = new LinkedHashMap<>();
        for (String line : lines) {
            Hearing hearing = heard.get(line);
            shares.put(line, hearing == null ? 0 : hearing.shareBefore(attempt.at()));
        }
        double mean = shares.values().stream()
                .mapToDouble(Double::doubleValue)
                .average()
                .orElse(0);
        return new Cell(attempt, mean, shares);
    }

    private static OfQuestion question(String question, List<Cell> cells, List<String> lines) {
        List<Cell> heard = cells.stream().filter(cell -> cell.share() >= HEARD).toList();
        List<Cell> less = cells.stream().filter(cell -> cell.share() < HEARD).toList();
        Double rightHeard = right(heard);
        Double rightLess = right(less);
        boolean goes = heard.size() >= FEWEST && less.size() >= FEWEST && rightHeard - rightLess >= DIFFERENCE;
        return new OfQuestion(
                question,
                cells.isEmpty()
                        ? null
                        : (Double) cells.stream()
                                .mapToDouble(Cell::share)
                                .average()
                                .orElse(0),
                cells.stream()
                        .filter(Cell::isUnheard)
                        .map(cell -> cell.attempt().student())
                        .toList(),
                rightHeard,
                rightLess,
                goes,
                cells.isEmpty()
                        ? List.of()
                        : lines.stream()
                                .filter(line -> cells.stream()
                                        .allMatch(cell -> cell.lines().get(line) <= UNHEARD))
                                .toList());
    }

    private static Double right(List<Cell> cells) {
        return cells.isEmpty()
                ? null
                : (Double) ((double) cells.stream()
                                .filter(cell -> cell.attempt().right())
                                .count()
                        / cells.size());
    }
}
