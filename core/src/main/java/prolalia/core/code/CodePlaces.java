package prolalia.core.code;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import prolalia.core.place.Area;
import prolalia.core.place.InkMap;

/**
 * Finds places for codes on a page on which there is something already: free of ink, one beside each question. All codes of a
 * page have one size: that at which most stand beside their question, the larger the better.
 *
 * <p>Costs are distances in mm: what is nearest to its question, beside its first row, wins. Stateless.
 */
public final class CodePlaces {
    /** So far from a paper's edge it is printed by every printer, and neither punched nor under a thumb. */
    static final double EDGE_MM = 8;

    /** Ink stays so far from a code, beyond its quiet zone. */
    static final double CLEAR_MM = 0.6;

    private static final double STEP_MM = 1;
    private static final int COARSE = 2;

    /** Sizes that are tried, from the wanted one down, each by the one before. */
    private static final double SMALLER = 0.92;

    /** Beyond this gap it isn't seen whose code it is. */
    private static final double BESIDE_MM = 12;

    private static final double HAIRLINE_MM = 0.5;

    /** Along a line so much is free to both sides: it doesn't run between words. */
    private static final double LANE_MM = 1;

    /** A smaller code is worth a little less than a larger one. */
    private static final double WORTH_OF_SIZE = 0.5;

    /** Farther from its question a code is of no use to anybody who looks for it there. */
    private static final double FARTHEST_MM = 70;

    private static final double ABOVE = 1.6;
    private static final double FROM_TEXT_MM = 2;
    private static final double OUT_OF_COLUMN = 0.3;
    private static final double NEARNESS = 0.2;
    private static final double LEFT_OF_TEXT = 6;

    /** A little more than 1: in the lower half of a page the lower place is the better one. */
    private static final double TO_CORNER = 1.01;

    private CodePlaces() {}

    /**
     * A page as it is seen.
     *
     * @param ink of everything on it
     * @param others where nothing may stand although there is no ink, as fields that are filled in
     */
    public record Sheet(double widthMm, double heightMm, InkMap ink, List<Area> others) {
        Area share(double leftMm, double topMm, double wMm, double hMm) {
            return new Area(leftMm / widthMm, topMm / heightMm, wMm / widthMm, hMm / heightMm);
        }

        Box mm(Area area) {
            return new Box(area.x() * widthMm, area.y() * heightMm, area.w() * widthMm, area.h() * heightMm);
        }

        private boolean isFree(double left, double top, double side) {
            Area place = share(left - CLEAR_MM, top - CLEAR_MM, side + 2 * CLEAR_MM, side + 2 * CLEAR_MM);
            return ink.isFree(place) && others.stream().noneMatch(place::touches);
        }
    }

    /**
     * What a code is for.
     *
     * @param first where its first row stands
     * @param whole all that belongs to it, its choices too
     */
    public record Wanted(Area first, Area whole) {}

    /** A straight line from a code to its question, in shares of the page. */
    public record Hairline(double fromX, double fromY, double toX, double toY) {}

    /**
     * Where a code stands.
     *
     * @param area with its quiet zone, in shares of the page
     * @param hairline null: it stands beside its question
     */
    public record Place(Area area, Hairline hairline) {}

    /** @param print how large all codes of the page are @param places one for each that was wanted; empty: there is no room */
    public record Placed(CodePrint print, List<Optional<Place>> places) {}

    /** In mm. */
    record Box(double x, double y, double w, double h) {
        double right() {
            return x + w;
        }

        double bottom() {
            return y + h;
        }

        double gapX(Box other) {
            return Math.max(0, Math.max(x - other.right(), other.x - right()));
        }

        double gapY(Box other) {
            return Math.max(0, Math.max(y - other.bottom(), other.y - bottom()));
        }

        double gap(Box other) {
            return Math.hypot(gapX(other), gapY(other));
        }
    }

    private record Candidate(Box box, double cost, Hairline hairline) {}

