package prolalia.formats.paper;

import java.awt.Dimension;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.apache.poi.openxml4j.exceptions.InvalidFormatException;
import org.apache.poi.openxml4j.opc.PackagePart;
import org.apache.poi.openxml4j.opc.PackageRelationship;
import org.apache.poi.openxml4j.opc.TargetMode;
import org.apache.poi.xslf.usermodel.XMLSlideShow;
import org.apache.poi.xslf.usermodel.XSLFHyperlink;
import org.apache.poi.xslf.usermodel.XSLFPictureShape;
import org.apache.poi.xslf.usermodel.XSLFShape;
import org.apache.poi.xslf.usermodel.XSLFSimpleShape;
import org.apache.poi.xslf.usermodel.XSLFSlide;
import org.apache.poi.xslf.usermodel.XSLFTextParagraph;
import org.apache.poi.xslf.usermodel.XSLFTextRun;
import org.apache.poi.xslf.usermodel.XSLFTextShape;
import org.openxmlformats.schemas.presentationml.x2006.main.CTApplicationNonVisualDrawingProps;
import org.openxmlformats.schemas.presentationml.x2006.main.CTPicture;
import prolalia.core.page.WebAddress;
import prolalia.core.place.Area;
import prolalia.formats.lesson.SoundTag;

/** The sounds, jumps and links of a slide. */
final class SlideParts {
    private static final long LARGEST_SOUND = 100L << 20;

    private final XMLSlideShow show;
    private final XSLFSlide slide;
    private final Dimension size;
    private final List<PageParts.SoundPart> sounds = new ArrayList<>();
    private final List<PageParts.JumpPart> jumps = new ArrayList<>();
    private final List<PageParts.LinkPart> links = new ArrayList<>();

    private SlideParts(XMLSlideShow show, XSLFSlide slide, Dimension size) {
        this.show = show;
        this.slide = slide;
        this.size = size;
    }

    static PageParts of(XMLSlideShow show, XSLFSlide slide, Dimension size) throws IOException {
        SlideParts parts = new SlideParts(show, slide, size);
        for (XSLFShape shape : slide.getShapes()) {
            parts.look(shape);
        }
        return new PageParts(parts.sounds, parts.jumps, parts.links);
    }

    private void look(XSLFShape shape) throws IOException {
        if (shape instanceof XSLFPictureShape picture) {
            sound(picture);
        }
        if (shape instanceof XSLFSimpleShape simple && simple.getAnchor() != null) {
            follow(simple.getHyperlink(), area(simple), "");
        }
        if (shape instanceof XSLFTextShape text && text.getAnchor() != null) {
            for (XSLFTextParagraph paragraph : text.getTextParagraphs()) {
                for (XSLFTextRun run : paragraph.getTextRuns()) {
                    follow(run.getHyperlink(), area(text), run.getRawText().trim());
                }
            }
        }
    }

    private Area area(XSLFShape shape) {
        Rectangle2D at = shape.getAnchor();
        return new Area(
                        at.getX() / size.width,
                        at.getY() / size.height,
                        Math.max(0, at.getWidth() / size.width),
                        Math.max(0, at.getHeight() / size.height))
                .onPage();
    }

    private void sound(XSLFPictureShape shape) throws IOException {
        if (!(shape.getXmlObject() instanceof CTPicture picture) || shape.getAnchor() == null) {
            return;
        }
        CTApplicationNonVisualDrawingProps properties = picture.getNvPicPr().getNvPr();
        String id = properties.isSetAudioFile()
                ? properties.getAudioFile().getLink()
                : properties.isSetWavAudioFile() ? properties.getWavAudioFile().getEmbed() : null;
        PackageRelationship relation =
                id == null ? null : slide.getPackagePart().getRelationship(id);
        if (relation == null || relation.getTargetMode() == TargetMode.EXTERNAL) {
            return;
        }
        PackagePart part = related(relation);
        if (part == null || part.getSize() > LARGEST_SOUND) {
            return;
        }
        try (InputStream content = part.getInputStream()) {
            String path = part.getPartName().getName();
            sounds.add(new PageParts.SoundPart(
                    area(shape),
                    path.substring(path.lastIndexOf('/') + 1),
                    content.readAllBytes(),
                    SoundTag.read(picture.getNvPicPr().getCNvPr()).orElse(null)));
        }
    }

    private PackagePart related(PackageRelationship relation) throws IOException {
        try {
            return slide.getPackagePart().getRelatedPart(relation);
        } catch (InvalidFormatException broken) {
            throw new IOException(broken);
        }
    }

    private void follow(XSLFHyperlink link, Area area, String words) {
        if (link == null) {
            return;
        }
        String action = link.getXmlObject().isSetAction() ? link.getXmlObject().getAction() : "";
        int here = show.getSlides().indexOf(slide);
        Integer to = switch (action.toLowerCase(Locale.ROOT)) {
            case "ppaction://hlinkshowjump?jump=nextslide" -> here + 1;
            case "ppaction://hlinkshowjump?jump=previousslide" -> here - 1;
            case "ppaction://hlinkshowjump?jump=firstslide" -> 0;
            case "ppaction://hlinkshowjump?jump=lastslide" -> show.getSlides().size() - 1;
            case "ppaction://hlinksldjump" -> slideOf(link);
            default -> null;
        };
        if (to != null && to >= 0 && to < show.getSlides().size()) {
            jumps.add(new PageParts.JumpPart(area, to));
        } else if (WebAddress.of(link.getAddress()).isPresent()) {
            links.add(new PageParts.LinkPart(area, words, link.getAddress()));
        }
    }

    private Integer slideOf(XSLFHyperlink link) {
        PackageRelationship relation =
                slide.getPackagePart().getRelationship(link.getXmlObject().getId());
        if (relation == null) {
            return null;
        }
        for (int i = 0; i < show.getSlides().size(); i++) {
            if (show.getSlides().get(i).getPackagePart().getPartName().getURI().equals(relation.getTargetURI())) {
                return i;
            }
        }
        return null;
    }
}
