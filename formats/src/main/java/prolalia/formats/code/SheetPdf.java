package prolalia.formats.code;

import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.PathIterator;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.text.Bidi;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.documentinterchange.markedcontent.PDPropertyList;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.util.Matrix;
import prolalia.core.code.CodeCard.Box;
import prolalia.core.code.SheetPaper;
import prolalia.formats.code.CodeSheet.CodeMark;
import prolalia.formats.code.CodeSheet.LineMark;
import prolalia.formats.code.CodeSheet.Mark;
import prolalia.formats.code.CodeSheet.PictureMark;
import prolalia.formats.code.CodeSheet.TextMark;
import prolalia.formats.code.CodeSheet.Turn;
import prolalia.formats.paper.Fonts;

/**
 * Sheets as a PDF, true to size, with its fonts embedded and its text as text. Writing that the embedded font hasn't is drawn
 * as outlines that say what they read (ActualText, ISO 32000-2, 14.9.4). Stateless and thread-safe.
 */
public final class SheetPdf {
    private static final float POINTS_PER_MM = 72 / 25.4f;
    private static final float CUT_PT = 0.5f;
    private static final float CUT_GREY = 0.62f;

    private final PDDocument document;
    private final PDType0Font plain;
    private final PDType0Font bold;
    private final float height;

    private SheetPdf(PDDocument document, SheetPaper paper) throws IOException {
        this.document = document;
        plain = font(document, "LiberationSans-Regular");
        bold = font(document, "LiberationSans-Bold");
        height = (float) paper.heightMm() * POINTS_PER_MM;
    }

    static PDType0Font font(PDDocument document, String face) throws IOException {
        try (InputStream file = Fonts.file(face)) {
            return PDType0Font.load(document, file, true);
        }
    }

    /** @param title of the file */
    public static byte[] of(CodeSheet sheet, String title) {
        try (PDDocument document = new PDDocument();
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            document.getDocumentInformation().setTitle(title);
            add(sheet, document);
            document.save(out);
            return out.toByteArray();
        } catch (IOException impossible) {
            throw new UncheckedIOException("Writing to memory", impossible);
        }
    }

    /** Adds the sheets as the last pages of a document; answers these. */
    static List<PDPage> add(CodeSheet sheet, PDDocument document) throws IOException {
        SheetPaper paper = sheet.grid().paper();
        SheetPdf pdf = new SheetPdf(document, paper);
        List<PDPage> pages = new ArrayList<>();
        for (List<Mark> marks : sheet.sheets()) {
            PDPage page = new PDPage(
                    new PDRectangle((float) paper.widthMm() * POINTS_PER_MM, (float) paper.heightMm() * POINTS_PER_MM));
            document.addPage(page);
            pages.add(page);
            try (PDPageContentStream content = new PDPageContentStream(document, page)) {
                for (Mark mark : marks) {
                    pdf.draw(content, mark);
                }
            }
        }
        return pages;
    }

    private void draw(PDPageContentStream content, Mark mark) throws IOException {
        if (mark instanceof CodeMark code) {
            CodeInk.draw(content, square(code.at()), code.code());
        } else if (mark instanceof TextMark text) {
            text(content, text);
        } else if (mark instanceof PictureMark picture) {
            picture(content, picture);
        } else if (mark instanceof LineMark line) {
            content.saveGraphicsState();
            content.setStrokingColor(CUT_GREY);
            content.setLineWidth(CUT_PT);
            content.setLineDashPattern(new float[] {3, 4}, 0);
            content.moveTo(points(line.fromX()), height - points(line.fromY()));
            content.lineTo(points(line.toX()), height - points(line.toY()));
            content.stroke();
            content.restoreGraphicsState();
        }
    }

    private static float points(double mm) {
        return (float) mm * POINTS_PER_MM;
    }

    /** From a square of one by one, y downwards, to a box of the sheet. */
    private Matrix square(Box at) {
        return new Matrix(points(at.w()), 0, 0, -points(at.h()), points(at.x()), height - points(at.y()));
    }

    private void turn(PDPageContentStream content, Turn turn) throws IOException {
        if (turn != null) {
            content.transform(new Matrix(-1, 0, 0, -1, 2 * points(turn.x()), 2 * (height - points(turn.y()))));
        }
    }

    private void picture(PDPageContentStream content, PictureMark mark) throws IOException {
        BufferedImage picture = mark.picture();
        double scale = Math.min(mark.at().w() / picture.getWidth(), mark.at().h() / picture.getHeight());
        double w = scale * picture.getWidth();
        double h = scale * picture.getHeight();
        content.saveGraphicsState();
        turn(content, mark.turned());
        content.drawImage(
                LosslessFactory.createFromImage(document, picture),
                points(mark.at().x()),
                height - points(mark.at().y() + h),
                points(w),
                points(h));
        content.restoreGraphicsState();
    }

    private void text(PDPageContentStream content, TextMark mark) throws IOException {
        content.saveGraphicsState();
        turn(content, mark.turned());
        content.setNonStrokingColor(0f);
        PDType0Font font = mark.bold() ? bold : plain;
        float x = points(mark.x());
        float y = height - points(mark.baseline());
        if (isPlain(mark.words(), font)) {
            content.beginText();
            content.setFont(font, (float) mark.sizePt());
            content.newLineAtOffset(x, y);
            content.showText(mark.words());
            content.endText();
        } else {
            COSDictionary says = new COSDictionary();
            says.setItem(COSName.ACTUAL_TEXT, new COSString(mark.words()));
            content.beginMarkedContent(COSName.getPDFName("Span"), PDPropertyList.create(says));
            outline(content, SheetText.outline(mark.words(), mark.bold(), mark.sizePt()), x, y);
            content.endMarkedContent();
        }
        content.restoreGraphicsState();
    }

    /** Whether each letter is a sign of the font, one after the other from left to right. */
    private static boolean isPlain(String words, PDType0Font font) {
        if (!new Bidi(words, Bidi.DIRECTION_LEFT_TO_RIGHT).isLeftToRight()) {
            return false;
        }
        try {
            font.encode(words);
            return true;
        } catch (IOException | IllegalArgumentException missing) {
            return false;
        }
    }

    private static void outline(PDPageContentStream content, Shape letters, float x, float y) throws IOException {
        AffineTransform to = new AffineTransform(1, 0, 0, -1, x, y);
        boolean anything = false;
        float[] at = new float[6];
        float lastX = 0;
        float lastY = 0;
        for (PathIterator path = letters.getPathIterator(to); !path.isDone(); path.next()) {
            anything = true;
            switch (path.currentSegment(at)) {
                case PathIterator.SEG_MOVETO -> content.moveTo(lastX = at[0], lastY = at[1]);
                case PathIterator.SEG_LINETO -> content.lineTo(lastX = at[0], lastY = at[1]);
                case PathIterator.SEG_CUBICTO ->
                    content.curveTo(at[0], at[1], at[2], at[3], lastX = at[4], lastY = at[5]);
                case PathIterator.SEG_QUADTO -> {
                    // A quadratic curve as a cubic one: two thirds of the way to its point.
                    content.curveTo(
                            lastX + 2 * (at[0] - lastX) / 3,
                            lastY + 2 * (at[1] - lastY) / 3,
                            at[2] + 2 * (at[0] - at[2]) / 3,
                            at[3] + 2 * (at[1] - at[3]) / 3,
                            at[2],
                            at[3]);
                    lastX = at[2];
                    lastY = at[3];
                }
                default -> content.closePath();
            }
        }
        if (anything) {
            content.fill();
        }
    }
}
