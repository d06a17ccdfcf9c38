package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.io.ByteArrayInputStream;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.UUID;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import prolalia.core.sound.Sound;
import prolalia.media.SoundReader;
import prolalia.media.SoundWriter;

/** Answers at the listening desk, marked by two teachers, and spoken back to. */
class RemarksTest extends RunningHouse {
    private static final String JSON = "application/json";
    private static final String WRITTEN = "The wind is lowd in the trees.";

    private Visitor ines;
    private Visitor olga;
    private Visitor ada;
    private String classId;
    private List<String> children;
    private String lesson;
    private String question;
    private String assignment;

    @BeforeAll
    void adaAndBoWrite() throws Exception {
        ines = Visitor.ines(base());
        classId = Visitor.newClass(ines, "Writers");
        ines.form("/classes/" + classId + "/students", "names", "Ada\nBo\nCem");
        children = Visitor.all(ines.page("/classes/" + classId), "/students/([^\"/]+)\"");
        olga = Visitor.added(ines, base(), "Olga Writes", "TEACHER");
        String id = Visitor.first(
                ines.page("/classes/" + classId + "/settings"), "(?s)value=\"([^\"]+)\"[^>]*>Olga Writes");
        ines.form("/classes/" + classId + "/teachers", "who", id);
        question = ines.newLine("What is the wind like?");
        lesson = ines.lessonOf(question);
        ines.putForm("/lines/" + question + "/kind", "kind", "QUESTION");
        ines.putForm("/lines/" + question + "/question/kind", "by", "LONG_TEXT");
        ines.putForm("/lines/" + question + "/question/points", "points", "3");
        String made =
                ines.form("/lessons/" + lesson + "/give", "to", classId).uri().getQuery();
        assignment = Visitor.first(made, "given=([^&]+)");
        ada = write(0, WRITTEN);
        write(1, "Cold.");
    }

    @AfterAll
    void remove() throws Exception {
        ines.form("/lessons/" + lesson + "/remove");
        ines.form("/classes/" + classId + "/remove");
    }

    private Visitor write(int child, String words) throws Exception {
        Visitor visitor = Visitor.child(ines, classId, children.get(child));
        write(visitor, words);
        return visitor;
    }

    private void write(Visitor child, String words) throws Exception {
        HttpResponse<byte[]> answered = child.send(
                "PUT",
                "/my/" + assignment + "/answers/" + question + "/" + UUID.randomUUID(),
                JSON,
                ("{\"typed\":\"" + words + "\"}").getBytes(StandardCharsets.UTF_8));
        assertThat(Visitor.text(answered)).contains("SAVED");
    }

    private String at(int child) {
        return "/assignments/" + assignment + "/listen/" + children.get(child) + "/" + question;
    }

    private static String of(String page, String name) {
        return Visitor.first(page, "data-" + name + "=\"([^\"]*)\"");
    }

    private HttpResponse<byte[]> give(Visitor teacher, int child, String points, String answer, String seen)
            throws Exception {
        return teacher.form(at(child) + "/points", "points", points, "answer", answer, "seen", seen);
    }

    @Test
    void whatTwoTeachersDoAtOneAnswerIsSeenByBothAndNothingIsOverwrittenUnseen() throws Exception {
        String seen = ines.page(at(1));
        assertThat(seen).contains("Cold.", "Points, of 3", "data-points=\"3\"");
        assertThat(give(olga, 1, "2", of(seen, "answer"), "0").statusCode()).isEqualTo(200);
        HttpResponse<byte[]> late = give(ines, 1, "1", of(seen, "answer"), "0");
        assertThat(late.statusCode()).isEqualTo(409);
        assertThat(Visitor.text(late)).contains("Olga Writes gave Bo 2 meanwhile");
        String now = ines.page(at(1));
        assertThat(now).contains("Olga Writes gave 2");
        assertThat(give(ines, 1, "1", of(now, "answer"), of(now, "seen")).statusCode())
                .isEqualTo(200);
        ines.form(at(1) + "/note", "flagged", "true", "note", "Ask her about frost");
        olga.form(at(1) + "/note", "flagged", "false", "note", "Her brother was ill");
        assertThat(ines.page(at(1))).contains("Ask her about frost", "Her brother was ill");
        assertThat(olga.page("/assignments/" + assignment + "/listen?which=FLAGGED"))
                .contains("data-child=\"Bo\"")
                .doesNotContain("data-child=\"Ada\"");
    }

