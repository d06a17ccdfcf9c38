package prolalia.app.lesson;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import prolalia.app.platform.MediaResponses;
import prolalia.app.platform.NotFoundException;

/** Serves the pictures of a lesson's pages, those in the bin too, and of no other. */
@Component
public class PagePictures {
    private final PageStore pages;
    private final MediaResponses media;

    PagePictures(PageStore pages, MediaResponses media) {
        this.pages = pages;
        this.media = media;
    }

    public ResponseEntity<Resource> serve(LessonRef lesson, String hash, HttpServletRequest request)
            throws IOException {
        String type = pages.pictureType(lesson, hash).orElseThrow(() -> new NotFoundException("picture"));
        return media.serve(hash, MediaType.valueOf(type), request);
    }
}
