package prolalia.formats.code;

import java.io.IOException;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.util.Matrix;

/** Draws a code on a page of a PDF: its white ground and one filled path, with no resource that the page would need. */
final class CodeInk {
    private CodeInk() {}

    /**
     * @param toPage from a square of one by one, y downwards, to the page
     * @param code with its quiet zone
     */
    static void draw(PDPageContentStream content, Matrix toPage, CodeImage code) throws IOException {
        content.saveGraphicsState();
        content.transform(toPage);
        content.setNonStrokingColor(1f);
        content.addRect(0, 0, 1, 1);
        content.fill();
        content.setNonStrokingColor(0f);
        float module = 1f / code.sizeModules();
        for (int[] outline : code.outlines()) {
            content.moveTo(outline[0] * module, outline[1] * module);
            for (int i = 2; i < outline.length; i += 2) {
                content.lineTo(outline[i] * module, outline[i + 1] * module);
            }
            content.closePath();
        }
        content.fillEvenOdd();
        content.restoreGraphicsState();
    }
}
