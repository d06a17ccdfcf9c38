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
    private final LessonStore lessons;
    private final MediaResponses media;

    PagePictures(LessonStore lessons, MediaResponses media) {
        this.lessons = lessons;
        this.media = media;
    }

    public ResponseEntity<Resource> serve(String lessonId, String hash, HttpServletRequest request) throws IOException {
        String type = lessons.pictureType(lessonId, hash).orElseThrow(() -> new NotFoundException("picture"));
        return media.serve(hash, MediaType.valueOf(type), request);
    }
}
