package prolalia.core.published;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import prolalia.core.lesson.LessonSettings;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.Prompt;
import prolalia.core.lesson.Take;
import prolalia.core.page.EveryPage.Otherwise;
import prolalia.core.page.Jump;
import prolalia.core.page.PageElement;
import prolalia.core.page.PageSettings;
import prolalia.core.page.Paths;
import prolalia.core.page.Placed;
import prolalia.core.page.PlayRule;
import prolalia.core.page.PlayRule.Start;
import prolalia.core.place.Area;
import prolalia.core.published.PublishedLesson.PublishedLine;
import prolalia.core.published.PublishedLesson.PublishedPage;
import prolalia.core.published.PublishedLesson.PublishedPicture;
import prolalia.core.published.StudentPage.SaidLine;
import prolalia.core.sound.Peaks;

/** What of a lesson a student meets on each page, and under which rules. */
class StudentPagesTest {
    private static final PublishedPicture PICTURE = new PublishedPicture("p", "image/png", "", 400, 200);
    private static final Area SOMEWHERE = new Area(0.1, 0.1, 0.1, 0.1);

    private static PublishedLine heard(String id, LineKind kind, String words) {
        Line line = new Line(id, kind, words, Optional.of(new Take("t" + id, words, 1000, false)));
        return new PublishedLine(line, "sound-" + id, new Peaks(new byte[50]));
    }

    private static PublishedLine silent(String id, LineKind kind, String words) {
        return new PublishedLine(new Line(id, kind, words, Optional.empty()), null, null);
    }

    private static Placed placed(PageElement... things) {
        return new Placed(List.of(things), PageSettings.USUAL);
    }

    private static PublishedLesson lesson(PublishedPage... pages) {
        return new PublishedLesson("Beans", List.of(pages), Placed.NOTHING, Map.of());
    }

    private static List<String> ids(List<SaidLine> lines) {
        return lines.stream().map(SaidLine::id).toList();
    }

    @Test
    void pagesWithNothingForStudentsAreLeftOutAndALessonWithoutAnyStillHasOneToShow() {
        PublishedPage note =
                new PublishedPage("a", null, List.of(heard("n", LineKind.NOTE, "For me.")), Placed.NOTHING);
        PublishedPage blank =
                new PublishedPage("b", null, List.of(silent("s", LineKind.DIRECTION, " ")), Placed.NOTHING);
        PublishedPage shown =
                new PublishedPage("c", null, List.of(silent("w", LineKind.PASSAGE, "Words.")), Placed.NOTHING);
        assertThat(StudentPages.of(lesson(note, shown, blank)))
                .singleElement()
                .satisfies(page -> assertThat(page.page()).isEqualTo(shown));
        assertThat(StudentPages.of(lesson(note, blank))).singleElement().satisfies(page -> {
            assertThat(page.page()).isNull();
            assertThat(page.placedLines()).isEmpty();
            assertThat(page.first()).isEmpty();
            assertThat(page.heard()).isEmpty();
        });
    }

    @Test
    void onAPictureALineWithASpotIsHeardThereAndOthersStandBesideIt() {
        PublishedPage page = new PublishedPage(
                "a",
                PICTURE,
                List.of(
                        heard("l1", LineKind.QUESTION, "Which one?"),
                        heard("l2", LineKind.CHOICE, "the root"),
                        silent("l3", LineKind.CHOICE, "the leaf"),
                        heard("h", LineKind.HINT, "Look down."),
                        heard("p", LineKind.PRAISE, "Yes!")),
                placed(
                        new PageElement.Spot("s1", SOMEWHERE, "l1", true),
                        new PageElement.Spot("s3", SOMEWHERE, "l3", true),
                        new PageElement.Spot("gone", SOMEWHERE, "none", true)));
        StudentPage met = StudentPages.of(lesson(page)).get(0);
        assertThat(met.onPage())
                .as("a mark without a sound would be pressed in vain")
                .hasSize(1);
        assertThat(ids(met.lines())).containsExactly("l2");
        assertThat(ids(met.placedLines())).containsExactly("l1");
        assertThat(met.first().map(SaidLine::id)).contains("l1");
        assertThat(ids(met.hints())).containsExactly("h");
        assertThat(met.praise().words()).isEqualTo("Yes!");
        assertThat(met.correction()).isNull();
        assertThat(met.heard())
                .extracting(PublishedLine::words)
                .containsExactly("Which one?", "the root", "Look down.", "Yes!");
    }

