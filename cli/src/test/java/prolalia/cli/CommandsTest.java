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
import prolalia.core.sound.Finding;
import prolalia.core.sound.Refusal;
import prolalia.core.sound.Sound;
import prolalia.media.SoundReader;
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
    void splitTellsWhatTheTeacherShouldLookAtAndSucceedsAllTheSame() throws Exception {
        Path script = Files.writeString(
                folder.resolve("whole.txt"),
                "the root\nA bean sleeps in the dry soil until the rain comes.\n"
                        + "Now draw the bean as it will look tomorrow, with its leaves.\n".repeat(5));
        Path part = folder.resolve("part.wav");
        SoundWriter.writeWav(joined(voices("bean-2c", "bean-1b")), part);
        JsonNode split = JsonMapper.shared().readTree(run("split", part.toString(), "--script", script.toString()));
        assertThat(exit).isZero();
        assertThat(split.get("lines")).hasSize(7);
        assertThat(split.get("lines").get(6).get("startMs").isNull()).isTrue();
        assertThat(split.get("lines").get(6).get("confidence").doubleValue()).isZero();
        List<String> ids = new ArrayList<>();
        split.get("findings").forEach(finding -> {
            ids.add(finding.get("id").stringValue());
            assertThat(finding.get("severity").stringValue()).isIn("info", "warning");
            assertThat(finding.get("message").stringValue()).isNotBlank();
            assertThat(finding.get("startMs").isNumber()).isTrue();
        });
        assertThat(ids).contains("not-found", "shorter-than-script");

        Path silent = folder.resolve("silent.wav");
        SoundWriter.writeWav(new Sound(new float[96_000], 48_000), silent);
        JsonNode nothing = JsonMapper.shared().readTree(run("split", silent.toString(), "--script", script.toString()));
        assertThat(exit).isZero();
        assertThat(nothing.get("findings").get(0).get("id").stringValue()).isEqualTo("nothing-said");
    }

    /** The demo's voices, each with half a second of quiet after it. */
    private static List<float[]> voices(String... names) throws Exception {
        Path demo = Path.of("../app/src/main/resources/demo");
        List<float[]> parts = new ArrayList<>();
        for (String voice : names) {
            parts.add(SoundReader.decode(demo.resolve(voice + ".ogg"), 60_000)
                    .sound()
                    .samples());
            parts.add(new float[24_000]);
        }
        return parts;
    }

    private static Sound joined(List<float[]> parts) {
        float[] all = new float[parts.stream().mapToInt(part -> part.length).sum()];
        int at = 0;
        for (float[] part : parts) {
            System.arraycopy(part, 0, all, at, part.length);
            at += part.length;
        }
        return new Sound(all, 48_000);
    }

    @Test
    void splitFindsTheLinesOfAScriptInOneRecording() throws Exception {
        List<float[]> parts = voices("bean-2b", "bean-2c", "bean-1b");
        Path long_ = folder.resolve("long.wav");
        SoundWriter.writeWav(joined(parts), long_);
        Path script = Files.writeString(
                folder.resolve("lines.txt"),
                "Which part comes out of the seed first?\n\nthe root\nA bean sleeps in the dry soil until the rain comes.\n");
        JsonNode split = JsonMapper.shared().readTree(run("split", long_.toString(), "--script", script.toString()));
        assertThat(exit).isZero();
        assertThat(split.get("lines")).hasSize(3);
        long second = Math.round((parts.get(0).length + parts.get(1).length) / 48.0);
        long third = second + Math.round((parts.get(2).length + parts.get(3).length) / 48.0);
        JsonNode root = split.get("lines").get(1);
        assertThat(root.get("text").stringValue()).isEqualTo("the root");
        assertThat(root.get("startMs").longValue()).isBetween(second, third);
        assertThat(root.get("endMs").longValue()).isBetween(second, third);
        assertThat(split.get("lines").get(2).get("startMs").longValue()).isGreaterThan(third);
        assertThat(split.get("findings").isArray()).isTrue();

        JsonNode missing = JsonMapper.shared().readTree(run("split", long_.toString(), "--script", "nowhere.txt"));
        assertThat(exit).isEqualTo(1);
        assertThat(missing.get("error").stringValue()).isEqualTo("There is no such file.");
        Path notText = Files.write(folder.resolve("binary.txt"), new byte[] {(byte) 0xff, (byte) 0xfe, 0, 1});
        assertThat(run("split", long_.toString(), "--script", notText.toString()))
                .contains("not a text file");
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

    @Test
    void questionsPrintsWhatWouldBeMadeAndWhatIsWrongWithIt() throws Exception {
        Path list = Files.writeString(folder.resolve("list.txt"), """
                1. Which part comes out first?
                a) the leaf
                *b) the root
                2. How many legs has a beetle?
                """);
        JsonNode read = JsonMapper.shared().readTree(run("questions", list.toString()));
        assertThat(exit).isZero();
        JsonNode first = read.get("questions").get(0);
        assertThat(first.get("kind").stringValue()).isEqualTo("one_choice");
        assertThat(first.get("words").stringValue()).isEqualTo("Which part comes out first?");
        assertThat(first.get("choices").get(0).get("right").booleanValue()).isFalse();
        assertThat(first.get("choices").get(1).get("right").booleanValue()).isTrue();
        Path table = Files.writeString(folder.resolve("table.csv"), "question,kind,right\nHow many?,dance,6\n");
        JsonNode odd = JsonMapper.shared().readTree(run("questions", table.toString()));
        assertThat(odd.get("findings").get(0).get("words").stringValue()).contains("dance");
        JsonNode none = JsonMapper.shared().readTree(run("questions", "nowhere.csv"));
        assertThat(exit).isEqualTo(1);
        assertThat(none.get("error").stringValue()).contains("no such file");
    }

    @Test
    void markFollowsTheItemsOwnRulesAndNamesWhatIsNotThere() throws Exception {
        Path item = Files.writeString(folder.resolve("item.xml"), """
                <qti-assessment-item identifier="roots" title="Roots">
                  <qti-response-declaration identifier="RESPONSE" cardinality="multiple" base-type="identifier">
                    <qti-correct-response><qti-value>A</qti-value><qti-value>B</qti-value></qti-correct-response>
                    <qti-mapping default-value="-1" lower-bound="0"><qti-map-entry map-key="A" mapped-value="1.5"/>
                      <qti-map-entry map-key="B" mapped-value="0.5"/></qti-mapping>
                  </qti-response-declaration>
                  <qti-outcome-declaration identifier="SCORE" cardinality="single" base-type="float"/>
                  <qti-item-body/>
                  <qti-response-processing template="https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/map_response"/>
                </qti-assessment-item>
                """);
        Path responses = Files.writeString(
                folder.resolve("r.csv"), "student,question,answer\nAda,roots,A|B\nBo,roots,A|C\nCleo,stems,A\n");
        JsonNode marked =
                JsonMapper.shared().readTree(run("mark", item.toString(), "--responses", responses.toString()));
        assertThat(exit).isEqualTo(1);
        assertThat(marked.get("responses").get(0).get("points").doubleValue()).isEqualTo(2);
        assertThat(marked.get("responses").get(1).get("points").doubleValue()).isEqualTo(0.5);
        assertThat(marked.get("students").get(1).get("most").doubleValue()).isEqualTo(2);
        assertThat(marked.get("problems").get(0).stringValue()).contains("stems");
        Path other = Files.writeString(folder.resolve("o.csv"), "name;mark\nAda;1\n");
        JsonNode wrong = JsonMapper.shared().readTree(run("mark", item.toString(), "--responses", other.toString()));
        assertThat(wrong.get("problems").get(0).stringValue()).contains("name, mark");
    }

    @Test
    void statisticsSayWhatIsUndefinedAndWhichRowsAreLeftOut() throws Exception {
        Path file = Files.writeString(
                folder.resolve("responses.csv"),
                "Student;Question;Choice;Points;Most\na;1;x;1;1\nb;1;y;0;1\na;2;x;2;2\nb;2;x;2;2\nc;2;x;5;2\n");
        JsonNode result = new JsonMapper().readTree(run("statistics", file.toString()));
        assertThat(exit).isEqualTo(1);
        assertThat(result.get("problems").get(0).asString()).startsWith("Row 6 ");
        assertThat(result.get("students").asInt()).isEqualTo(2);
        assertThat(result.get("questions").get(0).get("facility").asDouble()).isEqualTo(0.5);
        assertThat(result.get("questions").get(1).get("discrimination").isNull())
                .isTrue();
        assertThat(result.get("questions")
                        .get(1)
                        .get("choices")
                        .get(0)
                        .get("count")
                        .asInt())
                .isEqualTo(2);
    }
}
