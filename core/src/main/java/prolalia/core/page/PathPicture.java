package prolalia.core.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * The picture of the ways through a lesson: pages in rows as they follow each other, ways as lines between them. Lengths are
 * in the picture's own units.
 */
public record PathPicture(double width, double height, List<Sheet> sheets, List<Line> lines) {
    private static final double SHEET_WIDTH = 120;
    private static final double SHEET_HEIGHT = 90;
    private static final double GAP_X = 70;
    private static final double GAP_Y = 110;
    private static final double EDGE = 74;

    /** Where a page stands; {@code page} counts from 0. */
    public record Sheet(int page, double x, double y, double w, double h) {}

    /** @param d of an SVG path (SVG 2, section 9.3) that ends where its arrow head is to be */
    public record Line(Paths.Way way, String d) {}

    /** @param perRow how many pages stand beside each other */
    public static PathPicture of(Paths paths, int perRow) {
        List<Sheet> sheets = new ArrayList<>();
        for (int page = 0; page < paths.pages(); page++) {
            sheets.add(new Sheet(
                    page,
                    EDGE + page % perRow * (SHEET_WIDTH + GAP_X),
                    EDGE + page / perRow * (SHEET_HEIGHT + GAP_Y),
                    SHEET_WIDTH,
                    SHEET_HEIGHT));
        }
        List<Line> lines = new ArrayList<>();
        for (int i = 0; i < paths.ways().size(); i++) {
            Paths.Way way = paths.ways().get(i);
            if (way.from() < paths.pages() && way.to() < paths.pages()) {
                lines.add(new Line(way, line(sheets.get(way.from()), sheets.get(way.to()), way, i)));
            }
        }
        int rows = (paths.pages() + perRow - 1) / perRow;
        int columns = Math.min(perRow, paths.pages());
        return new PathPicture(
                2 * EDGE + columns * SHEET_WIDTH + Math.max(0, columns - 1) * GAP_X,
                2 * EDGE + rows * SHEET_HEIGHT + Math.max(0, rows - 1) * GAP_Y,
                sheets,
                lines);
    }

    private static String line(Sheet from, Sheet to, Paths.Way way, int number) {
        boolean beside = from.y() == to.y() && to.x() > from.x() && to.page() == from.page() + 1;
        if (beside && way.kind() == Paths.Kind.NEXT) {
            double y = from.y() + from.h() / 2;
            return path("M%.0f %.0f L%.0f %.0f", from.x() + from.w(), y, to.x() - 8, y);
        }
        // Ways on are drawn over the pages and ways back under them, each a little higher than the one before.
        boolean on = to.page() > from.page();
        double spread = 14 + number % 5 * 8;
        double startX = from.x() + from.w() * (on ? 0.62 : 0.38);
        double endX = to.x() + to.w() * (on ? 0.38 : 0.62);
        double startY = on ? from.y() : from.y() + from.h();
        double endY = on ? to.y() - 8 : to.y() + to.h() + 8;
        double bend = (on ? -1 : 1) * (22 + spread);
        return path(
                "M%.0f %.0f C%.0f %.0f %.0f %.0f %.0f %.0f",
                startX, startY, startX, startY + bend, endX, endY + bend, endX, endY);
    }

    private static String path(String format, Object... values) {
        return String.format(Locale.ROOT, format, values);
    }
}
