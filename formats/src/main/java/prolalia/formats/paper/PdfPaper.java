package prolalia.formats.paper;

import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.io.IOUtils;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionURI;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripperByArea;
import prolalia.core.intake.FoundPage;
import prolalia.core.intake.LineFinder;
import prolalia.core.page.WebAddress;
import prolalia.core.place.Area;
import prolalia.formats.paper.PaperRefusedException.Reason;

/** A PDF (ISO 32000), read with PDFBox. */
final class PdfPaper implements Paper {
    private static final String LINK = "link";

    private final PDDocument document;
    private final PDFRenderer renderer;

    private PdfPaper(PDDocument document) {
        this.document = document;
        renderer = new PDFRenderer(document);
        renderer.setSubsamplingAllowed(true);
    }

    static PdfPaper open(Path file) throws PaperRefusedException {
        try {
            return new PdfPaper(Loader.loadPDF(file.toFile(), "", IOUtils.createTempFileOnlyStreamCache()));
        } catch (InvalidPasswordException locked) {
            throw new PaperRefusedException(Reason.ENCRYPTED, locked);
        } catch (IOException | RuntimeException broken) {
            throw new PaperRefusedException(Reason.BROKEN, broken);
        }
    }

    @Override
    public int pages() {
        return document.getNumberOfPages();
    }

    @Override
    public PageSize size(int page) {
        PdfTurn shown = PdfTurn.shown(document.getPage(page));
        double unit = Math.max(1, document.getPage(page).getUserUnit());
        return new PageSize((int) Math.max(1, Math.round(unit * shown.turnedWidth())), (int)
                Math.max(1, Math.round(unit * shown.turnedHeight())));
    }

    @Override
    public List<FoundPage> lines() throws IOException {
        List<PdfWords.Found> words = new ArrayList<>();
        for (int page = 0; page < pages(); page++) {
            words.add(PdfWords.of(document, page));
        }
        List<FoundPage> found =
                LineFinder.find(words.stream().map(PdfWords.Found::text).toList());
        List<FoundPage> shown = new ArrayList<>();
        for (int page = 0; page < pages(); page++) {
            PdfTurn upright = words.get(page).upright();
            PdfTurn as = PdfTurn.shown(document.getPage(page));
            shown.add(new FoundPage(found.get(page).lines().stream()
                    .map(line -> line.placed(area -> upright.on(as, area)))
                    .toList()));
        }
        return shown;
    }

    @Override
    public BufferedImage picture(int page, int longestPx) throws IOException {
        PDRectangle box = document.getPage(page).getCropBox();
        float longest = Math.max(1, Math.max(box.getWidth(), box.getHeight()));
        return renderer.renderImage(page, longestPx / longest, ImageType.RGB);
    }

    /** Its links; a word that leads elsewhere in the same file is none. */
    @Override
    public PageParts parts(int page) throws IOException {
        PDRectangle box = document.getPage(page).getCropBox();
        PdfTurn shown = PdfTurn.shown(document.getPage(page));
        List<PageParts.LinkPart> links = new ArrayList<>();
        for (PDAnnotation annotation : document.getPage(page).getAnnotations()) {
            if (annotation instanceof PDAnnotationLink link
                    && link.getAction() instanceof PDActionURI action
                    && WebAddress.of(action.getURI()).isPresent()
                    && link.getRectangle() != null) {
                PDRectangle at = link.getRectangle();
                Area area = shown.area(
                        at.getLowerLeftX() - box.getLowerLeftX(),
                        at.getLowerLeftY() - box.getLowerLeftY(),
                        at.getUpperRightX() - box.getLowerLeftX(),
                        at.getUpperRightY() - box.getLowerLeftY());
                links.add(new PageParts.LinkPart(area.onPage(), wordsAt(page, at, box), action.getURI()));
            }
        }
        return new PageParts(List.of(), List.of(), links);
    }

    /** The words that a link stands on: it is called by them. Those of a turned page aren't found. */
    private String wordsAt(int page, PDRectangle at, PDRectangle box) throws IOException {
        if (document.getPage(page).getRotation() != 0) {
            return "";
        }
        PDFTextStripperByArea stripper = new PDFTextStripperByArea();
        stripper.setSortByPosition(true);
        stripper.addRegion(
                LINK,
                new Rectangle2D.Double(
                        at.getLowerLeftX() - box.getLowerLeftX(),
                        box.getUpperRightY() - at.getUpperRightY(),
                        at.getWidth(),
                        at.getHeight()));
        stripper.extractRegions(document.getPage(page));
        return stripper.getTextForRegion(LINK).replaceAll("\\s+", " ").strip();
    }

    @Override
    public void close() throws IOException {
        document.close();
    }
}
