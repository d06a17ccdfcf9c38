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
import prolalia.core.align.WordTimes;
import prolalia.core.align.WordTimes.Word;
import prolalia.formats.caption.WebVtt;
import prolalia.media.SoundReader;
import prolalia.media.UnreadableSoundException;
import tools.jackson.databind.json.JsonMapper;

/** When each word of a take is said, as WebVTT or JSON. */
@Command(
        name = "follow",
        mixinStandardHelpOptions = true,
        description = {
            "Finds when each word is said in a sound file, and prints WebVTT with one cue a word.",
            "Exit code 0; 1 when a file can't be read."
        })
final class FollowCommand implements Callable<Integer> {
    /** Of longer files the first 20 minutes are followed. */
    private static final long LONGEST_MS = 20 * 60_000L;

    @Parameters(paramLabel = "FILE", description = "A sound or video file in which the words are said.")
    private Path file;

    @Option(
            names = "--text",
            required = true,
            paramLabel = "WORDS.txt",
            description = "The words that are said, in UTF-8.")
    private Path text;

    @Option(names = "--json", description = "Prints JSON in place of WebVTT.")
    private boolean asJson;

    @Override
    public Integer call() {
        String error;
        try {
            String words = Files.readString(text).replace("\uFEFF", "");
            print(WordTimes.of(words, SoundReader.decode(file, LONGEST_MS).sound()));
            return 0;
        } catch (UnreadableSoundException unreadable) {
            error = FileMessages.of(unreadable.reason());
        } catch (MalformedInputException notText) {
            error = FileMessages.scriptIsNotText();
        } catch (IOException | RuntimeException failure) {
            error = FileMessages.of(failure);
        }
        if (asJson) {
            System.out.println(new JsonMapper().writeValueAsString(Map.of("error", error)));
        } else {
            System.err.println(error);
        }
        return 1;
    }

    private void print(List<Word> words) {
        if (!asJson) {
            System.out.print(WebVtt.ofWords(words));
            return;
        }
        List<Map<String, Object>> times =
                words.stream().map(FollowCommand::asMap).toList();
        System.out.println(new JsonMapper().writeValueAsString(Map.of("words", times)));
    }

    private static Map<String, Object> asMap(Word word) {
        Map<String, Object> map = new LinkedHashMap<>();
        map.put("text", word.text());
        map.put("startMs", word.span().startMs());
        map.put("endMs", word.span().endMs());
        return map;
    }
}
