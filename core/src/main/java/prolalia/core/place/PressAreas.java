package prolalia.core.place;

import java.util.ArrayList;
import java.util.List;

/**
 * What is pressed to hear a line: the place of all its rows, grown into the free space around it. Where two lines are near each
 * other, each gets half of the gap, so that no two places overlap.
 *
 * <p>Stateless and thread-safe.
 */
public final class PressAreas {
    /** Beyond its words a line is pressed as far as this, in heights of a row, where there is room. */
    private static final double BESIDE = 1.2;

    /** ... and above and below, also where it is high enough. */
    private static final double ROOM = 0.3;

    /** Places that share more than this of the smaller one stand on the same spot. */
    private static final double SAME = 0.6;

    /** Of the page: what is nearer isn't told apart. */
    private static final double TINY = 1e-6;

    private PressAreas() {}

    /**
     * Grown above and below alone, which leaves the margins free.
     *
     * @param rows of each line: the places of its rows, at least one each
     * @param least how high each is to be where there is room, as a share of the page's height
     * @param taken what else is pressed on the page
     * @return a place for each line; none is empty, and no two overlap
     */
    public static List<Area> high(List<List<Area>> rows, double least, List<Area> taken) {
        List<Area> bases = apart(rows);
        List<Area> grown = new ArrayList<>();
        for (int i = 0; i < bases.size(); i++) {
            Area base = bases.get(i);
            double row = rows.get(i).stream().mapToDouble(Area::h).max().orElse(base.h());
            double above = base.y();
            double below = 1 - base.bottom();
            for (Area other : others(bases, i, taken)) {
                if (sharesWidth(base, other) && !base.touches(other)) {
                    if (other.bottom() <= base.y() + TINY) {
                        above = Math.min(above, half(base.y() - other.bottom(), other, taken));
                    } else if (other.y() >= base.bottom() - TINY) {
                        below = Math.min(below, half(other.y() - base.bottom(), other, taken));
                    }
                }
            }
            above = Math.max(0, above);
            below = Math.max(0, below);
            double wanted = Math.max(2 * ROOM * row, least - base.h());
            double up = Math.min(above, Math.max(wanted / 2, wanted - below));
            double down = Math.min(below, wanted - up);
            grown.add(Area.between(base.x(), base.y() - up, base.right(), base.bottom() + down));
        }
        return grown;
    }

    /**
     * Grown to both sides as well.
     *
     * @param high as {@link #high} made them
     * @param with for each line what it is to reach as far as, such as its tab; null: nothing
     * @param rowHeight of each line
     */
    public static List<Area> wide(
            List<Area> high, List<Area> with, List<Double> rowHeight, double aspect, List<Area> taken) {
        List<Area> wide = new ArrayList<>();
        for (int i = 0; i < high.size(); i++) {
            Area area = high.get(i);
            double room = BESIDE * rowHeight.get(i) / aspect;
            Area tab = with.get(i);
            double left = tab == null ? area.x() - room : Math.min(area.x() - room, tab.x());
            double right = tab == null ? area.right() + room : Math.max(area.right() + room, tab.right());
            for (int j = 0; j < high.size() + taken.size(); j++) {
                if (j == i) {
                    continue;
                }
                Area other = j < high.size() ? high.get(j) : taken.get(j - high.size());
                Area reach = j < high.size() && with.get(j) != null ? reach(other, with.get(j)) : other;
                if (!sharesHeight(area, other) || area.touches(other)) {
                    continue;
                }
                if (other.right() <= area.x() + TINY) {
                    double edge = Math.max(reach.right(), (other.right() + area.x()) / 2);
                    left = Math.max(left, Math.min(edge, tab == null ? area.x() : Math.min(area.x(), tab.x())));
                } else if (other.x() >= area.right() - TINY) {
                    double edge = Math.min(reach.x(), (area.right() + other.x()) / 2);
                    right = Math.min(right, Math.max(edge, area.right()));
                }
            }
            wide.add(Area.between(Math.max(0, left), area.y(), Math.min(1, right), area.bottom()));
        }
        return wide;
    }

    private static Area reach(Area area, Area tab) {
        return Area.between(Math.min(area.x(), tab.x()), area.y(), Math.max(area.right(), tab.right()), area.bottom());
    }

    private static double half(double gap, Area other, List<Area> taken) {
        return taken.contains(other) ? gap : gap / 2;
    }

