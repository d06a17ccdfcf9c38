package prolalia.formats.slides;

import java.awt.Dimension;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.poi.openxml4j.exceptions.InvalidFormatException;
import org.apache.poi.openxml4j.opc.PackagePart;
import org.apache.poi.openxml4j.opc.PackagePartName;
import org.apache.poi.openxml4j.opc.PackagingURIHelper;
import org.apache.poi.openxml4j.opc.TargetMode;
import org.apache.poi.sl.usermodel.PictureData.PictureType;
import org.apache.poi.sl.usermodel.ShapeType;
import org.apache.poi.xslf.usermodel.XMLSlideShow;
import org.apache.poi.xslf.usermodel.XSLFAutoShape;
import org.apache.poi.xslf.usermodel.XSLFPictureData;
import org.apache.poi.xslf.usermodel.XSLFPictureShape;
import org.apache.poi.xslf.usermodel.XSLFShape;
import org.apache.poi.xslf.usermodel.XSLFSlide;
import org.apache.poi.xslf.usermodel.XSLFTextBox;
import org.apache.xmlbeans.XmlException;
import org.openxmlformats.schemas.presentationml.x2006.main.CTApplicationNonVisualDrawingProps;
import org.openxmlformats.schemas.presentationml.x2006.main.CTExtension;
import org.openxmlformats.schemas.presentationml.x2006.main.CTPicture;
import org.openxmlformats.schemas.presentationml.x2006.main.CTSlideTiming;
import prolalia.core.place.Area;
import prolalia.core.published.PublishedLesson;
import prolalia.core.published.PublishedLesson.PublishedLine;
import prolalia.core.published.StudentPage;
import prolalia.core.published.StudentPage.OnPage;
import prolalia.core.published.StudentPage.SaidLine;
import prolalia.core.published.StudentPages;
import prolalia.formats.lesson.LessonFiles;
import prolalia.formats.lesson.LessonFiles.Slide;
import prolalia.formats.lesson.SoundTag;

/**
 * A lesson as slides (PPTX, ISO/IEC 29500). A page that was made of a slide is that slide, as it came, with each take embedded
 * at its spot; other pages are slides with the page's picture. Sounds play on a press, and on arrival where the play rule says
 * so.
 */
public final class LessonSlides {
    private static final String AUDIO = "http://schemas.openxmlformats.org/officeDocument/2006/relationships/audio";

    /** MS-PPTX, 2.2.2.1: the sound itself, beside ISO's link to it. */
    private static final String MEDIA = "http://schemas.microsoft.com/office/2007/relationships/media";

    private static final String EMBEDDED =
            "<p14:media xmlns:p14=\"http://schemas.microsoft.com/office/powerpoint/2010/main\" xmlns:r=\"http://schemas."
                    + "openxmlformats.org/officeDocument/2006/relationships\" r:embed=\"%s\"/>";
    private static final String EMBEDDED_URI = "{DAA4B4D4-6D71-4841-9C94-3DE7FCFB9230}";

    private static final Dimension SIZE = new Dimension(960, 540);

    /** Marks of lines that have no spot stand in a column at the right, this large by the slide's height. */
    private static final double MARK = 0.08;

    /** Lines of a page without a picture are no larger than if there were so many. */
    private static final double FEWEST_ROWS = 6;

    private final XMLSlideShow show;
    private final Optional<Path> deck;
    private final PublishedLesson lesson;
    private final LessonFiles files;
    private final Map<String, PackagePartName> sounds = new HashMap<>();
    private final Map<Integer, XSLFSlide> slides = new HashMap<>();
    private final Set<Integer> ownSlides = new HashSet<>();
    private int numberOfSounds;

    private LessonSlides(PublishedLesson lesson, LessonFiles files) throws IOException {
        this.lesson = lesson;
        this.files = files;
        deck = lesson.pages().stream()
                .flatMap(page -> files.slide(page.id()).stream())
                .map(Slide::deck)
                .findFirst();
        if (deck.isPresent()) {
            try (InputStream in = Files.newInputStream(deck.get())) {
                show = new XMLSlideShow(in);
            }
        } else {
            show = new XMLSlideShow();
            show.setPageSize(SIZE);
        }
    }

    /** @param out not closed */
    public static void write(PublishedLesson lesson, LessonFiles files, OutputStream out) throws IOException {
        LessonSlides slides = new LessonSlides(lesson, files);
        try (XMLSlideShow show = slides.show) {
            slides.make();
            show.write(out);
        } catch (InvalidFormatException | XmlException failure) {
            throw new IOException("The slides could not be written", failure);
        }
    }

