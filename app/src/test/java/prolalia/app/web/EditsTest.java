package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.nio.file.Files;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Edits as anything could send them: what makes no sense is said and changes nothing. */
class EditsTest extends RunningHouse {
    private Visitor ines;
    private String take;

    @BeforeAll
    void record() throws Exception {
        ines = Visitor.ines(base());
        String line = ines.newLine("A bean sleeps in the dry soil until the rain comes.");
        byte[] voice = Files.readAllBytes(voice("bean-1b"));
        take = Visitor.first(ines.record(line, "take.wav", voice), "data-take=\"([^\"]+)\"");
        ines.form("/takes/" + take + "/keep");
    }

    private HttpResponse<byte[]> edit(String kind, long startMs, long endMs, double db) throws Exception {
        String body = "{\"kind\":\"" + kind + "\",\"startMs\":" + startMs + ",\"endMs\":" + endMs + ",\"db\":" + db
                + ",\"on\":true}";
        return ines.send("POST", "/takes/" + take + "/edits", "application/json", body.getBytes());
    }

    private long durationMs() throws Exception {
        return Long.parseLong(Visitor.first(ines.page("/takes/" + take + "/edits"), "\"durationMs\":(\\d+)"));
    }

    @Test
    void whatMakesNoSenseIsRefusedInWordsAndNothingIsLost() throws Exception {
        long before = durationMs();
        for (HttpResponse<byte[]> refused : new HttpResponse[] {
            edit("CUT", 900, 300, 0),
            edit("CUT", -5, 300, 0),
            edit("CUT", 99_999_000, 99_999_900, 0),
            edit("PAUSE", 500, 3_600_000, 0),
            edit("GAIN", 0, 0, 400),
        }) {
            assertThat(refused.statusCode()).isEqualTo(422);
            assertThat(Visitor.text(refused)).contains("makes no sense for this take");
        }
        HttpResponse<byte[]> nothingLeft = edit("CUT", 0, 99_999_999, 0);
        assertThat(nothingLeft.statusCode()).isEqualTo(422);
        assertThat(Visitor.text(nothingLeft)).contains("would leave nothing of the take");
        assertThat(edit("DANCE", 0, 1, 0).statusCode()).isEqualTo(400);
        assertThat(ines.send("POST", "/takes/" + take + "/edits", "application/json", "[".getBytes())
                        .statusCode())
                .isEqualTo(400);
        assertThat(ines.form("/takes/" + take + "/edits/split?atMs=soon").statusCode())
                .isEqualTo(400);
        assertThat(durationMs()).isEqualTo(before);
    }

    @Test
    void aPauseIsShortenedOnlyWhereThereIsOne() throws Exception {
        long before = durationMs();
        // In the middle of the first word.
        HttpResponse<byte[]> none = ines.form("/takes/" + take + "/edits/shorten?atMs=900");
        assertThat(none.statusCode()).isEqualTo(422);
        assertThat(Visitor.text(none)).contains("There is no pause at the cursor");
        edit("PAUSE", 2_000, 800, 0);
        assertThat(durationMs()).isBetween(before + 780, before + 820);
        ines.form("/takes/" + take + "/edits/shorten?atMs=2000");
        assertThat(durationMs()).isBetween(before + 380, before + 420);
        ines.form("/takes/" + take + "/edits/undo");
        ines.form("/takes/" + take + "/edits/undo");
        assertThat(durationMs()).isEqualTo(before);
        assertThat(ines.form("/takes/" + take + "/edits/undo").statusCode()).isEqualTo(200);
    }

    @Test
    void theWaveIsThereAtOnceAndNobodyElsesTakeIsOnTheBench() throws Exception {
        HttpResponse<byte[]> wave = ines.get("/takes/" + take + "/wave");
        assertThat(wave.body().length).isBetween(5_000, 7_000);
        try (var kept = Files.walk(DATA.resolve("outlines"))) {
            assertThat(kept.filter(Files::isRegularFile)).isNotEmpty();
        }
        Visitor stranger = new Visitor(base());
        stranger.get("/sign-in");
        for (String what : new String[] {"/bench", "/wave", "/edits", "/original.flac", "/download"}) {
            HttpResponse<byte[]> refused = stranger.get("/takes/" + take + what);
            assertThat(refused.headers().firstValue("Content-Type").orElse("text/html"))
                    .startsWith("text/html");
            assertThat(Visitor.text(refused)).doesNotContain("A bean sleeps");
        }
        assertThat(ines.get("/takes/nothing/bench").statusCode()).isEqualTo(404);
    }

    @Test
    void aSplitIsTakenBackOnBothLinesAndMadeAgainUnlessTheSecondOneWasReadSince() throws Exception {
        byte[] voice = Files.readAllBytes(voice("bean-1a"));
        String first = ines.newLine("Look at the picture.");
        String lesson = ines.lessonOf(first);
        ines.form("/lines/" + first + "/split?at=20");
        String second = Visitor.first(ines.page("/lessons/" + lesson), "data-line=\"(?!" + first + ")([^\"]+)\"");
        ines.putForm("/lines/" + second + "/words", "revision", "1", "words", "Point to the seed that is awake.");
        String whole = Visitor.first(ines.record(first, "both.wav", voice), "data-take=\"([^\"]+)\"");
        ines.form("/takes/" + whole + "/keep");
        String before = Visitor.first(ines.record(second, "own.wav", voice), "data-take=\"([^\"]+)\"");
        ines.form("/takes/" + before + "/keep");

        String split = Visitor.text(ines.form("/takes/" + whole + "/edits/split?atMs=2150"));
        assertThat(split).contains("\"kind\":\"SPLIT\"", "\"made\":1");
        String part = keptOf(lesson, second);
        assertThat(part).isNotEqualTo(before);
        assertThat(Visitor.text(ines.form("/takes/" + whole + "/edits/undo"))).contains("\"made\":0");
        assertThat(keptOf(lesson, second)).isEqualTo(before);
        ines.form("/takes/" + whole + "/edits/redo");
        assertThat(keptOf(lesson, second)).isEqualTo(part);
        String since = Visitor.first(ines.record(second, "since.wav", voice), "data-take=\"([^\"]+)\"");
        ines.form("/takes/" + since + "/keep");
        ines.form("/takes/" + whole + "/edits/undo");
        assertThat(keptOf(lesson, second)).as("what was read since stays").isEqualTo(since);
        // Nobody splits by sending an edit of that kind.
        assertThat(edit("SPLIT", 100, 900, 0).statusCode()).isEqualTo(422);
    }

    private String keptOf(String lesson, String line) throws Exception {
        return Visitor.first(
                ines.page("/lessons/" + lesson),
                "id=\"line-" + line + "\"(?:(?!</li>)[\\s\\S])*?data-take=\"([^\"]+)\"");
    }
}
