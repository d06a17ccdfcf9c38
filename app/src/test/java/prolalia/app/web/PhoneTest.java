package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** What a phone may do that came by a code, and for how long. */
class PhoneTest extends RunningHouse {
    private Visitor ines;

    @BeforeAll
    void enter() throws Exception {
        ines = Visitor.ines(base());
    }

    /** Opens a read-through of a line for a phone; answers the secret in its code. */
    private String open(String line) throws Exception {
        String code = Visitor.text(ines.form("/lessons/" + ines.lessonOf(line) + "/read/phone", "line", line));
        assertThat(code).contains("<path fill=\"#000\"", "Scan this with the camera");
        return Visitor.first(code, "data-token=\"([^\"]+)\"");
    }

    private static byte[] root() throws Exception {
        return Files.readAllBytes(voice("bean-2c"));
    }

    private static HttpResponse<byte[]> chunk(Visitor phone, String token, String id, String line) throws Exception {
        return phone.send(
                "PUT", "/phone/" + token + "/recordings/" + id + "/chunks/0?line=" + line, "audio/wav", root());
    }

    private static HttpResponse<byte[]> end(Visitor phone, String token, String id) throws Exception {
        return phone.form("/phone/" + token + "/recordings/" + id + "/end", "chunks", "1", "keep", "true");
    }

    @Test
    void aPhoneReadsTheLinesOfItsReadThroughAndNothingElse() throws Exception {
        String line = ines.newLine("the root");
        String other = ines.newLine("somebody else's line");
        String token = open(line);
        Visitor phone = new Visitor(base());
        assertThat(phone.page("/phone/" + token))
                .contains(">the root<", "on-phone")
                .doesNotContain("somebody");
        String id = UUID.randomUUID().toString();
        assertThat(chunk(phone, token, id, line).statusCode()).isEqualTo(200);
        assertThat(Visitor.text(end(phone, token, id))).contains("data-verdict=\"take\"");
        assertThat(ines.page("/lessons/" + ines.lessonOf(line))).contains("1 of 1 voiced");

        assertThat(chunk(phone, token, UUID.randomUUID().toString(), other).statusCode())
                .isEqualTo(404);
        // By its code it is nobody's sign-in: neither hers, nor in place of whoever is signed in on it.
        for (String page : new String[] {
            "/", "/library", "/lessons/" + ines.lessonOf(line), "/school", "/recordings/unfinished", "/microphone"
        }) {
            assertThat(phone.get(page).uri().getPath()).as(page).isEqualTo("/sign-in");
        }
        assertThat(phone.putForm("/lines/" + line + "/words", "revision", "1", "words", "x")
                        .statusCode())
                .isEqualTo(401);
        // What somebody else recorded, also hers, is out of its reach, whatever line it names.
        String hers = Visitor.first(
                ines.record(ines.newLine("hers"), "hers.wav", Files.readAllBytes(voice("bean-1a"))),
                "data-take=\"([^\"]+)\"");
        String foreign = UUID.randomUUID().toString();
        ines.send("PUT", "/recordings/" + foreign + "/chunks/0?line=" + other, "audio/wav", root());
        for (String way : new String[] {"/raw?line=" + line, "/end", ""}) {
            assertThat(phone.get("/phone/" + token + "/recordings/" + foreign + way)
                            .statusCode())
                    .isIn(404, 405);
        }
        assertThat(chunk(phone, token, foreign, line).statusCode()).isEqualTo(404);
        assertThat(end(phone, token, foreign).statusCode()).isEqualTo(404);
        assertThat(phone.get("/takes/" + hers + "/sound.mp3").uri().getPath()).isEqualTo("/sign-in");
        assertThat(phone.get("/phone/" + token + "/pictures/" + "0".repeat(64)).statusCode())
                .isEqualTo(404);
    }

    @Test
    void whatWasBegunBeforeTheEndComesInAfterItAndNothingNewDoes() throws Exception {
        String line = ines.newLine("the root");
        String token = open(line);
        Visitor phone = new Visitor(base());
        phone.get("/phone/" + token);
        String begun = UUID.randomUUID().toString();
        chunk(phone, token, begun, line);
        ines.form("/read-throughs/" + token + "/end");
        // The phone was out of the network when the teacher finished: the rest of its take still arrives.
        assertThat(Visitor.text(end(phone, token, begun))).contains("data-verdict=\"take\"");
        assertThat(chunk(phone, token, UUID.randomUUID().toString(), line).statusCode())
                .isEqualTo(404);
        HttpResponse<byte[]> late = new Visitor(base()).get("/phone/" + token);
        assertThat(late.statusCode()).isEqualTo(410);
        assertThat(Visitor.text(late)).contains("This read-through is over");
        assertThat(new Visitor(base()).get("/phone/guessed").statusCode()).isEqualTo(410);
    }

