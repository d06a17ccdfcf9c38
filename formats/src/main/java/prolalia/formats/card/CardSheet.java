package prolalia.formats.card;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Font;
import java.awt.Shape;
import java.awt.font.FontRenderContext;
import java.awt.font.TextLayout;
import java.awt.geom.AffineTransform;
import java.awt.geom.PathIterator;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.List;
import javax.imageio.ImageIO;
import org.apache.batik.parser.AWTPathProducer;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import prolalia.core.classroom.Animal;
import prolalia.core.classroom.KeyPicture;
import prolalia.core.classroom.PictureKey;
import prolalia.formats.code.CodeImage;
import prolalia.formats.paper.Fonts;

/**
 * Cards for children, eight on a sheet of A4 to be cut apart: name, animal, picture key, and the code of their door. Names are
 * drawn as outlines, so that every script prints as it is written here, whatever fonts the printer has.
 *
 * <p>Stateless and thread-safe.
 */
public final class CardSheet {
    private static final int COLUMNS = 2;
    private static final int ROWS = 4;
    private static final float MARGIN = 34;
    private static final float PADDING = 14;
    private static final float CODE = 104;
    private static final float ANIMAL = 62;
    private static final float KEY = 40;
    private static final float KEY_GAP = 8;
    private static final float NAME_SIZE = 22;
    private static final float SMALL_SIZE = 9;

    /** A name is no smaller than this share of its size. */
    private static final float SMALLEST_NAME = 0.62f;

    private static final int NAME_ROWS = 3;
    private static final Color INK = new Color(0x1f3442);
    private static final Color RULE = new Color(0xbcd0dc);
    private static final Color MARGIN_LINE = new Color(0xd98b85);
    private static final FontRenderContext EXACT = new FontRenderContext(null, true, true);

    private CardSheet() {}

    /**
     * A child's card.
     *
     * @param className of the class whose door it is
     * @param address that its code leads to
     * @param word that opens the door when it is typed
     */
    public record Card(
            String name,
            String className,
            Animal animal,
            Animal.Tint tint,
            PictureKey key,
            String address,
            String word) {}

    /** A PDF of all cards. With none it has one empty sheet. */
    public static byte[] of(List<Card> cards) {
        try (PDDocument document = new PDDocument();
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            int onSheet = COLUMNS * ROWS;
            for (int from = 0; from == 0 || from < cards.size(); from += onSheet) {
                PDPage page = new PDPage(PDRectangle.A4);
                document.addPage(page);
                try (PDPageContentStream content = new PDPageContentStream(document, page)) {
                    sheet(document, content, cards.subList(from, Math.min(cards.size(), from + onSheet)));
                }
            }
            document.getDocumentInformation().setTitle("Cards");
            document.save(out);
            return out.toByteArray();
        } catch (IOException impossible) {
            throw new UncheckedIOException("Writing to memory", impossible);
        }
    }

    private static void sheet(PDDocument document, PDPageContentStream content, List<Card> cards) throws IOException {
        float width = (PDRectangle.A4.getWidth() - 2 * MARGIN) / COLUMNS;
        float height = (PDRectangle.A4.getHeight() - 2 * MARGIN) / ROWS;
        for (int i = 0; i < cards.size(); i++) {
            float left = MARGIN + i % COLUMNS * width;
            float top = PDRectangle.A4.getHeight() - MARGIN - i / COLUMNS * height;
            new Drawing(document, content, left, top, width, height).card(cards.get(i));
        }
    }

