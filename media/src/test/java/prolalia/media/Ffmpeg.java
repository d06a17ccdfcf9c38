package prolalia.media;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.bytedeco.javacpp.Loader;

/** The ffmpeg program that comes with the library, as a second opinion. */
final class Ffmpeg {
    private static final Pattern LOUDNESS = Pattern.compile("I:\\s+(-?[\\d.]+) LUFS");
    private static final Pattern PEAK = Pattern.compile("Peak:\\s+(-?[\\d.]+|-inf) dBFS");

    private Ffmpeg() {}

    static String run(String... arguments) throws IOException {
        List<String> command = new ArrayList<>(
                List.of(Loader.load(org.bytedeco.ffmpeg.ffmpeg.class), "-nostdin", "-hide_banner", "-y"));
        command.addAll(Arrays.asList(arguments));
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        return new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    }

    static double[] loudnessAndTruePeak(Path file) throws IOException {
        String said = run("-i", file.toString(), "-af", "ebur128=peak=true:framelog=quiet", "-f", "null", "-");
        return new double[] {last(LOUDNESS, said), last(PEAK, said)};
    }

    private static double last(Pattern pattern, String text) {
        Matcher matcher = pattern.matcher(text);
        double value = Double.NaN;
        while (matcher.find()) {
            value = Double.parseDouble(matcher.group(1));
        }
        return value;
    }
}
