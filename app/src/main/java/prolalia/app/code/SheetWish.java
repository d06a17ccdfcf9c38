package prolalia.app.code;

import java.util.List;
import prolalia.core.code.CodeCard;
import prolalia.core.code.CodeCard.Layout;
import prolalia.core.code.LabelSheet;
import prolalia.core.code.SheetGrid;
import prolalia.core.code.SheetGrid.MisfitException;
import prolalia.core.code.SheetPaper;

/**
 * How a sheet is wished for.
 *
 * @param labels by their size; null: own measures, if there are any, else as usual
 * @param start the first cell that isn't used up, from 1
 * @param own measures: columns, rows, left, top, width, height, from one to the next across and down; null: none
 * @param codes tokens of those that are printed; none: all
 */
record SheetWish(
        SheetPaper paper, Layout arrangement, LabelSheet labels, Integer start, List<Double> own, List<String> codes) {
    private static final int MEASURES = 8;

    SheetWish {
        paper = paper == null ? SheetPaper.A4 : paper;
        arrangement = arrangement == null ? Layout.GRID : arrangement;
        start = start == null ? 1 : start;
        own = own == null
                ? List.of()
                : own.stream().filter(each -> each != null).toList();
        codes = codes == null ? List.of() : codes;
    }

    SheetGrid grid() throws MisfitException {
        if (arrangement != Layout.LABELS) {
            return CodeCard.grid(arrangement, paper);
        }
        if (own.size() == MEASURES) {
            return SheetGrid.measured(
                    paper,
                    own.get(0).intValue(),
                    own.get(1).intValue(),
                    own.get(2),
                    own.get(3),
                    own.get(4),
                    own.get(5),
                    own.get(6),
                    own.get(7));
        }
        return labels == null ? CodeCard.grid(arrangement, paper) : labels.grid();
    }

    int usedUp() {
        return Math.max(0, start - 1);
    }
}
