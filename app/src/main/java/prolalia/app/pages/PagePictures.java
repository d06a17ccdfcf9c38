package prolalia.app.pages;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import prolalia.app.access.LessonRef;
import prolalia.app.platform.MediaResponses;
import prolalia.app.platform.NotFoundException;
import prolalia.app.platform.SmallPictures;

/** Serves the pictures of a lesson's pages, those in the bin too, and of no other. */
@Component
public class PagePictures {
    private final PageStore pages;
    private final MediaResponses media;
    private final SmallPictures small;

    PagePictures(PageStore pages, MediaResponses media, SmallPictures small) {
        this.pages = pages;
        this.media = media;
        this.small = small;
    }

    public ResponseEntity<Resource> serve(LessonRef lesson, String hash, HttpServletRequest request)
            throws IOException {
        return media.serve(hash, type(lesson, hash), request);
    }

    /** The same as small as it is among others. */
    public ResponseEntity<Resource> thumbnail(LessonRef lesson, String hash, HttpServletRequest request)
            throws IOException {
        return small.serve(hash, SmallPictures.Size.THUMBNAIL, type(lesson, hash), request);
    }

    private MediaType type(LessonRef lesson, String hash) {
        return pages.pictureType(lesson, hash)
                .map(MediaType::valueOf)
                .orElseThrow(() -> new NotFoundException("picture"));
    }
}
