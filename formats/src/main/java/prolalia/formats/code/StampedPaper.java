package prolalia.formats.code;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntFunction;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSUpdateInfo;
import org.apache.pdfbox.io.IOUtils;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.util.Matrix;
import prolalia.core.code.CodePlaces;
import prolalia.core.code.CodePlaces.Hairline;
import prolalia.core.code.CodePlaces.Place;
import prolalia.core.code.CodePlaces.Placed;
import prolalia.core.code.CodePlaces.Sheet;
import prolalia.core.code.SheetPaper;
import prolalia.core.place.Area;
import prolalia.formats.paper.PaperRefusedException;
import prolalia.formats.paper.PaperRefusedException.Reason;
import prolalia.formats.paper.PictureInk;

/**
 * A PDF with codes in its free places. The original stays as it is: what is drawn is added behind it as an incremental update
 * (ISO 32000-2, 7.5.6), so that its text is text and its first bytes are the same. Not thread-safe.
 */
public final class StampedPaper implements AutoCloseable {
    private static final double MM_PER_POINT = 25.4 / 72;

    /** Ink is looked for so finely: a hairline of a rule is seen. */
    private static final int LONGEST_PX = 1_600;

    private static final float HAIRLINE_PT = 0.5f;
    private static final float LETTERS_OF_STRIP = 0.86f;
    private static final float SMALLEST_LETTERS_PT = 4.2f;
    private static final double BASELINE = 0.74;

    private final PDDocument document;
    private final PDFRenderer renderer;
    private boolean changed;
    private PDType0Font letters;

    private StampedPaper(PDDocument document) {
        this.document = document;
        renderer = new PDFRenderer(document);
        renderer.setSubsamplingAllowed(true);
    }

    /** @throws PaperRefusedException if it is no PDF, is broken, locked, or may not be changed */
    public static StampedPaper open(Path file) throws PaperRefusedException {
        PDDocument document;
        try {
            document = Loader.loadPDF(file.toFile(), "", IOUtils.createTempFileOnlyStreamCache());
        } catch (InvalidPasswordException locked) {
            throw new PaperRefusedException(Reason.ENCRYPTED, locked);
        } catch (IOException | RuntimeException broken) {
            throw new PaperRefusedException(Reason.BROKEN, broken);
        }
        if (document.isEncrypted()) {
            close(document);
            throw new PaperRefusedException(Reason.LOCKED);
        }
        return new StampedPaper(document);
    }

    private static void close(PDDocument document) {
        try {
            document.close();
        } catch (IOException nothingWasWritten) {
            throw new java.io.UncheckedIOException(nothingWasWritten);
        }
    }

    /** Whether somebody signed it: what is added breaks the signature. */
    public boolean isSigned() throws IOException {
        return !document.getSignatureDictionaries().isEmpty();
    }

    public int pages() {
        return document.getNumberOfPages();
    }

    /** What stands on a page, for {@link CodePlaces}. @param page from 0 */
    public Sheet sheet(int page) throws IOException {
        PDPage at = document.getPage(page);
        PDRectangle box = at.getCropBox();
        double unit = Math.max(1, at.getUserUnit()) * MM_PER_POINT;
        boolean turned = at.getRotation() % 180 != 0;
        double width = (turned ? box.getHeight() : box.getWidth()) * unit;
        double height = (turned ? box.getWidth() : box.getHeight()) * unit;
        float scale = LONGEST_PX / Math.max(1, Math.max(box.getWidth(), box.getHeight()));
        BufferedImage picture = renderer.renderImage(page, scale, ImageType.RGB);
        List<Area> fields = new ArrayList<>();
        for (PDAnnotation annotation : at.getAnnotations()) {
            if (annotation.getRectangle() != null && !annotation.isHidden()) {
                fields.add(shown(at, annotation.getRectangle()));
            }
        }
        return new Sheet(width, height, PictureInk.fine(picture), fields);
    }

