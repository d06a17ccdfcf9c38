package prolalia.core.page;

import java.util.List;

/**
 * What is placed on a page, or on every page of a lesson, and what is said of it as a whole.
 *
 * @param things from the lowest to the topmost
 */
public record Placed(List<PageElement> things, PageSettings manner) {
    public static final Placed NOTHING = new Placed(List.of(), PageSettings.USUAL);
}
