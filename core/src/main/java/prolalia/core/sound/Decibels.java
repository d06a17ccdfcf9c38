package prolalia.core.sound;

/** Between ratios and decibels. */
final class Decibels {
    private Decibels() {}

    /** Decibels of a ratio of amplitudes; negative infinity for 0. */
    static double ofAmplitude(double ratio) {
        return 20 * Math.log10(ratio);
    }

    /** Decibels of a ratio of powers; negative infinity for 0. */
    static double ofPower(double ratio) {
        return 10 * Math.log10(ratio);
    }

    static double toAmplitude(double db) {
        return Math.pow(10, db / 20);
    }
}
