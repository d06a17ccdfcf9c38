package prolalia.core.sound;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;

/**
 * Measures a sound block by block, at its own sample rate and with its own channels.
 *
 * <pre>{@code
 * SoundMeter meter = new SoundMeter(44_100, 2);
 * while (read(block)) meter.add(block, count);
 * Measurement measured = meter.measurement();
 * }</pre>
 *
 * <p>Needs about 4 kB a second of sound. Not thread-safe.
 */
public final class SoundMeter {
    /** Frames this close to speech may hold its breath or its echo, and don't count as noise. */
    private static final int GUARD_FRAMES = 10;

    /** With fewer frames than this outside speech, the quietest tenth of all is taken as the noise. */
    private static final int FEWEST_NOISE_FRAMES = 10;

    /** The first and the last 30 ms tell whether a word was cut off there. */
    private static final int EDGE_FRAMES = 3;

    private final int sampleRate;
    private final LoudnessMeter loudness;
    private final TruePeakMeter[] truePeaks;
    private final ClipCounter[] clips;
    private final SpeechFrames frames;
    private float[] mix = new float[0];
    private long samples;

    public SoundMeter(int sampleRate, int channels) {
        this.sampleRate = sampleRate;
        loudness = new LoudnessMeter(sampleRate, channels);
        truePeaks = new TruePeakMeter[channels];
        Arrays.setAll(truePeaks, channel -> new TruePeakMeter(sampleRate));
        clips = new ClipCounter[channels];
        Arrays.setAll(clips, channel -> new ClipCounter(sampleRate));
        frames = new SpeechFrames(sampleRate);
    }

    /** Measures one channel of sound whole. */
    public static Measurement measure(Sound sound) {
        SoundMeter meter = new SoundMeter(sound.sampleRate(), 1);
        float[] samples = sound.samples();
        // The frames are half of the work, and nothing else looks at them.
        CompletableFuture<Void> framed = CompletableFuture.runAsync(() -> meter.frames.add(samples, samples.length));
        meter.addLevels(new float[][] {samples}, samples.length);
        framed.join();
        meter.samples = samples.length;
        return meter.measurement();
    }

    /**
     * @param channels one array a channel
     * @param count how many samples of each to take
     */
    public void add(float[][] channels, int count) {
        addLevels(channels, count);
        frames.add(channels.length == 1 ? channels[0] : mixed(channels, count), count);
        samples += count;
    }

    private void addLevels(float[][] channels, int count) {
        loudness.add(channels, count);
        for (int c = 0; c < channels.length; c++) {
            truePeaks[c].add(channels[c], count);
            clips[c].add(channels[c], count);
        }
    }

    private float[] mixed(float[][] channels, int count) {
        if (mix.length < count) {
            mix = new float[count];
        }
        for (int i = 0; i < count; i++) {
            float sum = 0;
            for (float[] channel : channels) {
                sum += channel[i];
            }
            mix[i] = sum / channels.length;
        }
        return mix;
    }

    /** The speech up to now in fine pieces ({@link SpeechDetector#pieces}). */
    public List<Span> pieces() {
        return SpeechDetector.pieces(frames);
    }

    /** Where a second voice speaks ({@link Voices#second}). */
    public Optional<Span> secondVoice() {
        return Voices.second(frames, pieces());
    }

    /** What was measured up to now. */
    public Measurement measurement() {
        List<Span> speech = SpeechDetector.detect(frames);
        double[] sorted = new double[frames.count()];
        Arrays.setAll(sorted, frames::power);
        Arrays.sort(sorted);
        return new Measurement(
                samples * 1000 / sampleRate,
                loudness.integratedLufs(),
                Arrays.stream(truePeaks)
                        .mapToDouble(TruePeakMeter::truePeakDbtp)
                        .max()
                        .orElse(Double.NEGATIVE_INFINITY),
                Decibels.ofPower(noisePower(speech, sorted)),
                Decibels.ofPower(mean(sorted, sorted.length - tenth(sorted), sorted.length)),
                Decibels.ofPower(speechPower(speech)),
                Decibels.ofPower(meanPower(0, EDGE_FRAMES)),
                Decibels.ofPower(meanPower(frames.count() - EDGE_FRAMES, frames.count())),
                Arrays.stream(clips).mapToLong(ClipCounter::clippedSamples).sum(),
                clippedPlace(),
                speech);
    }

    private double noisePower(List<Span> speech, double[] sorted) {
        double sum = 0;
        int used = 0;
        int next = 0;
        for (int i = 0; i < frames.count(); i++) {
            long ms = (long) i * SpeechFrames.HOP_MS;
            long guardMs = (long) GUARD_FRAMES * SpeechFrames.HOP_MS;
            while (next < speech.size() && speech.get(next).endMs() + guardMs <= ms) {
                next++;
            }
            if (next == speech.size() || ms < speech.get(next).startMs() - guardMs) {
                sum += frames.power(i);
                used++;
            }
        }
        return used >= FEWEST_NOISE_FRAMES ? sum / used : mean(sorted, 0, tenth(sorted));
    }

    private double speechPower(List<Span> speech) {
        double sum = 0;
        int used = 0;
        for (Span span : speech) {
            for (int i = frameAt(span.startMs()); i < Math.min(frames.count(), frameAt(span.endMs())); i++) {
                sum += frames.power(i);
                used++;
            }
        }
        return used == 0 ? 0 : sum / used;
    }

    private static int frameAt(long ms) {
        return (int) (ms / SpeechFrames.HOP_MS);
    }

    private double meanPower(int from, int to) {
        double sum = 0;
        int used = 0;
        for (int i = Math.max(0, from); i < Math.min(frames.count(), to); i++) {
            sum += frames.power(i);
            used++;
        }
        return used == 0 ? 0 : sum / used;
    }

    private Optional<Span> clippedPlace() {
        return Arrays.stream(clips)
                .flatMap(counter -> counter.place().stream())
                .reduce((one, other) ->
                        new Span(Math.min(one.startMs(), other.startMs()), Math.max(one.endMs(), other.endMs())));
    }

    private static int tenth(double[] sorted) {
        return Math.min(sorted.length, Math.max(1, sorted.length / 10));
    }

    private static double mean(double[] values, int from, int to) {
        double sum = 0;
        for (int i = from; i < to; i++) {
            sum += values[i];
        }
        return to > from ? sum / (to - from) : 0;
    }
}
