package prolalia.formats.paper;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.Metadata;
import com.drew.metadata.MetadataException;
import com.drew.metadata.exif.ExifIFD0Directory;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Iterator;
import java.util.List;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import prolalia.core.intake.FoundPage;
import prolalia.formats.paper.PaperRefusedException.Reason;

/** A picture as a page: PNG, JPEG, WebP, GIF (its first frame), BMP; turned as its camera says (Exif 2.3, Orientation). */
final class PicturePaper implements Paper {
    /** Such a picture needs 200 MB to be opened; a larger one is opened with every second or third point. */
    private static final long MOST_POINTS = 50_000_000L;

    private static final long TOO_MANY_POINTS = 2_000_000_000L;

    private final BufferedImage picture;

    private PicturePaper(BufferedImage picture) {
        this.picture = picture;
    }

    static PicturePaper of(BufferedImage picture) {
        return new PicturePaper(picture);
    }

    static PicturePaper open(Path file) throws PaperRefusedException {
        try (ImageInputStream input = ImageIO.createImageInputStream(file.toFile())) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(input);
            if (!readers.hasNext()) {
                throw new PaperRefusedException(Reason.UNKNOWN);
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(input, true, true);
                long points = (long) reader.getWidth(0) * reader.getHeight(0);
                if (points > TOO_MANY_POINTS) {
                    throw new PaperRefusedException(Reason.TOO_LARGE);
                }
                ImageReadParam how = reader.getDefaultReadParam();
                int step = (int) Math.ceil(Math.sqrt((double) points / MOST_POINTS));
                if (step > 1) {
                    how.setSourceSubsampling(step, step, 0, 0);
                }
                return new PicturePaper(turned(onWhite(reader.read(0, how)), orientation(file)));
            } finally {
                reader.dispose();
            }
        } catch (IOException | RuntimeException broken) {
            throw new PaperRefusedException(Reason.BROKEN, broken);
        }
    }

    private static BufferedImage onWhite(BufferedImage read) {
        BufferedImage plain = new BufferedImage(read.getWidth(), read.getHeight(), BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = plain.createGraphics();
        graphics.drawImage(read, 0, 0, Color.WHITE, null);
        graphics.dispose();
        return plain;
    }

    /** 1 to 8, as Exif numbers the ways in which a camera may have been held. */
    private static int orientation(Path file) {
        try {
            Metadata metadata = ImageMetadataReader.readMetadata(file.toFile());
            ExifIFD0Directory exif = metadata.getFirstDirectoryOfType(ExifIFD0Directory.class);
            return exif != null && exif.containsTag(ExifIFD0Directory.TAG_ORIENTATION)
                    ? exif.getInt(ExifIFD0Directory.TAG_ORIENTATION)
                    : 1;
        } catch (ImageProcessingException | IOException | MetadataException | RuntimeException unsaid) {
            return 1;
        }
    }

    private static BufferedImage turned(BufferedImage picture, int orientation) {
        int w = picture.getWidth();
        int h = picture.getHeight();
        AffineTransform turn = switch (orientation) {
            case 2 -> new AffineTransform(-1, 0, 0, 1, w, 0);
            case 3 -> new AffineTransform(-1, 0, 0, -1, w, h);
            case 4 -> new AffineTransform(1, 0, 0, -1, 0, h);
            case 5 -> new AffineTransform(0, 1, 1, 0, 0, 0);
            case 6 -> new AffineTransform(0, 1, -1, 0, h, 0);
            case 7 -> new AffineTransform(0, -1, -1, 0, h, w);
            case 8 -> new AffineTransform(0, -1, 1, 0, 0, w);
            default -> null;
        };
        if (turn == null) {
            return picture;
        }
        BufferedImage turned = orientation >= 5
                ? new BufferedImage(h, w, BufferedImage.TYPE_INT_RGB)
                : new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = turned.createGraphics();
        graphics.drawImage(picture, turn, null);
        graphics.dispose();
        return turned;
    }

    @Override
    public int pages() {
        return 1;
    }

    @Override
    public PageSize size(int page) {
        return new PageSize(picture.getWidth(), picture.getHeight());
    }

    @Override
    public List<FoundPage> lines() {
        return List.of(new FoundPage(List.of()));
    }

    @Override
    public BufferedImage picture(int page, int longestPx) {
        double scale = Math.min(1, (double) longestPx / Math.max(picture.getWidth(), picture.getHeight()));
        if (scale == 1) {
            return picture;
        }
        BufferedImage halved = picture;
        // Halving first keeps thin lines; one step down from a large picture would lose them.
        while (halved.getWidth() * 0.5 > picture.getWidth() * scale) {
            halved = scaled(halved, halved.getWidth() / 2, halved.getHeight() / 2);
        }
        return scaled(halved, Math.max(1, (int) Math.round(picture.getWidth() * scale)), Math.max(1, (int)
                Math.round(picture.getHeight() * scale)));
    }

    private static BufferedImage scaled(BufferedImage from, int width, int height) {
        BufferedImage to = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = to.createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        graphics.drawImage(from, 0, 0, Math.max(1, width), Math.max(1, height), null);
        graphics.dispose();
        return to;
    }

    @Override
    public void close() {}
}
