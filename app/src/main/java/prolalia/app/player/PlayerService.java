package prolalia.app.player;

import java.util.List;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.follow.WordTimeService;
import prolalia.app.giving.LinkService;
import prolalia.app.house.NotHereException;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.LessonStore;
import prolalia.app.lesson.ScriptLine;
import prolalia.app.sound.TakeStore;
import prolalia.app.stage.StageService;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.lesson.LineKind;

/** A lesson by its link. */
@Service
class PlayerService {
    private final LinkService links;
    private final LessonStore lessonStore;
    private final LessonService lessons;
    private final TakeStore takes;
    private final StageService stages;
    private final WordTimeService times;

    PlayerService(
            LinkService links,
            LessonStore lessonStore,
            LessonService lessons,
            TakeStore takes,
            StageService stages,
            WordTimeService times) {
        this.stages = stages;
        this.times = times;
        this.links = links;
        this.lessonStore = lessonStore;
        this.lessons = lessons;
        this.takes = takes;
    }

    /** The teacher took the link back. */
    static final class WithdrawnException extends RuntimeException {}

    LessonView lesson(String token) {
        LinkService.Target target = links.follow(token).orElseThrow(() -> new NotHereException("link"));
        if (target.withdrawn()) {
            throw new WithdrawnException();
        }
        return lessons.view(
                lessonStore.lesson(target.lessonId()).orElseThrow(() -> new NotHereException("removed lesson")));
    }

    /** A child asked for a hint of a lesson. */
    @Transactional
    public void asked(String token, String lineId) {
        lesson(token).script().stream()
                .filter(line -> line.line().id().equals(lineId) && line.line().kind() == LineKind.HINT)
                .findFirst()
                .ifPresent(line -> stages.asked(lineId));
    }

    /** The name of a sound that may be heard in a lesson. */
    String sound(LessonView lesson, String hash) {
        if (!takes.isHeardIn(lesson.summary().id(), hash)) {
            throw new NotHereException("sound");
        }
        return hash;
    }

    /** When the words of a line are said, as its students hear it. */
    List<Word> words(LessonView lesson, String lineId) {
        ScriptLine line = lesson.script().stream()
                .filter(each -> each.line().id().equals(lineId) && each.soundHash() != null)
                .findFirst()
                .orElseThrow(() -> new NotHereException("line"));
        return times.of(line.line(), line.soundHash());
    }

    /** The media type of a picture that is placed on pages of a lesson. */
    MediaType typeOfThing(LessonView lesson, String hash) {
        return stages.pictureType(lesson, hash);
    }
}
