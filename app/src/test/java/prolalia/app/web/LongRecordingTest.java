package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** One long recording, from the file to the takes of its lines. */
class LongRecordingTest extends RunningHouse {
    private static final String SCRIPT = """
            A bean sleeps in the dry soil until the rain comes.

            The bean drinks and drinks until its coat splits.

            Which part comes out of the seed first?

            the root
            """;

    private Visitor ines;

    @BeforeAll
    void enter() throws Exception {
        ines = Visitor.ines(base());
    }

    private String lesson(String script) throws Exception {
        String lesson = ines.lessonOf(ines.newLine(""));
        ines.form("/lessons/" + lesson + "/paste", "text", script, "page", "1");
        return lesson;
    }

    private HttpResponse<byte[]> send(String lesson, String id, String name, byte[] content) throws Exception {
        return ines.send(
                "PUT",
                "/lessons/" + lesson + "/long-recordings/" + id + "?name=" + name,
                "application/octet-stream",
                content);
    }

    /** Sends a recording and waits until it was listened to; answers its address. */
    private String listened(String lesson, String name, byte[] content) throws Exception {
        String id = UUID.randomUUID().toString();
        assertThat(send(lesson, id, name, content).statusCode()).isEqualTo(200);
        String address = "/long-recordings/" + id;
        await().atMost(Duration.ofSeconds(60))
                .until(() -> ines.get(address + "/progress")
                        .headers()
                        .firstValue("HX-Refresh")
                        .isPresent());
        return address;
    }

    private void taken(String address) {
        await().atMost(Duration.ofSeconds(60))
                .until(() -> !ines.page(address + "/taking").contains("being made"));
    }

    private static String row(String page, String words) {
        Matcher row =
                Pattern.compile("<li[^>]*split-line.*?</li>", Pattern.DOTALL).matcher(page);
        while (row.find()) {
            if (row.group().contains(words)) {
                return row.group();
            }
        }
        throw new AssertionError("No row of " + words + " in\n" + page);
    }

    @Test
    void everyLineIsFoundMovedLeftOutAndTakenAsTheTeacherSays() throws Exception {
        String lesson = lesson(SCRIPT);
        String at = listened(lesson, "read.wav", readAloud(0.9, "bean-1b", "bean-2a", "bean-2b", "bean-2c"));
        String page = ines.page(at);
        assertThat(page).contains("4 of 4 lines found", "Take all 4 lines").doesNotContain("uncertain\"");
        assertThat(ines.page("/lessons/" + lesson + "/elsewhere")).contains("read.wav", "0 of 4 lines taken");

        String second = row(page, "drinks and drinks");
        String line = at + "/lines/" + Visitor.first(second, "data-line=\"([^\"]+)\"");
        long start = Long.parseLong(Visitor.first(second, "data-start-ms=\"(\\d+)\""));
        String moved = Visitor.text(ines.form(
                line + "/place", "startMs", String.valueOf(start + 100), "endMs", String.valueOf(start + 900)));
        assertThat(moved).contains("data-end-ms=\"" + (start + 900) + "\"", "As found");
        assertThat(Visitor.text(ines.form(line + "/as-found"))).contains("data-start-ms=\"" + start + "\"");
        assertThat(Visitor.text(ines.form(line + "/leave-out"))).contains("Left out.", "Take all 3 lines");
        assertThat(ines.page(at)).contains("3 of 4 lines found");

        String first = Visitor.first(row(ines.page(at), "A bean sleeps"), "data-line=\"([^\"]+)\"");
        ines.form(at + "/take", "line", first);
        taken(at);
        assertThat(row(ines.page(at), "A bean sleeps")).contains(">taken<");
        assertThat(ines.page("/lessons/" + lesson)).contains("1 of 4 voiced");
        // Taking it again makes no second take.
        ines.form(at + "/take", "line", first);
        taken(at);
        assertThat(ines.page("/lines/" + first + "/takes").split("Work on it", -1))
                .hasSize(2);

        ines.form(line + "/as-found");
        Matcher lines = Pattern.compile("data-line=\"([^\"]+)\"").matcher(ines.page(at));
        StringBuilder all = new StringBuilder();
        while (lines.find()) {
            all.append(all.isEmpty() ? "" : "&").append("line=").append(lines.group(1));
        }
        ines.send(
                "POST",
                at + "/take",
                "application/x-www-form-urlencoded",
                all.toString().getBytes());
        taken(at);
        assertThat(ines.page("/lessons/" + lesson)).contains("4 of 4 voiced");
        assertThat(ines.page(at)).contains("4 taken");
        // The sound of a line is that line's alone: "the root" is a second long, not the twelve seconds of all.
        String root = Visitor.first(row(ines.page(at), "the root"), "data-line=\"([^\"]+)\"");
        assertThat(ines.page("/lines/" + root + "/takes")).containsPattern("\\b[01]\\.\\d s");
    }

