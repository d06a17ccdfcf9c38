package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.awaitility.Awaitility.await;

import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Arrays;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import prolalia.core.sound.Measurement;
import prolalia.core.sound.Sound;
import prolalia.media.SoundReader;
import prolalia.media.SoundWriter;

/** Takes of a line: kept, doubtful, accepted; and lines that come by the hundred. */
class TakesTest extends RunningHouse {
    private Visitor ines;

    @BeforeAll
    void enter() throws Exception {
        ines = Visitor.ines(base());
    }

    private String take(String line, byte[] content) throws Exception {
        return Visitor.first(ines.record(line, "take.wav", content), "data-take=\"([^\"]+)\"");
    }

    private static byte[] wav(String voice) throws Exception {
        return Files.readAllBytes(voice(voice));
    }

    /** The same voice, cut in the middle of a word: a WAV file that states its new length. */
    private static byte[] cutOff(String voice, double share) throws Exception {
        byte[] whole = wav(voice);
        byte[] cut = Arrays.copyOf(whole, 44 + 2 * (int) ((whole.length - 44) * share / 2));
        java.nio.ByteBuffer.wrap(cut).order(java.nio.ByteOrder.LITTLE_ENDIAN).putInt(4, cut.length - 8);
        return cut;
    }

    @Test
    void aTakeIsHeardLevelledTheMomentAfterItsVerdict() throws Exception {
        String take = take(ines.newLine("Which part comes out of the seed first?"), wav("bean-2b"));
        Path heard = Files.createTempFile("heard", ".mp3");
        Files.write(heard, ines.get("/takes/" + take + "/sound.mp3").body());
        Measurement measured = SoundReader.measure(heard).measurement();
        assertThat(measured.integratedLufs()).isCloseTo(-19, within(0.5));
        assertThat(measured.truePeakDbtp()).isLessThanOrEqualTo(-1.5);
    }

    @Test
    void theNewestTakeIsNotHeardBeforeItIsKeptAndAnOlderOneCanBeKeptInstead() throws Exception {
        String line = ines.newLine("Which part comes out of the seed first?");
        String lesson = ines.lessonOf(line);
        String link = ines.linkTo(lesson);
        String first = take(line, wav("bean-2b"));
        assertThat(new Visitor(base()).page(link)).doesNotContain("data-sound");
        ines.form("/takes/" + first + "/keep");
        String heard = Visitor.first(new Visitor(base()).page(link), "/sound/([0-9a-f]{64})");
        String second = take(line, wav("bean-2a"));
        assertThat(Visitor.first(new Visitor(base()).page(link), "/sound/([0-9a-f]{64})"))
                .isEqualTo(heard);
        ines.form("/takes/" + second + "/keep");
        assertThat(Visitor.first(new Visitor(base()).page(link), "/sound/([0-9a-f]{64})"))
                .isNotEqualTo(heard);
        // What is no longer kept is no longer served by the link.
        assertThat(new Visitor(base()).get(link + "/sound/" + heard + ".mp3").statusCode())
                .isEqualTo(404);
        ines.form("/takes/" + first + "/keep");
        assertThat(Visitor.first(new Visitor(base()).page(link), "/sound/([0-9a-f]{64})"))
                .isEqualTo(heard);
        assertThat(ines.page("/lines/" + line + "/takes")).contains(first, second, "Keep this one");
    }

    @Test
    void aTakeThatIsCutOffMakesItsLineDoubtfulUntilTheTeacherAcceptsIt() throws Exception {
        String line = ines.newLine("A bean sleeps in the dry soil until the rain comes.");
        String lesson = ines.lessonOf(line);
        String take = take(line, cutOff("bean-1b", 0.46));
        ines.form("/takes/" + take + "/keep");
        assertThat(ines.page("/lessons/" + lesson)).contains("1 doubtful", "cut off at the end", "class=\"notch\"");
        assertThat(ines.page("/lessons/" + lesson + "/read")).contains("A bean sleeps");
        ines.form("/takes/" + take + "/accept");
        assertThat(ines.page("/lessons/" + lesson)).contains("all voiced").doesNotContain("1 doubtful");
        assertThat(ines.page("/lessons/" + lesson + "/read")).contains("There is nothing to read");
        assertThat(ines.page("/lessons/" + lesson + "/read?what=ALL")).contains("A bean sleeps");
    }

    @Test
    void overlappingTakesAreKeptAtOnceAndLeaveTheNeighbourOut() throws Exception {
        String line = ines.newLine("the root");
        byte[] root = wav("bean-2c");
        String id = UUID.randomUUID().toString();
        String address = "/recordings/" + id + "/chunks/0?line=" + line;
        assertThat(ines.send("PUT", address, "audio/wav;overlap=300", root).statusCode())
                .isEqualTo(200);
        HttpResponse<byte[]> verdict =
                ines.form("/recordings/" + id + "/end", "chunks", "1", "keep", "true", "words", "the root");
        assertThat(Visitor.text(verdict)).contains("data-verdict=\"take\"");
        assertThat(ines.page("/lessons/" + ines.lessonOf(line))).contains("all voiced");
        String summary = Visitor.text(
                ines.form("/lessons/" + ines.lessonOf(line) + "/read/summary", "lines", line, "readingMs", "2000"));
        assertThat(summary).contains("1 of 1 line voiced", "Play all in a row");
    }

