package prolalia.core.insight;

import java.util.Arrays;
import java.util.stream.IntStream;

/**
 * The students with most and with fewest points. Those with as many points as the last of a group belong to it in part, each as
 * much as the others: which of them comes first doesn't matter.
 *
 * @param upper how far each student belongs to the upper 27 %, 0 to 1 (Kelley 1939: the share by which two groups are told apart
 *     best)
 * @param lower the same for the lower 27 %
 * @param upperThird how far each belongs to the upper third
 * @param lowerThird the same for the lower third
 */
record ScoreGroups(double[] upper, double[] lower, double[] upperThird, double[] lowerThird) {
    private static final double KELLEY = 0.27;

    static ScoreGroups of(double[] totals) {
        int n = totals.length;
        double[] turned = Arrays.stream(totals).map(total -> -total).toArray();
        int kelley = Math.max(1, (int) Math.round(KELLEY * n));
        int third = Math.max(1, (int) Math.round(n / 3.0));
        return new ScoreGroups(
                first(turned, kelley), first(totals, kelley), first(turned, third), first(totals, third));
    }

    /** Of the smallest values so many. */
    private static double[] first(double[] values, int count) {
        int n = values.length;
        double[] share = new double[n];
        Integer[] order = IntStream.range(0, n).boxed().toArray(Integer[]::new);
        Arrays.sort(order, (a, b) -> Double.compare(values[a], values[b]));
        int at = 0;
        double left = Math.min(count, n);
        while (at < n && left > 0) {
            int end = at;
            while (end < n && values[order[end]] == values[order[at]]) {
                end++;
            }
            double each = Math.min(1, left / (end - at));
            for (int i = at; i < end; i++) {
                share[order[i]] = each;
            }
            left -= each * (end - at);
            at = end;
        }
        return share;
    }

    /** The mean of values within a group. */
    static double mean(double[] group, double[] values) {
        double sum = 0;
        double weight = 0;
        for (int i = 0; i < group.length; i++) {
            sum += group[i] * values[i];
            weight += group[i];
        }
        return weight == 0 ? 0 : sum / weight;
    }
}
