package prolalia.core.code;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import prolalia.core.code.CodeCard.Layout;
import prolalia.core.code.SheetGrid.Cell;
import prolalia.core.code.SheetGrid.Misfit;
import prolalia.core.code.SheetGrid.MisfitException;

/** Cells on a sheet: where each stands, which sheet it is on, and what somebody measured that can't be. */
class SheetGridTest {
    private static SheetGrid a4(int columns, int rows, double left, double top, double w, double h, double x, double y)
            throws MisfitException {
        return SheetGrid.measured(SheetPaper.A4, columns, rows, left, top, w, h, x, y);
    }

    @Test
    void thingsStandRowByRowAndGoOnOnTheNextSheet() throws Exception {
        SheetGrid grid = a4(3, 4, 10, 20, 60, 50, 62, 55);
        assertThat(grid.perSheet()).isEqualTo(12);
        assertThat(grid.cell(0)).isEqualTo(new Cell(0, 10, 20, 60, 50));
        assertThat(grid.cell(2)).isEqualTo(new Cell(0, 134, 20, 60, 50));
        assertThat(grid.cell(3)).isEqualTo(new Cell(0, 10, 75, 60, 50));
        assertThat(grid.cell(11)).isEqualTo(new Cell(0, 134, 185, 60, 50));
        assertThat(grid.cell(12)).isEqualTo(new Cell(1, 10, 20, 60, 50));
    }

    @ParameterizedTest
    @CsvSource({
        "0, 0, 1",
        "1, 0, 1",
        "12, 0, 1",
        "13, 0, 2",
        "12, 1, 2",
        "11, 1, 1",
        "24, 12, 2",
        "1, 11, 1",
        "2, 11, 2"
    })
    void sheetsAreCountedWithWhatWasUsedUpOfTheFirst(int things, int usedUp, int sheets) throws Exception {
        assertThat(a4(3, 4, 10, 20, 60, 50, 62, 55).sheets(things, usedUp)).isEqualTo(sheets);
    }

    /** Half a millimetre is how exactly a ruler is read; more is a mistake. */
    @ParameterizedTest
    @CsvSource({
        "2, 2, 5, 5, 100.0, 100, 100.4, 100, ",
        "2, 2, 5, 5, 105.0, 100, 105.0, 100, TOO_WIDE",
        "2, 2, 0, 5, 105.2, 100, 105.2, 100, ",
        "2, 2, 0, 5, 105.4, 100, 105.4, 100, TOO_WIDE",
        "2, 2, 5, 5, 100, 146.2, 100, 146.2, ",
        "2, 2, 5, 5, 100, 146.4, 100, 146.4, TOO_HIGH",
        "2, 2, 5, 5, 90, 90, 89.5, 90, ",
        "2, 2, 5, 5, 90, 90, 89.3, 90, OVERLAP",
        "2, 2, 5, 5, 90, 90, 90, 89.3, OVERLAP",
        "1, 1, 5, 5, 90, 90, 0, 0, ",
        "1, 1, 5, 5, 4.9, 90, 0, 0, NO_CELLS",
        "1, 1, 5, 5, 90, 4.9, 0, 0, NO_CELLS",
        "1, 1, 5, 5, 5, 5, 0, 0, ",
        "1, 1, -1, 5, 90, 90, 0, 0, NO_CELLS",
        "1, 1, NaN, 5, 90, 90, 0, 0, NO_CELLS",
        "1, 1, 5, 2000, 90, 90, 0, 0, NO_CELLS",
        "1, 0, 5, 5, 90, 90, 0, 0, NO_CELLS",
        "101, 1, 5, 5, 90, 90, 90, 90, NO_CELLS",
        "1, 101, 5, 5, 90, 90, 90, 90, NO_CELLS"
    })
    void whatWasMeasuredByHand(
            int columns, int rows, double left, double top, double w, double h, double x, double y, Misfit misfit)
            throws Exception {
        if (misfit == null) {
            assertThat(a4(columns, rows, left, top, w, h, x, y).columns()).isEqualTo(columns);
        } else {
            assertThatThrownBy(() -> a4(columns, rows, left, top, w, h, x, y))
                    .isInstanceOfSatisfying(
                            MisfitException.class,
                            thrown -> assertThat(thrown.misfit()).isEqualTo(misfit));
        }
    }

    @Test
    void cellsFillAPaperButForItsMargins() throws Exception {
        SheetGrid grid = SheetGrid.within(SheetPaper.LETTER, 2, 3, 10, 14.7);
        assertThat(grid.width()).isCloseTo(97.95, within(1e-9));
        assertThat(grid.height()).isCloseTo(83.33, within(0.01));
        Cell last = grid.cell(5);
        assertThat(last.left() + last.width()).isCloseTo(205.9, within(1e-9));
        assertThat(last.top() + last.height()).isCloseTo(279.4 - 14.7, within(1e-9));
        assertThat(SheetGrid.filling(SheetPaper.A4, 2, 4, 10)).isEqualTo(SheetGrid.within(SheetPaper.A4, 2, 4, 10, 10));
    }

    /** As labels lie on their sheets: as far from the left edge as from the right one, from the top as from the bottom. */
    @ParameterizedTest
    @EnumSource(LabelSheet.class)
    void labelsLieInTheMiddleOfTheirSheet(LabelSheet sheet) {
        SheetGrid grid = sheet.grid();
        Cell last = grid.cell(grid.perSheet() - 1);
        assertThat(grid.paper().widthMm() - last.left() - last.width()).isCloseTo(grid.left(), within(1e-9));
        assertThat(grid.paper().heightMm() - last.top() - last.height()).isCloseTo(grid.top(), within(1e-9));
        assertThat(last.sheet()).isZero();
    }

    @ParameterizedTest
    @EnumSource(Layout.class)
    void eachLayoutHasCellsOnEitherPaper(Layout layout) {
        for (SheetPaper paper : SheetPaper.values()) {
            SheetGrid grid = CodeCard.grid(layout, paper);
            assertThat(grid.paper()).isEqualTo(paper);
            assertThat(grid.perSheet())
                    .isEqualTo(
                            switch (layout) {
                                case GRID -> 8;
                                case LABELS -> paper == SheetPaper.A4 ? 21 : 10;
                                case CARDS -> 4;
                                case SIGNS -> 1;
                            });
        }
    }
}
