package prolalia.app.stage;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import prolalia.app.access.LessonAccess;
import prolalia.app.access.LessonRef;
import prolalia.app.access.Right;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.history.LessonHistory;
import prolalia.app.history.LessonHistory.Outcome;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.PageView;
import prolalia.app.lines.LessonLines;
import prolalia.app.platform.NotFoundException;
import prolalia.core.lesson.Line;
import prolalia.core.place.Area;
import prolalia.core.place.InkWords;
import prolalia.core.place.WordPlaces;
import prolalia.core.place.WordPlaces.PlacedWord;
import prolalia.core.script.LessonChange;
import prolalia.core.script.LineShape;
import prolalia.core.script.ScriptEdits;
import prolalia.core.script.ScriptEdits.PlacedLine;

/** Where each word of a line stands on the picture of its page: looked at, moved, and found anew in the ink. */
@Service
class WordPlaceEditor {
    private final LessonService lessons;
    private final LessonAccess access;
    private final LessonLines lines;
    private final LessonHistory history;
    private final PageInk ink;

    WordPlaceEditor(LessonService lessons, LessonAccess access, LessonLines lines, LessonHistory history, PageInk ink) {
        this.lessons = lessons;
        this.access = access;
        this.lines = lines;
        this.history = history;
        this.ink = ink;
    }

    List<PlacedWord> words(Teacher teacher, String lessonId, String pageId, String lineId) {
        return line(page(teacher, access.require(teacher, lessonId, Right.READ), pageId), lineId)
                .traits()
                .places()
                .words();
    }

    /**
     * Moves the words.
     *
     * @param seen where they stood when they were moved
     * @param areas one for each of them, in their order
     * @throws StageRefusedException if they stand elsewhere meanwhile
     */
    List<PlacedWord> move(
            Teacher teacher, String lessonId, String pageId, String lineId, List<PlacedWord> seen, List<Area> areas) {
        LessonRef lesson = access.require(teacher, lessonId, Right.PLACE);
        Line line = line(page(teacher, lesson, pageId), lineId);
        WordPlaces before = before(line, seen);
        if (areas.size() != seen.size()) {
            throw new StageRefusedException(StageRefusal.ELSEWHERE);
        }
        return keep(
                lesson,
                lineId,
                before,
                before.at(areas.stream().map(Area::onPage).toList()));
    }

    /**
     * Looks for the words in the ink of a part of the page.
     *
     * @param seen where they stood when that was asked for
     * @throws StageRefusedException if they can't be told apart there, or stand elsewhere meanwhile
     */
    List<PlacedWord> find(
            Teacher teacher, String lessonId, String pageId, String lineId, List<PlacedWord> seen, Area part) {
        LessonRef lesson = access.require(teacher, lessonId, Right.PLACE);
        PageView page = page(teacher, lesson, pageId);
        Line line = line(page, lineId);
        WordPlaces before = before(line, seen);
        WordPlaces found = InkWords.find(ink.fine(page.page().pictureHash()), part.onPage(), line.words());
        if (found.areUnknown()) {
            throw new StageRefusedException(StageRefusal.NO_WORDS);
        }
        return keep(lesson, lineId, before, found);
    }

    /** Where the words stand, if that is where they were seen. */
    private static WordPlaces before(Line line, List<PlacedWord> seen) {
        WordPlaces places = line.traits().places();
        if (!WordPlaces.of(seen).equals(WordPlaces.of(places.words()))) {
            throw new StageRefusedException(StageRefusal.ELSEWHERE);
        }
        return places;
    }

    private List<PlacedWord> keep(LessonRef lesson, String lineId, WordPlaces before, WordPlaces after) {
        LineShape shape = lines.shape(lineId);
        if (!shape.traits().places().equals(before)) {
            throw new StageRefusedException(StageRefusal.ELSEWHERE);
        }
        Optional<LessonChange> change =
                new ScriptEdits(List.of(new PlacedLine(lineId, shape))).changePlaces(lineId, after);
        // Moved in this very moment by somebody else, it is not made.
        if (history.make(lesson, change).outcome() == Outcome.CHANGED_MEANWHILE) {
            throw new StageRefusedException(StageRefusal.ELSEWHERE);
        }
        return after.words();
    }

    private PageView page(Teacher teacher, LessonRef lesson, String pageId) {
        return StageService.page(lessons.lesson(teacher, lesson.id()), pageId);
    }

    private static Line line(PageView page, String lineId) {
        return StageService.plain(page).stream()
                .filter(line -> line.id().equals(lineId))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("line"));
    }
}