    /** @param wanted in reading order @param print the size that is wished for; smaller ones are tried */
    public static Placed beside(Sheet sheet, List<Wanted> wanted, CodePrint print) {
        List<Box> wholes = wanted.stream().map(each -> sheet.mm(each.whole())).toList();
        Tried best = null;
        Tried smallest = null;
        double most = -1;
        for (double module = print.moduleMm(); module >= CodePrint.SMALLEST_MODULE_MM; module *= SMALLER) {
            Tried tried = tried(sheet, wanted, wholes, new CodePrint(print.symbol(), module));
            double worth = tried.found() * (1 - WORTH_OF_SIZE * (1 - module / print.moduleMm()));
            if (worth > most) {
                best = tried;
                most = worth;
            }
            smallest = tried;
        }
        leadAway(sheet, wanted, wholes, best);
        if (best != smallest && best.found() < wanted.size()) {
            leadAway(sheet, wanted, wholes, smallest);
            best = smallest.found() > best.found() ? smallest : best;
        }
        List<Optional<Place>> places = new ArrayList<>();
        for (Candidate candidate : best.chosen()) {
            places.add(Optional.ofNullable(candidate)
                    .map(found -> new Place(area(sheet, found.box()), found.hairline())));
        }
        return new Placed(best.print(), places);
    }

    /** Who has no place beside it is led to from farther away. */
    private static void leadAway(Sheet sheet, List<Wanted> wanted, List<Box> wholes, Tried tried) {
        for (int i : tried.order()) {
            if (tried.chosen()[i] == null) {
                tried.chosen()[i] =
                        away(sheet, sheet.mm(wanted.get(i).first()), wholes, i, tried.free(), tried.chosen());
            }
        }
    }

    /** Codes of one size beside their questions. @param order in which questions choose @param chosen null: no place */
    private record Tried(CodePrint print, List<Box> free, List<Integer> order, Candidate[] chosen) {
        private long found() {
            return Arrays.stream(chosen).filter(each -> each != null).count();
        }
    }

    /** A place for one code of the whole page: in a free corner, the upper right one first. */
    public static Placed inCorner(Sheet sheet, CodePrint print) {
        for (double module = print.moduleMm(); module >= CodePrint.SMALLEST_MODULE_MM; module *= SMALLER) {
            CodePrint smaller = new CodePrint(print.symbol(), module);
            Optional<Box> found = free(sheet, smaller).stream()
                    .min(Comparator.comparingDouble(box -> (sheet.widthMm() - box.right())
                            + box.y()
                            // The lower right corner before the middle of the page, and before what is above it.
                            + TO_CORNER * Math.min(box.y(), sheet.heightMm() - box.bottom())));
            if (found.isPresent()) {
                return new Placed(smaller, List.of(found.map(box -> new Place(area(sheet, box), null))));
            }
        }
        return new Placed(print, List.of(Optional.empty()));
    }

    private static Tried tried(Sheet sheet, List<Wanted> wanted, List<Box> wholes, CodePrint print) {
        List<Box> free = free(sheet, print);
        List<List<Candidate>> beside = new ArrayList<>();
        for (int i = 0; i < wanted.size(); i++) {
            beside.add(beside(sheet, sheet.mm(wanted.get(i).first()), wholes, i, free));
        }
        List<Integer> order = new ArrayList<>();
        for (int i = 0; i < wanted.size(); i++) {
            order.add(i);
        }
        // Who has fewest places chooses first.
        order.sort(Comparator.comparingInt(i -> beside.get(i).size()));
        Candidate[] chosen = new Candidate[wanted.size()];
        for (int i : order) {
            chosen[i] = beside.get(i).stream()
                    .filter(candidate -> isClearOf(candidate, chosen, sheet))
                    .findFirst()
                    .orElse(null);
        }
        return new Tried(print, free, order, chosen);
    }

    private static boolean isClearOf(Candidate candidate, Candidate[] chosen, Sheet sheet) {
        for (Candidate other : chosen) {
            if (other != null
                    && (candidate.box().gap(other.box()) < CLEAR_MM
                            || crosses(candidate.hairline(), other.box(), sheet)
                            || crosses(other.hairline(), candidate.box(), sheet))) {
                return false;
            }
        }
        return true;
    }

