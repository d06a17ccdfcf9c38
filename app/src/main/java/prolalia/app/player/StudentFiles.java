package prolalia.app.player;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import java.util.function.Function;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import prolalia.app.follow.WordTimeService;
import prolalia.app.house.MediaResponses;
import prolalia.app.house.NotHereException;
import prolalia.app.stage.StageService;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.given.GivenLesson;
import prolalia.core.given.GivenLesson.GivenLine;
import prolalia.core.given.GivenLesson.GivenPicture;
import tools.jackson.databind.json.JsonMapper;

/** What a student's page fetches beside itself: sounds, pictures and the times of words, of this lesson and of no other. */
@Component
class StudentFiles {
    private final StageService stages;
    private final WordTimeService times;
    private final MediaResponses media;
    private final JsonMapper json;

    StudentFiles(StageService stages, WordTimeService times, MediaResponses media, JsonMapper json) {
        this.json = json;
        this.stages = stages;
        this.times = times;
        this.media = media;
    }

    ResponseEntity<Resource> sound(GivenLesson lesson, String hash, HttpServletRequest request) throws IOException {
        if (!lesson.hears(hash)) {
            throw new NotHereException("sound");
        }
        return media.serve(hash, MediaResponses.MP3, request);
    }

    /** The picture of a page. */
    ResponseEntity<Resource> picture(GivenLesson lesson, String hash, HttpServletRequest request) throws IOException {
        String type = lesson.picture(hash).map(GivenPicture::type).orElseThrow(() -> new NotHereException("picture"));
        return media.serve(hash, MediaType.valueOf(type), request);
    }

    /** A picture that is placed on a page. */
    ResponseEntity<Resource> thing(String lessonId, String hash, HttpServletRequest request) throws IOException {
        return media.serve(hash, stages.pictureType(lessonId, hash), request);
    }

    /** When the words of a line are said. */
    List<Word> words(GivenLesson lesson, String lineId) {
        return lesson.line(lineId)
                .filter(GivenLine::isHeard)
                .map(line -> times.of(line.line(), line.soundHash()))
                .orElseThrow(() -> new NotHereException("line"));
    }

    /** The same as JSON, by line, for the page itself; null when it isn't known as yet, and has to be asked for. */
    Function<String, String> knownTimes(GivenLesson lesson) {
        return lineId -> lesson.line(lineId)
                .filter(GivenLine::isHeard)
                .flatMap(line -> times.known(line.line(), line.soundHash()))
                .map(json::writeValueAsString)
                .orElse(null);
    }
}
