package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What a student's page is told, and what it isn't. */
class StudentTest extends RunningHouse {
    private static final String WORDS = "A bean sleeps in the dry soil until the rain comes.";

    private Visitor ines;
    private Visitor child;
    private String line;
    private String lesson;
    private String link;
    private String stage;

    @BeforeEach
    void aLessonWithAVoice() throws Exception {
        ines = Visitor.ines(base());
        child = new Visitor(base());
        line = ines.newLine(WORDS);
        lesson = ines.lessonOf(line);
        String take = Visitor.first(
                ines.record(line, "bean.ogg", Files.readAllBytes(voice("bean-1b"))), "data-take=\"([^\"]+)\"");
        ines.form("/takes/" + take + "/keep");
        link = ines.linkTo(lesson);
        stage = Visitor.first(ines.page("/lessons/" + lesson + "/pages/1"), "(/lessons/[^/]+/stages/[^\"]+)\"");
    }

    private HttpResponse<byte[]> place(String at, int version, String things, String manner) throws Exception {
        String body = "{'things':" + things + ",'manner':" + manner + "}";
        return ines.send(
                "PUT",
                at + "?version=" + version,
                "application/json",
                body.replace('\'', '"').getBytes(StandardCharsets.UTF_8));
    }

    private String spot(String rule) {
        return "[{'kind':'SPOT','id':'a','mark':true,'area':{'x':0.1,'y':0.1,'w':0.1,'h':0.1},'lineId':'" + line
                + "','rule':" + rule + "}]";
    }

    @Test
    void aLessonWithNothingInItIsAPageAllTheSame() throws Exception {
        String empty = ines.lessonOf(ines.newLine(""));
        HttpResponse<byte[]> seen = child.get(ines.linkTo(empty));
        assertThat(seen.statusCode()).isEqualTo(200);
        assertThat(Visitor.text(seen)).contains("<main");
    }

    @Test
    void theNearestRuleReachesTheChild() throws Exception {
        String ofLesson = "/lessons/" + lesson + "/stages/" + lesson;
        place(ofLesson, 0, "[]", "{'rule':{'start':'ARRIVAL','volumePercent':80,'most':3}}");
        assertThat(child.page(link)).contains("data-arrival", "data-volume=\"80\"", "data-most=\"3\"");
        place(stage, 0, "[]", "{'rule':{'volumePercent':60}}");
        assertThat(child.page(link)).contains("data-arrival", "data-volume=\"60\"");
        place(stage, 1, spot("{'start':'PRESS','times':0,'underSpeech':true}"), "{'rule':{'volumePercent':60}}");
        assertThat(child.page(link))
                .doesNotContain("data-arrival")
                .contains("data-volume=\"60\"", "data-times=\"0\"", "data-under", "data-most=\"3\"");
        String told = ines.page(stage);
        assertThat(told).contains("\"VOLUME\":\"PAGE\"", "\"MOST\":\"LESSON\"", "\"TIMES\":\"USUAL\"");
        ines.form(stage + "/undo");
        assertThat(child.page(link)).contains("data-arrival");
    }

    @Test
    void wordsHaveTheirTimesUntilTheyAreChangedAndOnlyByTheLink() throws Exception {
        String times = child.page(link + "/words/" + line);
        assertThat(times).contains("\"text\":\"bean\"", "\"startMs\":");
        assertThat(child.page(link + "/words/" + line))
                .as("the same the second time")
                .isEqualTo(times);
        String other = ines.newLine("Not in this lesson.");
        assertThat(child.get(link + "/words/" + other).statusCode()).isEqualTo(404);
        assertThat(child.get("/l/none/words/" + line).statusCode()).isEqualTo(404);
        assertThat(child.get("/lessons/" + lesson + "/student/words/" + line)
                        .uri()
                        .getPath())
                .as("the teacher's own look needs her to be signed in")
                .isEqualTo("/sign-in");
        ines.putForm("/lines/" + line + "/words", "revision", "2", "words", "A bean wakes up in the wet soil.");
        assertThat(child.page(link + "/words/" + line))
                .as("the take says other words now")
                .isEqualTo("[]");
        assertThat(child.page(link + "/words/" + line + ".vtt")).isEqualTo("WEBVTT\n");
        ines.form("/lessons/" + lesson + "/link/withdraw");
        assertThat(child.get(link + "/words/" + line).statusCode()).isIn(404, 410);
    }

