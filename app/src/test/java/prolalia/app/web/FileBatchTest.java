package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.time.Duration;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Many files at once: the match is seen before anything is taken. */
class FileBatchTest extends RunningHouse {
    private Visitor ines;
    private String lesson;
    private final String batch = UUID.randomUUID().toString();
    private int sent;

    @BeforeAll
    void enter() throws Exception {
        ines = Visitor.ines(base());
    }

    private void lesson(String script) throws Exception {
        lesson = ines.lessonOf(ines.newLine(""));
        ines.form("/lessons/" + lesson + "/paste", "text", script, "page", "1");
    }

    private String drop(String batchId, String name, byte[] content) throws Exception {
        return Visitor.text(ines.send(
                "PUT",
                "/lessons/" + lesson + "/batches/" + batchId + "/files/" + sent++ + "?name="
                        + URLEncoder.encode(name, StandardCharsets.UTF_8),
                "application/octet-stream",
                content));
    }

    private static byte[] wav(String voice) throws Exception {
        return Files.readAllBytes(voice(voice));
    }

    private static String row(String page, String file) {
        Matcher row =
                Pattern.compile("<tr[^>]*data-number.*?</tr>", Pattern.DOTALL).matcher(page);
        while (row.find()) {
            if (row.group().contains(">" + file + "<")) {
                return row.group();
            }
        }
        throw new AssertionError("No row of " + file + " in\n" + page);
    }

    private void taken(String batchId) {
        await().atMost(Duration.ofSeconds(90))
                .until(() -> !ines.page("/batches/" + batchId + "/files").contains("being taken"));
    }

    @Test
    void filesGoWhereTheirNamesSayConflictsWaitForTheTeacherAndTheRestIsTaken() throws Exception {
        lesson("the root\n\nthe leaf\n\nA bean sleeps in the dry soil.\n\nDraw it.");
        String id = UUID.randomUUID().toString();
        drop(id, "the root.wav", wav("bean-2c"));
        drop(id, "Root, once more.wav", wav("bean-2c"));
        drop(id, "2.wav", wav("bean-2d"));
        drop(id, "a bean sleeps.wav", wav("bean-1b"));
        drop(id, "hm hm.wav", wav("bean-1a"));
        drop(id, "notes.txt", "buy beans".getBytes());
        String page = ines.page("/batches/" + id);
        assertThat(page)
                .contains("6 files and where they belong", "3 can be taken", "2 claim the same place", "1 no sound")
                .doesNotContain("still to be read and get");
        assertThat(row(page, "2.wav")).contains("2 · the leaf", "the number in its name");
        assertThat(row(page, "a bean sleeps.wav")).contains("3 · A bean sleeps", "the words in its name");
        assertThat(row(page, "hm hm.wav")).contains("4 · Draw it.", "the order of the names");
        assertThat(row(page, "notes.txt"))
                .contains("is not a sound or video file")
                .doesNotContain("<select");

        ines.form("/batches/" + id + "/take");
        taken(id);
        String script = ines.page("/lessons/" + lesson);
        assertThat(script).contains("1 silent");
        assertThat(row(ines.page("/batches/" + id), "the root.wav")).contains("another file claims this place too");

        String number = Visitor.first(row(page, "Root, once more.wav"), "data-number=\"(\\d+)\"");
        assertThat(Visitor.text(ines.form("/batches/" + id + "/files/" + number + "/place", "place", "")))
                .doesNotContain("claims this place too");
        ines.form("/batches/" + id + "/take");
        taken(id);
        assertThat(ines.page("/lessons/" + lesson)).contains("4 of 4 voiced");
        assertThat(ines.page("/batches/" + id)).contains("0 can be taken, 4 taken");
    }

    @Test
    void aFileOfAWholePageIsSplitOverItsLines() throws Exception {
        lesson(
                "A bean sleeps in the dry soil until the rain comes.\n\nThe bean drinks and drinks until its coat splits.");
        ines.form("/lessons/" + lesson + "/paste", "text", "the root", "page", "0");
        String id = UUID.randomUUID().toString();
        drop(id, "page 1.wav", readAloud(0.9, "bean-1b", "bean-2a"));
        drop(id, "page 2.wav", wav("bean-2c"));
        assertThat(row(ines.page("/batches/" + id), "page 1.wav")).contains("the whole page 1 (2 lines)");
        ines.form("/batches/" + id + "/take");
        taken(id);
        String split = Visitor.first(ines.page("/batches/" + id), "href=\"(/long-recordings/[^\"]+)\"");
        await().atMost(Duration.ofSeconds(30)).until(() -> ines.page(split).contains("2 of 2 lines found"));
        assertThat(ines.page("/lessons/" + lesson)).contains("1 of 3 voiced");
    }

    @Test
    void twoHundredFilesOfWhichThirtyAreNoSoundComeInAndAreCounted() throws Exception {
        StringBuilder script = new StringBuilder();
        for (int i = 1; i <= 150; i++) {
            script.append("Sentence number ").append(i).append(".\n\n");
        }
        lesson(script.toString());
        byte[] root = wav("bean-2c");
        for (int i = 1; i <= 200; i++) {
            boolean sound = i % 7 != 0 || i > 210 - 4;
            drop(batch, "rec " + i + (sound ? ".wav" : ".mp3"), sound ? root : ("file " + i).getBytes());
        }
        String page = ines.page("/batches/" + batch);
        assertThat(page).contains("200 files and where they belong", "28 no sound");
        assertThat(row(page, "rec 150.wav")).contains("150 · Sentence number 150.");
        assertThat(row(page, "rec 151.wav")).contains("nowhere");
        assertThat(row(page, "rec 7.mp3")).contains("is not a sound");
        assertThat(ines.page("/lessons/" + lesson)).contains("0 of 150 voiced");
        ines.form("/batches/" + batch + "/put-away");
        assertThat(ines.page("/lessons/" + lesson + "/elsewhere")).doesNotContain("200 files");
    }

    @Test
    void nothingGoesToLinesOfOthersAndSendingAFileTwiceIsSendingItOnce() throws Exception {
        lesson("the root");
        String id = UUID.randomUUID().toString();
        assertThat(drop(id, "1.wav", wav("bean-2c"))).contains("/batches/" + id);
        sent--;
        drop(id, "1.wav", wav("bean-2c"));
        assertThat(ines.page("/batches/" + id)).contains("1 files and where");
        String elsewhere = ines.newLine("not of this lesson");
        assertThat(ines.form("/batches/" + id + "/files/" + (sent - 1) + "/place", "place", "line:" + elsewhere)
                        .statusCode())
                .isEqualTo(404);
        // The batch belongs to its lesson.
        String first = lesson;
        lesson = ines.lessonOf(elsewhere);
        assertThat(drop(id, "2.wav", wav("bean-2d"))).doesNotContain("/batches/");
        lesson = first;
        Visitor stranger = new Visitor(base());
        stranger.get("/sign-in");
        assertThat(stranger.page("/batches/" + id)).doesNotContain("1.wav");
        assertThat(stranger.form("/batches/" + id + "/take").statusCode()).isIn(401, 403);
    }
}