    private String place(String exact) {
        int start = WRITTEN.indexOf(exact);
        return "{\"passage\":{\"exact\":\"" + exact + "\",\"prefix\":\"" + WRITTEN.substring(0, start)
                + "\",\"suffix\":\"" + WRITTEN.substring(start + exact.length()) + "\",\"start\":" + start
                + ",\"end\":" + (start + exact.length()) + "}}";
    }

    @Test
    void aRemarkAtAPassageIsMetWhenItIsGivenAndSurvivesWhatTheChildRewrites() throws Exception {
        String hers = "/my/" + assignment + "/remarks";
        ines.form(at(0) + "/remarks", "words", "Listen: loud.", "place", place("lowd"));
        assertThat(ada.page(hers)).doesNotContain("Listen: loud.");
        assertThat(ada.page("/my")).doesNotContain("spoken-back");
        ines.form("/assignments/" + assignment + "/remarks/give", "student", children.get(0));
        assertThat(ada.page("/my")).contains("spoken-back is-new");
        String given = ada.page(hers);
        assertThat(given).contains("Listen: loud.", "<mark dir=\"auto\">lowd</mark>");
        String remark = of(given, "remark");
        write(ada, "Today " + WRITTEN.toLowerCase().replace("lowd", "loud"));
        assertThat(ada.page(hers)).as("its words were mended").contains("<mark dir=\"auto\">loud</mark>");
        assertThat(ines.page(at(0))).doesNotContain("not there any more");
        write(ada, "I will tell you tomorrow.");
        assertThat(ines.page(at(0))).contains("This passage is not there any more.");
        ada.form(hers + "/" + remark + "/met");
        assertThat(ines.page(at(0))).contains("the child heard it");
        Visitor bo = Visitor.child(ines, classId, children.get(1));
        assertThat(bo.form(hers + "/" + remark + "/met").statusCode())
                .as("nobody else's")
                .isEqualTo(404);
        answersByVoice(remark);
        assertThat(ines.form(at(0) + "/remarks", "words", "x", "place", "no place")
                        .statusCode())
                .isEqualTo(400);
        ines.form("/assignments/" + assignment + "/remarks/" + remark + "/remove");
        assertThat(ada.page(hers)).doesNotContain("Listen: loud.");
    }

    /** She answers by voice; ended twice, it is there once. */
    private void answersByVoice(String remark) throws Exception {
        String recording = "/my/" + assignment + "/reply/" + remark + "/recordings/" + UUID.randomUUID();
        ada.send("PUT", recording + "/chunks/0?line=x", "audio/ogg", Files.readAllBytes(voice("bean-2c")));
        for (int time = 0; time < 2; time++) {
            assertThat(Visitor.text(ada.form(recording + "/end", "chunks", "1")))
                    .contains("\"made\":true");
        }
        assertThat(ines.page("/assignments/" + assignment + "/listen?which=ALL"))
                .contains("replied");
        String thread = ines.page(at(0));
        assertThat(thread.split("by-child", -1)).hasSize(2);
        String sound = Visitor.first(thread, "(?s)by-child.*?data-listen=\"([^\"]+)\"");
        assertThat(ines.get(sound).headers().firstValue("Content-Type")).hasValue("audio/mpeg");
        // An answer is fetched before its turn: what the child said is met when it is shown.
        assertThat(ines.page("/assignments/" + assignment + "/listen")).contains("Said to your remarks", "replied");
        ines.form(at(0) + "/replies/met");
        assertThat(ines.page("/assignments/" + assignment + "/listen?which=ALL"))
                .as("it was met")
                .doesNotContain("replied");
    }

