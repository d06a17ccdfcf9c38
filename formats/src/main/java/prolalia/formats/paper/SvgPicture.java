package prolalia.formats.paper;

import java.awt.image.BufferedImage;
import java.io.InputStream;
import java.io.StringReader;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.xml.XMLConstants;
import javax.xml.parsers.SAXParserFactory;
import javax.xml.transform.TransformerFactory;
import javax.xml.transform.sax.SAXSource;
import javax.xml.transform.stream.StreamResult;
import org.apache.batik.transcoder.SVGAbstractTranscoder;
import org.apache.batik.transcoder.TranscoderInput;
import org.apache.batik.transcoder.TranscoderOutput;
import org.apache.batik.transcoder.XMLAbstractTranscoder;
import org.apache.batik.transcoder.image.ImageTranscoder;
import org.xml.sax.InputSource;
import org.xml.sax.XMLReader;
import prolalia.formats.paper.PaperRefusedException.Reason;

/** Draws an SVG, so that nothing of its code reaches a browser: no script is run, nothing outside is fetched. */
final class SvgPicture {
    private static final float WIDTH = 1600;
    private static final float TALLEST = 10_000;
    private static final long LARGEST = 20L << 20;

    /** Drawing programs name a handful of namespaces so; a drawing that grows by its entities names thousands. */
    private static final String MOST_ENTITIES = "2000";

    private static final String LARGEST_ENTITIES = "500000";
    private static final String LIMIT = "http://www.oracle.com/xml/jaxp/properties/";

    /** Width and height of what is drawn; a drawing without it says its size itself. */
    private static final Pattern VIEW_BOX = Pattern.compile(
            "<svg[^>]*\\sviewBox\\s*=\\s*[\"']\\s*\\S+[\\s,]+\\S+[\\s,]+([0-9]+(?:\\.[0-9]+)?)[\\s,]+([0-9]+(?:\\.[0-9]+)?)\\s*[\"']");

    private SvgPicture() {}

    static BufferedImage draw(Path file) throws PaperRefusedException {
        try {
            if (Files.size(file) > LARGEST) {
                throw new PaperRefusedException(Reason.TOO_LARGE);
            }
            String svg = plain(file);
            Drawing drawing = new Drawing();
            drawing.addTranscodingHint(SVGAbstractTranscoder.KEY_WIDTH, WIDTH);
            Matcher box = VIEW_BOX.matcher(svg);
            if (box.find()) {
                float height = WIDTH * Float.parseFloat(box.group(2)) / Float.parseFloat(box.group(1));
                drawing.addTranscodingHint(SVGAbstractTranscoder.KEY_HEIGHT, Math.max(1, Math.min(TALLEST, height)));
            }
            drawing.addTranscodingHint(SVGAbstractTranscoder.KEY_ALLOW_EXTERNAL_RESOURCES, false);
            drawing.addTranscodingHint(SVGAbstractTranscoder.KEY_EXECUTE_ONLOAD, false);
            drawing.addTranscodingHint(SVGAbstractTranscoder.KEY_ALLOWED_SCRIPT_TYPES, "");
            drawing.addTranscodingHint(XMLAbstractTranscoder.KEY_XML_PARSER_VALIDATING, false);
            drawing.addTranscodingHint(ImageTranscoder.KEY_BACKGROUND_COLOR, java.awt.Color.WHITE);
            drawing.transcode(new TranscoderInput(new StringReader(svg)), null);
            if (drawing.picture == null) {
                throw new PaperRefusedException(Reason.BROKEN);
            }
            return drawing.picture;
        } catch (PaperRefusedException refused) {
            throw refused;
        } catch (Exception broken) {
            throw new PaperRefusedException(Reason.BROKEN, broken);
        }
    }

    /**
     * The same drawing without its document type and with its entities replaced, as an XML parser understands them: within
     * limits, and without opening anything else (XML 1.0, 4.2.2; OWASP: XML external entity prevention).
     */
    private static String plain(Path file) throws Exception {
        SAXParserFactory factory = SAXParserFactory.newDefaultInstance();
        factory.setNamespaceAware(true);
        factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
        factory.setFeature("http://xml.org/sax/features/external-general-entities", false);
        factory.setFeature("http://xml.org/sax/features/external-parameter-entities", false);
        factory.setFeature("http://apache.org/xml/features/nonvalidating/load-external-dtd", false);
        XMLReader reader = factory.newSAXParser().getXMLReader();
        reader.setProperty(LIMIT + "entityExpansionLimit", MOST_ENTITIES);
        reader.setProperty(LIMIT + "totalEntitySizeLimit", LARGEST_ENTITIES);
        StringWriter text = new StringWriter();
        try (InputStream content = Files.newInputStream(file)) {
            TransformerFactory.newDefaultInstance()
                    .newTransformer()
                    .transform(new SAXSource(reader, new InputSource(content)), new StreamResult(text));
        }
        return text.toString();
    }

    private static final class Drawing extends ImageTranscoder {
        private BufferedImage picture;

        @Override
        public BufferedImage createImage(int width, int height) {
            return new BufferedImage(width, Math.min(height, (int) TALLEST), BufferedImage.TYPE_INT_RGB);
        }

        @Override
        public void writeImage(BufferedImage drawn, TranscoderOutput nowhere) {
            picture = drawn;
        }
    }
}
