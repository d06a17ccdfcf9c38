package prolalia.core.code;

/** Papers that sheets are printed on, upright (ISO 216; ANSI/ASME Y14.1). */
public enum SheetPaper {
    A4(210, 297),
    LETTER(215.9, 279.4);

    private final double widthMm;
    private final double heightMm;

    SheetPaper(double widthMm, double heightMm) {
        this.widthMm = widthMm;
        this.heightMm = heightMm;
    }

    public double widthMm() {
        return widthMm;
    }

    public double heightMm() {
        return heightMm;
    }
}