    private static List<Area> others(List<Area> bases, int but, List<Area> taken) {
        List<Area> others = new ArrayList<>(bases);
        others.remove(but);
        others.addAll(taken);
        return others;
    }

    private static boolean sharesWidth(Area one, Area other) {
        return one.x() < other.right() - TINY && other.x() < one.right() - TINY;
    }

    private static boolean sharesHeight(Area one, Area other) {
        return one.y() < other.bottom() - TINY && other.y() < one.bottom() - TINY;
    }

    /** The place of all rows of each line; where those overlap, each gives way. */
    private static List<Area> apart(List<List<Area>> rows) {
        List<Area> bases = new ArrayList<>();
        for (List<Area> each : rows) {
            bases.add(each.stream().reduce(Area::with).orElseThrow());
        }
        for (int i = 0; i < bases.size(); i++) {
            for (int j = i + 1; j < bases.size(); j++) {
                if (overlap(bases.get(i), bases.get(j)) > 0) {
                    divide(bases, rows, i, j);
                }
            }
        }
        return bases;
    }

    private static double overlap(Area one, Area other) {
        double w = Math.min(one.right(), other.right()) - Math.max(one.x(), other.x());
        double h = Math.min(one.bottom(), other.bottom()) - Math.max(one.y(), other.y());
        return w <= TINY || h <= TINY ? 0 : w * h;
    }

    /** Cuts two places apart by the line, across or down, that leaves most of both lines' rows to them. */
    private static void divide(List<Area> bases, List<List<Area>> rows, int i, int j) {
        Area one = bases.get(i);
        Area other = bases.get(j);
        if (overlap(one, other) > SAME * Math.min(one.w() * one.h(), other.w() * other.h())
                && Math.abs(one.middleY() - other.middleY()) < TINY
                && Math.abs(one.middleX() - other.middleX()) < TINY) {
            // Two lines at the very same place: one above the other.
            bases.set(i, Area.between(one.x(), one.y(), one.right(), one.middleY()));
            bases.set(
                    j, Area.between(other.x(), one.middleY(), other.right(), Math.max(other.bottom(), one.middleY())));
            return;
        }
        Area[] best = null;
        double most = -1;
        for (Area[] pair : cuts(one, other, rows.get(i), rows.get(j))) {
            double kept = kept(pair[0], rows.get(i)) * kept(pair[1], rows.get(j));
            if (kept > most) {
                most = kept;
                best = pair;
            }
        }
        bases.set(i, best[0]);
        bases.set(j, best[1]);
    }

    private static List<Area[]> cuts(Area one, Area other, List<Area> ofOne, List<Area> ofOther) {
        List<Double> across = new ArrayList<>(List.of((one.middleY() + other.middleY()) / 2));
        List<Double> down = new ArrayList<>(List.of((one.middleX() + other.middleX()) / 2));
        for (List<Area> each : List.of(ofOne, ofOther)) {
            for (Area row : each) {
                across.addAll(List.of(row.y(), row.bottom()));
                down.addAll(List.of(row.x(), row.right()));
            }
        }
        List<Area[]> pairs = new ArrayList<>();
        for (double y : across) {
            pairs.add(new Area[] {above(one, y), below(other, y)});
            pairs.add(new Area[] {below(one, y), above(other, y)});
        }
        for (double x : down) {
            pairs.add(new Area[] {before(one, x), after(other, x)});
            pairs.add(new Area[] {after(one, x), before(other, x)});
        }
        return pairs;
    }

    private static Area above(Area area, double y) {
        return Area.between(area.x(), area.y(), area.right(), Math.max(area.y(), Math.min(area.bottom(), y)));
    }

    private static Area below(Area area, double y) {
        return Area.between(area.x(), Math.min(area.bottom(), Math.max(area.y(), y)), area.right(), area.bottom());
    }

    private static Area before(Area area, double x) {
        return Area.between(area.x(), area.y(), Math.max(area.x(), Math.min(area.right(), x)), area.bottom());
    }

    private static Area after(Area area, double x) {
        return Area.between(Math.min(area.right(), Math.max(area.x(), x)), area.y(), area.right(), area.bottom());
    }

    /** How much of a line's rows is within a place: 0 to 1. */
    private static double kept(Area area, List<Area> rows) {
        double within = 0;
        double all = 0;
        for (Area row : rows) {
            within += overlap(area, row);
            all += row.w() * row.h();
        }
        return all == 0 ? 0 : within / all;
    }
}
