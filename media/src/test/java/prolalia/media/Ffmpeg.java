package prolalia.media;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The ffmpeg program of the system (./prolalia test installs it): a second opinion, and a maker of files. */
final class Ffmpeg {
    private static final Pattern LOUDNESS = Pattern.compile("I:\\s+(-?[\\d.]+) LUFS");
    private static final Pattern PEAK = Pattern.compile("Peak:\\s+(-?[\\d.]+) dBFS");

    private Ffmpeg() {}

    static String run(String... arguments) throws IOException {
        List<String> command = new ArrayList<>(List.of("timeout", "60", "ffmpeg", "-nostdin", "-hide_banner", "-y"));
        command.addAll(Arrays.asList(arguments));
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        return new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    }

    static double[] loudnessAndTruePeak(Path file) throws IOException {
        String said = run("-i", file.toString(), "-af", "ebur128=peak=true:framelog=verbose", "-f", "null", "-");
        return new double[] {last(LOUDNESS, said), last(PEAK, said)};
    }

    private static double last(Pattern pattern, String text) {
        Matcher matcher = pattern.matcher(text.substring(text.lastIndexOf("Summary:")));
        return matcher.find() ? Double.parseDouble(matcher.group(1)) : Double.NaN;
    }
}
