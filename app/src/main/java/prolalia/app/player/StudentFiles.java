package prolalia.app.player;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import prolalia.app.platform.MediaResponses;
import prolalia.app.platform.NotFoundException;
import prolalia.app.stage.StageService;
import prolalia.app.wordtimes.WordTimeService;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.published.PublishedLesson;
import prolalia.core.published.PublishedLesson.PublishedLine;
import prolalia.core.published.PublishedLesson.PublishedPicture;
import prolalia.core.published.SaidWords;
import prolalia.core.published.SaidWords.Said;
import tools.jackson.databind.json.JsonMapper;

/** What a student's page fetches beside itself: sounds, pictures and the times of words, of this lesson and of no other. */
@Component
public class StudentFiles {
    private final StageService stages;
    private final WordTimeService times;
    private final MediaResponses media;
    private final JsonMapper json;

    /** A class asks for those of the same lesson; when a word is said may be found out a little later. */
    private final Cache<PublishedLesson, Map<String, Said>> saidWords = Caffeine.newBuilder()
            .weakKeys()
            .expireAfterWrite(Duration.ofMinutes(1))
            .build();

    StudentFiles(StageService stages, WordTimeService times, MediaResponses media, JsonMapper json) {
        this.json = json;
        this.stages = stages;
        this.times = times;
        this.media = media;
    }

    public ResponseEntity<Resource> sound(PublishedLesson lesson, String hash, HttpServletRequest request)
            throws IOException {
        if (!lesson.hears(hash)) {
            throw new NotFoundException("sound");
        }
        return media.serve(hash, MediaResponses.MP3, request);
    }

    /** The picture of a page. */
    public ResponseEntity<Resource> picture(PublishedLesson lesson, String hash, HttpServletRequest request)
            throws IOException {
        String type =
                lesson.picture(hash).map(PublishedPicture::type).orElseThrow(() -> new NotFoundException("picture"));
        return media.serve(hash, MediaType.valueOf(type), request);
    }

    /** A picture that is placed on a page. */
    public ResponseEntity<Resource> thing(String lessonId, String hash, HttpServletRequest request) throws IOException {
        return media.serve(hash, stages.pictureType(lessonId, hash), request);
    }

    /** When the words of a line are said. */
    public List<Word> words(PublishedLesson lesson, String lineId) {
        return lesson.line(lineId)
                .filter(PublishedLine::isHeard)
                .map(line -> times.of(line.line(), line.soundHash()))
                .orElseThrow(() -> new NotFoundException("line"));
    }

    /** The single words that are said in a lesson, as far as it is known when. */
    public Map<String, Said> saidWords(PublishedLesson lesson) {
        return saidWords.get(
                lesson,
                each -> SaidWords.of(
                        each, line -> times.known(line.line(), line.soundHash()).orElse(List.of())));
    }

    /** When the words of a line are said, as JSON, by line, for the page itself; null when it isn't known as yet, and has to be asked for. */
    Function<String, String> knownTimes(PublishedLesson lesson) {
        return lineId -> lesson.line(lineId)
                .filter(PublishedLine::isHeard)
                .flatMap(line -> times.known(line.line(), line.soundHash()))
                .map(json::writeValueAsString)
                .orElse(null);
    }
}
