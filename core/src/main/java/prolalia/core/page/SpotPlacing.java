package prolalia.core.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import prolalia.core.place.Area;
import prolalia.core.place.InkMap;

/**
 * Finds a free place for the mark of a spot beside the line that it sounds, by looking at the picture of the page: before the
 * line where there is a margin, else after it, else as near as there is room.
 */
public final class SpotPlacing {
    /** A mark is this wide, as a share of the page's width, where there is room: 56 px on a tablet held upright, 768 wide. */
    public static final double SIDE = 56.0 / 768;

    /** The least; on the screen a mark is drawn no smaller than 56 px all the same. */
    private static final double LEAST_SIDE = 0.04;

    private static final double[] SIZES = {1, 0.85, 0.7, 0.56};

    /** Between mark and line, and between marks, in sides. */
    private static final double AIR = 0.12;

    private static final double TOP_MARGIN = 0.03;

    private static final double STEP = 0.25;

    /** Before the line is better than after it, and after it better than above or below, by so many sides of distance. */
    private static final double AFTER = 0.8;

    private static final double ABOVE_OR_BELOW = 1.6;

    /** A smaller mark must be nearer by this much to be worth it. */
    private static final double SMALLER = 2;

    /** Off the row of the line, by so many times the distance. */
    private static final double OFF_ROW = 2.5;

    private SpotPlacing() {}

    /**
     * @param free whether the mark covers nothing there
     */
    public record Place(Area area, boolean free) {}

    /**
     * @param box where the line stands; there may be room in it beside the words
     * @param taken where other marks and things are already
     * @param aspect width by height of the page
     */
    public static Place beside(Area box, InkMap ink, List<Area> taken, double aspect) {
        Area line = ink.tight(box);
        Place best = null;
        double bestCost = Double.MAX_VALUE;
        for (double size : SIZES) {
            double w = Math.max(LEAST_SIDE, SIDE * size);
            double h = w * aspect;
            double sizeCost = SMALLER * (1 - size);
            for (Area candidate : candidates(line, w, h)) {
                double cost = sizeCost + distance(line, candidate, w, h);
                if (cost < bestCost && isFree(candidate, ink, taken, w * AIR, h * AIR)) {
                    best = new Place(candidate, true);
                    bestCost = cost;
                }
            }
        }
        return best != null ? best : new Place(leastInk(line, ink, taken, aspect), false);
    }

    /**
     * Places marks for lines whose words have no place on the picture: each below the mark of the line before it, from the top
     * of the margin.
     *
     * @param marks of the lines in reading order: where the mark is, or empty where one is wanted
     * @param taken where things are already, those marks too
     * @return a place for each that is wanted, in order
     */
    public static List<Area> downThePage(List<Optional<Area>> marks, InkMap ink, List<Area> taken, double aspect) {
        List<Area> placed = new ArrayList<>();
        List<Area> takenNow = new ArrayList<>(taken);
        Area near = new Area(SIDE, TOP_MARGIN, SIDE, SIDE * aspect);
        for (Optional<Area> mark : marks) {
            Area area = mark.orElse(null);
            if (area == null) {
                area = beside(near, ink, takenNow, aspect).area();
                placed.add(area);
                takenNow.add(area);
            }
            near = area.movedBy(0, area.h() * (1 + 2 * AIR)).onPage();
        }
        return placed;
    }

    private static List<Area> candidates(Area line, double w, double h) {
        List<Area> candidates = new ArrayList<>();
        double firstRow = line.y() + Math.min(line.h(), h) / 2 - h / 2;
        // At the line's own height first, exactly before and after it; then a grid over the page.
        candidates.add(new Area(line.x() - w * (1 + AIR), firstRow, w, h));
        candidates.add(new Area(line.right() + w * AIR, firstRow, w, h));
        for (double x = 0.004; x + w <= 1; x += w * STEP) {
            candidates.add(new Area(x, firstRow, w, h));
            for (double y = 0.004; y + h <= 1; y += h * STEP) {
                candidates.add(new Area(x, y, w, h));
            }
        }
        candidates.removeIf(area -> area.x() < 0 || area.y() < 0 || area.right() > 1 || area.bottom() > 1);
        return candidates;
    }

    /** In sides of the mark. */
    private static double distance(Area line, Area mark, double w, double h) {
        double before = Math.max(0, line.x() - mark.right());
        double after = Math.max(0, mark.x() - line.right());
        double above = Math.max(0, line.y() - mark.bottom());
        double below = Math.max(0, mark.y() - line.bottom());
        double firstRow = line.y() + Math.min(line.h(), h) / 2;
        double offRow = Math.abs(mark.middleY() - firstRow);
        double side = mark.middleX() < line.x() ? 0 : mark.middleX() > line.right() ? AFTER : ABOVE_OR_BELOW;
        return (before + after) / w + 1.5 * (above + below) / h + OFF_ROW * offRow / h + side;
    }

    private static boolean isFree(Area area, InkMap ink, List<Area> taken, double airX, double airY) {
        Area withAir = new Area(area.x() - airX, area.y() - airY, area.w() + 2 * airX, area.h() + 2 * airY);
        return taken.stream().noneMatch(withAir::touches)
                && ink.isFree(new Area(area.x() - airX / 2, area.y() - airY / 2, area.w() + airX, area.h() + airY));
    }

    /** Where there is no room: over as little as can be, near the line. */
    private static Area leastInk(Area line, InkMap ink, List<Area> taken, double aspect) {
        double w = Math.max(LEAST_SIDE, SIDE * SIZES[SIZES.length - 1]);
        double h = w * aspect;
        Area best = new Area(line.x(), line.y(), w, h).onPage();
        double bestCost = Double.MAX_VALUE;
        for (Area candidate : candidates(line, w, h)) {
            boolean onOther = taken.stream().anyMatch(candidate::touches);
            double cost = distance(line, candidate, w, h) + ink.inkIn(candidate) * 0.05 + (onOther ? 50 : 0);
            if (cost < bestCost) {
                best = candidate;
                bestCost = cost;
            }
        }
        return best;
    }
}
