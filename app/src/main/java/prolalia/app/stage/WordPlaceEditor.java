package prolalia.app.stage;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.history.LessonHistory;
import prolalia.app.lesson.LessonAccess;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.PageView;
import prolalia.app.lesson.LineStore;
import prolalia.app.lesson.Right;
import prolalia.app.platform.NotFoundException;
import prolalia.core.lesson.Line;
import prolalia.core.place.Area;
import prolalia.core.place.InkWords;
import prolalia.core.place.WordPlaces;
import prolalia.core.place.WordPlaces.PlacedWord;
import prolalia.core.script.ScriptEdits;
import prolalia.core.script.ScriptEdits.PlacedLine;

/** Where each word of a line stands on the picture of its page: looked at, moved, and found anew in the ink. */
@Service
class WordPlaceEditor {
    private final LessonService lessons;
    private final LessonAccess access;
    private final LineStore lines;
    private final LessonHistory history;
    private final PageInk ink;

    WordPlaceEditor(LessonService lessons, LessonAccess access, LineStore lines, LessonHistory history, PageInk ink) {
        this.lessons = lessons;
        this.access = access;
        this.lines = lines;
        this.history = history;
        this.ink = ink;
    }

    List<PlacedWord> words(Teacher teacher, String lessonId, String pageId, String lineId) {
        return line(page(teacher, lessonId, pageId, Right.READ), lineId)
                .traits()
                .places()
                .words();
    }

    /**
     * Moves the words.
     *
     * @param areas one for each of them, in their order
     * @throws StageRefusedException if there are others meanwhile
     */
    List<PlacedWord> move(Teacher teacher, String lessonId, String pageId, String lineId, List<Area> areas) {
        Line line = line(page(teacher, lessonId, pageId, Right.PLACE), lineId);
        WordPlaces before = line.traits().places();
        if (areas.size() != before.words().size()) {
            throw new StageRefusedException(StageRefusal.ELSEWHERE);
        }
        return keep(lessonId, lineId, before.at(areas.stream().map(Area::onPage).toList()));
    }

    /**
     * Looks for the words in the ink of a part of the page.
     *
     * @throws StageRefusedException if they can't be told apart there
     */
    List<PlacedWord> find(Teacher teacher, String lessonId, String pageId, String lineId, Area part) {
        PageView page = page(teacher, lessonId, pageId, Right.PLACE);
        Line line = line(page, lineId);
        WordPlaces found = InkWords.find(ink.fine(page.page().pictureHash()), part.onPage(), line.words());
        if (found.areUnknown()) {
            throw new StageRefusedException(StageRefusal.NO_WORDS);
        }
        return keep(lessonId, lineId, found);
    }

    private List<PlacedWord> keep(String lessonId, String lineId, WordPlaces after) {
        ScriptEdits edits = new ScriptEdits(List.of(new PlacedLine(lineId, lines.shape(lineId))));
        edits.changePlaces(lineId, after).ifPresent(change -> history.make(lessonId, Optional.of(change)));
        return after.words();
    }

    private PageView page(Teacher teacher, String lessonId, String pageId, Right right) {
        access.require(teacher, lessonId, right);
        return StageService.page(lessons.lesson(teacher, lessonId), pageId);
    }

    private static Line line(PageView page, String lineId) {
        return StageService.plain(page).stream()
                .filter(line -> line.id().equals(lineId))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("line"));
    }
}
