package prolalia.core.page;

import java.util.Map;
import prolalia.core.page.EveryPage.Otherwise;

/**
 * What is said of a page as a whole, or of a lesson.
 *
 * @param example whether the page is to look at and listen to, not to answer on
 * @param otherwise what a page does otherwise than the set of every page, by the id of the thing in the set
 */
public record PageSettings(PlayRule rule, Boolean example, Map<String, Otherwise> otherwise) {
    public static final PageSettings USUAL = new PageSettings(PlayRule.SILENT, false, Map.of());

    public PageSettings {
        example = example != null && example;
        rule = rule == null ? PlayRule.SILENT : rule;
        otherwise = otherwise == null ? Map.of() : Map.copyOf(otherwise);
    }
}