    @Test
    void theTeachersLookShowsTheSamePageInOurOwnFrameOnlyAndCountsNothing() throws Exception {
        HttpResponse<byte[]> look = ines.get("/lessons/" + lesson + "/student/1");
        assertThat(Visitor.text(look)).contains(WORDS, "/lessons/" + lesson + "/student/sound/");
        assertThat(look.headers().firstValue("Content-Security-Policy").orElseThrow())
                .contains("frame-ancestors 'self'");
        assertThat(ines.get("/lessons/" + lesson + "/as-student?page=1")
                        .headers()
                        .firstValue("Content-Security-Policy")
                        .orElseThrow())
                .contains("frame-ancestors 'none'", "frame-src 'self'");
        String sound = Visitor.first(Visitor.text(look), "(/lessons/[^\"]+\\.mp3)\"");
        assertThat(ines.get(sound).statusCode()).isEqualTo(200);
        Visitor stranger = new Visitor(base());
        stranger.get("/sign-in");
        assertThat(stranger.get(sound).uri().getPath()).isEqualTo("/sign-in");
        assertThat(ines.page("/lessons/" + lesson + "/as-student?page=77")).contains("/student/1");
    }

    @Test
    void aLessonIsLookedAtByALinkOfItsOwnBeforeItIsGivenOut() throws Exception {
        String fresh = ines.lessonOf(ines.newLine("Nobody sees this as yet."));
        String page = Visitor.text(ines.form("/lessons/" + fresh + "/link/preview"));
        assertThat(page).contains("Nobody else comes in as yet", "It holds until");
        String first = Visitor.first(page, "(/l/[^\"<]+)\"");
        assertThat(child.page(first)).contains("Nobody sees this as yet.");
        String second = Visitor.first(Visitor.text(ines.form("/lessons/" + fresh + "/link/preview")), "(/l/[^\"<]+)\"");
        assertThat(child.get(first).statusCode()).as("one at a time").isEqualTo(410);
        ines.form("/lessons/" + fresh + "/link/preview/end");
        assertThat(child.get(second).statusCode()).isEqualTo(410);
        assertThat(ines.page("/lessons/" + fresh + "/give-link")).doesNotContain("It holds until");
    }

    @Test
    void aLessonHoldsTwoHundredPages() throws Exception {
        String full = ines.lessonOf(ines.newLine("Page one."));
        for (int page = 2; page <= 200; page++) {
            ines.formOnce("/lessons/" + full + "/pages");
        }
        assertThat(ines.page("/lessons/" + full))
                .contains("no lesson holds more")
                .doesNotContain("Add a page");
        ines.form("/lessons/" + full + "/pages");
        assertThat(ines.get("/lessons/" + full + "/pages/200").statusCode()).isEqualTo(200);
        assertThat(ines.get("/lessons/" + full + "/pages/201").statusCode()).isEqualTo(404);
        ines.form("/lessons/" + full + "/paste", "text", "One more line.", "page", "0");
        assertThat(ines.page("/lessons/" + full + "/pages/200"))
                .as("pasted onto the last page, not lost")
                .contains("One more line.");
    }

    @Test
    void iconsAreChangedTakenBackAndGoWithTheirLine() throws Exception {
        String steps = ines.newLine("Cut out the leaf. Glue it here.");
        String of = ines.lessonOf(steps);
        String made = Visitor.text(ines.form("/lines/" + steps + "/steps"));
        assertThat(made).contains("alt=\"Cut\"", "alt=\"Glue\"", "Made into steps");
        ines.putForm("/lines/" + steps + "/icon", "icon", "PRESS");
        assertThat(ines.page("/lessons/" + of)).contains("alt=\"Press\"").doesNotContain("alt=\"Cut\"");
        ines.form("/lessons/" + of + "/undo");
        ines.form("/lessons/" + of + "/undo");
        assertThat(ines.page("/lessons/" + of))
                .contains("Cut out the leaf. Glue it here.")
                .doesNotContain("alt=\"Glue\"");
        assertThat(ines.putForm("/lines/" + steps + "/icon", "icon", "DANCE").statusCode())
                .isEqualTo(400);
    }
}