    private void make() throws IOException, InvalidFormatException, XmlException {
        List<XSLFSlide> were = new ArrayList<>(show.getSlides());
        List<StudentPage> pages = StudentPages.of(lesson);
        Set<XSLFSlide> used = new HashSet<>();
        for (StudentPage page : pages) {
            Optional<XSLFSlide> own = page.page() == null
                    ? Optional.empty()
                    : files.slide(page.page().id())
                            .filter(slide -> slide.deck().equals(deck.orElse(null)))
                            .filter(slide -> slide.number() >= 1 && slide.number() <= were.size())
                            .map(slide -> were.get(slide.number() - 1))
                            .filter(used::add);
            if (own.isPresent()) {
                ownSlides.add(page.number());
            }
            slides.put(page.number(), own.isPresent() ? own.get() : withPicture(page));
        }
        for (int i = were.size() - 1; i >= 0; i--) {
            if (!used.contains(were.get(i))) {
                show.removeSlide(show.getSlides().indexOf(were.get(i)));
            }
        }
        for (StudentPage page : pages) {
            show.setSlideOrder(slides.get(page.number()), page.number() - 1);
        }
        for (StudentPage page : pages) {
            put(page, slides.get(page.number()));
        }
    }

    private XSLFSlide withPicture(StudentPage page) throws IOException {
        XSLFSlide slide = show.createSlide();
        if (page.page() != null && page.page().picture() != null) {
            Optional<XSLFPictureData> data = picture(page.page().picture().hash());
            if (data.isPresent()) {
                XSLFPictureShape shape = slide.createPicture(data.get());
                shape.setAnchor(anchor(board(page)));
                describe(shape, page.page().picture().shows());
            }
        }
        return slide;
    }

    /** The part of a slide that a page with a picture of another form takes up. */
    private Area board(StudentPage page) {
        Dimension size = show.getPageSize();
        return Area.fitted(page.page().aspect(), size.getWidth() / size.getHeight(), 1);
    }

    private void put(StudentPage page, XSLFSlide slide) throws IOException, InvalidFormatException, XmlException {
        if (page.page() == null) {
            return;
        }
        // A slide of another deck goes out as its picture.
        boolean own = ownSlides.contains(page.number());
        Area board = own ? Area.WHOLE : board(page);
        CTSlideTiming before = slide.getXmlObject().getTiming();
        SlideTiming timing = new SlideTiming(before == null ? null : before.xmlText(SlideXml.AS_ELEMENT));
        timing.forget(withoutSounds(slide));
        boolean sounds = false;
        for (OnPage each : page.onPage()) {
            Area area = within(board, each.thing().area());
            if (each.said() != null) {
                sounds |= put(each.said(), area, each.isMark(), slide, timing);
            } else {
                put(each, area, slide);
            }
        }
        boolean bare = !own && page.page().picture() == null;
        List<SaidLine> beside = new ArrayList<>(bare ? page.allLines() : page.lines());
        beside.addAll(page.hints());
        double rows = Math.max(FEWEST_ROWS, beside.size());
        int row = 0;
        for (SaidLine said : beside) {
            if (bare) {
                // Without a picture the words themselves are what is seen.
                text(
                        slide,
                        new Area(0.13, (row + 0.1) / rows, 0.83, 0.8 / rows),
                        said.line().words(),
                        0.4 / rows);
            }
            if (put(said, mark(bare, row, rows), true, slide, timing)) {
                sounds = true;
                row++;
            } else if (bare) {
                row++;
            }
        }
        if (sounds) {
            slide.getXmlObject().setTiming(SlideXml.timing(timing.document()));
        } else if (before != null) {
            slide.getXmlObject().setTiming(SlideXml.timing(timing.document()));
        }
    }

    /** Where the mark of a line stands that has no spot: beside its words, or in a column at the right. */
    private Area mark(boolean bare, int row, double rows) {
        Dimension size = show.getPageSize();
        double wide = MARK * size.getHeight() / size.getWidth();
        return bare
                ? new Area(0.04, (row + 0.1) / rows, wide, Math.min(MARK, 0.8 / rows))
                : new Area(1 - 1.3 * wide, Math.min(1 - MARK, 0.02 + row * MARK * 1.15), wide, MARK);
    }

    /** The sounds that the slide had became takes; they are put in as such. */
    private static Set<Long> withoutSounds(XSLFSlide slide) {
        Set<Long> gone = new HashSet<>();
        for (XSLFShape shape : List.copyOf(slide.getShapes())) {
            if (shape.getXmlObject() instanceof CTPicture picture) {
                CTApplicationNonVisualDrawingProps properties =
                        picture.getNvPicPr().getNvPr();
                if (properties.isSetAudioFile() || properties.isSetWavAudioFile()) {
                    gone.add((long) shape.getShapeId());
                    slide.removeShape(shape);
                }
            }
        }
        return gone;
    }

