package prolalia.core.published;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import prolalia.core.page.EveryPage;
import prolalia.core.page.PageElement;
import prolalia.core.page.PageElement.Spot;
import prolalia.core.page.PlayRule;
import prolalia.core.published.PublishedLesson.PublishedPage;

/**
 * A page with all that stands on it.
 *
 * @param things that stand on it, those of every page too; each spot with the rule that holds for it
 * @param rule that holds for lines of the page that have no spot
 * @param example whether it is to look at and listen to, not to answer on
 */
public record StagedPage(List<PageElement> things, PlayRule rule, boolean example) {
    /** The pages of a lesson in order, by id, as far as the lines and pages that things lead to are still there. */
    public static Map<String, StagedPage> of(PublishedLesson lesson) {
        EveryPage every = new EveryPage(lesson.asItStands(lesson.every().things()));
        PlayRule ofLesson = lesson.every().manner().rule().over(PlayRule.USUAL);
        Map<String, StagedPage> pages = new LinkedHashMap<>();
        for (PublishedPage page : lesson.pages()) {
            PlayRule rule = page.placed().manner().rule().over(ofLesson);
            List<PageElement> things =
                    new ArrayList<>(lesson.asItStands(page.placed().things()));
            every.on(page.plainLines(), page.placed().manner().otherwise()).stream()
                    .flatMap(here -> here.thing().stream())
                    .forEach(things::add);
            things.replaceAll(
                    thing -> thing instanceof Spot spot ? spot.under(spot.rule().over(rule)) : thing);
            pages.put(
                    page.id(),
                    new StagedPage(things, rule, page.placed().manner().example()));
        }
        return pages;
    }
}