    /**
     * Of a line the last word is said after a pause, and the key comes within that: at first the word is left out. The line after
     * it has that word too, where no pause is to be expected; so it belongs to the line before.
     */
    @Test
    void whatALineLostAtFirstSightIsFoundWhenTheNextOneIsThere() throws Exception {
        String first = ines.newLine("the root, now");
        String second = ines.newLine("A bean sleeps in the dry earth");
        float[] reading = of(new float[at(1)], said("bean-2c", 600), new float[at(0.5)], said("bean-2d", 350));
        int key = reading.length - at(0.37);
        reading = of(reading, new float[at(0.45)], said("bean-1b", 1_500), new float[at(1)]);
        String recorded = UUID.randomUUID().toString();
        end(recorded, first, Arrays.copyOfRange(reading, at(0.2), key + at(0.7)), "");
        String take = Visitor.first(ines.page("/lessons/" + ines.lessonOf(first)), "/takes/([0-9a-f-]{36})/");
        assertThat(seconds(take)).as("at first sight").isLessThan(1);
        end(
                UUID.randomUUID().toString(),
                second,
                Arrays.copyOfRange(reading, key - at(0.7), reading.length),
                ";after=" + recorded);
        await().atMost(Duration.ofSeconds(20))
                .untilAsserted(() -> assertThat(seconds(take)).isGreaterThan(1.4));
    }

    private void end(String id, String line, float[] samples, String after) throws Exception {
        Path wav = Files.createTempFile("line", ".wav");
        SoundWriter.writeWav(new Sound(samples, Sound.TAKE_SAMPLE_RATE), wav);
        ines.send(
                "PUT",
                "/recordings/" + id + "/chunks/0?line=" + line,
                "audio/wav;overlap=700" + after,
                Files.readAllBytes(wav));
        assertThat(Visitor.text(ines.form("/recordings/" + id + "/end", "chunks", "1", "keep", "true")))
                .contains("data-verdict=\"take\"");
    }

    private double seconds(String take) throws Exception {
        Path mp3 = Files.createTempFile("take", ".mp3");
        Files.write(mp3, ines.get("/takes/" + take + "/download").body());
        return SoundReader.decode(mp3, 60_000).sound().durationMs() / 1000.0;
    }

    private static int at(double seconds) {
        return (int) (seconds * Sound.TAKE_SAMPLE_RATE);
    }

    private static float[] of(float[]... parts) {
        float[] all =
                new float[Arrays.stream(parts).mapToInt(part -> part.length).sum()];
        int at = 0;
        for (float[] part : parts) {
            System.arraycopy(part, 0, all, at, part.length);
            at += part.length;
        }
        return all;
    }

    /** So much of a voice, from its first sound on. */
    private static float[] said(String voice, int ms) throws Exception {
        float[] all = SoundReader.decode(voice(voice), 60_000).sound().samples();
        int from = 0;
        while (Math.abs(all[from]) < 0.02) {
            from++;
        }
        return Arrays.copyOfRange(all, from, from + at(ms / 1000.0));
    }

    @Test
    void twoThousandPastedLinesOpenAndAreReadInOrder() throws Exception {
        StringBuilder pasted = new StringBuilder();
        for (int i = 1; i <= 1_000; i++) {
            pasted.append(i)
                    .append(". Question ")
                    .append(i)
                    .append("?\n  a) answer ")
                    .append(i)
                    .append("\n");
        }
        String lesson = ines.lessonOf(ines.newLine("Long"));
        HttpResponse<byte[]> taken = ines.form("/lessons/" + lesson + "/paste", "text", pasted.toString(), "page", "0");
        assertThat(taken.statusCode()).isEqualTo(200);
        String script = ines.page("/lessons/" + lesson);
        assertThat(script).contains("2 pages", "0 of 2,001 voiced");
        assertThat(script.indexOf("Question 999?")).isLessThan(script.indexOf("answer 999\""));
        assertThat(Visitor.text(ines.form("/lessons/" + lesson + "/paste", "text", "  \n ", "page", "1")))
                .contains("no line in this text");
        String tooMany = "x\n\n".repeat(10_001);
        assertThat(Visitor.text(ines.form("/lessons/" + lesson + "/paste", "text", tooMany, "page", "1")))
                .contains("more than 10,000 lines");
        String tooLong = "seed ".repeat(50_000);
        assertThat(Visitor.text(ines.form("/lessons/" + lesson + "/paste", "text", tooLong, "page", "1")))
                .contains("longer than 200,000 characters", "seed seed");
        assertThat(ines.page("/lessons/" + lesson)).contains("0 of 2,001 voiced");
        String line = Visitor.first(script, "data-line=\"([^\"]+)\"");
        HttpResponse<byte[]> typed = ines.putForm("/lines/" + line + "/words", "revision", "2", "words", tooLong);
        assertThat(typed.statusCode()).isEqualTo(422);
    }

