package prolalia.core.sound;

import java.util.List;
import java.util.Optional;

/**
 * What a sound measures, as it is.
 *
 * @param durationMs length
 * @param integratedLufs loudness to ITU-R BS.1770-5, {@link LoudnessMeter#SILENCE_LUFS} for silence
 * @param truePeakDbtp the highest true peak of any channel; negative infinity for digital silence
 * @param noiseFloorDbfs RMS level of what is not speech, all channels; negative infinity for digital silence
 * @param levelDbfs RMS level of the loudest tenth of the sound; negative infinity for digital silence
 * @param speechDbfs RMS level while somebody speaks, all channels; negative infinity when nobody does
 * @param startDbfs RMS level of the first 30 ms
 * @param endDbfs RMS level of the last 30 ms
 * @param clippedSamples samples in runs of three or more at full scale, all channels
 * @param clipped from the first of them to the last, when there are any
 * @param speech where somebody speaks
 */
public record Measurement(
        long durationMs,
        double integratedLufs,
        double truePeakDbtp,
        double noiseFloorDbfs,
        double levelDbfs,
        double speechDbfs,
        double startDbfs,
        double endDbfs,
        long clippedSamples,
        Optional<Span> clipped,
        List<Span> speech) {

    /** How long somebody speaks, pauses left out. */
    public long speechMs() {
        return speech.stream().mapToLong(Span::durationMs).sum();
    }

    /** How far speech stands over the noise, in dB, the noise in it taken out; infinite over digital silence. */
    public double speechToNoiseDb() {
        double noise = Math.pow(10, noiseFloorDbfs / 10);
        double speechAlone = Math.max(0, Math.pow(10, speechDbfs / 10) - noise);
        return Decibels.ofPower(speechAlone / noise);
    }

    /** From the first word to the end of the last. The sound must have speech in it. */
    public Span spoken() {
        return new Span(speech.get(0).startMs(), speech.get(speech.size() - 1).endMs());
    }
}
