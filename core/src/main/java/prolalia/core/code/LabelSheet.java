package prolalia.core.code;

/** Sheets of labels that are sold everywhere, by the size of their labels in mm (those on Letter have their size in inches). */
public enum LabelSheet {
    A4_38_21(SheetGrid.labels(SheetPaper.A4, 5, 13, 38.1, 21.2, 2.5, 0)),
    A4_48_25(SheetGrid.labels(SheetPaper.A4, 4, 10, 48.5, 25.4, 0, 0)),
    A4_70_37(SheetGrid.labels(SheetPaper.A4, 3, 8, 70, 37, 0, 0)),
    A4_64_34(SheetGrid.labels(SheetPaper.A4, 3, 8, 63.5, 33.9, 2.5, 0)),
    A4_64_38(SheetGrid.labels(SheetPaper.A4, 3, 7, 63.5, 38.1, 2.5, 0)),
    A4_99_38(SheetGrid.labels(SheetPaper.A4, 2, 7, 99.1, 38.1, 2.5, 0)),
    A4_105_74(SheetGrid.labels(SheetPaper.A4, 2, 4, 105, 74, 0, 0)),
    A4_99_68(SheetGrid.labels(SheetPaper.A4, 2, 4, 99.1, 67.7, 2.5, 0)),
    LETTER_1_2_5(SheetGrid.labels(SheetPaper.LETTER, 3, 10, 66.7, 25.4, 3.2, 0)),
    LETTER_2_4(SheetGrid.labels(SheetPaper.LETTER, 2, 5, 101.6, 50.8, 4.8, 0)),
    LETTER_3_4(SheetGrid.labels(SheetPaper.LETTER, 2, 3, 101.6, 84.7, 4.8, 0));

    private final SheetGrid grid;

    LabelSheet(SheetGrid grid) {
        this.grid = grid;
    }

    public SheetGrid grid() {
        return grid;
    }
}