    /** In shares of the page as it is seen. */
    private static Area shown(PDPage page, PDRectangle at) {
        Matrix seen = toPage(page);
        Matrix inverse = new Matrix(inverted(seen));
        java.awt.geom.Point2D.Float one = inverse.transformPoint(at.getLowerLeftX(), at.getLowerLeftY());
        java.awt.geom.Point2D.Float other = inverse.transformPoint(at.getUpperRightX(), at.getUpperRightY());
        return Area.between(
                Math.min(one.x, other.x), Math.min(one.y, other.y), Math.max(one.x, other.x), Math.max(one.y, other.y));
    }

    private static java.awt.geom.AffineTransform inverted(Matrix matrix) {
        try {
            return matrix.createAffineTransform().createInverse();
        } catch (java.awt.geom.NoninvertibleTransformException flat) {
            return new java.awt.geom.AffineTransform();
        }
    }

    /** From shares of the page as it is seen, y downwards, to its own coordinates (ISO 32000-2, 8.3.2.3 and table 31). */
    private static Matrix toPage(PDPage page) {
        PDRectangle box = page.getCropBox();
        float x = box.getLowerLeftX();
        float y = box.getLowerLeftY();
        float w = Math.max(1e-3f, box.getWidth());
        float h = Math.max(1e-3f, box.getHeight());
        return switch (Math.floorMod(page.getRotation(), 360)) {
            case 90 -> new Matrix(0, h, w, 0, x, y);
            case 180 -> new Matrix(-w, 0, 0, h, x + w, y);
            case 270 -> new Matrix(0, -h, -w, 0, x + w, y + h);
            default -> new Matrix(w, 0, 0, -h, x, y + h);
        };
    }

    /** What is typed in place of a code, and where that stands. @param at in shares of the page */
    record Typed(String words, Area at) {}

    /** Draws the codes of a page. @param page from 0 @param codes what each place shows */
    public void draw(int page, Placed placed, IntFunction<CodeImage> codes) throws IOException {
        draw(page, placed, codes, List.of());
    }

    void draw(int page, Placed placed, IntFunction<CodeImage> codes, List<Typed> typed) throws IOException {
        if (placed.places().stream().allMatch(Optional::isEmpty)) {
            return;
        }
        PDPage at = document.getPage(page);
        Matrix toPage = toPage(at);
        int before = contents(at);
        try (PDPageContentStream content =
                new PDPageContentStream(document, at, PDPageContentStream.AppendMode.APPEND, true, true)) {
            for (int i = 0; i < placed.places().size(); i++) {
                Optional<Place> place = placed.places().get(i);
                if (place.isPresent()) {
                    Area area = place.get().area();
                    Matrix square =
                            new Matrix((float) area.w(), 0, 0, (float) area.h(), (float) area.x(), (float) area.y());
                    CodeInk.draw(content, square.multiply(toPage), codes.apply(i));
                    if (place.get().hairline() != null) {
                        line(content, toPage, place.get().hairline());
                    }
                }
            }
            for (Typed each : typed) {
                write(content, toPage, each);
            }
        }
        mark(at, before);
        if (!typed.isEmpty()) {
            // The letters' font is one of what the page, or all pages, may use.
            at.getResources().getCOSObject().setNeedToBeUpdated(true);
            if (at.getResources().getCOSObject().getDictionaryObject(COSName.FONT) instanceof COSDictionary fonts) {
                fonts.setNeedToBeUpdated(true);
            }
        }
        changed = true;
    }

