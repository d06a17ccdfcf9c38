package prolalia.core.sound;

import java.util.List;

/**
 * What a sound measures, as it is.
 *
 * @param durationMs length
 * @param integratedLufs loudness to ITU-R BS.1770-5, {@link LoudnessMeter#SILENCE_LUFS} for silence
 * @param truePeakDbtp the highest true peak of any channel; negative infinity for digital silence
 * @param noiseFloorDbfs RMS level of what is not speech, all channels; negative infinity for digital silence
 * @param levelDbfs RMS level of the loudest tenth of the sound; negative infinity for digital silence
 * @param clippedSamples samples in runs of three or more at full scale, all channels
 * @param speech where somebody speaks
 */
public record Measurement(
        long durationMs,
        double integratedLufs,
        double truePeakDbtp,
        double noiseFloorDbfs,
        double levelDbfs,
        long clippedSamples,
        List<Span> speech) {

    /** How long somebody speaks, pauses left out. */
    public long speechMs() {
        return speech.stream().mapToLong(Span::durationMs).sum();
    }

    /** From the first word to the end of the last. The sound must have speech in it. */
    public Span spoken() {
        return new Span(speech.get(0).startMs(), speech.get(speech.size() - 1).endMs());
    }
}
