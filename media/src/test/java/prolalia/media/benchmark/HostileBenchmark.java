package prolalia.media.benchmark;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import prolalia.core.sound.PreparedTake;
import prolalia.core.sound.Sound;
import prolalia.media.SoundReader;
import prolalia.media.TakeRenderer;

/**
 * What is made of bad recordings: an offset, hum, clipping, one dead channel, opposite channels, a telephone's rate, hardly any
 * level, clicks; each with five sentences of five voices. Prints for each kind the loudness and the true peak of what is heard
 * as it is decoded again, and whether speech was lost. The sentences are espeak-ng's and the faults are added to them: real
 * recordings have several at once, and people. Run by ./prolalia bench.
 */
public final class HostileBenchmark {
    private static final int RATE = Sound.TAKE_SAMPLE_RATE;
    private static final int BEFORE_MS = 600;
    private static final double PHONE_HZ = 8_000;

    /** So much of a word's edge is heard. */
    private static final int HEARD_MS = 80;

    private HostileBenchmark() {}

    private interface Fault {
        float[][] of(float[] spoken, Random random);
    }

    private static Map<String, Fault> faults() {
        Map<String, Fault> faults = new LinkedHashMap<>();
        faults.put("offset of 0.2", (x, random) -> mono(mapped(x, 0.02, (s, i) -> s + 0.2f)));
        faults.put(
                "hum of 50 Hz",
                (x, random) -> mono(mapped(x, 0.3, (s, i) -> (float) (s
                        + 0.02 * Math.sin(2 * Math.PI * 50 * i / RATE)
                        + 0.01 * Math.sin(2 * Math.PI * 150 * i / RATE)))));
        faults.put("clipped", (x, random) -> mono(mapped(x, 4, (s, i) -> Math.max(-0.99f, Math.min(0.99f, s)))));
        faults.put("one dead channel", (x, random) -> new float[][] {mapped(x, 0.3, (s, i) -> s), new float[x.length]});
        faults.put("opposite channels", (x, random) ->
                new float[][] {mapped(x, 0.3, (s, i) -> s), mapped(x, 0.3, (s, i) -> -s)});
        faults.put("8 kHz", (x, random) -> mono(mapped(x, 0.3, (s, i) -> s)));
        faults.put("very quiet", (x, random) -> mono(mapped(x, 0.004, (s, i) -> s)));
        faults.put("a click", (x, random) -> {
            float[] clicked = mapped(x, 0.2, (s, i) -> s);
            int at = RATE * BEFORE_MS / 1000 / 2;
            clicked[at] = 0.95f;
            clicked[at + 1] = -0.9f;
            return mono(clicked);
        });
        return faults;
    }

    private interface Change {
        float of(float sample, int index);
    }

    private static float[] mapped(float[] x, double gain, Change change) {
        float[] changed = new float[x.length];
        for (int i = 0; i < x.length; i++) {
            changed[i] = change.of((float) (x[i] * gain), i);
        }
        return changed;
    }

    private static float[][] mono(float[] x) {
        return new float[][] {x};
    }

    public static void main(String[] arguments) throws Exception {
        Path folder = Files.createTempDirectory("hostile");
        List<MadeSpeech.Spoken> all = MadeSpeech.all();
        int inputs = 0;
        int wrong = 0;
        for (Map.Entry<String, Fault> fault : faults().entrySet()) {
            double least = Double.MAX_VALUE;
            double most = -Double.MAX_VALUE;
            double peak = -Double.MAX_VALUE;
            int lost = 0;
            int none = 0;
            for (int n = 0; n < 5; n++) {
                Random random = new Random(n);
                float[] spoken = all.get(n * 12 % all.size()).samples();
                int before = RATE * BEFORE_MS / 1000;
                float[] x = new float[before * 2 + spoken.length];
                System.arraycopy(spoken, 0, x, before, spoken.length);
                float[] noise =
                        MadeSpeech.noise(x.length, MadeSpeech.rms(spoken) * Math.pow(10, -35 / 20.0), true, random);
                for (int i = 0; i < x.length; i++) {
                    x[i] += noise[i];
                }
                Path wav = folder.resolve("in.wav");
                write(fault.getValue().of(x, random), fault.getKey().equals("8 kHz") ? PHONE_HZ : RATE, wav);
                Path mp3 = folder.resolve("out.mp3");
                TakeRenderer.Rendering made = TakeRenderer.render(wav, 600_000, false, mp3);
                inputs++;
                if (!(made.preparation() instanceof PreparedTake take)) {
                    none++;
                    wrong++;
                    continue;
                }
                SoundReader.Measured heard = SoundReader.measure(mp3);
                double lufs = heard.measurement().integratedLufs();
                least = Math.min(least, lufs);
                most = Math.max(most, lufs);
                peak = Math.max(peak, heard.measurement().truePeakDbtp());
                long end = BEFORE_MS + spoken.length * 1000L / RATE;
                boolean cut = take.trim().startMs() > BEFORE_MS + HEARD_MS
                        || take.trim().endMs() < end - HEARD_MS;
                lost += cut ? 1 : 0;
                wrong += cut || Math.abs(lufs + 19) > 0.5 || heard.measurement().truePeakDbtp() > -1.5 ? 1 : 0;
            }
            System.out.printf(
                    "hostile: %-18s %6.2f to %6.2f LUFS, true peak at most %5.2f dBTP, lost speech in %d, no take of %d%n",
                    fault.getKey(), least, most, peak, lost, none);
        }
        System.out.printf(
                "hostile: of %d inputs %d are off -19 +- 0.5 LUFS, over -1.5 dBTP, or lost speech%n", inputs, wrong);
    }

    private static void write(float[][] channels, double rate, Path wav) throws Exception {
        Path first = wav.resolveSibling("plain.wav");
        int count = channels[0].length;
        float[] interleaved = new float[count * channels.length];
        for (int i = 0; i < count; i++) {
            for (int c = 0; c < channels.length; c++) {
                interleaved[i * channels.length + c] = channels[c][i];
            }
        }
        Files.write(first, pcm(interleaved));
        Process ffmpeg = new ProcessBuilder(
                        "ffmpeg",
                        "-nostdin",
                        "-y",
                        "-loglevel",
                        "error",
                        "-f",
                        "f32le",
                        "-ar",
                        String.valueOf(RATE),
                        "-ac",
                        String.valueOf(channels.length),
                        "-i",
                        first.toString(),
                        "-ar",
                        String.valueOf((int) rate),
                        wav.toString())
                .inheritIO()
                .start();
        if (ffmpeg.waitFor() != 0) {
            throw new IllegalStateException("ffmpeg is needed for this benchmark (Debian: apt-get install ffmpeg)");
        }
    }

    private static byte[] pcm(float[] samples) {
        java.nio.ByteBuffer bytes =
                java.nio.ByteBuffer.allocate(samples.length * 4).order(java.nio.ByteOrder.LITTLE_ENDIAN);
        for (float sample : samples) {
            bytes.putFloat(sample);
        }
        return bytes.array();
    }
}