    private boolean put(SaidLine said, Area area, boolean mark, XSLFSlide slide, SlideTiming timing)
            throws IOException, InvalidFormatException, XmlException {
        PublishedLine line = said.line();
        if (!line.isHeard()) {
            return false;
        }
        XSLFPictureShape shape = slide.createPicture(SlideXml.mark(show));
        shape.setAnchor(anchor(mark ? square(area) : corner(area)));
        PackagePartName sound = sound(line.soundHash());
        PackagePart part = slide.getPackagePart();
        String link = part.addRelationship(sound, TargetMode.INTERNAL, AUDIO).getId();
        String embed = part.addRelationship(sound, TargetMode.INTERNAL, MEDIA).getId();
        CTPicture picture = (CTPicture) shape.getXmlObject();
        SoundTag.write(line.line(), picture.getNvPicPr().getCNvPr());
        picture.getNvPicPr().getCNvPr().addNewHlinkClick().setId("");
        picture.getNvPicPr().getCNvPr().getHlinkClick().setAction("ppaction://media");
        CTApplicationNonVisualDrawingProps properties = picture.getNvPicPr().getNvPr();
        properties.addNewAudioFile().setLink(link);
        CTExtension extension = properties.addNewExtLst().addNewExt();
        extension.set(SlideXml.extension(EMBEDDED_URI, EMBEDDED.formatted(embed)));
        timing.add(shape.getShapeId(), line.durationMs(), said.rule());
        return true;
    }

    private PackagePartName sound(String hash) throws IOException, InvalidFormatException {
        if (!sounds.containsKey(hash)) {
            PackagePartName name;
            do {
                name = PackagingURIHelper.createPartName(
                        String.format(Locale.ROOT, "/ppt/media/take%d.mp3", ++numberOfSounds));
            } while (show.getPackage().containPart(name));
            PackagePart part = show.getPackage().createPart(name, "audio/mpeg");
            try (OutputStream out = part.getOutputStream()) {
                Files.copy(files.file(hash), out);
            }
            sounds.put(hash, name);
        }
        return sounds.get(hash);
    }

    /** Links, jumps, words and pictures that were placed on the stage. */
    private void put(OnPage each, Area area, XSLFSlide slide) throws IOException {
        if (each.text() != null) {
            text(slide, area, each.text().words(), each.text().size().share());
        } else if (each.picture() != null) {
            Optional<XSLFPictureData> data = picture(each.picture().hash());
            if (data.isPresent()) {
                XSLFPictureShape shape = slide.createPicture(data.get());
                shape.setAnchor(anchor(area));
                describe(shape, each.picture().shows());
            }
        } else {
            XSLFAutoShape way = slide.createAutoShape();
            way.setShapeType(ShapeType.RECT);
            way.setAnchor(anchor(area));
            String seen =
                    each.link() != null && each.link().seen() ? each.link().words() : "";
            if (each.toNumber() != null) {
                way.createHyperlink().linkToSlide(slides.get(each.toNumber()));
                seen = each.jump().words();
            } else {
                way.createHyperlink().linkToUrl(each.link().address());
            }
            way.setText(SoundTag.plain(seen));
        }
    }

    private void text(XSLFSlide slide, Area area, String words, double share) {
        XSLFTextBox box = slide.createTextBox();
        box.setAnchor(anchor(area));
        box.setText(SoundTag.plain(words))
                .setFontSize(share * show.getPageSize().getHeight() / LINE_BY_SIZE);
    }

    private static final double LINE_BY_SIZE = 1.25;

    private Optional<XSLFPictureData> picture(String hash) throws IOException {
        PictureType type = switch (files.pictureType(hash)) {
            case "image/png" -> PictureType.PNG;
            case "image/jpeg" -> PictureType.JPEG;
            case "image/gif" -> PictureType.GIF;
            default -> null;
        };
        return type == null
                ? SlideXml.drawn(show, files.file(hash))
                : Optional.of(show.addPicture(Files.readAllBytes(files.file(hash)), type));
    }

    private static void describe(XSLFPictureShape shape, String words) {
        ((CTPicture) shape.getXmlObject()).getNvPicPr().getCNvPr().setDescr(SoundTag.plain(words == null ? "" : words));
    }

    private static Area within(Area board, Area area) {
        return new Area(
                board.x() + area.x() * board.w(),
                board.y() + area.y() * board.h(),
                area.w() * board.w(),
                area.h() * board.h());
    }

    /** A mark is round: as wide as it is high, in the middle of its place. */
    private Area square(Area area) {
        Dimension size = show.getPageSize();
        double side = Math.min(area.w() * size.getWidth(), area.h() * size.getHeight());
        double w = side / size.getWidth();
        double h = side / size.getHeight();
        return new Area(area.middleX() - w / 2, area.middleY() - h / 2, w, h);
    }

    /** Where a part of the picture is pressed, a mark in its corner takes its place: a slide has no sound without a picture. */
    private Area corner(Area area) {
        Dimension size = show.getPageSize();
        return new Area(area.x(), area.y(), MARK * size.getHeight() / size.getWidth(), MARK);
    }

    private Rectangle2D anchor(Area area) {
        Dimension size = show.getPageSize();
        return new Rectangle2D.Double(
                area.x() * size.getWidth(),
                area.y() * size.getHeight(),
                Math.max(1, area.w() * size.getWidth()),
                Math.max(1, area.h() * size.getHeight()));
    }
}
