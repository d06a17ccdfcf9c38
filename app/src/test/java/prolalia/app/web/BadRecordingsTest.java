package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Random;
import java.util.UUID;
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
        // A chunk that comes late, after the take was made, changes nothing.
        assertThat(put(id, 1, new byte[5]).statusCode()).isEqualTo(200);
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
