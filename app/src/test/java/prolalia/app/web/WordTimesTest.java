package prolalia.app.web;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.time.Duration;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Times of words that a teacher mends reach her students, and nonsense doesn't. */
class WordTimesTest extends RunningHouse {
    private static final String WORDS = "A bean sleeps in the dry soil until the rain comes.";

    private Visitor ines;
    private String line;
    private String at;
    private String link;

    @BeforeEach
    void aVoicedLine() throws Exception {
        ines = Visitor.ines(base());
        line = ines.newLine(WORDS);
        at = "/lines/" + line + "/word-times";
        String take = Visitor.first(
                ines.record(line, "bean.ogg", Files.readAllBytes(voice("bean-1b"))), "data-take=\"([^\"]+)\"");
        ines.form("/takes/" + take + "/keep");
        link = ines.linkTo(ines.lessonOf(line));
    }

    private HttpResponse<byte[]> json(String method, String path, String body) throws Exception {
        return ines.send(method, path, "application/json", body.getBytes(UTF_8));
    }

    private static String startOf(String times, String word) {
        return Visitor.first(times, "\"text\":\"" + word + "\",\"from\":\\d+,\"span\":\\{\"startMs\":(\\d+)");
    }

    @Test
    void theyAreFoundWithoutAnybodyAsking() {
        await().atMost(Duration.ofSeconds(30))
                .until(() ->
                        new Visitor(base()).page(link).replace("&quot;", "\"").contains("\"text\":\"sleeps\""));
    }

    @Test
    void whatIsMendedIsWhatLightsUpUntilTheTeacherTakesItBack() throws Exception {
        String found = ines.page(at + "/now");
        assertThat(found).contains("\"mended\":false");
        long start = Long.parseLong(startOf(found, "sleeps"));
        String moved = Visitor.text(ines.form(at + "/move", "index", "2", "startMs", String.valueOf(start + 60)));
        assertThat(startOf(moved, "sleeps")).isEqualTo(String.valueOf(start + 60));
        assertThat(moved).contains("\"mended\":true");
        Visitor child = new Visitor(base());
        assertThat(startOf(child.page(link + "/words/" + line), "sleeps")).isEqualTo(String.valueOf(start + 60));
        assertThat(child.page(link).replace("&quot;", "\""))
                .as("known times come with the page")
                .contains("data-said=")
                .contains("\"startMs\":" + (start + 60));
        assertThat(Visitor.text(json("DELETE", at, ""))).contains("\"mended\":false");
        assertThat(startOf(child.page(link + "/words/" + line), "sleeps")).isEqualTo(String.valueOf(start));
    }

    @Test
    void tapsSetTheWordsOneAfterAnother() throws Exception {
        String tapped = Visitor.text(json("POST", at + "/taps", "[400,700,1000]"));
        assertThat(startOf(tapped, "A")).isEqualTo("250");
        assertThat(startOf(tapped, "bean")).isEqualTo("550");
        assertThat(startOf(tapped, "sleeps")).isEqualTo("850");
        assertThat(json("POST", at + "/taps", "[null]").statusCode()).isEqualTo(404);
        assertThat(json("POST", at + "/taps", "no taps").statusCode()).isEqualTo(400);
    }

    @Test
    void onlyTheLinesOwnWordsAndPlacesWithinTheTakeAreTaken() throws Exception {
        String before = ines.page(at + "/now");
        assertThat(ines.form(at + "/move", "index", "99", "startMs", "0").statusCode())
                .isEqualTo(404);
        assertThat(ines.form(at + "/move", "index", "-1", "startMs", "0").statusCode())
                .isEqualTo(404);
        assertThat(json("PUT", at, "[]").statusCode()).isEqualTo(404);
        assertThat(json("PUT", at, "[{\"text\":\"B\",\"from\":0,\"span\":{\"startMs\":0,\"endMs\":9}}]")
                        .statusCode())
                .isEqualTo(404);
        assertThat(ines.page(at + "/now")).isEqualTo(before);
        String silent = ines.newLine("Nothing said as yet.");
        assertThat(ines.page("/lines/" + silent + "/word-times")).contains("no take yet");
        assertThat(ines.form("/lines/" + silent + "/word-times/move", "index", "0", "startMs", "0")
                        .statusCode())
                .isEqualTo(404);
        Visitor stranger = new Visitor(base());
        assertThat(stranger.get(at + "/now").uri().getPath()).isEqualTo("/sign-in");
    }

    @Test
    void anOutdatedLineDoesNotLightUp() throws Exception {
        ines.putForm("/lines/" + line + "/words", "revision", "2", "words", "Quite other words than the take says.");
        assertThat(ines.page(at)).contains("were changed after the take");
        assertThat(ines.page(at + "/now")).contains("\"words\":[]");
    }
}
