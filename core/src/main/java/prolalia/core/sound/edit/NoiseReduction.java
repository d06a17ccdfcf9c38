package prolalia.core.sound.edit;

import java.util.Arrays;
import java.util.List;
import org.jtransforms.fft.FloatFFT_1D;
import prolalia.core.sound.Measurement;
import prolalia.core.sound.Sound;
import prolalia.core.sound.SoundMeter;
import prolalia.core.sound.Span;

/**
 * Gentle reduction of steady noise: a hum, a fan, the room.
 *
 * <p>The Wiener gain with the decision-directed estimate of speech to noise (Y. Ephraim, D. Malah: Speech enhancement using a
 * minimum mean-square error short-time spectral amplitude estimator, IEEE Trans. ASSP 32 (6), 1984, eq. 51), in frames of
 * 43 ms that overlap by half; the noise is the mean spectrum of what lies outside speech. No part of the spectrum is
 * lowered by more than {@link #FLOOR_DB}, so that the room stays a room.
 */
public final class NoiseReduction {
    /** The most that is taken from anything. */
    public static final double FLOOR_DB = -14;

    private static final double FRAME_SECONDS = 2048 / 48_000.0;

    /** Weight of the frame before in the estimate of speech to noise (ibid.: 0.98 for frames that overlap more). */
    private static final double MEMORY = 0.94;

    /** What lies this close to speech may hold its breath and its echo. */
    private static final long GUARD_MS = 60;

    private NoiseReduction() {}

    /** @return as long as the sound given, which isn't changed; without a moment of noise alone in it, the same */
    public static Sound reduce(Sound sound) {
        int size = Integer.highestOneBit(Math.max(64, (int) (sound.sampleRate() * FRAME_SECONDS)));
        int hop = size / 2;
        float[] window = new float[size];
        for (int i = 0; i < size; i++) {
            window[i] = (float) Math.sin(Math.PI * (i + 0.5) / size);
        }
        FloatFFT_1D transform = new FloatFFT_1D(size);
        float[] x = sound.samples();
        int frames = x.length / hop + 2;
        double[] noise = noise(sound, transform, window, hop, frames);
        if (noise == null) {
            return sound;
        }
        float[] out = new float[x.length];
        float[] frame = new float[size];
        double[] before = new double[hop + 1];
        double floor = Math.pow(10, FLOOR_DB / 20);
        for (int f = 0; f < frames; f++) {
            take(x, (f - 1) * hop, window, frame);
            transform.realForward(frame);
            for (int bin = 0; bin <= hop; bin++) {
                double power = power(frame, bin, size);
                double posterior = power / noise[bin];
                double prior = MEMORY * before[bin] / noise[bin] + (1 - MEMORY) * Math.max(0, posterior - 1);
                double gain = Math.max(floor, prior / (1 + prior));
                before[bin] = gain * gain * power;
                scale(frame, bin, size, (float) gain);
            }
            transform.realInverse(frame, true);
            for (int i = 0; i < size; i++) {
                int at = (f - 1) * hop + i;
                if (at >= 0 && at < out.length) {
                    out[at] += frame[i] * window[i];
                }
            }
        }
        return new Sound(out, sound.sampleRate());
    }

    /** Mean power of each bin where nobody speaks, or null when there is no such place. */
    private static double[] noise(Sound sound, FloatFFT_1D transform, float[] window, int hop, int frames) {
        Measurement measured = SoundMeter.measure(sound);
        double[] noise = new double[hop + 1];
        int count = 0;
        float[] frame = new float[window.length];
        for (int f = 1; f < frames - 2; f++) {
            long fromMs = (long) (f - 1) * hop * 1000 / sound.sampleRate();
            long toMs = fromMs + window.length * 1000L / sound.sampleRate();
            if (isQuiet(measured.speech(), fromMs, toMs)) {
                take(sound.samples(), (f - 1) * hop, window, frame);
                transform.realForward(frame);
                for (int bin = 0; bin <= hop; bin++) {
                    noise[bin] += power(frame, bin, window.length);
                }
                count++;
            }
        }
        if (count == 0) {
            return null;
        }
        for (int bin = 0; bin <= hop; bin++) {
            noise[bin] = noise[bin] / count + 1e-12;
        }
        return noise;
    }

    private static boolean isQuiet(List<Span> speech, long fromMs, long toMs) {
        return speech.stream().noneMatch(span -> fromMs < span.endMs() + GUARD_MS && toMs > span.startMs() - GUARD_MS);
    }

    private static void take(float[] x, int from, float[] window, float[] frame) {
        Arrays.fill(frame, 0);
        for (int i = Math.max(0, -from); i < frame.length && from + i < x.length; i++) {
            frame[i] = x[from + i] * window[i];
        }
    }

    /** JTransforms packs the last bin into the second place. */
    private static double power(float[] spectrum, int bin, int size) {
        if (bin == 0) {
            return spectrum[0] * spectrum[0];
        }
        if (bin == size / 2) {
            return spectrum[1] * spectrum[1];
        }
        return spectrum[2 * bin] * spectrum[2 * bin] + spectrum[2 * bin + 1] * spectrum[2 * bin + 1];
    }

    private static void scale(float[] spectrum, int bin, int size, float gain) {
        if (bin == 0 || bin == size / 2) {
            spectrum[bin == 0 ? 0 : 1] *= gain;
        } else {
            spectrum[2 * bin] *= gain;
            spectrum[2 * bin + 1] *= gain;
        }
    }
}