    static boolean crosses(Hairline line, Box box, Sheet sheet) {
        if (line == null) {
            return false;
        }
        double length = Math.hypot(
                (line.toX() - line.fromX()) * sheet.widthMm(), (line.toY() - line.fromY()) * sheet.heightMm());
        int steps = (int) Math.ceil(length / HAIRLINE_MM);
        for (int i = 0; i <= steps; i++) {
            double at = (double) i / Math.max(1, steps);
            Box point = new Box(
                    (line.fromX() + at * (line.toX() - line.fromX())) * sheet.widthMm(),
                    (line.fromY() + at * (line.toY() - line.fromY())) * sheet.heightMm(),
                    0,
                    0);
            if (point.gap(box) < HAIRLINE_MM) {
                return true;
            }
        }
        return false;
    }

    private static List<Box> free(Sheet sheet, CodePrint print) {
        List<Box> free = new ArrayList<>();
        double edge = EDGE_MM;
        double side = print.sideMm();
        for (double top = edge; top + side <= sheet.heightMm() - edge; top += STEP_MM) {
            for (double left = edge; left + side <= sheet.widthMm() - edge; left += STEP_MM) {
                if (sheet.isFree(left, top, side)) {
                    free.add(new Box(left, top, side, side));
                }
            }
            // The right margin to its very edge.
            double last = sheet.widthMm() - edge - side;
            if (last > edge && sheet.isFree(last, top, side)) {
                free.add(new Box(last, top, side, side));
            }
        }
        return free;
    }

    /** Best first. */
    private static List<Candidate> beside(Sheet sheet, Box first, List<Box> wholes, int own, List<Box> free) {
        List<Candidate> candidates = new ArrayList<>();
        for (Box box : free) {
            if (isBeside(sheet, box, wholes.get(own), wholes, own)) {
                candidates.add(new Candidate(box, cost(box, first, wholes, own), null));
            }
        }
        candidates.sort(Comparator.comparingDouble(Candidate::cost));
        return candidates;
    }

    /** The nearest place from which a line leads to the question; null: there is none. */
    private static Candidate away(
            Sheet sheet, Box first, List<Box> wholes, int own, List<Box> free, Candidate[] chosen) {
        return free.stream()
                .filter(box -> isOnCoarseGrid(box)
                        && box.gap(wholes.get(own)) <= FARTHEST_MM
                        && isNearest(box, wholes, own)
                        && !isAtAnother(box, wholes, own))
                .map(box -> new Candidate(box, cost(box, first, wholes, own), null))
                .sorted(Comparator.comparingDouble(Candidate::cost))
                .map(each -> new Candidate(each.box(), each.cost(), hairline(sheet, each.box(), first, wholes, own)))
                .filter(each -> each.hairline() != null && isClearOf(each, chosen, sheet))
                .findFirst()
                .orElse(null);
    }

    /** From farther away a millimetre more or less doesn't matter. */
    private static boolean isOnCoarseGrid(Box box) {
        return Math.floorMod((int) box.x(), COARSE) == 0 && Math.floorMod((int) box.y(), COARSE) == 0;
    }

    private static double cost(Box box, Box first, List<Box> wholes, int own) {
        Box whole = wholes.get(own);
        double toOwn = box.gap(whole);
        // Its top beside that of the first row: where one begins to read.
        double offset = Math.abs(box.y() - first.y());
        // Codes of a column of text stand in a column of their own, to its right.
        double aside = Math.abs(box.x() - rightOfColumn(wholes, whole) - FROM_TEXT_MM);
        double cost = OUT_OF_COLUMN * aside + (box.y() < first.y() ? ABOVE : 1) * offset + NEARNESS * toOwn;
        cost += box.right() <= whole.x() ? LEFT_OF_TEXT : 0;
        return cost;
    }

    private static double rightOfColumn(List<Box> wholes, Box one) {
        return wholes.stream()
                .filter(other -> other.x() < one.right() && one.x() < other.right())
                .mapToDouble(Box::right)
                .max()
                .orElse(one.right());
    }

