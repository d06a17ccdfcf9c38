package prolalia.app.lesson;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import prolalia.app.house.MediaResponses;
import prolalia.app.house.NotHereException;
import prolalia.app.lesson.LessonService.LessonView;

/** Serves the pictures of a lesson's pages, and of no other. */
@Component
public class PagePictures {
    private final MediaResponses media;

    PagePictures(MediaResponses media) {
        this.media = media;
    }

    public ResponseEntity<Resource> serve(LessonView lesson, String hash, HttpServletRequest request)
            throws IOException {
        LessonPage page = lesson.pages().stream()
                .map(LessonService.PageView::page)
                .filter(each -> hash.equals(each.pictureHash()))
                .findFirst()
                .orElseThrow(() -> new NotHereException("picture"));
        return media.serve(hash, MediaType.valueOf(page.pictureType()), request);
    }
}
