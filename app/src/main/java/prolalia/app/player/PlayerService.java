package prolalia.app.player;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import prolalia.app.giving.LinkService;
import prolalia.app.house.NotHereException;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.LessonService.PageView;
import prolalia.app.lesson.LessonStore;
import prolalia.app.lesson.ScriptLine;
import prolalia.app.sound.TakeStore;

@Service
class PlayerService {
    private final LinkService links;
    private final LessonStore lessonStore;
    private final LessonService lessons;
    private final TakeStore takes;

    PlayerService(LinkService links, LessonStore lessonStore, LessonService lessons, TakeStore takes) {
        this.links = links;
        this.lessonStore = lessonStore;
        this.lessons = lessons;
        this.takes = takes;
    }

    /** The teacher took the link back. */
    static final class WithdrawnException extends RuntimeException {}

    /**
     * One page as a student meets it.
     *
     * @param lines that are met at once and have words
     * @param number of the page, from 1
     * @param count of all pages
     */
    record StudentPage(String title, PageView page, List<ScriptLine> lines, int number, int count) {
        /** The line that the big mark plays at first: the first one with a sound. */
        public Optional<ScriptLine> first() {
            return lines.stream().filter(line -> line.soundHash() != null).findFirst();
        }
    }

    LessonView lesson(String token) {
        LinkService.Target target = links.follow(token).orElseThrow(() -> new NotHereException("link"));
        if (target.withdrawn()) {
            throw new WithdrawnException();
        }
        return lessons.view(
                lessonStore.lesson(target.lessonId()).orElseThrow(() -> new NotHereException("removed lesson")));
    }

    StudentPage page(String token, int number) {
        LessonView lesson = lesson(token);
        List<PageView> pages =
                lesson.pages().stream().filter(PlayerService::hasSomething).toList();
        if (pages.isEmpty() && number == 1) {
            return new StudentPage(lesson.summary().title(), null, List.of(), 1, 1);
        }
        if (number < 1 || number > pages.size()) {
            throw new NotHereException("page");
        }
        PageView page = pages.get(number - 1);
        return new StudentPage(lesson.summary().title(), page, met(page), number, pages.size());
    }

    /** The name of a sound that may be heard by this link. */
    String sound(String token, String hash) {
        if (!takes.isHeardIn(lesson(token).summary().id(), hash)) {
            throw new NotHereException("sound");
        }
        return hash;
    }

    private static boolean hasSomething(PageView page) {
        return page.page().pictureHash() != null || !met(page).isEmpty();
    }

    private static List<ScriptLine> met(PageView page) {
        return page.lines().stream()
                .filter(line ->
                        line.line().kind().isMetAtOnce() && !line.line().words().isBlank())
                .toList();
    }
}
