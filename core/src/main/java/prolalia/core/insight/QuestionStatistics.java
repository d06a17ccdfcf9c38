package prolalia.core.insight;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What the answers to a question say of it.
 *
 * @param question what it is called
 * @param most what it is worth
 * @param answered how many students answered it
 * @param facility mean share of the points, 0 to 1 (Crocker and Algina 1986, chapter 14: item difficulty p); null without
 *     students
 * @param discrimination facility among the upper 27 % by points of the whole test less that among the lower 27 %, -1 to 1
 *     (Kelley 1939; Ebel 1954); null when all have as many points in the test, or all as many in the question
 * @param pointBiserial correlation of its points with those of all other questions together, -1 to 1 (corrected for the
 *     question's own part: Henrysson 1963); null when one of them is the same for all
 * @param choices what was answered, most frequent first
 */
public record QuestionStatistics(
        String question,
        double most,
        int answered,
        Double facility,
        Double discrimination,
        Double pointBiserial,
        List<ChoiceCount> choices) {
    private static final double NEARLY_ALL = 0.9;
    private static final double MOST = 0.65;
    private static final double HALF = 0.35;
    private static final double FEW = 0.1;
    private static final double WELL = 0.4;
    private static final double SOMEWHAT = 0.2;

    /** How many knew it, in words. */
    public enum Known {
        NEARLY_ALL,
        MOST,
        HALF,
        FEW,
        HARDLY_ANYBODY
    }

    /** Whether who knew the rest knew this. */
    public enum Tells {
        WELL,
        SOMEWHAT,
        HARDLY,
        /** Who knew the rest knew this less often. */
        AGAINST
    }

    /** @return null without a facility */
    public Known known() {
        if (facility == null) {
            return null;
        }
        return facility >= NEARLY_ALL
                ? Known.NEARLY_ALL
                : facility >= MOST
                        ? Known.MOST
                        : facility >= HALF ? Known.HALF : facility >= FEW ? Known.FEW : Known.HARDLY_ANYBODY;
    }

    /** By the limits of Ebel and Frisbie (1991, chapter 13). @return null without a discrimination */
    public Tells tells() {
        if (discrimination == null) {
            return null;
        }
        return discrimination >= WELL
                ? Tells.WELL
                : discrimination >= SOMEWHAT ? Tells.SOMEWHAT : discrimination >= 0 ? Tells.HARDLY : Tells.AGAINST;
    }

    /**
     * How often something was answered.
     *
     * @param count of all students
     * @param share of all students, 0 to 1
     * @param upperThird share of the third with most points, 0 to 1
     * @param lowerThird share of the third with fewest points, 0 to 1
     */
    public record ChoiceCount(String answer, int count, double share, double upperThird, double lowerThird) {}

    /** @param points of all students, 0 where they didn't answer @param totals of the whole test */
    static QuestionStatistics of(
            String question, Map<Integer, Scored> given, double[] points, double[] totals, ScoreGroups groups) {
        int n = points.length;
        double most = given.values().stream().mapToDouble(Scored::most).max().orElse(1);
        double[] shares = Arrays.stream(points).map(each -> each / most).toArray();
        double[] rest = new double[n];
        Arrays.setAll(rest, i -> totals[i] - points[i]);
        boolean differ = Moments.variance(totals) > Moments.NONE && Moments.variance(points) > Moments.NONE;
        return new QuestionStatistics(
                question,
                most,
                given.size(),
                n == 0 ? null : (Double) Moments.mean(shares),
                differ
                        ? (Double) (ScoreGroups.mean(groups.upper(), shares) - ScoreGroups.mean(groups.lower(), shares))
                        : null,
                Moments.correlation(points, rest),
                choices(given, n, groups));
    }

    private static List<ChoiceCount> choices(Map<Integer, Scored> given, int n, ScoreGroups groups) {
        Map<String, double[]> who = new LinkedHashMap<>();
        given.forEach((student, each) -> {
            if (!each.answer().isEmpty()) {
                who.computeIfAbsent(each.answer(), unseen -> new double[n])[student] = 1;
            }
        });
        List<ChoiceCount> choices = new ArrayList<>();
        who.forEach((answer, by) -> {
            int count = (int) Arrays.stream(by).sum();
            choices.add(new ChoiceCount(
                    answer,
                    count,
                    (double) count / n,
                    ScoreGroups.mean(groups.upperThird(), by),
                    ScoreGroups.mean(groups.lowerThird(), by)));
        });
        choices.sort((a, b) -> b.count() - a.count());
        return List.copyOf(choices);
    }
}
