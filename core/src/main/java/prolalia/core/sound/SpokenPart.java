package prolalia.core.sound;

/**
 * What of a recording becomes the take.
 *
 * @param trim with a breath before and after
 * @param original what the recording measured before anything was done to it
 */
public record SpokenPart(Span trim, Measurement original) implements Judgement {
    private static final double HIGHEST_MAGNITUDE = 255 * Math.pow(10, Leveller.HIGHEST_TRUE_PEAK_DBTP / 20);

    /** What levelling will apply, about: the loudness of speech is hardly that of the pauses around it (BS.1770-5, annex 1). */
    public double foreseenGainDb() {
        return Leveller.TARGET_LUFS - original.integratedLufs();
    }

    /** The outline of the take, about as it will be. */
    public Peaks foreseenPeaks(Sound recording) {
        double gain = Math.pow(10, foreseenGainDb() / 20);
        byte[] magnitudes = Peaks.of(recording.slice(trim)).values();
        for (int i = 0; i < magnitudes.length; i++) {
            magnitudes[i] = (byte) Math.min(HIGHEST_MAGNITUDE, (magnitudes[i] & 0xff) * gain);
        }
        return new Peaks(magnitudes);
    }
}
