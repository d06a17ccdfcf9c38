package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.net.http.HttpResponse;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Arrays;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import prolalia.core.sound.Sound;
import prolalia.media.SoundWriter;

/** Recordings that aren't takes: each says so in its own words, and sound is never lost. */
class BadRecordingsTest extends RunningHouse {
    private Visitor ines;
    private String line;

    @BeforeAll
    void aLine() throws Exception {
        ines = Visitor.ines(base());
        line = ines.newLine("Look at the picture.");
    }

    private static byte[] wav(float[] samples) throws Exception {
        Path file = Files.createTempFile("made", ".wav");
        SoundWriter.writeWav(new Sound(samples, 16_000), file);
        return Files.readAllBytes(file);
    }

    private static float[] hiss(double seconds) {
        float[] x = new float[(int) (seconds * 16_000)];
        Random random = new Random(1);
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (0.05 * random.nextGaussian());
        }
        return x;
    }

    @Test
    void eachGetsItsOwnMessage() throws Exception {
        assertThat(ines.record(line, "empty.wav", new byte[0])).contains("0 bytes");
        assertThat(ines.record(line, "letter.mp3", "Dear parents".getBytes(StandardCharsets.UTF_8)))
                .contains("letter.mp3", "not a sound or video file");
        assertThat(ines.record(line, "<b>&.mp3", "x".getBytes(StandardCharsets.UTF_8)))
                .contains("&lt;b&gt;&amp;.mp3");
        assertThat(ines.record(line, "mute.wav", wav(new float[48_000]))).contains("only silence");
        assertThat(ines.record(line, "blip.wav", wav(hiss(0.1)))).contains("too short");
        assertThat(ines.record(line, "long.wav", wav(new float[16_000 * 11 * 60])))
                .contains("11 min 00 s long", "The longest recording here is 10 min");
        byte[] whole = Files.readAllBytes(voice("bean-1a"));
        assertThat(ines.record(line, "cut.wav", Arrays.copyOf(whole, whole.length / 2)))
                .contains("data-take", "ends before its stated end");
    }

    @Test
    void soundThatIsNoTakeIsKeptAndCanBeOneAllTheSame() throws Exception {
        byte[] hiss = wav(hiss(2));
        String answer = ines.record(line, "hiss.wav", hiss);
        assertThat(answer).contains("nobody was found speaking", "is kept");
        String id = Visitor.first(answer, "data-recording=\"([^\"]+)\"");
        HttpResponse<byte[]> raw = ines.get("/recordings/" + id + "/raw");
        assertThat(raw.body()).isEqualTo(hiss);
        assertThat(raw.headers().firstValue("Content-Disposition").orElse("")).contains("attachment", "hiss.wav");
        assertThat(Visitor.text(ines.form("/recordings/" + id + "/take-whole"))).contains("data-take");
    }

    @Test
    void chunksAreIdempotentAndAGapIsAskedForAgain() throws Exception {
        byte[] whole = Files.readAllBytes(voice("bean-2b"));
        String id = UUID.randomUUID().toString();
        int third = whole.length / 3;
        byte[][] chunks = {
            Arrays.copyOfRange(whole, 0, third),
            Arrays.copyOfRange(whole, third, 2 * third),
            Arrays.copyOfRange(whole, 2 * third, whole.length)
        };
        for (int number : new int[] {2, 0, 0, 2}) {
            assertThat(put(id, number, chunks[number]).statusCode()).isEqualTo(200);
        }
        HttpResponse<byte[]> gap = ines.form("/recordings/" + id + "/end", "chunks", "3");
        assertThat(gap.statusCode()).isEqualTo(409);
        assertThat(gap.headers().firstValue("Missing-Chunks")).hasValue("1");
        put(id, 1, chunks[1]);
        String first = Visitor.text(ines.form("/recordings/" + id + "/end", "chunks", "3"));
        String again = Visitor.text(ines.form("/recordings/" + id + "/end", "chunks", "3"));
        assertThat(Visitor.first(first, "data-take=\"([^\"]+)\""))
                .isEqualTo(Visitor.first(again, "data-take=\"([^\"]+)\""));
        assertThat(first).doesNotContain("ends before");
        // A chunk that comes once more, after the take was made, changes nothing.
        assertThat(put(id, 1, new byte[5]).statusCode()).isEqualTo(200);
    }

    @Test
    void whatIsAcknowledgedIsInTheTakeHoweverLateItComesAndWhoeverEndedIt() throws Exception {
        byte[] whole = Files.readAllBytes(voice("bean-2b"));
        int half = whole.length / 2;
        byte[] tail = Arrays.copyOfRange(whole, half, whole.length);
        String own = ines.newLine("Then a tiny root comes out.");
        String id = UUID.randomUUID().toString();
        ines.send("PUT", "/recordings/" + id + "/chunks/0?line=" + own, "audio/wav", Arrays.copyOf(whole, half));
        // Put together on another device while the tablet was offline.
        String early = Visitor.text(ines.form("/recordings/" + id + "/end", "keep", "true"));
        assertThat(put(id, 1, tail).statusCode()).isEqualTo(200);
        String late = Visitor.text(ines.form("/recordings/" + id + "/end", "chunks", "2"));
        String again = Visitor.text(ines.form("/recordings/" + id + "/end", "chunks", "2"));
        assertThat(late).contains("data-take").doesNotContain("ends before");
        String take = Visitor.first(late, "data-take=\"([^\"]+)\"");
        assertThat(take)
                .isNotEqualTo(Visitor.first(early, "data-take=\"([^\"]+)\""))
                .isEqualTo(Visitor.first(again, "data-take=\"([^\"]+)\""));
        assertThat(ines.page("/lessons/" + ines.lessonOf(own))).contains("/takes/" + take + "/sound.mp3");
        // A tablet that only brings what it still had ends nothing: it joins by itself.
        String brought = UUID.randomUUID().toString();
        String lesson = ines.lessonOf(own);
        ines.send("PUT", "/recordings/" + brought + "/chunks/0?line=" + own, "audio/wav", Arrays.copyOf(whole, half));
        String short1 = Visitor.first(
                Visitor.text(ines.form("/recordings/" + brought + "/end", "keep", "true")), "data-take=\"([^\"]+)\"");
        ines.send("PUT", "/recordings/" + brought + "/chunks/1?line=" + own, "audio/wav", tail);
        await().atMost(Duration.ofSeconds(20))
                .until(() -> !ines.page("/lessons/" + lesson).contains("/takes/" + short1 + "/"));
        // Thrown away elsewhere, and what the tablet still had arrives: it is a take all the same when the tablet ends
        // it.
        String thrown = UUID.randomUUID().toString();
        put(thrown, 0, Arrays.copyOf(whole, half));
        ines.send("DELETE", "/recordings/" + thrown, "text/plain", new byte[0]);
        assertThat(put(thrown, 1, tail).statusCode()).isEqualTo(200);
        assertThat(Visitor.text(ines.form("/recordings/" + thrown + "/end", "chunks", "2")))
                .contains("data-take")
                .doesNotContain("ends before");
    }

    @Test
    void anEmptyChunkTakesNoPlaceAndNoCountTakesAnythingAway() throws Exception {
        byte[] whole = Files.readAllBytes(voice("bean-2b"));
        for (String count : new String[] {"0", "-5", "1"}) {
            String id = UUID.randomUUID().toString();
            assertThat(put(id, 0, new byte[0]).statusCode()).isEqualTo(400);
            assertThat(put(id, 0, whole).statusCode()).isEqualTo(200);
            assertThat(Visitor.text(ines.form("/recordings/" + id + "/end", "chunks", count)))
                    .as(count)
                    .contains("data-take")
                    .doesNotContain("ends before");
        }
    }

    @Test
    void manyWhoEndTheSameRecordingsAtOnceHearTheSame() throws Exception {
        byte[] whole = Files.readAllBytes(voice("bean-2c"));
        String[] ids = new String[4];
        for (int i = 0; i < ids.length; i++) {
            ids[i] = UUID.randomUUID().toString();
            put(ids[i], 0, whole);
        }
        var all = IntStream.range(0, 4 * ids.length)
                .mapToObj(i -> CompletableFuture.supplyAsync(() -> {
                    try {
                        return ids[i % ids.length] + " "
                                + Visitor.first(
                                        Visitor.text(ines.form(
                                                "/recordings/" + ids[i % ids.length] + "/end", "chunks", "1")),
                                        "data-take=\"([^\"]+)\"");
                    } catch (Exception failure) {
                        throw new IllegalStateException(failure);
                    }
                }))
                .toList();
        assertThat(all.stream().map(CompletableFuture::join).distinct()).hasSize(ids.length);
    }

    @Test
    void aFileThatIsNoSoundTakesNothingAwayThatOthersNeed() throws Exception {
        // The lesson's own slides dropped on the recorder: refused as sound, and still there as slides.
        byte[] deck = RunningHouse.class.getResourceAsStream("/demo/bean.pptx").readAllBytes();
        String bean = Visitor.first(ines.page("/?all=true"), "href=\"/lessons/([^\"]+)\">\\s*<b>How a bean wakes up");
        assertThat(ines.record(line, "bean.pptx", deck)).contains("not a sound or video file");
        assertThat(ines.get("/lessons/" + bean + "/slides.pptx").statusCode()).isEqualTo(200);
    }

    @Test
    void whatStatesAnImpossibleSoundIsRefusedInWordsAndEndsNothing() throws Exception {
        byte[] wav = wav(hiss(1));
        ByteBuffer.wrap(wav).order(ByteOrder.LITTLE_ENDIAN).putInt(24, 2_000_000_000);
        assertThat(ines.record(line, "2GHz.wav", wav)).contains("2GHz.wav", "states what no sound has");
        ByteBuffer.wrap(wav).order(ByteOrder.LITTLE_ENDIAN).putInt(24, 1);
        assertThat(ines.record(line, "1Hz.wav", wav)).contains("states what no sound has");
        assertThat(Visitor.text(ines.send("POST", "/microphone", "application/octet-stream", wav)))
                .contains("Nothing came in");
    }

    private HttpResponse<byte[]> put(String id, int number, byte[] content) throws Exception {
        return ines.send("PUT", "/recordings/" + id + "/chunks/" + number + "?line=" + line, "audio/wav", content);
    }

    @Test
    void nobodyRecordsOnAnothersLineAndNoPathLeavesTheFolder() throws Exception {
        assertThat(ines.send(
                                "PUT",
                                "/recordings/" + UUID.randomUUID() + "/chunks/0?line=nobodys",
                                "audio/wav",
                                new byte[9])
                        .statusCode())
                .isEqualTo(404);
        assertThat(ines.send("PUT", "/recordings/..%2F..%2Fevil/chunks/0?line=" + line, "audio/wav", new byte[9])
                        .statusCode())
                .isGreaterThanOrEqualTo(400);
        assertThat(ines.send(
                                "PUT",
                                "/recordings/" + UUID.randomUUID() + "/chunks/-1?line=" + line,
                                "audio/wav",
                                new byte[9])
                        .statusCode())
                .isEqualTo(413);
        Visitor stranger = new Visitor(base());
        stranger.get("/sign-in");
        HttpResponse<byte[]> refused = stranger.send(
                "PUT", "/recordings/" + UUID.randomUUID() + "/chunks/0?line=" + line, "audio/wav", new byte[9]);
        assertThat(refused.statusCode()).isNotEqualTo(200);
    }
}