    /** Whether it is seen without a line whose code it is: on the question's height, near, and nothing of another one between. */
    private static boolean isBeside(Sheet sheet, Box box, Box whole, List<Box> wholes, int own) {
        double middle = box.y() + box.h() / 2;
        boolean onItsHeight = middle >= whole.y() - 2 && middle <= whole.bottom() + 2;
        boolean rightUnder = box.gapY(whole) <= 2 && box.gapX(whole) == 0;
        if (!onItsHeight && !rightUnder) {
            return false;
        }
        double between = whole.gapX(box);
        double from = Math.min(whole.right(), box.right());
        double to = Math.max(whole.x(), box.x());
        boolean nothingBetween = between == 0
                || sheet.ink().isFree(sheet.share(from + 0.2, middle - 1, Math.max(0.1, to - from - 0.4), 2));
        // In the margin, on the same height with nothing between, a code may be farther away.
        return isNearest(box, wholes, own) && nothingBetween && (between <= BESIDE_MM || onItsHeight);
    }

    /** Whether no other question is nearer: a line alone doesn't keep it from being taken for that one's. */
    private static boolean isNearest(Box box, List<Box> wholes, int own) {
        double toOwn = box.gap(wholes.get(own));
        for (int i = 0; i < wholes.size(); i++) {
            if (i != own && box.gap(wholes.get(i)) < toOwn) {
                return false;
            }
        }
        return true;
    }

    /** Whether it would be taken for another question's code, whatever line leads to it. */
    private static boolean isAtAnother(Box box, List<Box> wholes, int own) {
        double middle = box.y() + box.h() / 2;
        for (int i = 0; i < wholes.size(); i++) {
            Box other = wholes.get(i);
            boolean onItsHeight = middle >= other.y() && middle <= other.bottom();
            if (i != own && onItsHeight && box.gapX(other) <= BESIDE_MM) {
                return true;
            }
        }
        return false;
    }

    /** From the code to the end or the start of the question's first row; null where that would cross ink. */
    private static Hairline hairline(Sheet sheet, Box box, Box first, List<Box> wholes, int own) {
        double toY = first.y() + first.h() / 2;
        boolean codeIsRight = box.x() + box.w() / 2 > first.right();
        double[][] ends = {
            {codeIsRight ? first.right() + FROM_TEXT_MM : first.x() - FROM_TEXT_MM, toY},
            {codeIsRight ? first.x() - FROM_TEXT_MM : first.right() + FROM_TEXT_MM, toY}
        };
        for (double[] end : ends) {
            double fromX = Math.max(box.x(), Math.min(box.right(), end[0]));
            double fromY = Math.max(box.y(), Math.min(box.bottom(), end[1]));
            Hairline line = new Hairline(
                    fromX / sheet.widthMm(),
                    fromY / sheet.heightMm(),
                    end[0] / sheet.widthMm(),
                    end[1] / sheet.heightMm());
            boolean through = false;
            for (int i = 0; i < wholes.size(); i++) {
                through |= i != own && crosses(line, wholes.get(i), sheet);
            }
            if (!through && isFreeAlong(sheet, fromX, fromY, end[0], end[1])) {
                return line;
            }
        }
        return null;
    }

    private static boolean isFreeAlong(Sheet sheet, double fromX, double fromY, double toX, double toY) {
        double length = Math.hypot(toX - fromX, toY - fromY);
        int steps = (int) Math.ceil(length / HAIRLINE_MM);
        for (int i = 0; i <= steps; i++) {
            double at = (double) i / Math.max(1, steps);
            double x = fromX + at * (toX - fromX);
            double y = fromY + at * (toY - fromY);
            if (x < 0 || y < 0 || x > sheet.widthMm() || y > sheet.heightMm()) {
                return false;
            }
            if (!sheet.ink().isFree(sheet.share(x - LANE_MM, y - LANE_MM, 2 * LANE_MM, 2 * LANE_MM))) {
                return false;
            }
        }
        return true;
    }

    static Area area(Sheet sheet, Box box) {
        return sheet.share(box.x(), box.y(), box.w(), box.h());
    }
}
