package prolalia.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import picocli.CommandLine;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class FollowCommandTest {
    private static final String VOICE = "../app/src/main/resources/demo/bean-1b.ogg";

    @TempDir
    private Path folder;

    private int exit;

    private String follow(String words, String... more) throws Exception {
        Path text = Files.writeString(folder.resolve("words.txt"), words);
        List<String> arguments = new ArrayList<>(List.of("follow", "--text", text.toString()));
        arguments.addAll(List.of(more));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PrintStream before = System.out;
        System.setOut(new PrintStream(out, true, StandardCharsets.UTF_8));
        try {
            exit = new CommandLine(Commands.class).execute(arguments.toArray(String[]::new));
        } finally {
            System.setOut(before);
        }
        return out.toString(StandardCharsets.UTF_8);
    }

    @Test
    void eachWordHasItsTimeInJsonAndACueInWebVtt() throws Exception {
        String words = "A bean sleeps in the dry soil – until the rain comes.\n";
        JsonNode json =
                new JsonMapper().readTree(follow(words, VOICE, "--json")).get("words");
        assertThat(exit).isZero();
        assertThat(json.size()).isEqualTo(12);
        assertThat(json.get(11).get("text").asString()).isEqualTo("comes.");
        assertThat(json.get(11).get("startMs").asLong()).isBetween(3_000L, 4_500L);
        String vtt = follow(words, VOICE);
        assertThat(vtt.split("\n\n")).hasSize(12).startsWith("WEBVTT").doesNotContain("–");
        assertThat(vtt).containsPattern("00:00:0\\d\\.\\d{3} --> 00:00:0\\d\\.\\d{3}\nbean\n");
    }

    @Test
    void whatIsNoSoundIsSaidSo() throws Exception {
        Path notSound = Files.writeString(folder.resolve("a.mp3"), "no sound");
        assertThat(follow("Look.", notSound.toString(), "--json")).contains("\"error\"");
        assertThat(exit).isEqualTo(1);
    }
}
