package prolalia.formats.paper;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.Metadata;
import com.drew.metadata.MetadataException;
import com.drew.metadata.exif.ExifIFD0Directory;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Iterator;
import java.util.List;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import net.coobird.thumbnailator.Thumbnails;
import net.coobird.thumbnailator.resizers.Resizers;
import net.coobird.thumbnailator.util.exif.ExifFilterUtils;
import net.coobird.thumbnailator.util.exif.Orientation;
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

    /** As it was meant, of how the camera was held. */
    private static BufferedImage turned(BufferedImage picture, int orientation) {
        return ExifFilterUtils.getFilterForOrientation(Orientation.typeOf(orientation))
                .apply(picture);
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
    public BufferedImage picture(int page, int longestPx) throws IOException {
        double scale = Math.min(1, (double) longestPx / Math.max(picture.getWidth(), picture.getHeight()));
        if (scale == 1) {
            return picture;
        }
        // In steps, so that thin lines stay: one step down from a large picture would lose them.
        return Thumbnails.of(picture)
                .forceSize(Math.max(1, (int) Math.round(picture.getWidth() * scale)), Math.max(1, (int)
                        Math.round(picture.getHeight() * scale)))
                .imageType(BufferedImage.TYPE_INT_RGB)
                .resizer(Resizers.PROGRESSIVE)
                .asBufferedImage();
    }

    @Override
    public void close() {}
}
