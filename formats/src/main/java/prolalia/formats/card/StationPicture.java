package prolalia.formats.card;

import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.font.TextLayout;
import java.awt.geom.AffineTransform;
import java.awt.geom.PathIterator;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import org.apache.batik.parser.AWTPathProducer;
import prolalia.core.station.StationMark;
import prolalia.formats.paper.Fonts;

/** The picture of a station that has none of its own. Stateless. */
public final class StationPicture {
    private static final double FORM_SIDE = 100;
    private static final double FIGURE_SHARE = 0.42;

    private StationPicture() {}

    public static BufferedImage of(StationMark mark, int sidePx) {
        BufferedImage picture = new BufferedImage(sidePx, sidePx, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = picture.createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        graphics.setColor(Color.WHITE);
        graphics.fillRect(0, 0, sidePx, sidePx);
        graphics.setColor(Color.decode(mark.colour()));
        double scale = sidePx / FORM_SIDE;
        try {
            graphics.fill(AffineTransform.getScaleInstance(scale, scale)
                    .createTransformedShape(
                            AWTPathProducer.createShape(new StringReader(mark.form()), PathIterator.WIND_NON_ZERO)));
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        graphics.setColor(Color.WHITE);
        Font font = new Font(Fonts.standIn(null), Font.BOLD, 1).deriveFont((float) (sidePx * FIGURE_SHARE));
        TextLayout figure = new TextLayout(Integer.toString(mark.number()), font, graphics.getFontRenderContext());
        Rectangle2D bounds = figure.getBounds();
        figure.draw(graphics, (float) ((sidePx - bounds.getWidth()) / 2 - bounds.getX()), (float)
                (sidePx * 0.54 - bounds.getCenterY()));
        graphics.dispose();
        return picture;
    }
}
