package prolalia.formats.slides;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import javax.imageio.ImageIO;
import org.apache.poi.sl.usermodel.PictureData.PictureType;
import org.apache.poi.xslf.usermodel.XMLSlideShow;
import org.apache.poi.xslf.usermodel.XSLFPictureData;
import org.apache.xmlbeans.XmlException;
import org.apache.xmlbeans.XmlOptions;
import org.openxmlformats.schemas.presentationml.x2006.main.CTExtension;
import org.openxmlformats.schemas.presentationml.x2006.main.CTSlideTiming;
import org.w3c.dom.Document;
import prolalia.formats.lesson.Shipped;

/** Parts of slides as XML, and the pictures that marks are. */
final class SlideXml {
    /** With the element itself, not its content alone. */
    static final XmlOptions AS_ELEMENT = new XmlOptions().setSaveOuter();

    private SlideXml() {}

    static CTSlideTiming timing(Document document) throws XmlException {
        return CTSlideTiming.Factory.parse(document, new XmlOptions().setLoadReplaceDocumentElement(null));
    }

    static CTExtension extension(String uri, String content) throws XmlException {
        return CTExtension.Factory.parse("<xml-fragment uri=\"" + uri + "\">" + content + "</xml-fragment>");
    }

    /** The mark of a spot. */
    static XSLFPictureData mark(XMLSlideShow show) throws IOException {
        return show.addPicture(Shipped.read("prolalia/formats/slides/mark.png"), PictureType.PNG);
    }

    /** A picture of a kind that slides can't have, drawn anew; empty when it can't be read. */
    static Optional<XSLFPictureData> drawn(XMLSlideShow show, Path file) throws IOException {
        BufferedImage picture = ImageIO.read(file.toFile());
        if (picture == null) {
            return Optional.empty();
        }
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(picture, "png", png);
        return Optional.of(show.addPicture(png.toByteArray(), PictureType.PNG));
    }
}
