package prolalia.core.insight;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Statistics of the questions of a test, by classical test theory.
 *
 * <pre>{@code
 * TestStatistics statistics = TestStatistics.of(scored);
 * Double alpha = statistics.alpha();
 * }</pre>
 *
 * <p>A question that a student didn't answer counts as 0 points, as is usual. Where a student answered a question several times,
 * the last one counts. Immutable.
 *
 * @param questions in the order in which they were first met
 * @param alpha Cronbach's alpha (Cronbach 1951, formula 2): how far the questions measure one thing, 1 at most; null with fewer than two
 *     questions or students, or when all have as many points
 * @param students how many there are
 */
public record TestStatistics(List<QuestionStatistics> questions, Double alpha, int students) {
    /** With fewer students a figure is hardly more than chance: its standard error is over a sixth. */
    public static final int SMALL = 10;

    private static final double EXACT = 1e9;

    /** Whether the figures say little. */
    public boolean isSmall() {
        return students < SMALL;
    }

    public static TestStatistics of(List<Scored> scored) {
        Map<String, Integer> students = new LinkedHashMap<>();
        Map<String, Map<Integer, Scored>> byQuestion = new LinkedHashMap<>();
        for (Scored each : scored) {
            int student = students.computeIfAbsent(each.student(), unseen -> students.size());
            byQuestion
                    .computeIfAbsent(each.question(), unseen -> new LinkedHashMap<>())
                    .put(student, each);
        }
        int n = students.size();
        double[] totals = new double[n];
        byQuestion.values().forEach(column -> column.forEach((student, each) -> totals[student] += each.points()));
        // Sums of parts of points: what is equal is equal in any order of adding.
        Arrays.setAll(totals, i -> Math.rint(totals[i] * EXACT) / EXACT);
        ScoreGroups groups = ScoreGroups.of(totals);
        List<QuestionStatistics> questions = new ArrayList<>();
        double variances = 0;
        for (Map.Entry<String, Map<Integer, Scored>> column : byQuestion.entrySet()) {
            double[] points = new double[n];
            column.getValue().forEach((student, each) -> points[student] = each.points());
            questions.add(QuestionStatistics.of(column.getKey(), column.getValue(), points, totals, groups));
            variances += Moments.variance(points);
        }
        return new TestStatistics(List.copyOf(questions), alpha(questions.size(), variances, totals), n);
    }

    private static Double alpha(int k, double variances, double[] totals) {
        double ofTotals = Moments.variance(totals);
        return k < 2 || totals.length < 2 || ofTotals <= Moments.NONE
                ? null
                : (Double) (k / (k - 1.0) * (1 - variances / ofTotals));
    }
}
