package prolalia.formats.paper;

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
import prolalia.core.intake.FoundPage;
import prolalia.core.intake.LineFinder;
import prolalia.core.intake.PageText;
import prolalia.core.page.Area;
import prolalia.formats.paper.PaperRefusedException.Reason;

/** A PDF (ISO 32000), read with PDFBox. */
final class PdfPaper implements Paper {
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
        PDRectangle box = document.getPage(page).getCropBox();
        boolean turned = document.getPage(page).getRotation() % 180 != 0;
        int width = Math.max(1, Math.round(box.getWidth()));
        int height = Math.max(1, Math.round(box.getHeight()));
        return turned ? new PageSize(height, width) : new PageSize(width, height);
    }

    @Override
    public List<FoundPage> lines() throws IOException {
        List<PageText> pages = new ArrayList<>();
        for (int page = 0; page < pages(); page++) {
            pages.add(PdfWords.of(document, page));
        }
        return LineFinder.find(pages);
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
        List<PageParts.LinkPart> links = new ArrayList<>();
        if (document.getPage(page).getRotation() != 0) {
            return PageParts.NONE;
        }
        for (PDAnnotation annotation : document.getPage(page).getAnnotations()) {
            if (annotation instanceof PDAnnotationLink link
                    && link.getAction() instanceof PDActionURI action
                    && action.getURI() != null
                    && action.getURI().matches("(?i)https?://\\S+")
                    && link.getRectangle() != null) {
                PDRectangle at = link.getRectangle();
                Area area = Area.between(
                        (at.getLowerLeftX() - box.getLowerLeftX()) / box.getWidth(),
                        (box.getUpperRightY() - at.getUpperRightY()) / box.getHeight(),
                        (at.getUpperRightX() - box.getLowerLeftX()) / box.getWidth(),
                        (box.getUpperRightY() - at.getLowerLeftY()) / box.getHeight());
                links.add(new PageParts.LinkPart(area.onPage(), "", action.getURI()));
            }
        }
        return new PageParts(List.of(), List.of(), links);
    }

    @Override
    public void close() throws IOException {
        document.close();
    }
}
