package prolalia.app.platform;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.http.HttpServletRequest;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Duration;
import net.coobird.thumbnailator.Thumbnails;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.io.ByteArrayResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;

/** Serves pictures smaller than they are kept, where they are shown small or the line is slow. */
@Component
public class SmallPictures {
    private static final Logger LOG = LoggerFactory.getLogger(SmallPictures.class);
    private static final double QUALITY = 0.6;
    private static final long HELD_BYTES = 16L << 20;
    private static final byte[] CANNOT_BE_READ = {};

    /** How large a picture gets at most, in width and in height. */
    public enum Size {
        /** Among others, at twice the pixels it has on the screen. */
        THUMBNAIL(240, "png", MediaType.IMAGE_PNG, BufferedImage.TYPE_INT_ARGB),
        /** As a phone or a small tablet shows a whole page. */
        PHONE(900, "jpg", MediaType.IMAGE_JPEG, BufferedImage.TYPE_INT_RGB);

        private final int px;
        private final String format;
        private final MediaType type;
        private final int colours;

        Size(int px, String format, MediaType type, int colours) {
            this.px = px;
            this.format = format;
            this.type = type;
            this.colours = colours;
        }
    }

    private record Wanted(String hash, Size size) {}

    private final Cache<Wanted, byte[]> held = Caffeine.newBuilder()
            .maximumWeight(HELD_BYTES)
            .weigher((Wanted wanted, byte[] picture) -> picture.length)
            .build();
    private final MediaStore media;
    private final MediaResponses whole;

    SmallPictures(MediaStore media, MediaResponses whole) {
        this.media = media;
        this.whole = whole;
    }

    /** @param type of the picture as it is kept, which is served where it can't be made smaller */
    public ResponseEntity<Resource> serve(String hash, Size size, MediaType type, HttpServletRequest request)
            throws IOException {
        byte[] picture = held.get(new Wanted(hash, size), this::made);
        if (picture == CANNOT_BE_READ) {
            return whole.serve(hash, type, request);
        }
        return ResponseEntity.ok()
                .contentType(size.type)
                .cacheControl(CacheControl.maxAge(Duration.ofDays(1)).cachePrivate())
                .body(new ByteArrayResource(picture));
    }

    private byte[] made(Wanted wanted) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            Thumbnails.of(media.file(wanted.hash).toFile())
                    .size(wanted.size.px, wanted.size.px)
                    .imageType(wanted.size.colours)
                    .outputFormat(wanted.size.format)
                    .outputQuality(QUALITY)
                    .toOutputStream(out);
            return out.toByteArray();
        } catch (IOException unreadable) {
            LOG.warn("The picture {} can't be drawn small: {}", wanted.hash, unreadable.getMessage());
            return CANNOT_BE_READ;
        }
    }
}
