package prolalia.formats.paper;

import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import prolalia.core.place.Area;

/**
 * A page of a PDF as it is seen, or as its text is upright: its crop box, turned clockwise by a multiple of 90 degrees
 * (ISO 32000-2, 14.11.2 and table 31).
 *
 * @param width of the crop box before it is turned, in its own units
 * @param height likewise
 * @param degrees 0, 90, 180 or 270
 */
record PdfTurn(double width, double height, int degrees) {
    static final int FULL = 360;

    /** As a reader shows it. */
    static PdfTurn shown(PDPage page) {
        PDRectangle box = page.getCropBox();
        return new PdfTurn(box.getWidth(), box.getHeight(), Math.floorMod(page.getRotation(), FULL));
    }

    /** The same page turned so that text which runs so many degrees counterclockwise is upright. */
    PdfTurn upright(int textDegrees) {
        return new PdfTurn(width, height, Math.floorMod(textDegrees, FULL));
    }

    double turnedWidth() {
        return degrees % 180 == 0 ? width : height;
    }

    double turnedHeight() {
        return degrees % 180 == 0 ? height : width;
    }

    double aspect() {
        return turnedWidth() / turnedHeight();
    }

    /**
     * A rectangle in shares of the page as it is turned.
     *
     * @param x1 from the lower left corner of the crop box
     */
    Area area(double x1, double y1, double x2, double y2) {
        double[] one = turned(x1, y1);
        double[] other = turned(x2, y2);
        return Area.between(
                Math.min(one[0], other[0]) / turnedWidth(),
                Math.min(one[1], other[1]) / turnedHeight(),
                Math.max(one[0], other[0]) / turnedWidth(),
                Math.max(one[1], other[1]) / turnedHeight());
    }

    /** From the top left corner. */
    private double[] turned(double x, double y) {
        return switch (degrees) {
            case 90 -> new double[] {y, x};
            case 180 -> new double[] {width - x, y};
            case 270 -> new double[] {height - y, width - x};
            default -> new double[] {x, height - y};
        };
    }

    /** What lies there on this page, on the same page as it is turned otherwise. */
    Area on(PdfTurn other, Area area) {
        Area turned = area;
        for (int by = Math.floorMod(other.degrees - degrees, FULL); by > 0; by -= 90) {
            turned = Area.between(1 - turned.y() - turned.h(), turned.x(), 1 - turned.y(), turned.x() + turned.w());
        }
        return turned;
    }
}