    @Test
    void whatIsTypedIsALineThatIsReadOnceAndHeardByAllWhoGotIt() throws Exception {
        Visitor cem = write(2, "Stormy.");
        String typed = Visitor.text(ines.form(at(1) + "/remarks", "words", "Read it to somebody at home."));
        assertThat(typed).contains("hears nothing");
        String remark = Visitor.first(typed, "data-remark=\"([^\"]+)\"(?s).*Read it to somebody");
        String line = Visitor.first(typed, "data-lines=\"([^\" ]+)");
        String through = "/assignments/" + assignment + "/remarks/" + remark;
        assertThat(Visitor.text(ines.form(through + "/copy", "students", children.get(2))))
                .contains("1");
        ines.form("/assignments/" + assignment + "/remarks/give");
        String hers = "/my/" + assignment + "/remarks";
        assertThat(cem.page(hers)).contains("Read it to somebody").doesNotContain("remarks/" + remark + ".mp3");
        String said = Visitor.first(ines.page("/classes/" + classId), "href=\"/lessons/([^\"/]+)\"");
        assertThat(ines.page("/lessons/" + said + "/read?line=" + line)).contains("Read it to somebody at home.");
        String take = Visitor.first(
                ines.record(line, "bean-2c.ogg", Files.readAllBytes(voice("bean-2c"))), "data-take=\"([^\"]+)\"");
        ines.form("/takes/" + take + "/keep");
        await().atMost(Duration.ofSeconds(20)).until(() -> cem.page(hers).contains(".mp3\""));
        String sound = Visitor.first(cem.page(hers), "(/my/[^\"]+/remarks/[^\"]+\\.mp3)\"");
        assertThat(cem.get(sound).headers().firstValue("Content-Type")).hasValue("audio/mpeg");
        assertThat(ines.page(at(1))).doesNotContain("hears nothing");
        int lines = ines.page("/lessons/" + said).split("id=\"line-", -1).length;
        ines.form(at(1) + "/remarks", "words", "Read it to somebody at home.");
        assertThat(ines.page("/lessons/" + said).split("id=\"line-", -1))
                .as("the same words are one line, which is read already")
                .hasSize(lines);
        String again = Visitor.first(ines.page(at(1)), "(?s).*data-remark=\"([^\"]+)\".*?Read it to somebody");
        ines.form("/assignments/" + assignment + "/remarks/" + again + "/remove");
        ines.form(through + "/remove");
        assertThat(ines.page("/lessons/" + said)).as("Cem has it still").contains("Read it to somebody");
        String copy = Visitor.first(ines.page(at(2)), "data-remark=\"([^\"]+)\"(?s).*Read it to somebody");
        ines.form("/assignments/" + assignment + "/remarks/" + copy + "/remove");
        assertThat(ines.page("/lessons/" + said)).doesNotContain("Read it to somebody");
        assertThat(cem.page(hers)).doesNotContain("Read it to somebody");
    }

    @Test
    void whatAClassAnsweredToAllItsLessonsIsOneQueue() throws Exception {
        String other = ines.newLine("What is rain?");
        ines.putForm("/lines/" + other + "/question/kind", "by", "LONG_TEXT");
        String query = ines.form("/lessons/" + ines.lessonOf(other) + "/give", "to", classId)
                .uri()
                .getQuery();
        String second = Visitor.first(query, "given=([^&]+)");
        String queue = "/classes/" + classId + "/listen?which=ALL";
        assertThat(ines.page(queue)).doesNotContain("/assignments/" + second + "/listen");
        ada.send(
                "PUT",
                "/my/" + second + "/answers/" + other + "/" + UUID.randomUUID(),
                JSON,
                "{\"typed\":\"Drops.\"}".getBytes(StandardCharsets.UTF_8));
        assertThat(ines.page("/"))
                .as("her desk says who waits")
                .containsPattern("(?s)/classes/" + classId + "/listen\"(?:(?!</a>).)*<bdi>[^<]*Ada");
        String byLesson = ines.page(queue);
        assertThat(byLesson)
                .contains("data-desk=\"/assignments/" + second + "/listen\"")
                .contains("data-desk=\"/assignments/" + assignment + "/listen\"");
        assertThat(Visitor.all(byLesson, "<h3 dir=\"auto\">([^<]+)</h3>")).hasSize(2);
        assertThat(Visitor.all(ines.page(queue + "&order=CHILD"), "<h3 dir=\"auto\">([^<]+)</h3>"))
                .as("Ada answered both")
                .startsWith("Ada")
                .doesNotHaveDuplicates();
        assertThat(Visitor.all(ines.page(queue + "&order=QUESTION"), "<h3 dir=\"auto\">([^<]+)</h3>"))
                .anyMatch(name -> name.contains(" · 1. What is rain?"));
        ines.form("/assignments/" + second + "/take-back");
    }

