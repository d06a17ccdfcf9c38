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
import prolalia.app.access.LessonRef;
import prolalia.app.lesson.Lessons;
import prolalia.app.platform.MediaResponses;
import prolalia.app.platform.NotFoundException;
import prolalia.app.platform.SmallPictures;
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
    private final Lessons lessons;
    private final StageService stages;
    private final WordTimeService times;
    private final MediaResponses responses;
    private final SmallPictures small;
    private final JsonMapper json;

    /** A class asks for those of the same lesson; when a word is said may be found out a little later. */
    private final Cache<PublishedLesson, Map<String, Said>> saidWords = Caffeine.newBuilder()
            .weakKeys()
            .expireAfterWrite(Duration.ofMinutes(1))
            .build();

    StudentFiles(
            Lessons lessons,
            StageService stages,
            WordTimeService times,
            MediaResponses responses,
            SmallPictures small,
            JsonMapper json) {
        this.json = json;
        this.lessons = lessons;
        this.stages = stages;
        this.times = times;
        this.responses = responses;
        this.small = small;
    }

    public ResponseEntity<Resource> sound(PublishedLesson lesson, String hash, HttpServletRequest request)
            throws IOException {
        if (!lesson.hears(hash)) {
            throw new NotFoundException("sound");
        }
        return responses.serve(hash, MediaResponses.MP3, request);
    }

    /** The picture of a page. */
    public ResponseEntity<Resource> picture(PublishedLesson lesson, String hash, HttpServletRequest request)
            throws IOException {
        return responses.serve(hash, typeOf(lesson, hash), request);
    }

    /** The picture of a page as large as a phone or a small tablet shows it, for a slow line. */
    ResponseEntity<Resource> smallPicture(PublishedLesson lesson, String hash, HttpServletRequest request)
            throws IOException {
        return small.serve(hash, SmallPictures.Size.PHONE, typeOf(lesson, hash), request);
    }

    private static MediaType typeOf(PublishedLesson lesson, String hash) {
        return lesson.picture(hash)
                .map(PublishedPicture::type)
                .map(MediaType::valueOf)
                .orElseThrow(() -> new NotFoundException("picture"));
    }

    /** A picture that is placed on a page. */
    public ResponseEntity<Resource> thing(String lessonId, String hash, HttpServletRequest request) throws IOException {
        LessonRef lesson = lessons.ofHouse(lessonId).orElseThrow(() -> new NotFoundException("removed lesson"));
        return responses.serve(hash, stages.pictureType(lesson, hash), request);
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
