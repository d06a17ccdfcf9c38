package prolalia.formats.paper;

import java.awt.Color;
import java.awt.Dimension;
import java.awt.Graphics2D;
import java.awt.Rectangle;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.apache.poi.openxml4j.opc.OPCPackage;
import org.apache.poi.openxml4j.opc.PackageAccess;
import org.apache.poi.openxml4j.util.ZipSecureFile;
import org.apache.poi.xslf.usermodel.XMLSlideShow;
import org.apache.poi.xslf.usermodel.XSLFGroupShape;
import org.apache.poi.xslf.usermodel.XSLFPictureShape;
import org.apache.poi.xslf.usermodel.XSLFShape;
import org.apache.poi.xslf.usermodel.XSLFSlide;
import org.apache.poi.xslf.usermodel.XSLFTable;
import org.apache.poi.xslf.usermodel.XSLFTextParagraph;
import org.apache.poi.xslf.usermodel.XSLFTextRun;
import org.apache.poi.xslf.usermodel.XSLFTextShape;
import org.openxmlformats.schemas.presentationml.x2006.main.CTPicture;
import prolalia.core.intake.FoundPage;
import prolalia.formats.lesson.SoundTag;
import prolalia.formats.paper.PaperRefusedException.Reason;

/** Slides (ISO/IEC 29500, PresentationML), read with POI. */
final class SlidesPaper implements Paper {
    /** No part of honest slides is so large once unpacked; a video may be nearly. */
    private static final long LARGEST_PART = 400L << 20;

    private static final long LONGEST_TEXT = 20L << 20;

    /** Honest XML with much repetition is packed to a two-hundredth; what is packed tighter is a bomb. */
    private static final double TIGHTEST = 0.003;

    private static final Rectangle OFF_THE_SLIDE = new Rectangle(-10_000, -10_000, 1, 1);

    static {
        ZipSecureFile.setMaxEntrySize(LARGEST_PART);
        ZipSecureFile.setMaxTextSize(LONGEST_TEXT);
        ZipSecureFile.setMinInflateRatio(TIGHTEST);
    }

    private final XMLSlideShow show;
    private final Dimension size;

    private SlidesPaper(XMLSlideShow show) {
        this.show = show;
        size = show.getPageSize();
    }

    static SlidesPaper open(Path file) throws PaperRefusedException {
        try {
            return new SlidesPaper(new XMLSlideShow(OPCPackage.open(file.toFile(), PackageAccess.READ)));
        } catch (Exception | StackOverflowError broken) {
            throw new PaperRefusedException(isBomb(broken) ? Reason.TOO_LARGE : Reason.BROKEN, broken);
        }
    }

    private static boolean isBomb(Throwable failure) {
        for (Throwable each = failure; each != null; each = each.getCause()) {
            if (String.valueOf(each.getMessage()).contains("Zip bomb")) {
                return true;
            }
        }
        return false;
    }

    @Override
    public int pages() {
        return show.getSlides().size();
    }

    @Override
    public PageSize size(int page) {
        return new PageSize(size.width, size.height);
    }

    @Override
    public boolean isHidden(int page) {
        return show.getSlides().get(page).isHidden();
    }

    @Override
    public List<FoundPage> lines() {
        show.getSlides().forEach(SlidesPaper::useOurFonts);
        return show.getSlides().stream()
                .map(slide -> new SlideLines(slide, size).found())
                .toList();
    }

    @Override
    public BufferedImage picture(int page, int longestPx) {
        double scale = (double) longestPx / Math.max(size.width, size.height);
        BufferedImage picture = new BufferedImage(
                (int) Math.round(size.width * scale),
                (int) Math.round(size.height * scale),
                BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = picture.createGraphics();
        try {
            graphics.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
            graphics.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
            graphics.setRenderingHint(RenderingHints.KEY_RENDERING, RenderingHints.VALUE_RENDER_QUALITY);
            graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
            graphics.setRenderingHint(RenderingHints.KEY_FRACTIONALMETRICS, RenderingHints.VALUE_FRACTIONALMETRICS_ON);
            graphics.setColor(Color.WHITE);
            graphics.fillRect(0, 0, picture.getWidth(), picture.getHeight());
            graphics.scale(scale, scale);
            XSLFSlide slide = show.getSlides().get(page);
            withoutOurMarks(slide);
            useOurFonts(slide);
            slide.draw(graphics);
        } finally {
            graphics.dispose();
        }
        return picture;
    }

    /** Marks that we wrote come back as spots; drawn as well, they would be there twice. Nothing is taken out of the file. */
    private static void withoutOurMarks(XSLFSlide slide) {
        for (XSLFShape shape : slide.getShapes()) {
            boolean ours = shape.getXmlObject() instanceof CTPicture picture
                    && SoundTag.read(picture.getNvPicPr().getCNvPr()).isPresent();
            if (ours) {
                ((XSLFPictureShape) shape).setAnchor(OFF_THE_SLIDE);
            }
        }
    }

    private static void useOurFonts(XSLFSlide slide) {
        useOurFonts(slide.getShapes());
        useOurFonts(slide.getSlideLayout().getShapes());
        useOurFonts(slide.getSlideMaster().getShapes());
    }

    /** Before it is drawn: POI asks for the font that a run names, and would draw with any where that is missing. */
    private static void useOurFonts(List<XSLFShape> shapes) {
        for (XSLFShape shape : shapes) {
            if (shape instanceof XSLFGroupShape group) {
                useOurFonts(group.getShapes());
            } else if (shape instanceof XSLFTable table) {
                table.getRows().forEach(row -> row.getCells().forEach(SlidesPaper::useOurFonts));
            } else if (shape instanceof XSLFTextShape text) {
                useOurFonts(text);
            }
        }
    }

    private static void useOurFonts(XSLFTextShape text) {
        for (XSLFTextParagraph paragraph : text.getTextParagraphs()) {
            for (XSLFTextRun run : paragraph.getTextRuns()) {
                String asked = run.getFontFamily();
                String used = Fonts.standIn(asked);
                if (!used.equals(asked)) {
                    run.setFontFamily(used);
                }
            }
        }
    }

    @Override
    public PageParts parts(int page) throws IOException {
        XSLFSlide slide = show.getSlides().get(page);
        return SlideParts.of(show, slide, size);
    }

    @Override
    public void close() throws IOException {
        show.getPackage().revert();
    }
}