    @Test
    void whatWasTypedToAChildWhoIsDeletedGoesWithTheVoiceThatSaysIt() throws Exception {
        ines.form("/classes/" + classId + "/students", "names", "Quendolin");
        List<String> all = Visitor.all(ines.page("/classes/" + classId), "/students/([^\"/]+)\"");
        String student =
                all.stream().filter(id -> !children.contains(id)).findFirst().orElseThrow();
        write(Visitor.child(ines, classId, student), "Wind.");
        String at = "/assignments/" + assignment + "/listen/" + student + "/" + question;
        String typed = Visitor.text(ines.form(at + "/remarks", "words", "Quendolin, that was brave."));
        String line = Visitor.first(typed, "data-lines=\"(?:[^\"]* )?([^\" ]+)\"");
        // Of a sound that nobody else has.
        byte[] own = readAloud(0.31, "bean-2c", "bean-1a");
        String take = Visitor.first(ines.record(line, "own.wav", own), "data-take=\"([^\"]+)\"");
        ines.form("/takes/" + take + "/keep");
        assertThat(ines.get("/takes/" + take + "/sound.mp3").statusCode()).isEqualTo(200);
        long files = mediaFiles();
        ines.form("/classes/" + classId + "/students/" + student + "/delete", "sure", "Quendolin");
        assertThat(ines.get("/takes/" + take + "/sound.mp3").statusCode()).isEqualTo(404);
        assertThat(mediaFiles()).as("its recording and its sound").isLessThanOrEqualTo(files - 2);
        String said = Visitor.first(ines.page("/classes/" + classId), "href=\"/lessons/([^\"/]+)\"");
        assertThat(ines.page("/lessons/" + said)).doesNotContain("Quendolin");
    }

    private static long mediaFiles() throws Exception {
        try (var all = Files.walk(DATA.resolve("media"))) {
            return all.filter(Files::isRegularFile).count();
        }
    }

    @Test
    void aStampIsSeenByTheChildAndCanBeTakenBack() throws Exception {
        String stamped = Visitor.text(ines.form(at(1) + "/remarks", "stamp", "SPROUT"));
        assertThat(stamped).contains("Stamp: it grows");
        String remark = Visitor.first(stamped, "data-remark=\"([^\"]+)\"(?!(?s).*data-remark=)");
        ines.form("/assignments/" + assignment + "/remarks/give", "remark", remark);
        Visitor bo = Visitor.child(ines, classId, children.get(1));
        assertThat(bo.page("/my/" + assignment + "/remarks")).contains("data-stamp=\"SPROUT\"");
        ines.form("/assignments/" + assignment + "/remarks/" + remark + "/remove");
        assertThat(bo.page("/my/" + assignment + "/remarks")).doesNotContain("data-stamp");
        assertThat(ines.form(at(1) + "/remarks", "stamp", "TROPHY").statusCode())
                .isEqualTo(400);
    }

    @Test
    void aRemarkThatIsHardToHearSaysSoBeforeItIsGivenBack() throws Exception {
        Sound spoken = SoundReader.decode(voice("bean-2c"), 60_000).sound();
        float[] quiet = spoken.samples().clone();
        for (int i = 0; i < quiet.length; i++) {
            quiet[i] *= 0.008f;
        }
        Path file = Files.createTempFile("quiet", ".wav");
        SoundWriter.writeWav(new Sound(quiet, spoken.sampleRate()), file);
        String recording = "/assignments/" + assignment + "/remarks/recordings/" + UUID.randomUUID();
        String line = "?line=" + children.get(1) + "." + question;
        ines.send("PUT", recording + "/chunks/0" + line, "audio/wav", Files.readAllBytes(file));
        assertThat(Visitor.text(ines.form(recording + "/end" + line, "chunks", "1")))
                .contains("\"made\":true");
        assertThat(ines.page(at(1))).contains("too quiet");
    }

