package prolalia.formats.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import prolalia.core.lesson.Prompt;
import prolalia.core.published.StudentPage;
import prolalia.core.published.StudentPages;
import prolalia.formats.lesson.MadeLesson;

/** A student's page as it is written, wherever its files are. */
class StudentPageWriterTest {
    private final StudentPageWriter writer = new StudentPageWriter();

    @TempDir
    Path folder;

    private List<StudentPage> pages;

    @BeforeEach
    void make() throws Exception {
        pages = StudentPages.of(new MadeLesson(folder).lesson);
    }

    /** Somewhere where addresses tell what they are for. */
    public static final class Somewhere implements LessonUrls {
        @Override
        public String page(int number) {
            return "page-" + number;
        }

        @Override
        public String sound(String hash) {
            return "sound-of-" + hash;
        }

        @Override
        public String picture(String hash) {
            return "picture";
        }

        @Override
        public String thing(String hash) {
            return "thing";
        }

        @Override
        public String asset(String path) {
            return "ships/" + path;
        }

        @Override
        public String words(String lineId) {
            return "words-of-" + lineId;
        }

        @Override
        public String times(String lineId) {
            return lineId.equals("l1") ? "[]" : null;
        }

        @Override
        public String hintsAsked() {
            return "asked/";
        }
    }

    private String written(int page, Map<Prompt, String> prompts, Sharing sharing) {
        return writer.write(pages.get(page), prompts, new Somewhere(), sharing);
    }

    @Test
    void wordsAreWordsAndNeverMarkup() {
        assertThat(written(0, Map.of(), null))
                .contains("Say &lt;/script&gt; &amp; &lt;b&gt;")
                .doesNotContain("<b>\"yes\"", "??")
                .doesNotContainPattern("\\son[a-z]+=");
    }

    @Test
    void timesThatAreKnownComeAlongAndOthersAreAskedFor() {
        assertThat(written(0, Map.of(), null))
                .contains("data-said=\"[]\"", "data-words=\"words-of-l2\"")
                .doesNotContain("words-of-l1");
    }

    @Test
    void thePageSpeaksInTheTeachersVoiceWhereItHasOneAndItsOwnPraiseComesFirst() {
        String page = written(0, Map.of(Prompt.TRY_AGAIN, "own", Prompt.WELL_DONE, "own-too"), null);
        assertThat(page.indexOf("data-src=\"sound-of-sound-l5\""))
                .as("the line of praise before the prompt")
                .isPositive()
                .isLessThan(page.indexOf("data-src=\"sound-of-own-too\""));
        assertThat(page).contains("data-src=\"sound-of-own\"", "data-src=\"ships/player/prompts/your_turn.mp3\"");
        assertThat(written(1, Map.of(), null)).doesNotContain("sound-l5");
    }

    @Test
    void waysLeadAndTheArrowGivesWayToThem() {
        String first = written(0, Map.of(), null);
        assertThat(first)
                .contains(
                        "data-way=\"right\" href=\"page-2\"",
                        "data-way=\"wrong\" href=\"page-3\"",
                        "href=\"https://a.example/?a=1&amp;b=2\"")
                .doesNotContain("data-turn=\"next\"");
        assertThat(written(1, Map.of(), null)).contains("data-turn=\"next\"", "data-turn=\"back\"");
    }

    @Test
    void onlyAPageThatIsSharedTellsOthersOfItself() {
        assertThat(written(0, Map.of(), null)).doesNotContain("og:title", "oembed");
        assertThat(written(0, Map.of(), new Sharing("https://s.example/l/t", null, "https://s.example/oembed")))
                .contains("property=\"og:title\" content=\"Beans &amp; &lt;peas&gt;\"", "json+oembed")
                .doesNotContain("og:image");
    }
}