    /** As large as its place is wide, upright as the page is seen. */
    private void write(PDPageContentStream content, Matrix toPage, Typed typed) throws IOException {
        if (letters == null) {
            letters = SheetPdf.font(document, "LiberationSans-Regular");
        }
        Area area = typed.at();
        float widthPt = length(toPage, area, area.w(), 0);
        float heightPt = length(toPage, area, 0, area.h());
        float ofOnePt = letters.getStringWidth(typed.words()) / 1_000;
        float size = Math.min(heightPt * LETTERS_OF_STRIP, widthPt / Math.max(0.1f, ofOnePt));
        if (size < SMALLEST_LETTERS_PT) {
            return;
        }
        double left = area.x() + area.w() * (1 - size * ofOnePt / widthPt) / 2;
        double baseline = area.y() + area.h() * BASELINE;
        Matrix upright = new Matrix(
                        (float) area.w() / widthPt, 0, 0, -(float) area.h() / heightPt, (float) left, (float) baseline)
                .multiply(toPage);
        content.beginText();
        content.setNonStrokingColor(0.15f);
        content.setFont(letters, size);
        content.setTextMatrix(upright);
        content.showText(typed.words());
        content.endText();
    }

    private static float length(Matrix toPage, Area from, double x, double y) {
        java.awt.geom.Point2D.Float one = toPage.transformPoint((float) from.x(), (float) from.y());
        java.awt.geom.Point2D.Float other = toPage.transformPoint((float) (from.x() + x), (float) (from.y() + y));
        return (float) one.distance(other);
    }

    private static void line(PDPageContentStream content, Matrix toPage, Hairline line) throws IOException {
        java.awt.geom.Point2D.Float from = toPage.transformPoint((float) line.fromX(), (float) line.fromY());
        java.awt.geom.Point2D.Float to = toPage.transformPoint((float) line.toX(), (float) line.toY());
        content.setStrokingColor(0.35f);
        content.setLineWidth(HAIRLINE_PT);
        content.moveTo(from.x, from.y);
        content.lineTo(to.x, to.y);
        content.stroke();
    }

    /** The paper that a sheet for its end is printed on: that of its first page, by its form. */
    SheetPaper likeSheet() {
        PDRectangle box = document.getPage(0).getCropBox();
        double form =
                Math.max(box.getWidth(), box.getHeight()) / Math.max(1, Math.min(box.getWidth(), box.getHeight()));
        double letter = SheetPaper.LETTER.heightMm() / SheetPaper.LETTER.widthMm();
        double a4 = SheetPaper.A4.heightMm() / SheetPaper.A4.widthMm();
        return Math.abs(form - letter) < Math.abs(form - a4) ? SheetPaper.LETTER : SheetPaper.A4;
    }

    /** Adds sheets behind the last page. */
    void add(CodeSheet sheets) throws IOException {
        SheetPdf.add(sheets, document);
        document.getPages().getCOSObject().setNeedToBeUpdated(true);
        changed = true;
    }

    private static int contents(PDPage page) {
        COSBase contents = page.getCOSObject().getDictionaryObject(COSName.CONTENTS);
        return contents instanceof COSArray array ? array.size() : contents == null ? 0 : 1;
    }

    /** What is written anew: the page with its list of contents, and the contents that were added. */
    private static void mark(PDPage page, int before) {
        page.getCOSObject().setNeedToBeUpdated(true);
        COSBase contents = page.getCOSObject().getDictionaryObject(COSName.CONTENTS);
        if (contents instanceof COSArray array) {
            array.setNeedToBeUpdated(true);
            array.setDirect(true);
            for (int i = 0; i < array.size(); i++) {
                // One that brackets what was there is put before it, the new ones behind it.
                if ((i == 0 || i > before) && array.getObject(i) instanceof COSUpdateInfo added) {
                    added.setNeedToBeUpdated(true);
                }
            }
        }
    }

    /** Writes the file. With nothing drawn it is the original, byte by byte. @param original where it was opened from */
    public void save(Path original, Path target) throws IOException {
        if (!changed) {
            Files.copy(original, target, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
            return;
        }
        try (OutputStream out = Files.newOutputStream(target)) {
            document.saveIncremental(out);
        }
    }

    @Override
    public void close() throws IOException {
        document.close();
    }
}
