package prolalia.app.stage;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.function.Function;
import javax.imageio.ImageIO;
import org.springframework.stereotype.Component;
import prolalia.app.platform.MediaStore;
import prolalia.core.place.InkMap;
import prolalia.formats.paper.PictureInk;

/** Where the pictures of pages have ink. */
@Component
public class PageInk {
    private final MediaStore media;

    PageInk(MediaStore media) {
        this.media = media;
    }

    /** @param pictureHash null: the page has no picture, and is free all over; so is one whose picture can't be looked at */
    public InkMap of(String pictureHash) {
        return of(pictureHash, PictureInk::of);
    }

    /** Fine enough to find words in. */
    public InkMap fine(String pictureHash) {
        return of(pictureHash, PictureInk::fine);
    }

    private InkMap of(String pictureHash, Function<BufferedImage, InkMap> how) {
        if (pictureHash == null) {
            return InkMap.blank();
        }
        try {
            BufferedImage picture = ImageIO.read(media.file(pictureHash).toFile());
            return picture == null ? InkMap.blank() : how.apply(picture);
        } catch (IOException unreadable) {
            return InkMap.blank();
        }
    }
}
