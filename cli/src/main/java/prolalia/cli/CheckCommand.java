package prolalia.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import prolalia.core.sound.Finding;
import prolalia.core.sound.SoundCheck;
import prolalia.media.SoundReader;
import prolalia.media.UnreadableSoundException;
import tools.jackson.databind.json.JsonMapper;

/** The sound check of one file, as JSON. */
@Command(
        name = "check",
        mixinStandardHelpOptions = true,
        description = {
            "Prints what the sound check finds in a recording as JSON.",
            "Exit code 0 also with findings; 1 when the file can't be read."
        })
final class CheckCommand implements Callable<Integer> {
    @Parameters(paramLabel = "FILE", description = "A sound or video file.")
    private Path file;

    @Option(names = "--text", defaultValue = "", paramLabel = "WORDS", description = "The words that should be said.")
    private String words;

    @Option(
            names = "--longest-minutes",
            defaultValue = "10",
            paramLabel = "N",
            description = "The longest recording allowed (${DEFAULT-VALUE}).")
    private int longestMinutes;

    @Override
    public Integer call() {
        Map<String, Object> result = new LinkedHashMap<>();
        result.put("file", file.toString());
        int exit = 0;
        try {
            List<Map<String, Object>> findings = new ArrayList<>();
            for (Finding finding :
                    SoundCheck.check(SoundReader.measure(file).measurement(), words, longestMinutes * 60_000L)) {
                Map<String, Object> each = new LinkedHashMap<>();
                each.put("id", finding.kind().id());
                each.put("severity", finding.kind().severity().id());
                each.put("message", FileMessages.of(finding.kind()));
                each.put("startMs", finding.place().startMs());
                each.put("endMs", finding.place().endMs());
                findings.add(each);
            }
            result.put("findings", findings);
        } catch (UnreadableSoundException unreadable) {
            result.put("error", FileMessages.of(unreadable.reason()));
            exit = 1;
        } catch (IOException | RuntimeException failure) {
            result.put("error", FileMessages.of(failure));
            exit = 1;
        }
        System.out.println(JsonMapper.shared().writerWithDefaultPrettyPrinter().writeValueAsString(result));
        return exit;
    }
}
