package prolalia.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import picocli.CommandLine;
import prolalia.formats.paper.PaperRefusedException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class LinesCommandTest {
    private static final Path DEMO = Path.of("..", "app", "src", "main", "resources", "demo");

    @TempDir
    private Path folder;

    private int exit;

    private JsonNode lines(Path file) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PrintStream before = System.out;
        System.setOut(new PrintStream(out, true, StandardCharsets.UTF_8));
        try {
            exit = new CommandLine(Commands.class).execute("lines", file.toString());
        } finally {
            System.setOut(before);
        }
        return new JsonMapper().readTree(out.toString(StandardCharsets.UTF_8));
    }

    @Test
    void linesOfAPdfStandWhereTheyAreOnThePage() {
        JsonNode pages = lines(DEMO.resolve("bakery.pdf")).get("pages");
        assertThat(exit).isZero();
        assertThat(pages).hasSize(3);
        assertThat(pages.get(0).get("width").asInt()).isEqualTo(648);
        JsonNode question = pages.get(0).get("lines").get(3);
        assertThat(question.get("kind").asString()).isEqualTo("question");
        assertThat(question.get("text").asString()).isEqualTo("1. Nadia has 12 coins. How many rolls can she buy?");
        // Its base line is 398 points from the foot of a page of 574.
        double foot = question.get("y").asDouble() + question.get("h").asDouble();
        assertThat(foot * 574).isBetween(574 - 398.0, 574 - 390.0);
        assertThat(question.get("x").asDouble() * 648).isBetween(45.0, 49.0);
    }

    @Test
    void linesOfSlidesComeWithTheirNotes() {
        JsonNode pages = lines(DEMO.resolve("bean.pptx")).get("pages");
        assertThat(pages).hasSize(3);
        assertThat(pages.get(1).get("lines")).hasSize(4);
        JsonNode note = pages.get(2).get("lines").get(1);
        assertThat(note.get("kind").asString()).isEqualTo("note");
        assertThat(note.get("text").asString()).isEqualTo("Take your pencil and your book.");
        assertThat(note.get("w").asDouble()).isZero();
    }

    @Test
    void whatIsNoPaperIsExplained() throws Exception {
        assertThat(lines(Files.writeString(folder.resolve("a.pdf"), "Dear parents"))
                        .get("error")
                        .asString())
                .contains("no file that pages can be made of");
        assertThat(exit).isEqualTo(1);
        assertThat(lines(folder.resolve("gone.pdf")).get("error").asString()).isNotBlank();
        for (PaperRefusedException.Reason reason : PaperRefusedException.Reason.values()) {
            assertThat(FileMessages.of(reason)).isNotBlank();
        }
    }
}