    /** One card; y grows downwards from its top, as on a page that is read. */
    private record Drawing(
            PDDocument document, PDPageContentStream content, float left, float top, float width, float height) {
        void card(Card card) throws IOException {
            content.setLineDashPattern(new float[] {3, 4}, 0);
            content.setStrokingColor(RULE);
            content.setLineWidth(0.7f);
            content.addRect(left, top - height, width, height);
            content.stroke();
            content.setLineDashPattern(new float[0], 0);
            content.setStrokingColor(MARGIN_LINE);
            content.setLineWidth(1.4f);
            content.moveTo(left + PADDING - 5, top - PADDING);
            content.lineTo(left + PADDING - 5, top - height + PADDING);
            content.stroke();
            float room = width - CODE - 2.5f * PADDING;
            picture(CardPictures.of(card.animal()), PADDING + 2, PADDING, ANIMAL, tint(card.tint()));
            name(card.name(), room);
            text(card.className(), Font.PLAIN, SMALL_SIZE, PADDING + ANIMAL + 8, PADDING + 14, room - ANIMAL - 6);
            float keyTop = height - PADDING - KEY;
            List<KeyPicture> pictures = card.key().pictures();
            for (int i = 0; i < pictures.size(); i++) {
                picture(CardPictures.of(pictures.get(i)), PADDING + 2 + i * (KEY + KEY_GAP), keyTop, KEY, INK);
            }
            code(card.address(), width - CODE - PADDING + 4, PADDING - 4);
            text(card.word(), Font.PLAIN, SMALL_SIZE, width - CODE - PADDING + 14, PADDING + CODE + 8, CODE - 14);
        }

        private static Color tint(Animal.Tint tint) {
            return switch (tint) {
                case SEA -> new Color(0x1d5f7e);
                case MOSS -> new Color(0x3c7254);
                case OCHRE -> new Color(0x8a5d0c);
                case SLATE -> new Color(0x55636d);
            };
        }

        private void picture(String path, float x, float y, float side, Color ink) throws IOException {
            Shape drawn = AWTPathProducer.createShape(new StringReader(path), PathIterator.WIND_NON_ZERO);
            double scale = side / (double) CardPictures.SIDE;
            AffineTransform to = AffineTransform.getTranslateInstance(x, y);
            to.scale(scale, scale);
            Shape strokes =
                    new BasicStroke(1.6f, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND).createStrokedShape(drawn);
            fill(to.createTransformedShape(strokes), ink);
        }

        /** In one row if it may be; a long one in smaller rows, and the rest of it left out. */
        private void name(String name, float room) throws IOException {
            float baseline = PADDING + ANIMAL + NAME_SIZE + 2;
            if (advance(name, NAME_SIZE) <= room / SMALLEST_NAME) {
                text(name, Font.BOLD, NAME_SIZE, PADDING + 2, baseline, room);
                return;
            }
            float size = NAME_SIZE * SMALLEST_NAME;
            String left = name;
            for (int row = 0; row < NAME_ROWS && !left.isBlank(); row++) {
                int fits = fitting(left, size, room);
                boolean rest = row == NAME_ROWS - 1 && fits < left.length();
                text(left.substring(0, fits).strip() + (rest ? "…" : ""), Font.BOLD, size, PADDING + 2, baseline, room);
                left = left.substring(fits).strip();
                baseline += size * 1.1f;
            }
        }

        /** How much of a text fits, to the end of a word if one ends there. */
        private static int fitting(String text, float size, float room) {
            int fits = text.length();
            while (fits > 1 && advance(text.substring(0, fits), size) > room) {
                fits--;
            }
            int space = text.lastIndexOf(' ', fits);
            return fits < text.length() && space > 0 ? space : fits;
        }

        private static float advance(String text, float size) {
            return text.isBlank() ? 0 : layout(text, Font.BOLD, size).getAdvance();
        }

        private static TextLayout layout(String text, int style, float size) {
            return new TextLayout(text, Fonts.anyScript(style).deriveFont(size), EXACT);
        }

        /** As large as it may be, smaller where it wouldn't fit. */
        private void text(String words, int style, float size, float x, float baseline, float room) throws IOException {
            if (words.isBlank()) {
                return;
            }
            TextLayout layout = layout(words, style, size);
            double scale = Math.min(1, room / Math.max(1, layout.getAdvance()));
            AffineTransform to = AffineTransform.getTranslateInstance(x, baseline);
            to.scale(scale, scale);
            fill(layout.getOutline(to), INK);
        }

        /** As a picture: side by side, small filled squares print with hairlines between them. */
        private void code(String address, float x, float y) throws IOException {
            BufferedImage modules =
                    ImageIO.read(new ByteArrayInputStream(CodeImage.of(address).png()));
            content.drawImage(LosslessFactory.createFromImage(document, modules), left + x, top - y - CODE, CODE, CODE);
        }

        private void fill(Shape shape, Color color) throws IOException {
            if (shape.getBounds2D().equals(new Rectangle2D.Double())) {
                return;
            }
            content.setNonStrokingColor(color);
            AffineTransform onSheet = new AffineTransform(1, 0, 0, -1, left, top);
            float[] at = new float[6];
            float lastX = 0;
            float lastY = 0;
            PathIterator path = shape.getPathIterator(onSheet);
            for (; !path.isDone(); path.next()) {
                switch (path.currentSegment(at)) {
                    case PathIterator.SEG_MOVETO -> content.moveTo(at[0], at[1]);
                    case PathIterator.SEG_LINETO -> content.lineTo(at[0], at[1]);
                    case PathIterator.SEG_CUBICTO -> content.curveTo(at[0], at[1], at[2], at[3], at[4], at[5]);
                    case PathIterator.SEG_QUADTO -> {
                        // A quadratic curve as a cubic one: two thirds of the way to its point.
                        content.curveTo(
                                lastX + 2 * (at[0] - lastX) / 3,
                                lastY + 2 * (at[1] - lastY) / 3,
                                at[2] + 2 * (at[0] - at[2]) / 3,
                                at[3] + 2 * (at[1] - at[3]) / 3,
                                at[2],
                                at[3]);
                    }
                    default -> content.closePath();
                }
                int last = switch (path.currentSegment(at)) {
                    case PathIterator.SEG_QUADTO -> 2;
                    case PathIterator.SEG_CUBICTO -> 4;
                    default -> 0;
                };
                lastX = at[last];
                lastY = at[last + 1];
            }
            if (path.getWindingRule() == PathIterator.WIND_EVEN_ODD) {
                content.fillEvenOdd();
            } else {
                content.fill();
            }
        }
    }
}
