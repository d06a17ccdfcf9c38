package prolalia.core.sound;

/**
 * What a few seconds tell about a microphone and its room.
 *
 * @param level whether it is loud enough
 * @param noise whether the room is quiet enough
 * @param hum whether the mains can be heard
 * @param clipped whether it was too loud
 * @param levelDbfs RMS level of the speech, or of everything when nobody spoke; negative infinity for nothing at all
 * @param noiseDbfs RMS level of the room
 * @param humDb how far the mains stand over their surroundings
 */
public record MicrophoneReport(
        Level level, Noise noise, boolean hum, boolean clipped, double levelDbfs, double noiseDbfs, double humDb) {

    /** How loud it is. */
    public enum Level {
        /** Not even hiss: muted, or another input. */
        DEAD,
        /** A room, but nobody speaking. */
        NOBODY,
        QUIET,
        GOOD,
        LOUD
    }

    /** How the room stands against the voice. */
    public enum Noise {
        QUIET_ROOM,
        SOME,
        TOO_MUCH
    }

    /** Under this even hiss is missing. */
    private static final double DEAD_DBFS = -85;

    /** Levelling raises this by 20 dB and more. */
    private static final double QUIET_DBFS = -42;

    /** Peaks of speech stand 15 dB over its level: from here on they are cut off. */
    private static final double LOUD_DBFS = -14;

    private static final double GOOD_SPEECH_TO_NOISE_DB = 25;

    /** Mains hum, with its first harmonics, stands this far over the frequencies beside it before it is heard. */
    private static final double AUDIBLE_HUM_DB = 14;

    /** Hum far under hearing doesn't matter however clear its line is. */
    private static final double FAINTEST_HUM_DBFS = -62;

    private static final int[] MAINS_HZ = {50, 60};
    private static final int HARMONICS = 3;
    private static final double[] BESIDE_HZ = {-9, -6, 6, 9};

    /** Judges a recording of a few seconds. */
    public static MicrophoneReport of(Sound sound) {
        Measurement measured = SoundMeter.measure(sound);
        boolean spoken = !measured.speech().isEmpty();
        double level = spoken ? measured.speechDbfs() : measured.levelDbfs();
        double hum = Double.NEGATIVE_INFINITY;
        double humLevel = Double.NEGATIVE_INFINITY;
        for (int mains : MAINS_HZ) {
            for (int harmonic = 1; harmonic <= HARMONICS; harmonic++) {
                double at = power(sound, mains * harmonic);
                double beside = 1e-14;
                for (double offset : BESIDE_HZ) {
                    beside = Math.max(beside, power(sound, mains * harmonic + offset));
                }
                hum = Math.max(hum, Decibels.ofPower(at / beside));
                humLevel = Math.max(humLevel, Decibels.ofPower(at));
            }
        }
        return new MicrophoneReport(
                level(level, spoken),
                noise(measured, spoken),
                hum > AUDIBLE_HUM_DB && humLevel > FAINTEST_HUM_DBFS,
                measured.clippedSamples() > 0,
                level,
                measured.noiseFloorDbfs(),
                hum);
    }

    private static Level level(double dbfs, boolean spoken) {
        if (dbfs < DEAD_DBFS) {
            return Level.DEAD;
        }
        if (!spoken) {
            return Level.NOBODY;
        }
        return dbfs < QUIET_DBFS ? Level.QUIET : dbfs > LOUD_DBFS ? Level.LOUD : Level.GOOD;
    }

    private static Noise noise(Measurement measured, boolean spoken) {
        if (!spoken) {
            return measured.noiseFloorDbfs() < QUIET_DBFS - GOOD_SPEECH_TO_NOISE_DB / 2 ? Noise.QUIET_ROOM : Noise.SOME;
        }
        double ratio = measured.speechToNoiseDb();
        return ratio < SoundCheck.NOISY_DB
                ? Noise.TOO_MUCH
                : ratio < GOOD_SPEECH_TO_NOISE_DB ? Noise.SOME : Noise.QUIET_ROOM;
    }

    /** Mean square at one frequency over the whole sound (G. Goertzel, 1958), under a Hann window. */
    private static double power(Sound sound, double hz) {
        float[] x = sound.samples();
        double turn = 2 * Math.PI * hz / sound.sampleRate();
        double coefficient = 2 * Math.cos(turn);
        double s1 = 0;
        double s2 = 0;
        for (int i = 0; i < x.length; i++) {
            double window = 0.5 - 0.5 * Math.cos(2 * Math.PI * i / x.length);
            double s = x[i] * window + coefficient * s1 - s2;
            s2 = s1;
            s1 = s;
        }
        double magnitude = s1 * s1 + s2 * s2 - coefficient * s1 * s2;
        // A sine of amplitude a gives (a n / 4)² under a Hann window, and has a mean square of a² / 2.
        return x.length == 0 ? 0 : Math.max(0, magnitude) * 8 / ((double) x.length * x.length);
    }
}
