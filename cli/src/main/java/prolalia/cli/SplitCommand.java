package prolalia.cli;

import java.io.IOException;
import java.nio.charset.MalformedInputException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import prolalia.core.align.ScriptSplit;
import prolalia.core.align.SplitFinding;
import prolalia.media.SoundReader;
import prolalia.media.UnreadableSoundException;
import tools.jackson.databind.json.JsonMapper;

/** Splits one long recording over the lines of a script, as JSON. */
@Command(
        name = "split",
        mixinStandardHelpOptions = true,
        description = {
            "Finds the lines of a script in one long recording and prints where each of them is, as JSON.",
            "Exit code 0 also with findings; 1 when a file can't be read."
        })
final class SplitCommand implements Callable<Integer> {
    @Parameters(paramLabel = "FILE", description = "A sound or video file that holds the whole script.")
    private Path file;

    @Option(
            names = "--script",
            required = true,
            paramLabel = "LINES.txt",
            description = "The script in UTF-8: one line of the script a line of text; empty lines are left out.")
    private Path script;

    @Override
    public Integer call() {
        Map<String, Object> result = new LinkedHashMap<>();
        int exit = 0;
        try {
            List<String> words = Files.readAllLines(script).stream()
                    .map(line -> line.replace("\uFEFF", "").strip())
                    .filter(line -> !line.isEmpty())
                    .toList();
            SoundReader.Measured measured = SoundReader.measure(file);
            ScriptSplit split = ScriptSplit.of(measured.pieces(), words).with(measured.secondVoice());
            result.put("lines", split.lines().stream().map(SplitCommand::line).toList());
            result.put(
                    "findings",
                    split.findings().stream().map(SplitCommand::finding).toList());
        } catch (UnreadableSoundException unreadable) {
            result.put("error", FileMessages.of(unreadable.reason()));
            exit = 1;
        } catch (MalformedInputException notText) {
            result.put("error", FileMessages.scriptIsNotText());
            exit = 1;
        } catch (IOException | RuntimeException failure) {
            result.put("error", FileMessages.of(failure));
            exit = 1;
        }
        System.out.println(JsonMapper.shared().writerWithDefaultPrettyPrinter().writeValueAsString(result));
        return exit;
    }

    private static Map<String, Object> line(ScriptSplit.SplitLine line) {
        Map<String, Object> each = new LinkedHashMap<>();
        each.put("index", line.index());
        each.put("text", line.words());
        each.put("startMs", line.span() == null ? null : line.span().startMs());
        each.put("endMs", line.span() == null ? null : line.span().endMs());
        each.put("confidence", Math.round(line.confidence() * 1000) / 1000.0);
        return each;
    }

    private static Map<String, Object> finding(SplitFinding finding) {
        Map<String, Object> each = new LinkedHashMap<>();
        each.put("id", finding.kind().id());
        each.put("severity", finding.kind().severity().id());
        each.put("message", FileMessages.of(finding.kind()));
        if (finding.line() >= 0) {
            each.put("line", finding.line());
        }
        each.put("startMs", finding.place().startMs());
        each.put("endMs", finding.place().endMs());
        return each;
    }
}
