package prolalia.formats.paper;

import java.awt.Dimension;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.Shape;
import java.awt.font.TextLayout;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.text.AttributedString;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.poi.sl.draw.DrawFactory;
import org.apache.poi.sl.draw.DrawNothing;
import org.apache.poi.sl.draw.DrawTextFragment;
import org.apache.poi.sl.draw.DrawTextParagraph;
import org.apache.poi.sl.draw.Drawable;
import org.apache.poi.sl.usermodel.PictureShape;
import org.apache.poi.sl.usermodel.TextParagraph;
import org.apache.poi.xslf.usermodel.XSLFShape;
import org.apache.poi.xslf.usermodel.XSLFSlide;
import prolalia.core.place.Area;
import prolalia.core.place.WordPlaces.PlacedWord;

/** Where the words of a slide stand, found by watching them being drawn; nothing is painted. */
final class SlideWords extends DrawFactory {
    /** Smoothed edges reach beyond a letter's own; as a share of the height of a row. */
    private static final double EDGE = 0.02;

    private static final Pattern WORD = Pattern.compile("\\S+");

    private final Dimension size;
    private final Map<TextParagraph<?, ?, ?>, Drawn> drawn = new IdentityHashMap<>();
    private Drawn now;

    private SlideWords(Dimension size) {
        this.size = size;
    }

    /** What was drawn of a paragraph. */
    static final class Drawn {
        private final List<PlacedWord> words = new ArrayList<>();
        private Area rows;

        /** In the order in which they are drawn, which is that of reading; what stands before a paragraph in a list is one. */
        List<PlacedWord> words() {
            return words;
        }

        /** All of its rows, from ascenders to descenders. */
        Area rows() {
            return rows;
        }
    }

    static SlideWords of(XSLFSlide slide, Dimension size) {
        SlideWords words = new SlideWords(size);
        Graphics2D graphics = new BufferedImage(1, 1, BufferedImage.TYPE_INT_RGB).createGraphics();
        try {
            graphics.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
            graphics.setRenderingHint(RenderingHints.KEY_FRACTIONALMETRICS, RenderingHints.VALUE_FRACTIONALMETRICS_ON);
            graphics.setRenderingHint(Drawable.DRAW_FACTORY, words);
            for (XSLFShape shape : slide.getShapes()) {
                words.watch(shape, graphics);
            }
        } finally {
            graphics.dispose();
        }
        return words;
    }

    private void watch(XSLFShape shape, Graphics2D graphics) {
        AffineTransform before = graphics.getTransform();
        Shape clip = graphics.getClip();
        try {
            drawShape(graphics, shape, null);
        } catch (RuntimeException unable) {
            // A shape that can't be drawn has no words that are seen.
            now = null;
        } finally {
            graphics.setTransform(before);
            graphics.setClip(clip);
        }
    }

    /** @return empty when nothing of it is drawn */
    Optional<Drawn> of(TextParagraph<?, ?, ?> paragraph) {
        return Optional.ofNullable(drawn.get(paragraph)).filter(found -> found.rows != null && !found.words.isEmpty());
    }

    @Override
    public Drawable getDrawable(org.apache.poi.sl.usermodel.Shape<?, ?> shape) {
        return shape instanceof PictureShape ? new DrawNothing(shape) : super.getDrawable(shape);
    }

    @Override
    public DrawTextParagraph getDrawable(TextParagraph<?, ?, ?> paragraph) {
        return new DrawTextParagraph(paragraph) {
            @Override
            public void draw(Graphics2D graphics) {
                // Drawn before to know its height alone, it is drawn again.
                now = new Drawn();
                drawn.put(paragraph, now);
                super.draw(graphics);
                now = null;
            }
        };
    }

    @Override
    public DrawTextFragment getTextFragment(TextLayout layout, AttributedString text) {
        return new Fragment(layout, text);
    }

    /** What is drawn of a paragraph in one row. */
    private final class Fragment extends DrawTextFragment {
        private double x;
        private double y;

        private Fragment(TextLayout layout, AttributedString text) {
            super(layout, text);
        }

        @Override
        public void setPosition(double atX, double atY) {
            super.setPosition(atX, atY);
            x = atX;
            y = atY;
        }

        @Override
        public void draw(Graphics2D graphics) {
            TextLayout layout = getLayout();
            if (now == null || getAttributedString() == null || layout == null) {
                return;
            }
            AffineTransform place = graphics.getTransform();
            place.translate(x, y + layout.getAscent());
            String text = getString();
            double edge = EDGE * (layout.getAscent() + layout.getDescent());
            Matcher words = WORD.matcher(text);
            while (words.find()) {
                int end = Math.min(words.end(), layout.getCharacterCount());
                if (words.start() >= end) {
                    continue;
                }
                Rectangle2D ink = layout.getBlackBoxBounds(words.start(), end).getBounds2D();
                Rectangle2D row =
                        layout.getLogicalHighlightShape(words.start(), end).getBounds2D();
                if (ink.getWidth() > 0 && ink.getHeight() > 0) {
                    Rectangle2D roomy = new Rectangle2D.Double(
                            ink.getX() - edge,
                            ink.getY() - edge,
                            ink.getWidth() + 2 * edge,
                            ink.getHeight() + 2 * edge);
                    now.words.add(new PlacedWord(words.group(), share(place, roomy)));
                    Area here = share(place, row);
                    now.rows = now.rows == null ? here : now.rows.with(here);
                }
            }
        }

        private Area share(AffineTransform place, Rectangle2D at) {
            Rectangle2D on = place.createTransformedShape(at).getBounds2D();
            return new Area(
                    on.getX() / size.width,
                    on.getY() / size.height,
                    on.getWidth() / size.width,
                    on.getHeight() / size.height);
        }
    }
}
