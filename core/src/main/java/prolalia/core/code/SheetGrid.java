package prolalia.core.code;

import java.util.List;

/**
 * Cells of one size in rows on a sheet. Lengths in mm, from the top left corner of the paper.
 *
 * @param paper that it is printed on
 * @param columns how many stand beside each other
 * @param rows how many stand below each other
 * @param left of the first column
 * @param top of the first row
 * @param width of a cell
 * @param height of a cell
 * @param pitchX from one column to the next
 * @param pitchY from one row to the next
 */
public record SheetGrid(
        SheetPaper paper,
        int columns,
        int rows,
        double left,
        double top,
        double width,
        double height,
        double pitchX,
        double pitchY) {
    /** Cells are a little off when they were measured by hand: so much over the edge is none. */
    private static final double TOLERANCE_MM = 0.6;

    private static final double LARGEST_MM = 2_000;

    /** A place on a sheet. @param sheet from 0 */
    public record Cell(int sheet, double left, double top, double width, double height) {}

    /** Why cells don't fit. */
    public enum Misfit {
        /** A figure that is none, or no cell at all. */
        NO_CELLS,
        /** They reach over the right edge of the paper. */
        TOO_WIDE,
        /** They reach over its lower edge. */
        TOO_HIGH,
        /** They overlap. */
        OVERLAP
    }

    /** Cells that don't fit on their paper. */
    public static final class MisfitException extends Exception {
        private final transient Misfit misfit;

        private MisfitException(Misfit misfit) {
            super(misfit.name());
            this.misfit = misfit;
        }

        public Misfit misfit() {
            return misfit;
        }
    }

    /** A grid that was measured by somebody. @throws MisfitException if it can't be printed */
    public static SheetGrid measured(
            SheetPaper paper,
            int columns,
            int rows,
            double left,
            double top,
            double width,
            double height,
            double pitchX,
            double pitchY)
            throws MisfitException {
        SheetGrid grid = new SheetGrid(paper, columns, rows, left, top, width, height, pitchX, pitchY);
        boolean figures = List.of(left, top, width, height, pitchX, pitchY).stream()
                .allMatch(each -> each >= 0 && each < LARGEST_MM);
        if (!figures || columns < 1 || rows < 1 || columns > 100 || rows > 100 || width < 5 || height < 5) {
            throw new MisfitException(Misfit.NO_CELLS);
        }
        if (columns > 1 && pitchX < width - TOLERANCE_MM || rows > 1 && pitchY < height - TOLERANCE_MM) {
            throw new MisfitException(Misfit.OVERLAP);
        }
        if (left + (columns - 1) * pitchX + width > paper.widthMm() + TOLERANCE_MM) {
            throw new MisfitException(Misfit.TOO_WIDE);
        }
        if (top + (rows - 1) * pitchY + height > paper.heightMm() + TOLERANCE_MM) {
            throw new MisfitException(Misfit.TOO_HIGH);
        }
        return grid;
    }

    /** Cells without gaps that fill a paper but for a margin all around. */
    public static SheetGrid filling(SheetPaper paper, int columns, int rows, double margin) throws MisfitException {
        return within(paper, columns, rows, margin, margin);
    }

    /** The same with margins of their own at the sides, and at the top and the bottom. */
    public static SheetGrid within(SheetPaper paper, int columns, int rows, double sides, double ends)
            throws MisfitException {
        double width = (paper.widthMm() - 2 * sides) / Math.max(1, columns);
        double height = (paper.heightMm() - 2 * ends) / Math.max(1, rows);
        return measured(paper, columns, rows, sides, ends, width, height, width, height);
    }

    /** Labels of a size in the middle of a paper. */
    static SheetGrid labels(
            SheetPaper paper, int columns, int rows, double width, double height, double gapX, double gapY) {
        double pitchX = width + gapX;
        double pitchY = height + gapY;
        return new SheetGrid(
                paper,
                columns,
                rows,
                (paper.widthMm() - (columns - 1) * pitchX - width) / 2,
                (paper.heightMm() - (rows - 1) * pitchY - height) / 2,
                width,
                height,
                pitchX,
                pitchY);
    }

    public int perSheet() {
        return columns * rows;
    }

    /** Where the nth thing stands, row by row. @param index from 0, of all that are used */
    public Cell cell(int index) {
        int onSheet = index % perSheet();
        return new Cell(
                index / perSheet(), left + onSheet % columns * pitchX, top + onSheet / columns * pitchY, width, height);
    }

    /** How many sheets so many things need when the first ones of the first sheet are used up. */
    public int sheets(int things, int usedUp) {
        return Math.max(1, (Math.floorMod(usedUp, perSheet()) + things + perSheet() - 1) / perSheet());
    }
}
