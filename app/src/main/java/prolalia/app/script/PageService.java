package prolalia.app.script;

import java.time.Clock;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.access.LessonAccess;
import prolalia.app.access.LessonRef;
import prolalia.app.access.Right;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.history.LessonHistory;
import prolalia.app.history.LessonHistory.Reshaped;
import prolalia.app.lesson.LessonService;
import prolalia.app.lines.LessonLines;
import prolalia.app.pages.LessonPages;
import prolalia.core.lesson.LineKind;
import prolalia.core.script.LessonChange;
import prolalia.core.script.LessonChange.Deed;
import prolalia.core.script.PageEdits;
import prolalia.core.script.PageShape;

/** Changes of the pages of a lesson; what they mean is worked out in core. */
@Service
class PageService {
    private static final int LONGEST_WORDS = 1_000;

    private final LessonAccess access;
    private final LessonPages pages;
    private final LessonLines lines;
    private final LessonHistory history;
    private final Clock clock;

    PageService(LessonAccess access, LessonPages pages, LessonLines lines, LessonHistory history, Clock clock) {
        this.access = access;
        this.pages = pages;
        this.lines = lines;
        this.history = history;
        this.clock = clock;
    }

    /** Adds a page with one empty line, unless there are as many as may be; answers its id. */
    @Transactional
    Optional<String> add(Teacher teacher, String lessonId) {
        LessonRef lesson = access.require(teacher, lessonId, Right.EDIT);
        if (pages.count(lesson) >= LessonService.MOST_PAGES) {
            return Optional.empty();
        }
        Map<String, PageShape> before = pages.shapes(lesson);
        String pageId = pages.add(lesson, clock.millis());
        lines.add(pageId, LineKind.DIRECTION, "");
        history.keep(lesson, PageEdits.between(Deed.ADD_PAGE, before, pages.shapes(lesson)));
        return Optional.of(pageId);
    }

    /** Takes a page out of its lesson, with all that is on it, for 30 days. */
    Reshaped remove(Teacher teacher, String pageId) {
        return make(teacher, pageId, edits -> edits.remove(pageId));
    }

    Reshaped putBack(Teacher teacher, String pageId) {
        return make(teacher, pageId, edits -> edits.putBack(pageId));
    }

    /** Moves a page by one. */
    Reshaped move(Teacher teacher, String pageId, boolean later) {
        return make(teacher, pageId, edits -> edits.move(pageId, later));
    }

    /** Names a page, or a folder of the shelf; blank takes its name away. */
    Reshaped name(Teacher teacher, String pageId, String title) {
        String named = title.isBlank() ? null : LessonService.shortened(title.strip());
        return make(teacher, pageId, edits -> edits.name(pageId, named));
    }

    /** @param words what the picture of a page shows, for those who don't see it */
    Reshaped describe(Teacher teacher, String pageId, String words) {
        String said = words.strip();
        String most = said.length() > LONGEST_WORDS ? said.substring(0, LONGEST_WORDS) : said;
        return make(teacher, pageId, edits -> edits.describe(pageId, most));
    }

    private Reshaped make(Teacher teacher, String pageId, Function<PageEdits, Optional<LessonChange>> how) {
        LessonRef lesson = access.requireOfPage(teacher, pageId, Right.EDIT);
        return history.make(lesson, how.apply(new PageEdits(pages.shapes(lesson))));
    }
}
