package prolalia.media.benchmark;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import prolalia.core.sound.Sound;
import prolalia.core.sound.SoundCheck;
import prolalia.core.sound.SpokenPart;
import prolalia.media.SoundReader;
import prolalia.media.SoundWriter;
import prolalia.media.TakeRenderer;

/**
 * How long a five-minute take needs from file to MP3 (decode, measure, check, trim, level, encode, peaks, and the FLAC of
 * the original), against ffmpeg's loudnorm in two passes to MP3 of the same file. Prints figures and the ratio.
 */
public final class IngestBenchmark {
    private static final int SECONDS = 300;
    private static final int ROUNDS = 3;
    private static final Pattern MEASURED = Pattern.compile("\"(input_\\w+|target_offset)\" : \"([^\"]+)\"");

    private IngestBenchmark() {}

    public static void main(String[] arguments) throws Exception {
        Path folder = Files.createTempDirectory("ingest");
        Path wav = folder.resolve("five-minutes.wav");
        SoundWriter.writeWav(new Sound(fiveMinutes(), Sound.TAKE_SAMPLE_RATE), wav);
        double[] ours = new double[ROUNDS];
        double[] theirs = new double[ROUNDS];
        for (int round = 0; round < ROUNDS; round++) {
            ours[round] = seconds(() -> ingest(wav, folder));
            theirs[round] = seconds(() -> loudnormTwice(wav, folder.resolve("loudnorm.mp3")));
        }
        Arrays.sort(ours);
        Arrays.sort(theirs);
        System.out.printf(
                "ingest of %d s: ours %.2f s (%.2f to %.2f), ffmpeg's two-pass loudnorm %.2f s, ratio %.2f%n",
                SECONDS,
                ours[ROUNDS / 2],
                ours[0],
                ours[ROUNDS - 1],
                theirs[ROUNDS / 2],
                ours[ROUNDS / 2] / theirs[ROUNDS / 2]);
    }

    private interface Work {
        void run() throws Exception;
    }

    private static double seconds(Work work) throws Exception {
        long start = System.nanoTime();
        work.run();
        return (System.nanoTime() - start) / 1e9;
    }

    private static void ingest(Path wav, Path folder) throws Exception {
        TakeRenderer.Judged judged = TakeRenderer.judge(wav, 600_000, 0, false);
        SpokenPart part = (SpokenPart) judged.judgement();
        SoundCheck.check(part.original(), "", 600_000);
        Path original = folder.resolve("original.flac");
        SoundWriter.writeFlac(judged.recording(), original);
        Sound kept = SoundReader.decode(original, 600_000).sound();
        TakeRenderer.render(kept, part.trim(), folder.resolve("take.mp3"));
    }

    private static void loudnormTwice(Path wav, Path mp3) throws Exception {
        String target = "loudnorm=I=-19:TP=-1.5:LRA=11";
        String said = ffmpeg("-i", wav.toString(), "-af", target + ":print_format=json", "-f", "null", "-");
        StringBuilder measured = new StringBuilder(target);
        Matcher values = MEASURED.matcher(said);
        while (values.find()) {
            String name = values.group(1).equals("target_offset")
                    ? "offset"
                    : values.group(1).replace("input", "measured");
            measured.append(':').append(name).append('=').append(values.group(2));
        }
        ffmpeg("-i", wav.toString(), "-af", measured + ":linear=true", "-ar", "48000", "-q:a", "5", mp3.toString());
    }

    private static String ffmpeg(String... arguments) throws Exception {
        List<String> command =
                new java.util.ArrayList<>(List.of("timeout", "120", "ffmpeg", "-nostdin", "-hide_banner", "-y"));
        command.addAll(Arrays.asList(arguments));
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        return new String(process.getInputStream().readAllBytes());
    }

    /** Sentences with pauses, in a quiet room. */
    private static float[] fiveMinutes() throws Exception {
        List<MadeSpeech.Spoken> spoken = MadeSpeech.all();
        float[] x = new float[SECONDS * Sound.TAKE_SAMPLE_RATE];
        Random random = new Random(5);
        int at = Sound.TAKE_SAMPLE_RATE;
        for (int i = 0; ; i++) {
            float[] each = spoken.get(i % spoken.size()).samples();
            if (at + each.length >= x.length) {
                break;
            }
            for (int k = 0; k < each.length; k++) {
                x[at + k] = each[k] * 0.3f;
            }
            at += each.length + (int) (Sound.TAKE_SAMPLE_RATE * (0.3 + 0.5 * random.nextDouble()));
        }
        float[] noise = MadeSpeech.noise(x.length, 0.0006, true, random);
        for (int i = 0; i < x.length; i++) {
            x[i] += noise[i];
        }
        return x;
    }
}
