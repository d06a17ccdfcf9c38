package prolalia.core.sound;

/**
 * A take ready to be encoded.
 *
 * @param trim what was kept of the original
 * @param original what the recording measured before anything was done to it
 * @param levelled the take at its loudness
 * @param gainDb what levelling applied
 * @param loudnessLufs what the levelled take measures
 * @param peaks of the levelled take
 */
public record PreparedTake(
        Span trim, Measurement original, Sound levelled, double gainDb, double loudnessLufs, Peaks peaks)
        implements Preparation {}
