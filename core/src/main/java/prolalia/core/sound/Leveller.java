package prolalia.core.sound;

/**
 * Brings a take to the loudness that all takes have, so that none is louder than another.
 *
 * <p>Gain first, then {@link Limiter}; where the limiter took loudness away, the gain is raised again until the measured
 * loudness is right.
 */
public final class Leveller {
    /** The loudness of every take: EBU Tech 3344 and AES TD1008 name -16 to -20 LUFS for speech on small devices. */
    public static final double TARGET_LUFS = -19.0;

    /** The highest true peak of a take as it is heard (EBU R 128 s2 gives -1 dBTP before lossy coding). */
    public static final double HIGHEST_TRUE_PEAK_DBTP = -1.5;

    private static final double CLOSE_ENOUGH_LU = 0.08;
    private static final int MOST_ROUNDS = 6;

    /** More gain than this would only bring up the noise of a take that has no voice in it. */
    private static final double HIGHEST_GAIN_DB = 50;

    private Leveller() {}

    /**
     * What to level to.
     *
     * @param loudnessLufs integrated loudness
     * @param ceilingDbtp the true peak to stay under
     */
    public record Target(double loudnessLufs, double ceilingDbtp) {}

    /**
     * A levelled sound.
     *
     * @param gainDb what was applied before limiting
     * @param loudnessLufs what the result measures
     */
    public record Levelled(Sound sound, double gainDb, double loudnessLufs) {
        /** The same, softer by so many dB. */
        public Levelled softer(double byDb) {
            float gain = (float) Decibels.toAmplitude(-byDb);
            float[] samples = sound.samples().clone();
            for (int i = 0; i < samples.length; i++) {
                samples[i] *= gain;
            }
            return new Levelled(new Sound(samples, sound.sampleRate()), gainDb - byDb, loudnessLufs - byDb);
        }
    }

    /**
     * Levels a sound with speech in it, which is not changed.
     */
    public static Levelled level(Sound sound, Target target) {
        Limiter limiter = new Limiter(sound, target.ceilingDbtp());
        double before = LoudnessMeter.ofMono(sound);
        double gainDb = Math.min(HIGHEST_GAIN_DB, target.loudnessLufs() - before);
        // A decibel of gain brings less than one of loudness once the limiter works; the last round tells how much
        // less.
        double lastGainDb = 0;
        double lastLufs = before;
        for (int round = 1; ; round++) {
            Sound levelled = new Sound(limiter.apply(Decibels.toAmplitude(gainDb)), sound.sampleRate());
            double lufs = LoudnessMeter.ofMono(levelled);
            double missing = target.loudnessLufs() - lufs;
            double slope = Math.max(0.2, Math.min(1, (lufs - lastLufs) / (gainDb - lastGainDb)));
            double next = Math.min(HIGHEST_GAIN_DB, gainDb + missing / (Double.isNaN(slope) ? 1 : slope));
            if (Math.abs(missing) <= CLOSE_ENOUGH_LU || round == MOST_ROUNDS || next == gainDb) {
                return new Levelled(levelled, gainDb, lufs);
            }
            lastGainDb = gainDb;
            lastLufs = lufs;
            gainDb = next;
        }
    }
}
