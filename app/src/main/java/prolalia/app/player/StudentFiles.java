package prolalia.app.player;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import org.springframework.core.io.Resource;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import prolalia.app.follow.WordTimeService;
import prolalia.app.house.MediaResponses;
import prolalia.app.house.NotHereException;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.PagePictures;
import prolalia.app.sound.TakeService;
import prolalia.app.stage.StageService;
import prolalia.core.align.WordTimes.Word;

/** What a student's page fetches beside itself: sounds, pictures and the times of words, of this lesson and of no other. */
@Component
class StudentFiles {
    private final LessonService lessons;
    private final TakeService takes;
    private final StageService stages;
    private final WordTimeService times;
    private final PagePictures pictures;
    private final MediaResponses media;

    StudentFiles(
            LessonService lessons,
            TakeService takes,
            StageService stages,
            WordTimeService times,
            PagePictures pictures,
            MediaResponses media) {
        this.lessons = lessons;
        this.takes = takes;
        this.stages = stages;
        this.times = times;
        this.pictures = pictures;
        this.media = media;
    }

    ResponseEntity<Resource> sound(String lessonId, String hash, HttpServletRequest request) throws IOException {
        if (!takes.isHeardIn(lessonId, hash)) {
            throw new NotHereException("sound");
        }
        return media.serve(hash, MediaResponses.MP3, request);
    }

    /** The picture of a page. */
    ResponseEntity<Resource> picture(String lessonId, String hash, HttpServletRequest request) throws IOException {
        return pictures.serve(lessonId, hash, request);
    }

    /** A picture that is placed on a page. */
    ResponseEntity<Resource> thing(String lessonId, String hash, HttpServletRequest request) throws IOException {
        return media.serve(hash, stages.pictureType(lessonId, hash), request);
    }

    /** When the words of a line are said. */
    List<Word> words(String lessonId, String lineId) {
        return lessons.heard(lessonId, lineId)
                .map(line -> times.of(line.line(), line.soundHash()))
                .orElseThrow(() -> new NotHereException("line"));
    }
}
