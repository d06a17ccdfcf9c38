package prolalia.app.station;

import java.time.Clock;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.access.LessonRef;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.lesson.LessonService;
import prolalia.app.lines.LessonLines;
import prolalia.app.pages.LessonPages;
import prolalia.app.platform.Messages;
import prolalia.core.lesson.LineKind;
import prolalia.core.station.Rotation;

/** Sets of stations: lessons whose pages are places in the room. */
@Service
class StationService {
    private final LessonService lessons;
    private final LessonPages pages;
    private final LessonLines lines;
    private final Messages messages;
    private final Clock clock;

    StationService(LessonService lessons, LessonPages pages, LessonLines lines, Messages messages, Clock clock) {
        this.lessons = lessons;
        this.pages = pages;
        this.lines = lines;
        this.messages = messages;
        this.clock = clock;
    }

    /** Makes a lesson with a page for each station, on which only words are missing; answers its id. */
    @Transactional
    String makeSet(Teacher teacher, String title, int count) {
        String named = title.isBlank() ? messages.say("stations.untitled") : title;
        LessonRef lesson = lessons.beginEmpty(teacher, named);
        for (int station = 1; station <= Math.max(1, Math.min(Rotation.MOST, count)); station++) {
            String page = pages.add(lesson, clock.millis());
            pages.setTitle(page, messages.say("stations.name", station));
            lines.add(page, LineKind.DIRECTION, "");
            lines.add(page, LineKind.QUESTION, "");
            lines.add(page, LineKind.HINT, "");
        }
        return lesson.id();
    }
}
