package prolalia.app.player;

import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.giving.LinkService;
import prolalia.app.house.NotHereException;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.LessonStore;
import prolalia.app.lesson.LessonSummary;
import prolalia.app.stage.StageService;
import prolalia.core.lesson.LineKind;

/** A lesson by its link. */
@Service
class PlayerService {
    private final LinkService links;
    private final LessonStore lessonStore;
    private final LessonService lessons;
    private final StageService stages;

    PlayerService(LinkService links, LessonStore lessonStore, LessonService lessons, StageService stages) {
        this.stages = stages;
        this.links = links;
        this.lessonStore = lessonStore;
        this.lessons = lessons;
    }

    /** The teacher took the link back. */
    static final class WithdrawnException extends RuntimeException {}

    /** The lesson that a link leads to. */
    LessonSummary summary(String token) {
        LinkService.Target target = links.follow(token).orElseThrow(() -> new NotHereException("link"));
        if (target.withdrawn()) {
            throw new WithdrawnException();
        }
        return lessonStore.lesson(target.lessonId()).orElseThrow(() -> new NotHereException("removed lesson"));
    }

    LessonView lesson(String token) {
        return lessons.view(summary(token));
    }

    /** A child asked for a hint of a lesson. */
    @Transactional
    public void asked(String token, String lineId) {
        lesson(token).script().stream()
                .filter(line -> line.line().id().equals(lineId) && line.line().kind() == LineKind.HINT)
                .findFirst()
                .ifPresent(line -> stages.asked(lineId));
    }
}
