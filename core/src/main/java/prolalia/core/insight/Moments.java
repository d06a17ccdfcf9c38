package prolalia.core.insight;

/** Means, variances and correlations of numbers that belong to the same students. */
final class Moments {
    /** What is left of a variance of 0 when it is computed. */
    static final double NONE = 1e-12;

    private Moments() {}

    static double mean(double[] values) {
        double sum = 0;
        for (double value : values) {
            sum += value;
        }
        return values.length == 0 ? 0 : sum / values.length;
    }

    /** Of all of them, not of a sample. */
    static double variance(double[] values) {
        double mean = mean(values);
        double sum = 0;
        for (double value : values) {
            sum += (value - mean) * (value - mean);
        }
        return values.length == 0 ? 0 : sum / values.length;
    }

    /** Pearson's; null when one of them is the same for all. */
    static Double correlation(double[] one, double[] other) {
        double meanOne = mean(one);
        double meanOther = mean(other);
        double product = 0;
        for (int i = 0; i < one.length; i++) {
            product += (one[i] - meanOne) * (other[i] - meanOther);
        }
        double variances = variance(one) * variance(other);
        boolean defined = variance(one) > NONE && variance(other) > NONE;
        return defined ? (Double) (product / one.length / Math.sqrt(variances)) : null;
    }
}