    @Test
    void computerAndPhoneHearEachOtherAtOnceAndNobodyElseListens() throws Exception {
        String token = open(ines.newLine("the root"));
        Visitor phone = new Visitor(base());
        String page = phone.page("/phone/" + token);
        String id = Visitor.first(page, "data-phone-id=\"([^\"]+)\"");
        String messages = "/phone/" + token + "/messages?phone=" + id;
        // Whatever only looks at the address (a preview, a HEAD) takes no microphone over.
        assertThat(phone.formOnce("/phone/" + token + "/join?phone=" + id).statusCode())
                .isEqualTo(204);
        new Visitor(base()).get("/phone/" + token);
        String joined = ines.page("/read-throughs/" + token + "/messages?after=0");
        assertThat(joined).contains("\"number\":1", "\"joined\"", id).doesNotContain("\"number\":2");
        CompletableFuture<String> waiting = CompletableFuture.supplyAsync(() -> {
            try {
                return ines.page("/read-throughs/" + token + "/messages?after=1");
            } catch (Exception failure) {
                throw new IllegalStateException(failure);
            }
        });
        phone.send("POST", messages, "application/json", "{\"kind\":\"state\",\"state\":\"reading\"}".getBytes());
        assertThat(waiting.get(5, TimeUnit.SECONDS)).contains("\"reading\"");
        ines.send(
                "POST",
                "/read-throughs/" + token + "/messages",
                "application/json",
                "{\"kind\":\"press\",\"key\":\"Enter\"}".getBytes());
        assertThat(phone.page(messages + "&after=1")).contains("\"Enter\"");

        Visitor stranger = new Visitor(base());
        stranger.get("/sign-in");
        assertThat(stranger.get(messages.replace(token, "guessed")).statusCode())
                .isEqualTo(404);
        Visitor second = new Visitor(base());
        String taker = Visitor.first(second.page("/phone/" + token), "data-phone-id=\"([^\"]+)\"");
        second.formOnce("/phone/" + token + "/join?phone=" + taker);
        assertThat(phone.page(messages + "&after=2")).contains(taker);
        // The first phone isn't the microphone any more: what it says is not passed on.
        phone.send("POST", messages, "application/json", "{\"kind\":\"state\",\"state\":\"paused\"}".getBytes());
        ines.form("/read-throughs/" + token + "/end");
        assertThat(ines.page("/read-throughs/" + token + "/messages?after=2"))
                .contains("\"ended\"")
                .doesNotContain("paused");
    }

    @Test
    void whoCantComeInAnyMoreRecordsNothingByHerPhoneEither() throws Exception {
        Visitor olga = Visitor.added(ines, base(), "Olga Phone", "TEACHER");
        String line = olga.newLine("the root");
        String code = Visitor.text(olga.form("/lessons/" + olga.lessonOf(line) + "/read/phone", "line", line));
        String token = Visitor.first(code, "data-token=\"([^\"]+)\"");
        Visitor phone = new Visitor(base());
        String begun = UUID.randomUUID().toString();
        assertThat(chunk(phone, token, begun, line).statusCode()).isEqualTo(200);
        String id = Visitor.first(ines.page("/school/people"), "(?s)<b>Olga Phone</b>.*?/school/people/([^/]+)/role");
        ines.form("/school/people/" + id + "/disable");
        assertThat(phone.get("/phone/" + token).statusCode()).isEqualTo(410);
        assertThat(chunk(phone, token, UUID.randomUUID().toString(), line).statusCode())
                .isEqualTo(404);
        assertThat(end(phone, token, begun).statusCode()).isEqualTo(404);
    }

    @Test
    void theTeachersOwnPhoneStaysSignedInAsSheIs() throws Exception {
        String token = open(ines.newLine("the root"));
        Visitor own = Visitor.ines(base());
        assertThat(own.page("/phone/" + token)).contains("on-phone");
        assertThat(own.page("/")).contains("How a bean wakes up");
    }
}
