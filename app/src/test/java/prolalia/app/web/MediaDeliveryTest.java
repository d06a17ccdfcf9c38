package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.util.Arrays;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Sounds and pictures of a lesson as a browser asks for them: whole, in parts, and again. */
class MediaDeliveryTest extends RunningHouse {
    private Visitor ines;
    private Visitor child;
    private String lesson;
    private String link;
    private String sound;

    @BeforeEach
    void aLessonWithAVoice() throws Exception {
        ines = Visitor.ines(base());
        child = new Visitor(base());
        String line = ines.newLine("A bean sleeps in the dry soil until the rain comes.");
        lesson = ines.lessonOf(line);
        String take = Visitor.first(
                ines.record(line, "bean.ogg", Files.readAllBytes(voice("bean-1b"))), "data-take=\"([^\"]+)\"");
        ines.form("/takes/" + take + "/keep");
        link = ines.linkTo(lesson);
        sound = Visitor.first(child.page(link), "data-sound=\"([^\"]+)\"");
    }

    private static String header(HttpResponse<byte[]> response, String name) {
        return response.headers().firstValue(name).orElse("");
    }

    @Test
    void partsAreTheSameBytesAsTheWhole() throws Exception {
        byte[] whole = child.get(sound).body();
        for (String range : new String[] {"0-99", "100-", "5-5", "10-99999999"}) {
            HttpResponse<byte[]> part = child.get(sound, "Range", "bytes=" + range);
            String[] ends = range.split("-", -1);
            int from = Integer.parseInt(ends[0]);
            int to = ends[1].isEmpty() ? whole.length : Math.min(whole.length, Integer.parseInt(ends[1]) + 1);
            assertThat(part.statusCode()).as(range).isEqualTo(206);
            assertThat(part.body()).as(range).isEqualTo(Arrays.copyOfRange(whole, from, to));
            assertThat(header(part, "Content-Range")).isEqualTo("bytes " + from + "-" + (to - 1) + "/" + whole.length);
        }
        HttpResponse<byte[]> last = child.get(sound, "Range", "bytes=-50");
        assertThat(last.body()).isEqualTo(Arrays.copyOfRange(whole, whole.length - 50, whole.length));
        assertThat(child.get(sound, "Range", "bytes=" + whole.length + "-").statusCode())
                .isEqualTo(416);
        assertThat(child.get(sound, "Range", "bytes=0-9", "If-Range", "\"other\"")
                        .body())
                .as("a part of something else is all of this")
                .isEqualTo(whole);
        String tag = header(child.get(sound), "ETag");
        assertThat(child.get(sound, "Range", "bytes=0-9", "If-Range", tag).body())
                .hasSize(10);
    }

    @Test
    void whatABrowserHasIsNotSentAgainAndNobodyTakesItForAPage() throws Exception {
        HttpResponse<byte[]> first = child.get(sound);
        assertThat(header(first, "Content-Type")).isEqualTo("audio/mpeg");
        assertThat(header(first, "Cache-Control")).contains("immutable", "private");
        assertThat(header(first, "X-Content-Type-Options")).isEqualTo("nosniff");
        HttpResponse<byte[]> again = child.get(sound, "If-None-Match", header(first, "ETag"));
        assertThat(again.statusCode()).isEqualTo(304);
        assertThat(again.body()).isEmpty();
        HttpResponse<byte[]> head = child.send("HEAD", sound, "text/plain", new byte[0]);
        assertThat(head.body()).isEmpty();
        assertThat(header(head, "Content-Length")).isEqualTo(String.valueOf(first.body().length));
    }

    @Test
    void itEndsWithTheLinkAndWithTheTakeAlsoForWhatWasAskedForBefore() throws Exception {
        String framed = sound.replace("/l/", "/e/");
        assertThat(child.get(framed).statusCode()).isEqualTo(200);
        ines.form("/lessons/" + lesson + "/link/withdraw");
        assertThat(child.get(sound).statusCode()).isEqualTo(410);
        assertThat(child.get(framed).statusCode()).isEqualTo(410);
        ines.form("/lessons/" + lesson + "/link/open");
        assertThat(child.get(sound).statusCode())
                .as("taken back by accident, and opened again")
                .isEqualTo(200);
        ines.form("/lessons/" + lesson + "/link/renew");
        String renewed = ines.linkTo(lesson);
        assertThat(child.get(sound).statusCode())
                .as("the old link stays closed")
                .isEqualTo(410);
        assertThat(child.get(sound.replace(link, renewed)).statusCode()).isEqualTo(200);
    }

    @Test
    void aPageThatWasTakenOutLeadsToTheLastOneThereIs() throws Exception {
        assertThat(child.page(link + "/7")).contains("A bean sleeps");
        assertThat(child.get(link + "/0").statusCode()).isEqualTo(404);
    }
}
