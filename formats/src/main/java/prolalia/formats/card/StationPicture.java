package prolalia.formats.card;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.font.TextLayout;
import java.awt.geom.Line2D;
import java.awt.geom.PathIterator;
import java.awt.geom.Rectangle2D;
import java.awt.geom.RoundRectangle2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import org.apache.batik.parser.AWTPathProducer;
import prolalia.core.station.StationMark;
import prolalia.formats.paper.Fonts;

/** The picture of a station that has none of its own. Stateless. */
public final class StationPicture {
    private static final Color INK = new Color(0x1f3442);
    private static final Color RULING = new Color(0xb9cfdb);
    private static final double EDGE = 2.5;
    private static final double CORNER = 4;
    private static final float FIGURE = 31;

    private StationPicture() {}

    public static BufferedImage of(StationMark mark, int sidePx) {
        BufferedImage picture = new BufferedImage(sidePx, sidePx, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = picture.createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        graphics.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        graphics.setColor(Color.WHITE);
        graphics.fillRect(0, 0, sidePx, sidePx);
        double scale = (double) sidePx / StationMark.SIDE;
        graphics.scale(scale, scale);
        graphics.setColor(RULING);
        graphics.setStroke(new BasicStroke(2.5f));
        graphics.draw(new Line2D.Double(EDGE, StationMark.RULE, StationMark.SIDE - EDGE, StationMark.RULE));
        graphics.setColor(INK);
        graphics.setStroke(new BasicStroke(3));
        graphics.draw(new RoundRectangle2D.Double(
                EDGE, EDGE, StationMark.SIDE - 2 * EDGE, StationMark.SIDE - 2 * EDGE, 2 * CORNER, 2 * CORNER));
        graphics.setStroke(new BasicStroke((float) StationMark.PEN, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
        try {
            graphics.draw(AWTPathProducer.createShape(new StringReader(mark.drawing()), PathIterator.WIND_NON_ZERO));
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        Font font = new Font(Fonts.standIn(null), Font.BOLD, 1).deriveFont(FIGURE);
        TextLayout figure = new TextLayout(Integer.toString(mark.number()), font, graphics.getFontRenderContext());
        Rectangle2D bounds = figure.getBounds();
        figure.draw(graphics, (float) (StationMark.SIDE / 2.0 - bounds.getCenterX()), (float)
                ((StationMark.RULE + StationMark.SIDE) / 2.0 - bounds.getCenterY()));
        graphics.dispose();
        return picture;
    }
}