    @Test
    void nobodyReshapesAnotherTeachersScriptAndNothingIsMovedOutOfItsLesson() throws Exception {
        String mine = ines.newLine("the root");
        String other = ines.newLine("the leaf");
        String take = take(mine, wav("bean-2c"));
        ines.form("/takes/" + take + "/keep");
        assertThat(ines.form("/takes/" + take + "/move", "line", other).statusCode())
                .isEqualTo(404);
        String page = Visitor.first(ines.page("/lessons/" + ines.lessonOf(other)), "data-page=\"([^\"]+)\"");
        assertThat(ines.form("/lines/" + mine + "/move", "page", page, "after", other)
                        .statusCode())
                .isEqualTo(404);
        assertThat(ines.form("/lines/" + mine + "/move", "page", page).statusCode())
                .isEqualTo(404);
        assertThat(Visitor.text(ines.form("/lines/" + mine + "/join"))).contains("Nothing to change there");
        assertThat(Visitor.text(ines.form("/lessons/" + ines.lessonOf(mine) + "/redo")))
                .contains("Nothing more to undo");
        Visitor stranger = new Visitor(base());
        stranger.get("/sign-in");
        assertThat(stranger.form("/lines/" + mine + "/split", "at", "2").statusCode())
                .isIn(401, 403);
        assertThat(ines.page("/lessons/" + ines.lessonOf(mine))).contains("all voiced", ">the root<");
    }

    @Test
    void theMicrophoneCheckKeepsNothingAndTakesAnything() throws Exception {
        Set<Path> before = temporaryFiles();
        String good = Visitor.text(ines.send("POST", "/microphone", "application/octet-stream", wav("bean-1a")));
        assertThat(good).contains("Heard well", "No hum");
        String bad = Visitor.text(ines.send("POST", "/microphone", "application/octet-stream", "no sound".getBytes()));
        assertThat(bad).contains("Nothing came in");
        assertThat(before).as("what others do is theirs").containsAll(temporaryFiles());
    }

    private static Set<Path> temporaryFiles() throws Exception {
        try (var all = Files.list(DATA.resolve("temporary"))) {
            return all.filter(Files::isRegularFile).collect(Collectors.toSet());
        }
    }

    @Test
    void aTakeIsThrownAwayAndPutBackAndALineIsMadeSilentAndUndone() throws Exception {
        Visitor ines = Visitor.ines(base());
        String line = ines.newLine("A bean sleeps in the dry soil until the rain comes.");
        String lesson = ines.lessonOf(line);
        String take = Visitor.first(
                ines.record(line, "a.ogg", Files.readAllBytes(voice("bean-1b"))), "data-take=\"([^\"]+)\"");
        ines.form("/takes/" + take + "/keep");
        assertThat(Visitor.text(ines.form("/takes/" + take + "/remove")))
                .contains("can be put back", "/takes/" + take + "/put-back");
        assertThat(ines.page("/lessons/" + lesson)).contains("0 of 1 voiced");
        assertThat(ines.page("/lines/" + line + "/takes")).doesNotContain(take);
        assertThat(Visitor.text(ines.form("/takes/" + take + "/put-back"))).contains(take);
        assertThat(ines.page("/lessons/" + lesson)).contains("1 of 1 voiced");
        ines.form("/lines/" + line + "/silence");
        assertThat(ines.page("/lessons/" + lesson)).contains("0 of 1 voiced");
        assertThat(ines.page("/lines/" + line + "/takes")).contains(take);
        assertThat(ines.page("/library")).contains("An older take; its line is silent now");
        ines.form("/lessons/" + lesson + "/undo");
        assertThat(ines.page("/lessons/" + lesson)).contains("1 of 1 voiced");
    }

    @Test
    void allFlaggedLinesAreFineAtOnceAndFlaggedAgain() throws Exception {
        Visitor ines = Visitor.ines(base());
        String line =
                ines.newLine("Something quite different and a good deal longer is what was to be said here today.");
        String lesson = ines.lessonOf(line);
        String take = Visitor.first(
                ines.record(line, "a.ogg", Files.readAllBytes(voice("bean-2c"))), "data-take=\"([^\"]+)\"");
        ines.form("/takes/" + take + "/keep");
        assertThat(ines.page("/lessons/" + lesson)).contains("0 of 1 voiced", "All of these are fine");
        String fine = Visitor.text(ines.form("/lessons/" + lesson + "/accept"));
        assertThat(fine).contains("1 of 1 voiced", "is accepted on all lines");
        String at = Visitor.first(fine, "name=\"at\" value=\"(\\d+)\"");
        assertThat(Visitor.text(ines.form("/lessons/" + lesson + "/accept/undo", "at", at)))
                .contains("0 of 1 voiced");
    }
}
