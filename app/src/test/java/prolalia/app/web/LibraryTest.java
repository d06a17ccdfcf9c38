package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import prolalia.core.sound.LoudnessMeter;
import prolalia.core.sound.Sound;
import prolalia.media.SoundReader;

/** Takes and standing lines used again. */
class LibraryTest extends RunningHouse {
    private Visitor ines;

    @BeforeAll
    void enter() throws Exception {
        ines = Visitor.ines(base());
    }

    /** A line that has a kept take; answers its id. */
    private String voiced(String words, String voice) throws Exception {
        String line = ines.newLine(words);
        keep(line, voice);
        return line;
    }

    private String keep(String line, String voice) throws Exception {
        String take = Visitor.first(
                ines.record(line, "take.wav", Files.readAllBytes(voice(voice))), "data-take=\"([^\"]+)\"");
        ines.form("/takes/" + take + "/keep");
        return take;
    }

    private String script(String line) throws Exception {
        return ines.page("/lessons/" + ines.lessonOf(line));
    }

    private String standingOf(String line) throws Exception {
        return Visitor.first(script(line), "data-standing=\"([^\"]+)\"");
    }

    @Test
    void oneChangeOfAStandingLineReachesAllItsPlaces() throws Exception {
        String first = voiced("Now show your partner, please.", "bean-2b");
        assertThat(ines.form("/lines/" + first + "/standing").statusCode()).isEqualTo(204);
        String home = standingOf(first);
        String second = ines.newLine("");
        String used = Visitor.text(ines.form("/lines/" + second + "/use-standing", "line", home));
        assertThat(used)
                .contains("Now show your partner, please.", "A standing line", "1 of 1 voiced", "Standing line used");

        String library = ines.page("/library?words=partner+please");
        assertThat(library).contains("Used in 2 places", "Heard in 3 places");
        // Words are changed where the standing lines are; both places have them, and both are outdated.
        ines.putForm("/lines/" + home + "/words", "revision", "1", "words", "Now show the one beside you, please.");
        for (String place : List.of(first, second)) {
            assertThat(script(place)).contains("Now show the one beside you, please.", "1 outdated");
        }
        // Read anew in any of its places, it is voiced in all.
        keep(second, "bean-2a");
        for (String place : List.of(first, second)) {
            assertThat(script(place)).contains("1 of 1 voiced");
        }
        // Changing one place's words changes the standing line, wherever they are typed.
        ines.putForm("/lines/" + first + "/words", "revision", revision(first), "words", "Show it.");
        assertThat(script(second)).contains(">Show it.<");
        assertThat(script(home)).contains(">Show it.<");
    }

    private String revision(String line) throws Exception {
        return Visitor.first(script(line), "id=\"line-" + line + "\"[^>]*data-revision=\"(\\d+)\"");
    }

    @Test
    void aPlaceCanBeMadeItsOwnAndUsingIsUndone() throws Exception {
        String first = voiced("Tidy up now.", "bean-2c");
        ines.form("/lines/" + first + "/standing");
        String home = standingOf(first);
        String other = ines.newLine("Put the seeds back.");
        ines.form("/lines/" + other + "/use-standing", "line", home);
        assertThat(Visitor.text(ines.form("/lines/" + other + "/own"))).contains("made this lesson&#39;s own");
        ines.putForm("/lines/" + home + "/words", "revision", "1", "words", "Tidy everything up now.");
        assertThat(script(other)).contains(">Tidy up now.<").doesNotContain("A standing line");
        assertThat(script(first)).contains(">Tidy everything up now.<");
        String lesson = ines.lessonOf(other);
        ines.form("/lessons/" + lesson + "/undo");
        assertThat(Visitor.text(ines.form("/lessons/" + lesson + "/undo"))).contains("Not undone");
        // Another take for one place alone makes it its own as well.
        String again = ines.newLine("");
        ines.form("/lines/" + again + "/use-standing", "line", home);
        String take = keep(ines.newLine("the leaf"), "bean-2d");
        assertThat(Visitor.text(ines.form("/lines/" + again + "/use-take", "take", take)))
                .doesNotContain("A standing line");
        assertThat(script(first)).contains("A standing line");
    }

    @Test
    void aTakeIsUsedOnAnotherLineByReferenceAndFollowsItsEdits() throws Exception {
        String line = voiced("The coat of the bean splits at last.", "bean-2a");
        String take = Visitor.first(script(line), "data-take=\"([^\"]+)\"");
        String other = ines.newLine("The coat of the bean splits at last!");
        String choose = ines.page("/library?for=" + other);
        assertThat(choose).contains("says just these words", "Use this one");
        assertThat(choose.indexOf("splits at last.")).isLessThan(choose.indexOf("takes, newest first") + 2_000);
        String used = Visitor.text(ines.form("/lines/" + other + "/use-take", "take", take));
        assertThat(used).contains("1 of 1 voiced", "Take from the library used");
        assertThat(ines.page("/library?words=splits+at+last")).contains("Heard in 2 places");
        HttpResponse<byte[]> cut = ines.send(
                "POST",
                "/takes/" + take + "/edits",
                "application/json",
                "{\"kind\":\"ENDS\",\"startMs\":500,\"endMs\":1500,\"db\":0,\"on\":false}".getBytes());
        assertThat(Visitor.text(cut)).contains("\"durationMs\":1000");
        org.awaitility.Awaitility.await()
                .until(() -> script(other).contains("1.0 s") && script(line).contains("1.0 s"));
        ines.form("/lessons/" + ines.lessonOf(other) + "/undo");
        assertThat(script(other)).contains("0 of 1 voiced");
    }

