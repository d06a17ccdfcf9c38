package prolalia.formats.code;

import java.awt.Dimension;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.apache.poi.sl.usermodel.PictureData.PictureType;
import org.apache.poi.xslf.usermodel.XMLSlideShow;
import org.apache.poi.xslf.usermodel.XSLFPictureShape;
import org.apache.poi.xslf.usermodel.XSLFShape;
import org.apache.poi.xslf.usermodel.XSLFSlide;
import org.openxmlformats.schemas.drawingml.x2006.main.CTNonVisualDrawingProps;
import org.openxmlformats.schemas.presentationml.x2006.main.CTPicture;
import prolalia.core.code.CodePlaces;
import prolalia.core.code.CodePlaces.Place;
import prolalia.core.code.CodePlaces.Sheet;
import prolalia.core.code.CodePrint;
import prolalia.core.code.CodeSymbol;
import prolalia.core.code.CodeSymbol.TooLongException;
import prolalia.core.place.Area;
import prolalia.core.place.InkMap;
import prolalia.formats.paper.Paper;
import prolalia.formats.paper.PaperRefusedException;
import prolalia.formats.paper.Papers;
import prolalia.formats.paper.PictureInk;

/** Slides (PPTX, ISO/IEC 29500) with codes in free corners. Everything else on them stays as it is. Stateless. */
public final class StampedSlides {
    private static final double MM_PER_POINT = 25.4 / 72;

    /** On a board a slide is seen from the back of the room: with room for it a code is so large, by the slide's height. */
    private static final double WANTED_SHARE = 0.24;

    private static final int LONGEST_PX = 1_600;

    private StampedSlides() {}

    /**
     * @param slides that are read
     * @param codes where they lead, by the number of the slide, from 1
     * @param out another file, that is written
     * @return the numbers of those slides on which there was no room, or whose address is too long for a code
     * @throws PaperRefusedException if they are no slides, broken, or locked
     */
    public static List<Integer> stamp(Path slides, Map<Integer, String> codes, Path out)
            throws IOException, PaperRefusedException {
        Map<Integer, InkMap> inks = new TreeMap<>();
        try (Paper paper = Papers.open(slides)) {
            for (int number : codes.keySet()) {
                BufferedImage seen = paper.picture(number - 1, LONGEST_PX);
                inks.put(number, PictureInk.fine(seen));
            }
        }
        List<Integer> left = new ArrayList<>();
        try (InputStream in = Files.newInputStream(slides);
                XMLSlideShow show = new XMLSlideShow(in)) {
            for (Map.Entry<Integer, InkMap> ink : inks.entrySet()) {
                int number = ink.getKey();
                if (!put(show, show.getSlides().get(number - 1), ink.getValue(), codes.get(number))) {
                    left.add(number);
                }
            }
            try (OutputStream to = new BufferedOutputStream(Files.newOutputStream(out))) {
                show.write(to);
            }
        }
        return left;
    }

    private static boolean put(XMLSlideShow show, XSLFSlide slide, InkMap ink, String address) throws IOException {
        Dimension size = show.getPageSize();
        double width = size.getWidth() * MM_PER_POINT;
        double height = size.getHeight() * MM_PER_POINT;
        CodeSymbol symbol;
        try {
            symbol = CodeSymbol.of(address);
        } catch (TooLongException noCode) {
            return false;
        }
        CodePrint wanted = CodePrint.within(symbol, WANTED_SHARE * height)
                .orElse(new CodePrint(symbol, CodePrint.SMALLEST_MODULE_MM));
        Optional<Place> place = CodePlaces.inCorner(new Sheet(width, height, ink, pressed(slide, size)), wanted)
                .places()
                .get(0);
        if (place.isEmpty()) {
            return false;
        }
        XSLFPictureShape shape =
                slide.createPicture(show.addPicture(CodeImage.of(address).png(), PictureType.PNG));
        Area area = place.get().area();
        shape.setAnchor(new Rectangle2D.Double(
                area.x() * size.getWidth(),
                area.y() * size.getHeight(),
                area.w() * size.getWidth(),
                area.h() * size.getHeight()));
        CTNonVisualDrawingProps properties =
                ((CTPicture) shape.getXmlObject()).getNvPicPr().getCNvPr();
        properties.setName("Code");
        properties.setDescr(address);
        return true;
    }

    /** What is pressed, seen or not: marks of sounds are drawn by whoever shows the slides, and links may have no colour. */
    private static List<Area> pressed(XSLFSlide slide, Dimension size) {
        List<Area> pressed = new ArrayList<>();
        for (XSLFShape shape : slide.getShapes()) {
            Rectangle2D at = shape.getAnchor();
            boolean plain = !shape.getXmlObject().xmlText().contains("hlinkClick");
            if (at != null && !plain) {
                pressed.add(new Area(
                        at.getX() / size.getWidth(),
                        at.getY() / size.getHeight(),
                        at.getWidth() / size.getWidth(),
                        at.getHeight() / size.getHeight()));
            }
        }
        return pressed;
    }
}
