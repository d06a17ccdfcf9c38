package prolalia.core.page;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import prolalia.core.place.Area;
import prolalia.core.place.InkMap;
import prolalia.core.place.PressAreas;
import prolalia.core.place.WordPlaces;

/**
 * Places the spots of a page: each line is pressed where it stands, and has a small tab in the margin, level with its first row.
 * All tabs of a page are of one size; those of lines that begin below each other stand below each other, in a column where
 * nothing else is. A line that has no such place has no tab.
 *
 * <p>Stateless and thread-safe.
 */
public final class LinePlacing {
    /**
     * A place to press is to be as high as this, as a share of the page's width: 64 px on a tablet held upright, 768 wide, and
     * 56 where the page is shown smaller.
     */
    public static final double LEAST_HIGH = 64.0 / 768;

    /** A tab is as wide and high as this, as a share of the page's width: the largest that gives a tab to most lines. */
    private static final double[] TABS = {34.0 / 768, 28.0 / 768, 22.0 / 768, 17.0 / 768};

    /** Around a tab nothing stands so near, in sides of a tab. */
    private static final double AIR = 0.12;

    /** Lines whose beginnings differ by less begin below each other, as a share of the page's width. */
    private static final double SAME_BEGINNING = 0.035;

    /** A tab further from its line than this, as a share of the page's width, isn't seen to be its own. */
    private static final double FURTHEST = 0.16;

    private LinePlacing() {}

    /**
     * Where a line is pressed.
     *
     * @param press the place that is pressed; null: the tab alone
     * @param tab null: there is no room for one
     */
    public record LinePlace(Area press, Area tab) {}

    /**
     * The same for lines whose words were found: where most of them are read from the right, the tabs stand at the right.
     *
     * @param words of all lines of the page
     */
    public static List<LinePlace> place(
            List<List<Area>> lines, List<WordPlaces> words, InkMap ink, List<Area> taken, double aspect) {
        long toTheLeft = words.stream().filter(WordPlaces::runToTheLeft).count();
        return toTheLeft * 2 > words.size()
                ? placeFromTheRight(lines, ink, taken, aspect)
                : place(lines, ink, taken, aspect);
    }

    private static List<LinePlace> placeFromTheRight(
            List<List<Area>> lines, InkMap ink, List<Area> taken, double aspect) {
        List<List<Area>> mirrored = lines.stream()
                .map(rows -> rows.stream().map(LinePlacing::mirrored).toList())
                .toList();
        return place(
                        mirrored,
                        area -> ink.isFree(mirrored(area)),
                        taken.stream().map(LinePlacing::mirrored).toList(),
                        aspect)
                .stream()
                .map(place ->
                        new LinePlace(mirrored(place.press()), place.tab() == null ? null : mirrored(place.tab())))
                .toList();
    }

    private static Area mirrored(Area area) {
        return new Area(1 - area.right(), area.y(), area.w(), area.h());
    }

    /**
     * @param lines for each line the places of its rows, at least one, in the order of reading
     * @param taken where other things are already
     * @param aspect width by height of the page
     * @return a place for each line
     */
    public static List<LinePlace> place(List<List<Area>> lines, InkMap ink, List<Area> taken, double aspect) {
        return place(lines, ink::isFree, taken, aspect);
    }

    private static List<LinePlace> place(
            List<List<Area>> lines, Predicate<Area> free, List<Area> taken, double aspect) {
        List<Area> high = PressAreas.high(lines, LEAST_HIGH * aspect, taken);
        List<Area> tabs = List.of();
        long most = -1;
        for (double side : TABS) {
            List<Area> tried = tabs(lines, high, free, taken, side, aspect);
            long placed = tried.stream().filter(tab -> tab != null).count();
            if (placed > most) {
                tabs = tried;
                most = placed;
            }
        }
        List<Double> rowHeights = lines.stream().map(rows -> rows.get(0).h()).toList();
        List<Area> wide = PressAreas.wide(high, tabs, rowHeights, aspect, taken);
        List<LinePlace> places = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            places.add(new LinePlace(wide.get(i), tabs.get(i)));
        }
        return places;
    }

    private static List<Area> tabs(
            List<List<Area>> lines,
            List<Area> high,
            Predicate<Area> free,
            List<Area> taken,
            double side,
            double aspect) {
        List<Area> tabs = new ArrayList<>();
        lines.forEach(line -> tabs.add(null));
        List<Integer> left = new ArrayList<>(IntStream.range(0, lines.size())
                .boxed()
                .sorted(Comparator.comparingDouble(line -> first(lines, line).x()))
                .toList());
        while (!left.isEmpty()) {
            // The column before the line that begins furthest to the left serves all that have nothing between it and
            // them.
            double beginning =
                    lines.get(left.get(0)).stream().mapToDouble(Area::x).min().orElseThrow();
            double x = beginning - side * (1 + 2 * AIR);
            List<Integer> unserved = new ArrayList<>();
            for (int line : left) {
                Area tab = tab(first(lines, line), x, side, aspect);
                if (first(lines, line).x() - beginning <= FURTHEST
                        && isFree(tab, line, lines, high, tabs, free, taken)) {
                    tabs.set(line, tab);
                } else {
                    unserved.add(line);
                }
            }
            unserved.removeIf(line -> first(lines, line).x() - beginning < SAME_BEGINNING);
            left = unserved;
        }
        return tabs;
    }

    private static Area first(List<List<Area>> lines, int line) {
        return lines.get(line).get(0);
    }

    private static Area tab(Area row, double x, double side, double aspect) {
        double h = side * aspect;
        return new Area(x, row.middleY() - h / 2, side, h);
    }

    private static boolean isFree(
            Area tab,
            int line,
            List<List<Area>> lines,
            List<Area> high,
            List<Area> tabs,
            Predicate<Area> free,
            List<Area> taken) {
        double airX = tab.w() * AIR;
        double airY = tab.h() * AIR;
        Area withAir = new Area(tab.x() - airX, tab.y() - airY, tab.w() + 2 * airX, tab.h() + 2 * airY);
        if (tab.x() < 0 || tab.y() < 0 || tab.right() > 1 || tab.bottom() > 1 || !free.test(withAir)) {
            return false;
        }
        Area own = high.get(line);
        // It is no higher than what is pressed.
        if (tab.y() < own.y() || tab.bottom() > own.bottom()) {
            return false;
        }
        Area way = Area.between(tab.x(), own.y(), Math.max(tab.right(), own.x()), own.bottom());
        for (int other = 0; other < high.size(); other++) {
            // Between a tab and its line stands no other one.
            if (other != line
                    && (way.touches(high.get(other)) || tabs.get(other) != null && withAir.touches(tabs.get(other)))) {
                return false;
            }
        }
        return taken.stream().noneMatch(withAir::touches);
    }
}
