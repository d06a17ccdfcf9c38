package prolalia.core.code;

import java.util.Optional;

/**
 * Where what is printed for a code stands in its cell: lengths in mm from the cell's top left corner.
 *
 * @param print the code, as large as the cell allows
 * @param code the code with its quiet zone
 * @param name what it is
 * @param typed what is typed in its place
 * @param picture null: there is none, or no room for it
 * @param turned whether name and picture stand upside down: the card is folded along its middle, and they are its back
 * @param foldY where it is folded; 0: nowhere
 */
public record CodeCard(CodePrint print, Box code, Box name, Box typed, Box picture, boolean turned, double foldY) {
    private static final double PADDING_MM = 3;
    private static final double SMALL_PADDING_MM = 1.2;
    private static final double SMALL_CELL_MM = 45;
    private static final double TYPED_MM = 6;

    /** A name needs as much, or it stands below. */
    private static final double LEAST_TEXT_MM = 24;

    private static final double TEXT_SHARE = 0.4;

    /** Words beside a code are easier to find than a slightly larger code. */
    private static final double BESIDE_BY_BELOW = 0.75;

    private static final double LARGEST_CODE_MM = 62;
    private static final double SIGN_CODE_SHARE = 0.62;

    /** Above the code of a sign stands what it is. */
    private static final double SIGN_NAME_MM = 15;

    public record Box(double x, double y, double w, double h) {
        public double right() {
            return x + w;
        }

        public double bottom() {
            return y + h;
        }
    }

    /** How sheets are laid out. */
    public enum Layout {
        /** Cards to be cut apart. */
        GRID,
        /** Labels to be peeled off. */
        LABELS,
        /** Cards that are folded in the middle and stand. */
        CARDS,
        /** One large sign on each sheet. */
        SIGNS
    }

    /** @return empty: the code would be too small to be read */
    public static Optional<CodeCard> in(Layout layout, CodeSymbol symbol, boolean hasPicture, double w, double h) {
        return switch (layout) {
            case GRID, LABELS -> flat(symbol, hasPicture, w, h);
            case CARDS -> folded(symbol, hasPicture, w, h);
            case SIGNS -> sign(symbol, hasPicture, w, h);
        };
    }

    private static Optional<CodeCard> flat(CodeSymbol symbol, boolean hasPicture, double w, double h) {
        double padding = Math.min(w, h) < SMALL_CELL_MM ? SMALL_PADDING_MM : PADDING_MM;
        double room = Math.max(LEAST_TEXT_MM, w * TEXT_SHARE);
        double beside = Math.min(Math.min(h - 2 * padding, w - 3 * padding - room), LARGEST_CODE_MM);
        double below = Math.min(Math.min(w - 2 * padding, h - 2 * padding - 2 * TYPED_MM), LARGEST_CODE_MM);
        if (beside >= BESIDE_BY_BELOW * below) {
            return CodePrint.within(symbol, beside).map(print -> {
                double side = print.sideMm();
                Box code = new Box(w - padding - side, (h - side) / 2, side, side);
                double width = code.x() - 2 * padding;
                double left = padding;
                double textHeight = h - 2 * padding - TYPED_MM;
                boolean picture = hasPicture && textHeight > 22 && width > 20;
                double pictureHeight = picture ? textHeight * 0.5 : 0;
                return new CodeCard(
                        print,
                        code,
                        new Box(left, padding + pictureHeight, width, textHeight - pictureHeight),
                        new Box(left, h - padding - TYPED_MM, width, TYPED_MM),
                        picture
                                ? new Box(left, padding, Math.min(width, pictureHeight * 1.4), pictureHeight - 1)
                                : null,
                        false,
                        0);
            });
        }
        return CodePrint.within(symbol, below).map(print -> {
            double side = print.sideMm();
            double top = padding + TYPED_MM + Math.max(0, (h - 2 * padding - 2 * TYPED_MM - side) / 2);
            return new CodeCard(
                    print,
                    new Box((w - side) / 2, top, side, side),
                    new Box(padding, padding, w - 2 * padding, top - padding),
                    new Box(padding, h - padding - TYPED_MM, w - 2 * padding, TYPED_MM),
                    null,
                    false,
                    0);
        });
    }

    private static Optional<CodeCard> folded(CodeSymbol symbol, boolean hasPicture, double w, double h) {
        double fold = h / 2;
        double side = Math.min(Math.min(w - 2 * PADDING_MM, fold - 2 * PADDING_MM - TYPED_MM), LARGEST_CODE_MM);
        return CodePrint.within(symbol, side).map(print -> {
            double printed = print.sideMm();
            double pictureHeight = hasPicture ? (fold - 2 * PADDING_MM) * 0.55 : 0;
            return new CodeCard(
                    print,
                    new Box((w - printed) / 2, fold + PADDING_MM, printed, printed),
                    new Box(
                            PADDING_MM,
                            PADDING_MM + pictureHeight,
                            w - 2 * PADDING_MM,
                            fold - 2 * PADDING_MM - pictureHeight),
                    new Box(PADDING_MM, h - PADDING_MM - TYPED_MM, w - 2 * PADDING_MM, TYPED_MM),
                    hasPicture ? new Box(PADDING_MM, PADDING_MM, w - 2 * PADDING_MM, pictureHeight - 1) : null,
                    true,
                    fold);
        });
    }

    private static Optional<CodeCard> sign(CodeSymbol symbol, boolean hasPicture, double w, double h) {
        double side = Math.min(Math.min(w - 2 * PADDING_MM, h * SIGN_CODE_SHARE), h - 4 * TYPED_MM - SIGN_NAME_MM);
        return CodePrint.within(symbol, side).map(print -> {
            double top = h - 4 * TYPED_MM - side;
            double pictureWidth = hasPicture ? Math.min(w * 0.3, top - PADDING_MM) : 0;
            return new CodeCard(
                    print,
                    new Box((w - side) / 2, top, side, side),
                    new Box(
                            PADDING_MM + pictureWidth,
                            PADDING_MM,
                            w - 2 * PADDING_MM - pictureWidth,
                            top - 2 * PADDING_MM),
                    new Box(PADDING_MM, h - 3 * TYPED_MM, w - 2 * PADDING_MM, 2 * TYPED_MM),
                    hasPicture
                            ? new Box(PADDING_MM, PADDING_MM, pictureWidth - PADDING_MM, top - 2 * PADDING_MM)
                            : null,
                    false,
                    0);
        });
    }

    /** The cells that a layout has if nobody measured others. */
    public static SheetGrid grid(Layout layout, SheetPaper paper) {
        try {
            return switch (layout) {
                case GRID -> SheetGrid.filling(paper, 2, 4, 10);
                case LABELS -> paper == SheetPaper.A4 ? LabelSheet.A4_64_38.grid() : LabelSheet.LETTER_2_4.grid();
                case CARDS -> SheetGrid.filling(paper, 2, 2, 10);
                case SIGNS -> SheetGrid.filling(paper, 1, 1, 12);
            };
        } catch (SheetGrid.MisfitException impossible) {
            throw new IllegalStateException(impossible);
        }
    }
}
