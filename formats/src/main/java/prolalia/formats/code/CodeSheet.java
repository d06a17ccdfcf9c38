package prolalia.formats.code;

import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import prolalia.core.code.CodeCard;
import prolalia.core.code.CodeCard.Box;
import prolalia.core.code.CodeCard.Layout;
import prolalia.core.code.CodeSymbol;
import prolalia.core.code.CodeSymbol.TooLongException;
import prolalia.core.code.SheetGrid;
import prolalia.core.code.SheetGrid.Cell;

/**
 * Sheets of codes, laid out: what is drawn where, in mm, for {@link SheetPdf} and {@link SheetSvg} alike.
 *
 * <pre>{@code
 * CodeSheet sheet = CodeSheet.of(items, Layout.GRID, CodeCard.grid(Layout.GRID, SheetPaper.A4), 0);
 * byte[] pdf = SheetPdf.of(sheet, "Codes");
 * }</pre>
 *
 * @param grid of its cells
 * @param sheets what is on each
 * @param leftOut those whose code would be too small for a cell, or whose address is too long for any
 */
public record CodeSheet(SheetGrid grid, List<List<Mark>> sheets, List<Item> leftOut) {
    private static final double LARGEST_NAME_PT = 20;
    private static final double LARGEST_SIGN_PT = 54;
    private static final double SMALLEST_NAME_PT = 6;
    private static final double LARGEST_TYPED_PT = 11;
    private static final double LARGEST_TYPED_SIGN_PT = 30;
    private static final double SMALLEST_TYPED_PT = 5.5;

    /**
     * What a code is made of.
     *
     * @param name what it is called
     * @param address where it leads
     * @param typed what is typed in its place; empty: nothing
     * @param picture of what it is; null: none
     */
    public record Item(String name, String address, String typed, BufferedImage picture) {}

    /** Something on a sheet. */
    public sealed interface Mark {}

    /** A code with its quiet zone. */
    record CodeMark(Box at, CodeImage code) implements Mark {}

    /** A row of words. @param turned upside down about the middle of its card's back */
    record TextMark(String words, boolean bold, double sizePt, double x, double baseline, Turn turned)
            implements Mark {}

    record PictureMark(BufferedImage picture, Box at, Turn turned) implements Mark {}

    /** A dashed line along which is cut, or folded. */
    record LineMark(double fromX, double fromY, double toX, double toY) implements Mark {}

    /** Half a turn about a point; null in a mark: none. */
    record Turn(double x, double y) {}

    /** @param usedUp how many cells of the first sheet are used up */
    public static CodeSheet of(List<Item> items, Layout layout, SheetGrid grid, int usedUp) {
        List<List<Mark>> sheets = new ArrayList<>();
        List<Item> leftOut = new ArrayList<>();
        int at = Math.floorMod(usedUp, grid.perSheet());
        for (Item item : items) {
            Optional<CodeCard> card = card(item, layout, grid);
            if (card.isEmpty()) {
                leftOut.add(item);
                continue;
            }
            Cell cell = grid.cell(at++);
            while (sheets.size() <= cell.sheet()) {
                sheets.add(new ArrayList<>(layout == Layout.GRID || layout == Layout.CARDS ? cuts(grid) : List.of()));
            }
            draw(item, card.get(), cell, layout, sheets.get(cell.sheet()));
        }
        if (sheets.isEmpty()) {
            sheets.add(new ArrayList<>());
        }
        return new CodeSheet(grid, sheets, leftOut);
    }

    /** The codes of a sheet, in the order of their cells. */
    List<CodeMark> codes(int sheet) {
        return sheets.get(sheet).stream()
                .filter(CodeMark.class::isInstance)
                .map(CodeMark.class::cast)
                .toList();
    }

    private static Optional<CodeCard> card(Item item, Layout layout, SheetGrid grid) {
        try {
            return CodeCard.in(
                    layout, CodeSymbol.of(item.address()), item.picture() != null, grid.width(), grid.height());
        } catch (TooLongException tooLong) {
            return Optional.empty();
        }
    }

    private static void draw(Item item, CodeCard card, Cell cell, Layout layout, List<Mark> sheet) {
        sheet.add(new CodeMark(
                on(cell, card.code()), CodeImage.of(item.address(), card.print().symbol())));
        Turn turn = card.turned() ? new Turn(cell.left() + cell.width() / 2, cell.top() + card.foldY() / 2) : null;
        boolean sign = layout == Layout.SIGNS;
        if (card.picture() != null) {
            sheet.add(new PictureMark(item.picture(), on(cell, card.picture()), turn));
        }
        text(
                item.name(),
                true,
                on(cell, card.name()),
                sign ? LARGEST_SIGN_PT : LARGEST_NAME_PT,
                SMALLEST_NAME_PT,
                turn,
                sheet);
        text(
                item.typed(),
                false,
                on(cell, card.typed()),
                sign ? LARGEST_TYPED_SIGN_PT : LARGEST_TYPED_PT,
                SMALLEST_TYPED_PT,
                null,
                sheet);
        if (card.foldY() > 0) {
            double fold = cell.top() + card.foldY();
            sheet.add(new LineMark(cell.left(), fold, cell.left() + cell.width(), fold));
        }
    }

    private static void text(
            String words, boolean bold, Box box, double largest, double smallest, Turn turn, List<Mark> sheet) {
        SheetText.Set set = SheetText.set(words, bold, box.w(), box.h(), largest, smallest);
        for (SheetText.Row row : set.rows()) {
            sheet.add(new TextMark(row.words(), bold, set.sizePt(), box.x(), box.y() + row.baseline(), turn));
        }
    }

    private static Box on(Cell cell, Box box) {
        return new Box(cell.left() + box.x(), cell.top() + box.y(), box.w(), box.h());
    }

    private static List<Mark> cuts(SheetGrid grid) {
        List<Mark> cuts = new ArrayList<>();
        Cell last = grid.cell(grid.perSheet() - 1);
        double right = last.left() + last.width();
        double bottom = last.top() + last.height();
        for (int column = 0; column <= grid.columns(); column++) {
            double x = column == grid.columns() ? right : grid.left() + column * grid.pitchX();
            cuts.add(new LineMark(x, grid.top(), x, bottom));
        }
        for (int row = 0; row <= grid.rows(); row++) {
            double y = row == grid.rows() ? bottom : grid.top() + row * grid.pitchY();
            cuts.add(new LineMark(grid.left(), y, right, y));
        }
        return cuts;
    }
}
