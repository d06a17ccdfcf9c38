package prolalia.core.sound;

/**
 * The K-weighting pre-filter of one channel, ITU-R BS.1770-5 Annex 1: a shelf for the head, then a high-pass.
 *
 * <p>The standard tabulates coefficients for 48 kHz alone (Tables 1 and 2) and asks for the same frequency response at
 * other rates. The analogue prototypes below, taken through the bilinear transform, give the tabulated values at 48 kHz
 * to ten decimal places and the same response elsewhere.
 */
final class KWeighting {
    private static final double SHELF_HZ = 1681.974450955533;
    private static final double SHELF_GAIN_DB = 3.999843853973347;
    private static final double SHELF_Q = 0.7071752369554196;
    private static final double SHELF_BAND_EXPONENT = 0.4996667741545416;
    private static final double HIGH_PASS_HZ = 38.13547087602444;
    private static final double HIGH_PASS_Q = 0.5003270373238773;

    /** Far under any sound; keeps the states of the filter from fading into denormal numbers, which are slow. */
    private static final double ANTI_DENORMAL = 1e-30;

    private final double[] b = new double[3];
    private final double[] a = new double[3];
    private final double[] highPassA = new double[3];
    private double shelf1;
    private double shelf2;
    private double pass1;
    private double pass2;

    KWeighting(int sampleRate) {
        double k = Math.tan(Math.PI * SHELF_HZ / sampleRate);
        double high = Math.pow(10, SHELF_GAIN_DB / 20);
        double band = Math.pow(high, SHELF_BAND_EXPONENT);
        double a0 = 1 + k / SHELF_Q + k * k;
        b[0] = (high + band * k / SHELF_Q + k * k) / a0;
        b[1] = 2 * (k * k - high) / a0;
        b[2] = (high - band * k / SHELF_Q + k * k) / a0;
        a[1] = 2 * (k * k - 1) / a0;
        a[2] = (1 - k / SHELF_Q + k * k) / a0;

        k = Math.tan(Math.PI * HIGH_PASS_HZ / sampleRate);
        a0 = 1 + k / HIGH_PASS_Q + k * k;
        highPassA[1] = 2 * (k * k - 1) / a0;
        highPassA[2] = (1 - k / HIGH_PASS_Q + k * k) / a0;
    }

    /** Filters the next samples into {@code y}. */
    void filter(float[] x, int from, int count, double[] y) {
        // Local copies keep the recursion in registers; this loop is most of what measuring costs.
        double b0 = b[0], b1 = b[1], b2 = b[2], a1 = a[1], a2 = a[2], c1 = highPassA[1], c2 = highPassA[2];
        double s1 = shelf1, s2 = shelf2, p1 = pass1, p2 = pass2;
        for (int i = 0; i < count; i++) {
            double w = x[from + i] + ANTI_DENORMAL - a1 * s1 - a2 * s2;
            double v = b0 * w + b1 * s1 + b2 * s2 - c1 * p1 - c2 * p2;
            y[i] = v - 2 * p1 + p2;
            s2 = s1;
            s1 = w;
            p2 = p1;
            p1 = v;
        }
        shelf1 = s1;
        shelf2 = s2;
        pass1 = p1;
        pass2 = p2;
    }
}
