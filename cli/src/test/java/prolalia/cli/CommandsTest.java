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
import prolalia.core.sound.Finding;
import prolalia.core.sound.Refusal;
import prolalia.core.sound.Sound;
import prolalia.media.SoundWriter;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class CommandsTest {
    @TempDir
    Path folder;

    private int exit;
    private String errors;

    private String run(String... arguments) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ByteArrayOutputStream err = new ByteArrayOutputStream();
        PrintStream out0 = System.out;
        PrintStream err0 = System.err;
        System.setOut(new PrintStream(out, true, StandardCharsets.UTF_8));
        System.setErr(new PrintStream(err, true, StandardCharsets.UTF_8));
        try {
            exit = new CommandLine(Commands.class).execute(arguments);
        } finally {
            System.setOut(out0);
            System.setErr(err0);
        }
        errors = err.toString(StandardCharsets.UTF_8);
        return out.toString(StandardCharsets.UTF_8);
    }

    private Path tone(String name) throws Exception {
        float[] x = new float[48_000 * 2];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (0.5 * Math.sin(2 * Math.PI * 997 * i / 48_000));
        }
        Path file = folder.resolve(name);
        SoundWriter.writeWav(new Sound(x, 48_000), file);
        return file;
    }

    @Test
    void measurePrintsOneObjectAFileAndNothingElse() throws Exception {
        Path good = tone("good.wav");
        Path bad = Files.writeString(folder.resolve("bad.mp3"), "not sound");
        JsonNode results = JsonMapper.shared().readTree(run("measure", good.toString(), bad.toString(), "nowhere.wav"));
        assertThat(exit).isEqualTo(1);
        assertThat(results).hasSize(3);
        JsonNode measured = results.get(0);
        assertThat(measured.propertyNames())
                .containsExactly(
                        "file",
                        "seconds",
                        "channels",
                        "sampleRate",
                        "integratedLufs",
                        "truePeakDbtp",
                        "noiseFloorDbfs",
                        "clippedSamples",
                        "speech");
        assertThat(measured.get("seconds").doubleValue()).isEqualTo(2.0);
        assertThat(measured.get("integratedLufs").doubleValue()).isBetween(-9.1, -8.95);
        assertThat(measured.get("truePeakDbtp").doubleValue()).isBetween(-6.1, -5.9);
        assertThat(results.get(1).get("error").stringValue()).contains("not a sound");
        assertThat(results.get(2).get("error").stringValue()).contains("no such file");
        run("measure", good.toString());
        assertThat(exit).isZero();
    }

    @Test
    void renderWritesNothingOfWhatIsNoTakeAndSaysWhy() throws Exception {
        Path out = folder.resolve("out.mp3");
        assertThat(run("render", tone("tone.wav").toString(), "-o", out.toString()))
                .isEmpty();
        assertThat(exit).isEqualTo(1);
        assertThat(errors).contains("nobody speaks");
        assertThat(folder).isDirectoryNotContaining("glob:**.mp3");
    }

    @Test
    void checkPrintsItsFindingsWithTheirPlacesAndSucceedsAllTheSame() throws Exception {
        JsonNode result =
                JsonMapper.shared().readTree(run("check", tone("tone.wav").toString(), "--text", "the root"));
        assertThat(exit).isZero();
        assertThat(result.propertyNames()).containsExactly("file", "findings");
        JsonNode finding = result.get("findings").get(0);
        assertThat(finding.propertyNames()).containsExactly("id", "severity", "message", "startMs", "endMs");
        assertThat(finding.get("id").stringValue()).isEqualTo("nothing-said");
        assertThat(finding.get("severity").stringValue()).isEqualTo("fault");
        assertThat(finding.get("message").stringValue()).isEqualTo("nobody speaks");
        assertThat(finding.get("endMs").intValue()).isEqualTo(2000);

        JsonNode bad = JsonMapper.shared().readTree(run("check", "nowhere.wav"));
        assertThat(exit).isEqualTo(1);
        assertThat(bad.get("error").stringValue()).contains("no such file");
    }

    @Test
    void everyFindingAndEveryRefusalHasItsWords() {
        for (Finding.Kind kind : Finding.Kind.values()) {
            assertThat(FileMessages.of(kind)).isNotBlank();
        }
        for (Refusal.Reason reason : Refusal.Reason.values()) {
            assertThat(FileMessages.of(reason)).isNotBlank();
        }
    }

    @Test
    void aMistypedCommandIsExplainedAndPrintsNothing() {
        assertThat(run("measure")).isEmpty();
        assertThat(exit).isEqualTo(2);
        assertThat(errors).contains("Missing required parameter", "FILE");
        assertThat(run("render", "x.wav")).isEmpty();
        assertThat(errors).contains("--output");
    }
}
