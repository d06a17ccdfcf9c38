package prolalia.media.benchmark;

import java.lang.management.ManagementFactory;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import prolalia.core.sound.Overlap;
import prolalia.core.sound.Sound;
import prolalia.core.sound.SoundCheck;
import prolalia.core.sound.SpokenPart;
import prolalia.media.SoundReader;
import prolalia.media.SoundWriter;
import prolalia.media.TakeRenderer;

/**
 * What a five-minute take costs from file to MP3 (decode, measure, check, trim, level, encode, peaks, and the FLAC of the
 * original), as the program that the server starts for it does it, against ffmpeg's loudnorm in two passes to MP3 of the same
 * file. Both are whole programs, started for this one file as they are for a school's: the processor's time counts, that of Java's
 * start and of its compiler too. The teacher waits for the verdict; the MP3 is made after it. Prints figures and the ratio.
 */
public final class IngestBenchmark {
    private static final int SECONDS = 300;
    private static final int ROUNDS = 3;
    private static final Pattern MEASURED = Pattern.compile("\"(input_\\w+|target_offset)\" : \"([^\"]+)\"");
    private static final Pattern TIMES = Pattern.compile("(real|user|sys) ([0-9.]+)");

    private IngestBenchmark() {}

    public static void main(String[] arguments) throws Exception {
        if (arguments.length == 2) {
            ingest(Path.of(arguments[0]), Path.of(arguments[1]));
            return;
        }
        Path folder = Files.createTempDirectory("ingest");
        Path wav = folder.resolve("five-minutes.wav");
        SoundWriter.writeWav(new Sound(fiveMinutes(), Sound.TAKE_SAMPLE_RATE), wav);
        Cost[] ours = new Cost[ROUNDS];
        Cost[] theirs = new Cost[ROUNDS];
        String verdict = "";
        for (int round = 0; round < ROUNDS; round++) {
            ours[round] = timed(List.of(
                    Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                    "-Xmx640m",
                    "-XX:+UseSerialGC",
                    "-XX:TieredStopAtLevel=1",
                    "-cp",
                    System.getProperty("java.class.path"),
                    IngestBenchmark.class.getName(),
                    wav.toString(),
                    folder.toString()));
            verdict = said.lines()
                    .filter(line -> line.startsWith("verdict"))
                    .findFirst()
                    .orElse("");
            theirs[round] = loudnormTwice(wav, folder.resolve("loudnorm.mp3"));
        }
        Arrays.sort(ours);
        Arrays.sort(theirs);
        System.out.printf("ingest: %s%n", verdict);
        Cost our = ours[ROUNDS / 2];
        Cost their = theirs[ROUNDS / 2];
        System.out.printf(
                "ingest of %d s: ours %.1f s of a processor, %.1f s by the clock; ffmpeg's two-pass loudnorm %.1f and %.1f s; ratio %.2f%n",
                SECONDS,
                our.processor(),
                our.clock(),
                their.processor(),
                their.clock(),
                our.processor() / their.processor());
    }

    /** Seconds. */
    private record Cost(double processor, double clock) implements Comparable<Cost> {
        @Override
        public int compareTo(Cost other) {
            return Double.compare(processor, other.processor);
        }

        Cost and(Cost other) {
            return new Cost(processor + other.processor, clock + other.clock);
        }
    }

    /** What the last program said. */
    private static String said = "";

    private static Cost timed(List<String> command) throws Exception {
        List<String> whole = new java.util.ArrayList<>(List.of("bash", "-c", "time -p \"$@\"", "timed"));
        whole.addAll(command);
        Process process = new ProcessBuilder(whole).redirectErrorStream(true).start();
        said = new String(process.getInputStream().readAllBytes());
        if (process.waitFor() != 0) {
            throw new IllegalStateException(said);
        }
        double processor = 0;
        double clock = 0;
        Matcher times = TIMES.matcher(said.substring(said.lastIndexOf("real ")));
        while (times.find()) {
            if (times.group(1).equals("real")) {
                clock = Double.parseDouble(times.group(2));
            } else {
                processor += Double.parseDouble(times.group(2));
            }
        }
        return new Cost(processor, clock);
    }

    private static void ingest(Path wav, Path folder) throws Exception {
        Path original = folder.resolve("original.flac");
        TakeRenderer.Judged judged = TakeRenderer.judge(
                wav, 600_000, Overlap.NONE, false, recording -> SoundWriter.writeFlac(recording, original));
        SpokenPart part = (SpokenPart) judged.judgement();
        SoundCheck.check(part.original(), "", 600_000);
        System.out.printf(
                "verdict after %.1f s%n", ManagementFactory.getRuntimeMXBean().getUptime() / 1_000.0);
        Sound kept = SoundReader.decode(original, 600_000).sound();
        TakeRenderer.render(kept, part.trim(), folder.resolve("take.mp3"));
    }

    private static Cost loudnormTwice(Path wav, Path mp3) throws Exception {
        String target = "loudnorm=I=-19:TP=-1.5:LRA=11";
        Cost first = ffmpeg("-i", wav.toString(), "-af", target + ":print_format=json", "-f", "null", "-");
        StringBuilder measured = new StringBuilder(target);
        Matcher values = MEASURED.matcher(said);
        while (values.find()) {
            String name = values.group(1).equals("target_offset")
                    ? "offset"
                    : values.group(1).replace("input", "measured");
            measured.append(':').append(name).append('=').append(values.group(2));
        }
        return first.and(ffmpeg(
                "-i", wav.toString(), "-af", measured + ":linear=true", "-ar", "48000", "-q:a", "5", mp3.toString()));
    }

    private static Cost ffmpeg(String... arguments) throws Exception {
        List<String> command =
                new java.util.ArrayList<>(List.of("timeout", "120", "ffmpeg", "-nostdin", "-hide_banner", "-y"));
        command.addAll(Arrays.asList(arguments));
        return timed(command);
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