    @Test
    void theFirstAndTheNewestStandBesideEachOtherAndTheFolderHasNothingOfOthers() throws Exception {
        String at = "/classes/" + classId + "/students/" + children.get(1) + "/progress";
        assertThat(ines.page(at)).contains("What is the wind like?", "Lesson after lesson");
        StringBuilder all = new StringBuilder();
        try (ZipInputStream zip = new ZipInputStream(
                new ByteArrayInputStream(ines.get(at + ".zip").body()))) {
            while (zip.getNextEntry() != null) {
                all.append(new String(zip.readAllBytes(), StandardCharsets.UTF_8));
            }
        }
        assertThat(all.toString()).contains("<h1 dir=\"auto\">Bo</h1>").doesNotContain("Ada", "http");
    }

    @Test
    void byARubricLevelsAreGivenAndOneWithoutLevelsIsRefused() throws Exception {
        assertThat(Visitor.text(ines.form("/rubrics", "name", "Wind", "text", "Exact\nLively\n1 yes")))
                .contains("&quot;Exact&quot; has no level");
        ines.form("/rubrics", "name", "Wind", "text", "Exact\n0 no\n2 yes\nLively\n0 no\n1 yes");
        String rubric = Visitor.first(ines.page("/rubrics"), "/rubrics/([^\"/]+)\\.csv");
        assertThat(Visitor.text(ines.get("/rubrics/" + rubric + ".csv"))).contains("Exact,yes,2");
        write(2, "Wet and wild.");
        ines.form(at(2) + "/rubric/use", "rubric", rubric);
        String answer = of(ines.page(at(2)), "answer");
        ines.form(at(2) + "/rubric", "levels", "1 -1", "answer", answer, "seen", "0");
        assertThat(ines.page(at(2))).as("one criterion is left").contains("aria-pressed=\"true\"", "to be heard");
        assertThat(Visitor.text(ines.form(at(2) + "/rubric", "levels", "1 0", "answer", answer, "seen", "0")))
                .contains("PART");
        assertThat(ines.page(at(2))).contains("gave 2");
        assertThat(ines.form(at(2) + "/rubric", "levels", "7 7", "answer", answer, "seen", "0")
                        .statusCode())
                .isIn(400, 409);
        HttpResponse<byte[]> toRead = ines.form("/rubrics/" + rubric + "/read");
        String line = Visitor.first(Visitor.text(toRead), "data-id=\"([^\"]+)\"[^>]*>\\s*yes");
        String take = Visitor.first(
                ines.record(line, "yes.wav", Files.readAllBytes(voice("bean-2c"))), "data-take=\"([^\"]+)\"");
        ines.form("/takes/" + take + "/keep");
        await().atMost(Duration.ofSeconds(20)).until(() -> ines.page("/rubrics").contains("Read its one level aloud"));
        ines.form("/assignments/" + assignment + "/remarks/give", "student", children.get(2));
        assertThat(Visitor.child(ines, classId, children.get(2)).page("/my/" + assignment + "/remarks"))
                .as("read after it was given")
                .contains("/level/0.mp3");
        assertThat(Visitor.child(ines, classId, children.get(2)).page("/my"))
                .as("also without a remark")
                .contains("spoken-back");
        assertThat(Visitor.child(ines, classId, children.get(2)).page("/my/" + assignment + "/remarks"))
                .contains("Exact", "yes");
        ines.form(at(2) + "/rubric/use", "rubric", "");
    }

    @Test
    void whatTheAnswersTellSaysHowFewTheyAreAndWhatWasHeard() throws Exception {
        String told = ines.page("/assignments/" + assignment + "/insight");
        assertThat(told).contains("What is the wind like?").containsPattern("not marked as yet|Only \\d|Only one");
        assertThat(Visitor.text(ines.get("/assignments/" + assignment + "/insight/answers.csv")))
                .contains("Bo,1,What is the wind like?,Cold.");
    }
}