    @Test
    void aRecordingOfOtherWordsOrOfAPartIsToldAndNothingIsLost() throws Exception {
        String more = "\n\nNow draw the bean as it will look tomorrow, with its root and its leaves.".repeat(4);
        String part =
                listened(lesson(SCRIPT + more), "part.wav", readAloud(0.9, "bean-1b", "bean-2a", "bean-2b", "bean-2c"));
        assertThat(ines.page(part)).contains("4 of 8 lines found", "Not found in the recording", "much less speech");
        String missing = Visitor.first(row(ines.page(part), "Now draw"), "data-line=\"([^\"]+)\"");
        // The teacher says that it is there all the same: it is put where it could be, to be drawn to its place.
        assertThat(Visitor.text(ines.form(part + "/lines/" + missing + "/as-found")))
                .contains("data-start-ms=\"", "5 of 8 lines found");
        ines.form(part + "/take", "line", missing);
        taken(part);
        assertThat(row(ines.page(part), "Now draw")).containsPattern("so no take was made|>taken<");
    }

    @Test
    void whatIsNoSoundOrNotOursSaysWhyAndLeavesTheScriptAlone() throws Exception {
        String lesson = lesson(SCRIPT);
        assertThat(ines.page(listened(lesson, "notes.mp3", "no sound at all".getBytes())))
                .contains("&quot;notes.mp3&quot; is not a sound or video file", "your script is as it was");
        assertThat(ines.page(listened(lesson, "empty.wav", new byte[0]))).contains("0 bytes came in");
        assertThat(ines.page("/lessons/" + lesson)).contains("0 of 4 voiced");

        String id = UUID.randomUUID().toString();
        assertThat(send("nowhere", id, "x.wav", new byte[10]).statusCode()).isEqualTo(404);
        assertThat(ines.get("/long-recordings/" + id).statusCode()).isEqualTo(404);
        String mine = listened(lesson, "mine.wav", readAloud(0.9, "bean-1b"));
        Visitor stranger = new Visitor(base());
        stranger.get("/sign-in");
        for (String what : new String[] {"", "/outline", "/sound.flac", "/taking"}) {
            assertThat(stranger.page(mine + what)).doesNotContain("mine.wav");
        }
        assertThat(stranger.form(mine + "/take", "line", "x").statusCode()).isIn(401, 403);
        assertThat(ines.form(mine + "/lines/nobody/place", "startMs", "0", "endMs", "1")
                        .statusCode())
                .isEqualTo(404);
    }

    @Test
    void boundariesStayWithinTheRecordingWhateverIsAskedFor() throws Exception {
        String at = listened(lesson("the root"), "one.wav", readAloud(0.9, "bean-2c"));
        String line = at + "/lines/" + Visitor.first(ines.page(at), "data-line=\"([^\"]+)\"");
        String beyond = Visitor.text(ines.form(line + "/place", "startMs", "-500", "endMs", "99999999"));
        assertThat(beyond).contains("data-start-ms=\"0\"");
        assertThat(Long.parseLong(Visitor.first(beyond, "data-end-ms=\"(\\d+)\"")))
                .isLessThan(5_000);
        String turned = Visitor.text(ines.form(line + "/place", "startMs", "900", "endMs", "200"));
        assertThat(turned).contains("data-start-ms=\"900\"", "data-end-ms=\"1000\"");
    }

    @Test
    void aPutAwayRecordingIsOutOfTheWay() throws Exception {
        String lesson = lesson("the root");
        String at = listened(lesson, "away.wav", readAloud(0.9, "bean-2c"));
        ines.form(at + "/put-away");
        assertThat(ines.page("/lessons/" + lesson + "/elsewhere")).doesNotContain("away.wav");
        assertThat(ines.page(at)).contains("1 of 1 lines found");
    }
}