    @Test
    void aRightOrWrongWayTakesThePlaceOfTheArrowAndWaysToPagesThatAreGoneAreNone() {
        PublishedPage first = new PublishedPage(
                "a",
                PICTURE,
                List.of(),
                placed(
                        new Jump("r", SOMEWHERE, "c", Paths.Kind.RIGHT),
                        new Jump("x", SOMEWHERE, "removed", Paths.Kind.WRONG)));
        PublishedPage second = new PublishedPage(
                "b", PICTURE, List.of(), placed(new Jump("x", SOMEWHERE, "removed", Paths.Kind.WRONG)));
        PublishedPage third =
                new PublishedPage("c", PICTURE, List.of(), placed(new Jump("k", SOMEWHERE, "back", null)));
        List<StudentPage> met = StudentPages.of(lesson(first, second, third));
        assertThat(met.get(0).goesOn()).isFalse();
        assertThat(met.get(0).onPage())
                .singleElement()
                .satisfies(way -> assertThat(way.toNumber()).isEqualTo(3));
        assertThat(met.get(1).goesOn()).as("nothing would lead on otherwise").isTrue();
        assertThat(met.get(2).onPage().get(0).toNumber()).isEqualTo(2);
        assertThat(met.get(2).goesOn()).isFalse();
    }

    @Test
    void theNearestRuleHoldsForASpotAndForALineThatHasNone() {
        PlayRule ofSpot = new PlayRule(null, 40, null, null, null, null);
        PlayRule ofPage = new PlayRule(Start.ARRIVAL, 60, null, null, null, null);
        PlayRule ofLesson = new PlayRule(null, 80, 3, null, null, null);
        PageElement spot = new PageElement.Spot("s", SOMEWHERE, "l1", true, null, ofSpot, null);
        PageElement every = new PageElement.EverySpot("e", SOMEWHERE, LineKind.PASSAGE, true, null, null);
        PublishedPage page = new PublishedPage(
                "a",
                PICTURE,
                List.of(
                        heard("l1", LineKind.QUESTION, "Which?"),
                        heard("l2", LineKind.CHOICE, "this"),
                        heard("l3", LineKind.PASSAGE, "One."),
                        heard("l4", LineKind.PASSAGE, "Two.")),
                new Placed(List.of(spot), new PageSettings(ofPage, true, Map.of("e", new Otherwise(false, "l4")))));
        PublishedLesson lesson = new PublishedLesson(
                "Beans",
                new LessonSettings(true, "de", null),
                List.of(page),
                new Placed(List.of(every), new PageSettings(ofLesson, false, Map.of())),
                Map.of());
        StudentPage met = StudentPages.of(lesson).get(0);
        assertThat(met.example()).isTrue();
        assertThat(met.wordsShown()).isFalse();
        assertThat(met.lang(page.lines().get(0))).isEqualTo("de");
        assertThat(met.onPage()).extracting(each -> each.said().id()).containsExactly("l1", "l4");
        assertThat(met.onPage().get(0).said().rule()).isEqualTo(new PlayRule(Start.ARRIVAL, 40, 3, true, 0, false));
        assertThat(met.onPage().get(1).said().rule().volumePercent()).isEqualTo(60);
        assertThat(ids(met.lines())).containsExactly("l2", "l3");
        assertThat(met.lines().get(0).rule().volumePercent()).isEqualTo(60);
    }

    @Test
    void aLessonKnowsWhatIsHeardInIt() {
        PublishedPage page =
                new PublishedPage("a", null, List.of(heard("l", LineKind.PASSAGE, "Words.")), Placed.NOTHING);
        PublishedLesson lesson =
                new PublishedLesson("Beans", List.of(page), Placed.NOTHING, Map.of(Prompt.WELL_DONE, "sound-own"));
        assertThat(lesson.hears("sound-l")).isTrue();
        assertThat(lesson.hears("sound-own")).isTrue();
        assertThat(lesson.hears("sound-other")).isFalse();
        assertThat(page.aspect()).isEqualTo(16.0 / 9);
        assertThat(new PublishedPage("b", PICTURE, List.of(), Placed.NOTHING).aspect())
                .isEqualTo(2);
    }
}
