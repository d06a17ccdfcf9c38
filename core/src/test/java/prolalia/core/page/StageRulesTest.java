package prolalia.core.page;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.StepIcon;
import prolalia.core.page.EveryPage.Here;
import prolalia.core.page.EveryPage.Otherwise;
import prolalia.core.page.PageElement.EverySpot;
import prolalia.core.page.PageElement.Spot;
import prolalia.core.page.PageElement.Text;
import prolalia.core.page.PlayRule.Level;
import prolalia.core.page.PlayRule.Part;
import prolalia.core.place.Area;
import prolalia.core.place.InkMap;

/** Which rule holds, and what stands on every page. */
class StageRulesTest {
    private static final Area CORNER = new Area(0, 0, 0.1, 0.1);

    private static Line line(String id, LineKind kind) {
        return new Line(id, kind, "Words of " + id, Optional.empty());
    }

    private static String sounds(Here here) {
        return ((Spot) here.thing().orElseThrow()).lineId();
    }

    @Test
    void theNearerRuleHoldsPartByPartAndItIsToldWhereItComesFrom() {
        PlayRule spot = new PlayRule(null, 40, null, null, null, null);
        PlayRule page = new PlayRule(PlayRule.Start.ARRIVAL, 80, null, null, 2, null);
        PlayRule lesson = new PlayRule(PlayRule.Start.PRESS, 90, 3, null, null, null);
        assertThat(spot.over(page).over(lesson).over(PlayRule.USUAL))
                .isEqualTo(new PlayRule(PlayRule.Start.ARRIVAL, 40, 3, true, 2, false));
        assertThat(PlayRule.levels(spot, page, lesson))
                .containsEntry(Part.START, Level.PAGE)
                .containsEntry(Part.VOLUME, Level.SPOT)
                .containsEntry(Part.TIMES, Level.LESSON)
                .containsEntry(Part.STOP_ON_LEAVING, Level.USUAL);
        assertThatThrownBy(() -> new PlayRule(null, 101, null, null, null, null))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aSpotOnEveryPageSaysThatPagesLineUnlessThePageDoesOtherwise() {
        EveryPage every = new EveryPage(List.of(
                new EverySpot("tell", CORNER, LineKind.DIRECTION, true, null, null),
                new Text("school", CORNER, "Tern Lane School", Text.Size.SMALL, null)));
        List<Line> page =
                List.of(line("q", LineKind.QUESTION), line("d", LineKind.DIRECTION), line("e", LineKind.DIRECTION));
        List<Here> usual = every.on(page, Map.of());
        assertThat(sounds(usual.get(0))).isEqualTo("d");
        assertThat(usual.get(1).thing()).map(PageElement::id).contains("every-school");
        assertThat(sounds(every.on(page, Map.of("tell", new Otherwise(false, "e")))
                        .get(0)))
                .isEqualTo("e");
        assertThat(sounds(every.on(page, Map.of("tell", new Otherwise(false, "gone")))
                        .get(0)))
                .as("a line that is gone is no choice")
                .isEqualTo("d");
        assertThat(every.on(page, Map.of("school", new Otherwise(true, null)))
                        .get(1)
                        .thing())
                .isEmpty();
        assertThat(every.on(List.of(line("q", LineKind.QUESTION)), Map.of())
                        .get(0)
                        .thing())
                .as("no line for it there")
                .isEmpty();
    }

    @Test
    void aCopiedSpotSaysTheLineThatStandsAsItsOwnDoes() {
        List<Line> from = List.of(line("q", LineKind.QUESTION), line("a", LineKind.CHOICE), line("b", LineKind.CHOICE));
        List<Line> to = List.of(line("w", LineKind.QUESTION), line("c", LineKind.CHOICE), line("d", LineKind.CHOICE));
        Spot second = new Spot("s", CORNER, "b", true);
        assertThat(EveryPage.copied(List.of(second), from, to))
                .extracting(thing -> ((Spot) thing).lineId())
                .containsExactly("d");
        assertThat(EveryPage.copied(List.of(second), from, to.subList(0, 2))).isEmpty();
    }

    @Test
    void pagesAreReadAsTheyAreWritten() {
        assertThat(PageNumbers.read("2-4, 9", 10)).contains(List.of(2, 3, 4, 9));
        assertThat(PageNumbers.read(" All ", 3)).contains(List.of(1, 2, 3));
        for (String wrong : new String[] {"", "0", "4-2", "3-12", "two", "1,,2"}) {
            assertThat(PageNumbers.read(wrong, 10)).as(wrong).isEmpty();
        }
    }

    @Test
    void marksWithoutAPlaceOfTheirOwnGoDownThePage() {
        List<Area> placed =
                SpotPlacing.downThePage(List.of(Optional.empty(), Optional.empty()), InkMap.blank(), List.of(), 1.5);
        assertThat(placed.get(1).y()).isGreaterThan(placed.get(0).bottom());
    }

    @Test
    void aDirectionHasTheIconThatItsWordsAskFor() {
        assertThat(StepIcon.of("Now, please cut out the leaves.")).contains(StepIcon.CUT);
        assertThat(StepIcon.of("Listen to the rain.")).contains(StepIcon.LISTEN);
        assertThat(StepIcon.of("The bean sleeps.")).isEmpty();
    }
}