    @Test
    void theLibraryIsSearchedByWordsLessonsAndFolders() throws Exception {
        String line = voiced("Zebras graze at dawn.", "bean-2c");
        assertThat(ines.page("/library/found?words=zebr")).contains("Zebras graze at dawn.");
        assertThat(ines.page("/library/found?words=dawn+zebras")).contains("1 take, newest first");
        assertThat(ines.page("/library/found?words=zebra+giraffe")).contains("Nothing here has these words.");
        ines.form("/lines/" + line + "/standing");
        String shelf = ines.page("/library/standing");
        String page = Visitor.first(shelf, "data-save=\"/pages/([^/]+)/title\"");
        ines.putForm("/pages/" + page + "/title", "title", "Animals of the plain");
        assertThat(ines.page("/library?words=plain")).contains("Animals of the plain", "Zebras graze at dawn.");
        ines.putForm("/pages/" + page + "/title", "title", "  ");
        assertThat(ines.page("/library?words=plain")).doesNotContain("Zebras");
        // The shelf is no lesson for students, and no book on the desk.
        assertThat(shelf).doesNotContain("/give-link");
        assertThat(ines.page("/")).doesNotContain(">Standing lines<");
        ines.form("/lessons/" + Visitor.first(shelf, "data-lesson=\"([^\"]+)\"") + "/remove");
        assertThat(ines.page("/library?words=zebras")).contains("Zebras graze at dawn.");
        assertThat(ines.page("/library/standing")).contains("Zebras graze at dawn.");
    }

    @Test
    void takesAndLessonsAreSavedUnderNamesThatSayWhatIsInThem() throws Exception {
        String line = voiced("Which: root / leaf?", "bean-2b");
        String lesson = ines.lessonOf(line);
        ines.putForm("/lessons/" + lesson + "/title", "title", "Beans & more");
        String take = Visitor.first(script(line), "data-take=\"([^\"]+)\"");
        HttpResponse<byte[]> mp3 = ines.get("/takes/" + take + "/download?as=mp3");
        assertThat(mp3.headers().firstValue("Content-Disposition").orElseThrow())
                .contains("Beans%20&%20more%20p1-01%20Which%20root%20leaf.mp3");
        assertThat(loudness(mp3.body(), ".mp3")).isBetween(-19.3, -18.7);
        HttpResponse<byte[]> wav = ines.get("/takes/" + take + "/download?as=wav");
        assertThat(wav.headers().firstValue("Content-Type")).hasValue("audio/wav");
        assertThat(loudness(wav.body(), ".wav")).isBetween(-19.3, -18.7);

        HttpResponse<byte[]> zip = ines.get("/lessons/" + lesson + "/sound.zip");
        List<String> names = new ArrayList<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip.body()), StandardCharsets.UTF_8)) {
            for (var entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                names.add(entry.getName());
            }
        }
        assertThat(names).containsExactly("Beans & more/script.txt", "Beans & more/p1-01 Which root leaf.mp3");
    }

    private static double loudness(byte[] content, String ending) throws Exception {
        Path file = Files.write(Files.createTempFile("saved", ending), content);
        Sound sound = SoundReader.decode(file, 60_000).sound();
        return LoudnessMeter.ofMono(sound);
    }

    @Test
    void nobodyElseSeesOrUsesIt() throws Exception {
        String line = voiced("Only mine.", "bean-2d");
        String take = Visitor.first(script(line), "data-take=\"([^\"]+)\"");
        Visitor stranger = new Visitor(base());
        stranger.get("/sign-in");
        assertThat(stranger.page("/library")).doesNotContain("Only mine.");
        for (String address :
                List.of("/takes/" + take + "/download", "/lessons/" + ines.lessonOf(line) + "/sound.zip")) {
            assertThat(stranger.get(address).headers().firstValue("Content-Disposition"))
                    .isEmpty();
        }
        // A line of a script is no standing line only because somebody says so.
        String other = ines.newLine("Other");
        assertThat(ines.form("/lines/" + other + "/use-standing", "line", line).statusCode())
                .isEqualTo(404);
        assertThat(ines.form("/lines/" + other + "/use-take", "take", "nothing").statusCode())
                .isEqualTo(404);
    }
}
