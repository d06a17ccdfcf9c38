package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.util.Arrays;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** What a student's browser gets by the link, and what nobody gets without it. */
class ListeningTest extends RunningHouse {
    private Visitor ines;
    private String lesson;
    private String link;
    private String sound;

    @BeforeAll
    void aLessonWithOneVoicedLine() throws Exception {
        ines = Visitor.ines(base());
        String line = ines.newLine("A bean sleeps in the dry soil.");
        String take = Visitor.first(
                ines.record(line, "bean.wav", Files.readAllBytes(voice("bean-1b"))), "data-take=\"([^\"]+)\"");
        ines.form("/takes/" + take + "/keep");
        lesson = ines.lessonOf(line);
        link = link();
        sound = Visitor.first(new Visitor(base()).page(link), "data-sound=\"([^\"]+)\"");
    }

    private String link() throws Exception {
        return ines.linkTo(lesson);
    }

    @Test
    void soundComesWholeInRangesAndForEver() throws Exception {
        Visitor student = new Visitor(base());
        HttpResponse<byte[]> whole = student.get(sound);
        assertThat(whole.statusCode()).isEqualTo(200);
        assertThat(whole.headers().firstValue("Content-Type")).hasValue("audio/mpeg");
        assertThat(whole.headers().firstValue("Cache-Control").orElse("")).contains("immutable", "max-age=31536000");
        String tag = whole.headers().firstValue("ETag").orElseThrow();
        assertThat(tag).startsWith("\"");

        HttpResponse<byte[]> part = student.get(sound, "Range", "bytes=100-199");
        assertThat(part.statusCode()).isEqualTo(206);
        assertThat(part.headers().firstValue("Content-Range")).hasValue("bytes 100-199/" + whole.body().length);
        assertThat(part.body()).isEqualTo(Arrays.copyOfRange(whole.body(), 100, 200));
        assertThat(student.get(sound, "Range", "bytes=-50").body())
                .isEqualTo(Arrays.copyOfRange(whole.body(), whole.body().length - 50, whole.body().length));
        assertThat(student.get(sound, "Range", "bytes=99999999-").statusCode()).isEqualTo(416);
        assertThat(student.get(sound, "Range", "bytes=0-9", "If-Range", tag).statusCode())
                .isEqualTo(206);
        HttpResponse<byte[]> changed = student.get(sound, "Range", "bytes=0-9", "If-Range", "\"other\"");
        assertThat(changed.statusCode()).isEqualTo(200);
        assertThat(changed.body()).isEqualTo(whole.body());
        assertThat(student.get(sound, "If-None-Match", tag).statusCode()).isEqualTo(304);
    }

    @Test
    void aStudentGetsNoCookieAndAPageIsNotKept() throws Exception {
        HttpResponse<byte[]> page = new Visitor(base()).get(link);
        assertThat(page.headers().allValues("Set-Cookie")).isEmpty();
        assertThat(page.headers().firstValue("Cache-Control")).hasValue("no-store");
        assertThat(page.headers().firstValue("Content-Security-Policy").orElse(""))
                .contains("default-src 'none'", "script-src 'self'")
                .doesNotContain("unsafe");
    }

    @Test
    void withdrawnLinksOpenAFriendlyPageAndTheirSoundIsGone() throws Exception {
        String token = link.substring("/l/".length());
        assertThat(java.util.Base64.getUrlDecoder().decode(token)).hasSizeGreaterThanOrEqualTo(16);
        ines.form("/lessons/" + lesson + "/link/withdraw");
        Visitor student = new Visitor(base());
        HttpResponse<byte[]> closed = student.get(link);
        assertThat(closed.statusCode()).isEqualTo(410);
        assertThat(Visitor.text(closed)).contains("This lesson is closed");
        assertThat(student.get(sound).statusCode()).isEqualTo(410);

        ines.form("/lessons/" + lesson + "/link/renew");
        String renewed = link();
        assertThat(renewed).isNotEqualTo(link);
        assertThat(student.get(link).statusCode()).isEqualTo(410);
        link = renewed;
        sound = Visitor.first(student.page(link), "data-sound=\"([^\"]+)\"");
        assertThat(student.get(sound).statusCode()).isEqualTo(200);
    }

    @Test
    void nothingIsReachedWithoutTheLink() throws Exception {
        Visitor stranger = new Visitor(base());
        String hash = Visitor.first(sound, "/([0-9a-f]{64})\\.mp3");
        assertThat(stranger.get("/l/AAAAAAAAAAAAAAAAAAAAAAAA").statusCode()).isEqualTo(404);
        assertThat(stranger.get("/l/AAAAAAAAAAAAAAAAAAAAAAAA/sound/" + hash + ".mp3")
                        .statusCode())
                .isEqualTo(404);
        String demo = Visitor.first(ines.page("/?all=true"), "href=\"/lessons/([^\"]+)\"");
        assertThat(stranger.get("/lessons/" + demo).uri().getPath()).isEqualTo("/sign-in");
        // Another lesson's sound isn't served by this link.
        String otherLine = ines.newLine("the root");
        String otherTake = Visitor.first(
                ines.record(otherLine, "root.wav", Files.readAllBytes(voice("bean-2c"))), "data-take=\"([^\"]+)\"");
        ines.form("/takes/" + otherTake + "/keep");
        String otherPage = stranger.page(ines.linkTo(ines.lessonOf(otherLine)));
        String otherHash = Visitor.first(otherPage, "/sound/([0-9a-f]{64})\\.mp3");
        assertThat(stranger.get(link + "/sound/" + otherHash + ".mp3").statusCode())
                .isEqualTo(404);
        assertThat(stranger.get(link + "/sound/..%2f..%2fprolalia.db.mp3").statusCode())
                .isGreaterThanOrEqualTo(400);
    }
}
