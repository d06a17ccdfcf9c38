package prolalia.formats.code;

import java.awt.Font;
import java.awt.Shape;
import java.awt.font.FontRenderContext;
import java.awt.font.TextLayout;
import java.awt.geom.AffineTransform;
import java.util.ArrayList;
import java.util.List;
import prolalia.formats.paper.Fonts;

/**
 * Words set into a box: in rows, as large as they may be, smaller where they don't fit, and cut off where even that is too
 * large. Writing of all scripts is set as this machine's fonts can; signs that none of them has are left out.
 */
final class SheetText {
    private static final FontRenderContext EXACT = new FontRenderContext(null, true, true);
    private static final double LEADING = 1.18;
    private static final double MM_PER_POINT = 25.4 / 72;
    private static final double SMALLER = 0.93;

    private SheetText() {}

    /**
     * A row of words.
     *
     * @param baseline below the top of the box, in mm
     * @param width in mm
     */
    record Row(String words, double baseline, double width) {}

    /** @param sizePt of its letters */
    record Set(List<Row> rows, double sizePt) {}

    static Set set(String words, boolean bold, double widthMm, double heightMm, double largestPt, double smallestPt) {
        String drawable = drawable(words.strip().replaceAll("\\s+", " "), bold);
        if (drawable.isEmpty() || widthMm <= 1 || heightMm <= 1) {
            return new Set(List.of(), largestPt);
        }
        for (double size = largestPt; ; size = Math.max(smallestPt, size * SMALLER)) {
            int rows = Math.max(1, (int) Math.floor(heightMm / (size * LEADING * MM_PER_POINT)));
            List<String> broken = broken(drawable, bold, size, widthMm, rows, size <= smallestPt);
            if (broken != null) {
                return placed(broken, bold, size);
            }
        }
    }

    private static Set placed(List<String> rows, boolean bold, double size) {
        List<Row> placed = new ArrayList<>();
        for (int i = 0; i < rows.size(); i++) {
            placed.add(
                    new Row(rows.get(i), (i * LEADING + 0.92) * size * MM_PER_POINT, width(rows.get(i), bold, size)));
        }
        return new Set(placed, size);
    }

    /** In at most so many rows; null: it doesn't fit, and must. @param anyway with the end cut off, then */
    private static List<String> broken(
            String words, boolean bold, double size, double width, int most, boolean anyway) {
        List<String> rows = new ArrayList<>();
        String left = words;
        while (!left.isEmpty()) {
            int fits = fitting(left, bold, size, width);
            boolean withinWord = fits < left.length() && left.charAt(fits) != ' ' && left.lastIndexOf(' ', fits) <= 0;
            if (!anyway && (rows.size() == most || withinWord)) {
                return null;
            }
            int space = fits < left.length() ? left.lastIndexOf(' ', fits) : -1;
            int end = space > 0 ? space : Math.max(1, fits);
            String row = left.substring(0, end).strip();
            left = left.substring(end).strip();
            if (rows.size() == most - 1 && !left.isEmpty() && anyway) {
                rows.add(row.substring(0, Math.max(1, row.offsetByCodePoints(row.length(), -1))) + "…");
                return rows;
            }
            rows.add(row);
        }
        return rows;
    }

    private static int fitting(String text, boolean bold, double size, double width) {
        int low = 1;
        int high = text.length();
        while (low < high) {
            int middle = (low + high + 1) / 2;
            if (width(text.substring(0, middle), bold, size) <= width) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        return low < text.length() && Character.isLowSurrogate(text.charAt(low)) ? Math.max(1, low - 1) : low;
    }

    /** In mm. */
    static double width(String words, boolean bold, double sizePt) {
        return words.isBlank() ? 0 : layout(words, bold, sizePt).getAdvance() * MM_PER_POINT;
    }

    /** The letters as drawn from the start of their baseline, in points, y downwards. */
    static Shape outline(String words, boolean bold, double sizePt) {
        return layout(words, bold, sizePt).getOutline(new AffineTransform());
    }

    private static TextLayout layout(String words, boolean bold, double sizePt) {
        return new TextLayout(words, font(words, bold).deriveFont((float) sizePt), EXACT);
    }

    private static Font font(String words, boolean bold) {
        int style = bold ? Font.BOLD : Font.PLAIN;
        Font own = new Font(Fonts.standIn(null), style, 1);
        return own.canDisplayUpTo(words) < 0 ? own : Fonts.anyScript(style);
    }

    private static String drawable(String words, boolean bold) {
        Font any = font(words, bold);
        StringBuilder drawable = new StringBuilder();
        words.codePoints()
                .filter(each -> any.canDisplay(each) && !Character.isISOControl(each))
                .forEach(drawable::appendCodePoint);
        return drawable.toString().strip();
    }
}
