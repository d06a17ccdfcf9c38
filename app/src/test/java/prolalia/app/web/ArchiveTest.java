package prolalia.app.web;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A lesson that was saved comes back as it was, or not at all. */
class ArchiveTest extends RunningHouse {
    private Visitor ines;
    private String bean;

    @BeforeEach
    void enter() throws Exception {
        ines = Visitor.ines(base());
        String desk = ines.page("/");
        bean = Visitor.first(desk, "href=\"/lessons/([^\"]+)\">\\s*<b>How a bean wakes up");
    }

    private static Map<String, byte[]> unzipped(byte[] zip) throws Exception {
        Map<String, byte[]> files = new LinkedHashMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip), UTF_8)) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                files.put(entry.getName(), in.readAllBytes());
            }
        }
        return files;
    }

    private static byte[] zipped(Map<String, byte[]> files) throws Exception {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(bytes, UTF_8)) {
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                out.putNextEntry(new ZipEntry(file.getKey()));
                out.write(file.getValue());
            }
        }
        return bytes.toByteArray();
    }

    private HttpResponse<byte[]> bringIn(byte[] archive) throws Exception {
        return ines.send("PUT", "/bring-in-lesson", "application/octet-stream", archive);
    }

    private static String withoutIds(String json) {
        return json.replaceAll("\"[0-9a-f]{8}-[0-9a-f-]{27}\"", "\"id\"");
    }

    /** Without its ids; the trace is drawn of the MP3 again, and differs by a hair. */
    private String studentsPage(String lesson) throws Exception {
        return ines.page(lesson + "/student/1")
                .replace(lesson, "")
                .replaceAll("[0-9a-f]{8}-[0-9a-f-]{27}", "")
                .replaceAll("data-trace=\"[^\"]*\"", "");
    }

    @Test
    void takesOfALineComeBackInTheirOrder() throws Exception {
        String line = ines.newLine("the root");
        String lesson = ines.lessonOf(line);
        for (String voice : List.of("bean-2c", "bean-2d")) {
            ines.record(line, voice, Files.readAllBytes(voice(voice)));
        }
        byte[] saved = ines.get("/lessons/" + lesson + "/lesson.zip").body();
        String at = Visitor.first(Visitor.text(bringIn(saved)), "\"at\":\"([^\"]+)\"");
        assertThat(withoutIds(
                        new String(unzipped(ines.get(at + "/lesson.zip").body()).get("lesson.json"), UTF_8)))
                .isEqualTo(withoutIds(new String(unzipped(saved).get("lesson.json"), UTF_8)));
    }

    @Test
    void whatComesBackIsSavedAgainAsTheSameAndStudentsMeetTheSame() throws Exception {
        byte[] saved = ines.get("/lessons/" + bean + "/lesson.zip").body();
        String at = Visitor.first(Visitor.text(bringIn(saved)), "\"at\":\"([^\"]+)\"");
        assertThat(at).doesNotContain(bean);
        byte[] again = ines.get(at + "/lesson.zip").body();
        assertThat(withoutIds(new String(unzipped(again).get("lesson.json"), UTF_8)))
                .isEqualTo(withoutIds(new String(unzipped(saved).get("lesson.json"), UTF_8)));
        assertThat(unzipped(again).keySet()).isEqualTo(unzipped(saved).keySet());
        assertThat(studentsPage(at)).isEqualTo(studentsPage("/lessons/" + bean));
        ines.form(at + "/remove");
    }

    @Test
    void editsAndTakesThatAreNotKeptComeAlong() throws Exception {
        String line = ines.newLine("A bean sleeps in the dry soil until the rain comes.");
        String lesson = ines.lessonOf(line);
        byte[] voice = Files.readAllBytes(voice("bean-1b"));
        String first = Visitor.first(ines.record(line, "one.ogg", voice), "data-take=\"([^\"]+)\"");
        ines.form("/takes/" + first + "/keep");
        ines.record(line, "two.ogg", voice);
        byte[] edit = "{\"kind\":\"GAIN\",\"startMs\":0,\"endMs\":0,\"db\":3,\"on\":false}".getBytes(UTF_8);
        ines.send("POST", "/takes/" + first + "/edits", "application/json", edit);
        byte[] saved = ines.get("/lessons/" + lesson + "/lesson.zip").body();
        String json = new String(unzipped(saved).get("lesson.json"), UTF_8);
        assertThat(json.split("\"original\"", -1)).hasSize(3);
        assertThat(json).contains("\"GAIN\"", "\"db\" : 3.0");
        String at = Visitor.first(Visitor.text(bringIn(saved)), "\"at\":\"([^\"]+)\"");
        String take = Visitor.first(ines.page(at), "data-take=\"([^\"]+)\"");
        assertThat(ines.page("/takes/" + take + "/edits")).contains("\"GAIN\"");
        ines.form(at + "/remove");
    }

    @Test
    void nothingIsHalfBroughtBack() throws Exception {
        String before = ines.page("/");
        byte[] saved = ines.get("/lessons/" + bean + "/lesson.zip").body();
        assertThat(bringIn(Arrays.copyOf(saved, saved.length / 2)).statusCode()).isEqualTo(422);
        Map<String, byte[]> files = unzipped(saved);
        String take = files.keySet().stream()
                .filter(name -> name.startsWith("takes/"))
                .findFirst()
                .orElseThrow();
        String picture = files.keySet().stream()
                .filter(name -> name.startsWith("pictures/"))
                .findFirst()
                .orElseThrow();
        Map<String, byte[]> noSound = new LinkedHashMap<>(files);
        noSound.put(take, "no sound".getBytes(UTF_8));
        assertThat(Visitor.text(bringIn(zipped(noSound)))).contains("damaged", take);
        Map<String, byte[]> page = new LinkedHashMap<>(files);
        page.put(picture, "<script>alert(1)</script>".getBytes(UTF_8));
        assertThat(Visitor.text(bringIn(zipped(page)))).contains("damaged", picture);
        String json = new String(files.get("lesson.json"), UTF_8);
        for (String broken : new String[] {
            json.replace("\"startMs\" : ", "\"startMs\" : 9"),
            json.replace("\"kind\" : \"QUESTION\"", "\"kind\" : \"RIDDLE\""),
            json.replace("\"width\" : 960", "\"width\" : 0"),
            json.replaceFirst("\"trim\" : \\{[^}]*}", "\"trim\" : null")
        }) {
            Map<String, byte[]> byHand = new LinkedHashMap<>(files);
            byHand.put("lesson.json", broken.getBytes(UTF_8));
            HttpResponse<byte[]> told = bringIn(zipped(byHand));
            assertThat(told.statusCode()).as(Visitor.text(told)).isEqualTo(422);
        }
        Map<String, byte[]> outside = new LinkedHashMap<>(files);
        outside.put("../../evil", new byte[1]);
        assertThat(Visitor.text(bringIn(zipped(outside))))
                .contains("out of its own folder", "Nothing of it was brought in");
        assertThat(ines.page("/").split("class=\"book", -1)).hasSameSizeAs(before.split("class=\"book", -1));
    }

    @Test
    void othersCantTakeItAlong() throws Exception {
        Visitor stranger = new Visitor(base());
        for (String what : new String[] {"lesson.zip", "folder.zip", "book.epub", "pages.epub", "slides.pptx"}) {
            assertThat(stranger.get("/lessons/" + bean + "/" + what).uri().getPath())
                    .isEqualTo("/sign-in");
            assertThat(ines.get("/lessons/" + UUID.randomUUID() + "/" + what).statusCode())
                    .isEqualTo(404);
        }
    }

    @Test
    void aLinkShowsItsLessonElsewhereUntilItIsWithdrawn() throws Exception {
        String line = ines.newLine("Look & listen.");
        String lesson = ines.lessonOf(line);
        String link = ines.linkTo(lesson);
        Visitor page = new Visitor(base());
        String told = Visitor.first(page.page(link), "application/json\\+oembed\" href=\"[^\"]*?(/oembed[^\"]+)\"")
                .replace("&amp;", "&");
        HttpResponse<byte[]> answer = page.get(told + "&maxwidth=500");
        assertThat(Visitor.text(answer))
                .contains("\"type\":\"rich\"", "\"width\":500", "sandbox=", link.replace("/l/", "/e/"));
        String framed = link.replace("/l/", "/e/");
        HttpResponse<byte[]> inFrame = page.get(framed);
        assertThat(Visitor.text(inFrame)).contains("Look &amp; listen.");
        assertThat(inFrame.headers().firstValue("Content-Security-Policy").orElseThrow())
                .contains("frame-ancestors *");
        assertThat(inFrame.headers().firstValue("X-Frame-Options")).isEmpty();
        assertThat(page.get(link)
                        .headers()
                        .firstValue("Content-Security-Policy")
                        .orElseThrow())
                .contains("frame-ancestors 'none'");
        assertThat(page.get("/oembed?url=https://a.example/x").statusCode()).isEqualTo(404);
        assertThat(page.get("/oembed?url=nothing%20at%20all").statusCode()).isIn(400, 404);
        ines.form("/lessons/" + lesson + "/link/withdraw");
        assertThat(page.get(told).statusCode()).isEqualTo(404);
        assertThat(page.get(framed).statusCode()).isEqualTo(410);
    }

    @Test
    void whatTheTeacherChangesOrSaysHerselfReachesStudentsAtOnce() throws Exception {
        String line = ines.newLine("The first words.");
        String lesson = ines.lessonOf(line);
        String link = ines.linkTo(lesson);
        Visitor child = new Visitor(base());
        assertThat(child.page(link))
                .contains("The first words.", "prompts/well_done.mp3")
                .doesNotContain("words-hidden");
        ines.putForm("/lines/" + line + "/words", "revision", "2", "words", "Other words.");
        assertThat(child.page(link)).contains("Other words.").doesNotContain("The first words.");
        ines.putForm("/lessons/" + lesson + "/words-shown?shown=false");
        assertThat(child.page(link)).contains("words-hidden");
        String shelf = Visitor.text(ines.form("/library/prompts"));
        String wellDone =
                Visitor.first(shelf, "data-line=\"([^\"]+)\"[^>]*data-kind=\"LABEL\"(?=[\\s\\S]{0,900}Well done)");
        String take = Visitor.first(
                ines.record(wellDone, "a.ogg", Files.readAllBytes(voice("bean-2c"))), "data-take=\"([^\"]+)\"");
        ines.form("/takes/" + take + "/keep");
        String own = Visitor.first(child.page(link), "data-prompt=\"WELL_DONE\" data-src=\"(/l/[^\"]+)\"");
        assertThat(child.get(own).statusCode()).isEqualTo(200);
        assertThat(ines.page("/library")).contains("/takes/" + take + "/sound.mp3", "prompts/try_again.mp3");
        byte[] handedOn = ines.get("/lessons/" + lesson + "/lesson.zip").body();
        ines.send("DELETE", "/lines/" + wellDone, "text/plain", new byte[0]);
        assertThat(child.page(link)).as("taken off the shelf: as it ships").contains("prompts/well_done.mp3");
        // Whoever has none of her own hears those that come with a lesson.
        assertThat(new String(bringIn(handedOn).body(), UTF_8)).contains("prompts=1");
        assertThat(child.page(link)).doesNotContain("prompts/well_done.mp3");
        // Other tests hear what ships.
        String theirs = Visitor.first(
                Visitor.text(ines.form("/library/prompts")),
                "data-line=\"([^\"]+)\"[^>]*data-kind=\"LABEL\"(?=[\\s\\S]{0,900}Well done)");
        ines.send("DELETE", "/lines/" + theirs, "text/plain", new byte[0]);
        assertThat(child.page(link)).contains("prompts/well_done.mp3");
    }
}
