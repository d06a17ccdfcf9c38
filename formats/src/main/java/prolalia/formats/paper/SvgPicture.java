package prolalia.formats.paper;

import java.awt.image.BufferedImage;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.batik.transcoder.SVGAbstractTranscoder;
import org.apache.batik.transcoder.TranscoderInput;
import org.apache.batik.transcoder.TranscoderOutput;
import org.apache.batik.transcoder.XMLAbstractTranscoder;
import org.apache.batik.transcoder.image.ImageTranscoder;
import prolalia.formats.paper.PaperRefusedException.Reason;

/** Draws an SVG, so that nothing of its code reaches a browser: no script is run, nothing outside is fetched. */
final class SvgPicture {
    private static final float WIDTH = 1600;
    private static final float TALLEST = 10_000;
    private static final long LARGEST = 20L << 20;
    private static final Pattern DOCTYPE = Pattern.compile("<!DOCTYPE[^>\\[]*(\\[.*?]\\s*)?>", Pattern.DOTALL);

    /** Width and height of what is drawn; a drawing without it says its size itself. */
    private static final Pattern VIEW_BOX = Pattern.compile(
            "<svg[^>]*\\sviewBox\\s*=\\s*[\"']\\s*\\S+[\\s,]+\\S+[\\s,]+([0-9]+(?:\\.[0-9]+)?)[\\s,]+([0-9]+(?:\\.[0-9]+)?)\\s*[\"']");

    private SvgPicture() {}

    static BufferedImage draw(Path file) throws PaperRefusedException {
        try {
            if (Files.size(file) > LARGEST) {
                throw new PaperRefusedException(Reason.TOO_LARGE);
            }
            // Entities are the one thing in it that could grow without end.
            String svg = DOCTYPE.matcher(Files.readString(file, StandardCharsets.UTF_8))
                    .replaceAll("");
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
