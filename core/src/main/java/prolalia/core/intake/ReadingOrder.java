package prolalia.core.intake;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * The order in which fragments are read: by columns where a page has them, and from top to bottom in each.
 *
 * <p>A page is cut across wherever something stands over the whole width, and what lies between such cuts is cut down the
 * gap that nothing crosses, as in the recursive X-Y cut (Nagy and Seth, "Hierarchical representation of optically scanned
 * documents", ICPR 1984), widest gap first.
 */
final class ReadingOrder {
    /** A gap between columns is at least so wide, in widths of an em. */
    private static final double GUTTER_EM = 1.4;

    /** Fewer rows beside each other are no columns, but a row with parts. */
    private static final int FEWEST_ROWS = 2;

    private static final double SAME_ROW = 0.5;

    /** Places of a gap are tried in such shares of the page's width. */
    private static final double STEP = 0.004;

    private ReadingOrder() {}

    static List<Fragment> of(List<Fragment> fragments) {
        List<Fragment> ordered = new ArrayList<>();
        columns(fragments, ordered);
        return ordered;
    }

    private static void columns(List<Fragment> fragments, List<Fragment> ordered) {
        List<Fragment> byTop = fragments.stream()
                .sorted(Comparator.comparingDouble(fragment -> fragment.area().y()))
                .toList();
        Double gutter = gutter(byTop);
        if (gutter == null) {
            ordered.addAll(rows(byTop));
            return;
        }
        List<Fragment> band = new ArrayList<>();
        for (Fragment fragment : byTop) {
            if (crosses(fragment, gutter)) {
                down(band, gutter, ordered);
                band.clear();
                ordered.add(fragment);
            } else {
                band.add(fragment);
            }
        }
        down(band, gutter, ordered);
    }

    /** What stands between two cuts across: the left of the gap, then the right of it. */
    private static void down(List<Fragment> band, double gutter, List<Fragment> ordered) {
        List<Fragment> left = band.stream()
                .filter(fragment -> fragment.area().middleX() < gutter)
                .toList();
        List<Fragment> right = band.stream()
                .filter(fragment -> fragment.area().middleX() >= gutter)
                .toList();
        if (left.size() < FEWEST_ROWS || right.size() < FEWEST_ROWS || areRowsOfChoices(band)) {
            ordered.addAll(rows(band));
            return;
        }
        columns(left, ordered);
        columns(right, ordered);
    }

    /** Choices that go on across before they go down. */
    private static boolean areRowsOfChoices(List<Fragment> band) {
        List<Integer> across = rows(band).stream()
                .map(fragment -> Marker.of(fragment.text()).orElse(null))
                .filter(marker -> marker != null && marker.type() == Marker.Type.LETTER)
                .map(Marker::ordinal)
                .toList();
        boolean goesOn = across.size() >= FEWEST_ROWS * 2;
        for (int i = 1; i < across.size(); i++) {
            goesOn &= across.get(i) == across.get(i - 1) + 1 || across.get(i) == 1;
        }
        return goesOn;
    }

    private static boolean crosses(Fragment fragment, double gutter) {
        return fragment.area().x() < gutter && fragment.area().right() > gutter;
    }

    /** The middle of the gap that fewest fragments cross; null when there are no columns. */
    private static Double gutter(List<Fragment> fragments) {
        if (fragments.size() < FEWEST_ROWS * 2) {
            return null;
        }
        double em = fragments.stream().mapToDouble(Fragment::em).sorted().toArray()[fragments.size() / 2];
        Double best = null;
        double bestWorth = 0;
        List<Double> rights = fragments.stream()
                .map(fragment -> Math.ceil(fragment.area().right() / STEP) * STEP)
                .distinct()
                .sorted()
                .toList();
        for (double right : rights) {
            double end = right + GUTTER_EM * em;
            double middle = right + GUTTER_EM * em / 2;
            int crossing = 0;
            int left = 0;
            int onRight = 0;
            int beside = 0;
            double nextLeft = 1;
            for (Fragment fragment : fragments) {
                if (fragment.area().right() <= right + 1e-9) {
                    left++;
                } else if (fragment.area().x() >= end) {
                    onRight++;
                    nextLeft = Math.min(nextLeft, fragment.area().x());
                } else {
                    crossing++;
                }
            }
            if (left < FEWEST_ROWS || onRight < FEWEST_ROWS || crossing > fragments.size() / 3) {
                continue;
            }
            for (Fragment fragment : fragments) {
                if (fragment.area().right() <= right + 1e-9
                        && fragments.stream()
                                .anyMatch(other -> other.area().x() >= end
                                        && other.area().sharedHeight(fragment.area()) > SAME_ROW)) {
                    beside++;
                }
            }
            double worth = (double) Math.min(Math.min(left, onRight), 3 * beside) / fragments.size()
                    - (double) crossing / fragments.size()
                    + (nextLeft - right) * 0.2;
            if (beside >= FEWEST_ROWS && worth > bestWorth) {
                best = Math.max(middle, (right + nextLeft) / 2);
                bestWorth = worth;
            }
        }
        return best;
    }

    private static List<Fragment> rows(List<Fragment> fragments) {
        List<Fragment> left = new ArrayList<>(fragments.stream()
                .sorted(Comparator.comparingDouble(fragment -> fragment.area().y()))
                .toList());
        List<Fragment> ordered = new ArrayList<>();
        while (!left.isEmpty()) {
            Fragment first = left.get(0);
            List<Fragment> row = left.stream()
                    .filter(fragment -> fragment.area().sharedHeight(first.area()) > SAME_ROW)
                    .sorted(Comparator.comparingDouble(
                            fragment -> fragment.area().x()))
                    .toList();
            ordered.addAll(row);
            left.removeAll(row);
        }
        return ordered;
    }
}
