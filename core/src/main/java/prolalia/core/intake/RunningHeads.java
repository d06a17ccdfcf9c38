package prolalia.core.intake;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** What is repeated at the top and the foot of pages, and page numbers: nobody reads them aloud. */
final class RunningHeads {
    private static final double TOP = 0.1;
    private static final double FOOT = 0.9;
    /** In the margin, in letters smaller than the rest: a head or foot even where there is one page only. */
    private static final double MARGIN = 0.06;

    private static final double SMALLER = 0.93;

    private static final String PAGE_NUMBER =
            "(?i)[-\u2013\u2014 ]*(?:(?:page|p\\.|seite)\\s*)?\\d{1,4}(?:\\s*(?:/|of|von)\\s*\\d{1,4})?[-\u2013\u2014 ]*";

    private RunningHeads() {}

    /** @param bodySize size of most letters */
    static List<List<Fragment>> leaveOut(List<List<Fragment>> pages, double bodySize) {
        Map<String, Integer> seen = new HashMap<>();
        for (List<Fragment> page : pages) {
            Set<String> ofPage = new HashSet<>();
            page.stream().filter(RunningHeads::isAtEdge).forEach(fragment -> ofPage.add(shape(fragment)));
            ofPage.forEach(shape -> seen.merge(shape, 1, Integer::sum));
        }
        int often = Math.max(2, (pages.size() + 1) / 2);
        return pages.stream()
                .map(page -> page.stream()
                        .filter(fragment -> !isAtEdge(fragment)
                                || seen.get(shape(fragment)) < often
                                        && !fragment.text().matches(PAGE_NUMBER)
                                        && !isSmallInMargin(fragment, bodySize))
                        .toList())
                .toList();
    }

    private static boolean isAtEdge(Fragment fragment) {
        return fragment.area().bottom() < TOP || fragment.area().y() > FOOT;
    }

    private static boolean isSmallInMargin(Fragment fragment, double bodySize) {
        boolean inMargin = fragment.area().bottom() < MARGIN || fragment.area().y() > 1 - MARGIN;
        return inMargin && fragment.size() < SMALLER * bodySize;
    }

    /** The same on all pages, whatever the number in it; a left and a right one are told apart by neither. */
    private static String shape(Fragment fragment) {
        return (fragment.area().bottom() < TOP ? "top " : "foot ")
                + fragment.text().replaceAll("\\d+", "0").toLowerCase(java.util.Locale.ROOT);
    }
}
