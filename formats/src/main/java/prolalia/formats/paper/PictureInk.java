package prolalia.formats.paper;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import prolalia.core.place.InkMap;

/** Where a picture has ink. */
public final class PictureInk {
    /** Fine enough for a hair line, which stays darker than the paper when it is drawn smaller. */
    private static final int LONGEST_PX = 800;

    private static final int FINE_PX = 1_600;

    private PictureInk() {}

    public static InkMap of(BufferedImage picture) {
        return of(picture, LONGEST_PX);
    }

    /** Fine enough to tell the gaps between words from those between letters. */
    public static InkMap fine(BufferedImage picture) {
        return of(picture, FINE_PX);
    }

    private static InkMap of(BufferedImage picture, int longestPx) {
        double scale = Math.min(1, (double) longestPx / Math.max(picture.getWidth(), picture.getHeight()));
        int width = Math.max(1, (int) Math.round(picture.getWidth() * scale));
        int height = Math.max(1, (int) Math.round(picture.getHeight() * scale));
        BufferedImage grey = new BufferedImage(width, height, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D graphics = grey.createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        graphics.setColor(Color.WHITE);
        graphics.fillRect(0, 0, width, height);
        graphics.drawImage(picture, 0, 0, width, height, null);
        graphics.dispose();
        return InkMap.of(width, height, ((DataBufferByte) grey.getRaster().getDataBuffer()).getData());
    }
}
