package prolalia.app.script;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.access.LessonAccess;
import prolalia.app.access.LessonRef;
import prolalia.app.access.Right;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.history.LessonHistory;
import prolalia.app.history.LessonHistory.Reshaped;
import prolalia.app.lesson.LessonService;
import prolalia.app.lines.LessonLines;
import prolalia.app.lines.ScriptLine;
import prolalia.app.pages.LessonPages;
import prolalia.app.platform.Ids;
import prolalia.app.platform.NotFoundException;
import prolalia.app.spoken.StoredTake;
import prolalia.app.spoken.TakeService;
import prolalia.core.lesson.LessonLimits;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;
import prolalia.core.lesson.StepIcon;
import prolalia.core.lesson.Take;
import prolalia.core.script.LessonChange;
import prolalia.core.script.LessonChange.Deed;
import prolalia.core.script.LessonChange.LineStep;
import prolalia.core.script.LineShape;
import prolalia.core.script.LineShape.Place;
import prolalia.core.script.PageEdits;
import prolalia.core.script.PastedScript.ReadLine;
import prolalia.core.script.ScriptEdits;
import prolalia.core.script.ScriptEdits.LineTake;
import prolalia.core.script.ScriptEdits.PlacedLine;

/** Changes of a script; what they mean is worked out in core, here they are made, kept in mind, undone and made again. */
@Service
class ScriptService {

    private final LessonService lessons;
    private final LessonAccess access;
    private final LessonPages pageStore;
    private final LessonLines lines;
    private final TakeService takes;
    private final LessonHistory history;
    private final TransactionTemplate transaction;
    private final Clock clock;

    ScriptService(
            LessonService lessons,
            LessonAccess access,
            LessonPages pageStore,
            LessonLines lines,
            TakeService takes,
            LessonHistory history,
            TransactionTemplate transaction,
            Clock clock) {
        this.lessons = lessons;
        this.access = access;
        this.pageStore = pageStore;
        this.lines = lines;
        this.takes = takes;
        this.history = history;
        this.transaction = transaction;
        this.clock = clock;
    }

    /**
     * What became of a change of words.
     *
     * @param saved false when they had been changed elsewhere meanwhile
     * @param line as it is now
     */
    record WordsChange(boolean saved, ScriptLine line) {}

    /** What stands against taking these lines. */
    enum PasteFault {
        EMPTY,
        TOO_MANY,
        TOO_LONG
    }

    /** Whether this one may change a lesson's script: to others it isn't there. */
    LessonRef requireEditable(Teacher teacher, String lessonId) {
        return access.require(teacher, lessonId, Right.EDIT);
    }

    Optional<PasteFault> faultOf(LessonRef lesson, List<ReadLine> read) {
        if (read.isEmpty()) {
            return Optional.of(PasteFault.EMPTY);
        }
        if (lines.count(lesson) + read.size() > LessonLimits.MOST_LINES) {
            return Optional.of(PasteFault.TOO_MANY);
        }
        return read.stream().anyMatch(line -> areTooLong(line.words()))
                ? Optional.of(PasteFault.TOO_LONG)
                : Optional.empty();
    }

    /** Whether words are more than one line can hold. */
    boolean areTooLong(String words) {
        return words.length() > LessonLimits.LONGEST_WORDS;
    }

    /**
     * Saves words as they are typed.
     *
     * @param revision that the typing began with
     */
    WordsChange changeWords(Teacher teacher, String lineId, int revision, String words) {
        return transaction.execute(status -> {
            ScriptLine before = lessons.line(teacher, lineId, Right.EDIT);
            if (before.line().words().equals(words)) {
                return new WordsChange(true, before);
            }
            LineShape shape = lines.shape(lineId);
            boolean saved = lines.changeWords(lineId, revision, words);
            if (saved) {
                history.keep(lines.lessonOf(lineId), ScriptEdits.typed(lineId, shape, words));
            }
            return new WordsChange(saved, lessons.line(teacher, lineId));
        });
    }

    /**
     * Adds pasted lines at the end of a page, in place of those that are still empty there.
     *
     * @param wanted the page's number, from 1; anything else: a new page, or the last one where there can't be more
     * @return the number of the page that they are on
     */
    int addLines(Teacher teacher, String lessonId, int wanted, List<ReadLine> read) {
        return transaction.execute(status -> {
            LessonRef lesson = access.require(teacher, lessonId, Right.EDIT);
            var pages = pageStore.of(lesson);
            var shapes = pageStore.shapes(lesson);
            boolean full = pages.size() >= LessonService.MOST_PAGES;
            int pageNumber = full && (wanted < 1 || wanted > pages.size()) ? pages.size() : wanted;
            boolean there = pageNumber >= 1 && pageNumber <= pages.size();
            String page = there ? pages.get(pageNumber - 1).id() : pageStore.add(lesson, clock.millis());
            List<LineStep> steps = new ArrayList<>();
            for (PlacedLine line : lines.script(lesson)) {
                LineShape shape = line.shape();
                boolean empty = shape.words().isBlank() && shape.keptTakeId() == null;
                if (empty
                        && shape.place().pageId().equals(page)
                        && takes.takesOf(line.id()).isEmpty()) {
                    steps.addAll(edits(lesson).remove(line.id()).orElseThrow().lines());
                }
            }
            steps.addAll(ScriptEdits.add(lines.addAll(page, read)).lines());
            LessonChange change = new LessonChange(
                    Deed.ADD,
                    steps,
                    List.of(),
                    PageEdits.between(Deed.ADD, shapes, pageStore.shapes(lesson))
                            .pages(),
                    List.of());
            steps.stream().filter(LineStep::removes).forEach(step -> lines.make(step, clock.millis()));
            history.keep(lesson, change);
            return there ? pageNumber : pages.size() + 1;
        });
    }

    /** An empty direction at the end of a page. */
    Reshaped addLineAtEnd(Teacher teacher, String lessonId, String pageId) {
        LessonRef lesson = access.require(teacher, lessonId, Right.EDIT);
        if (pageStore.of(lesson).stream().noneMatch(page -> page.id().equals(pageId))) {
            throw new NotFoundException("page");
        }
        List<PlacedLine> onPage = lines.script(lesson).stream()
                .filter(line -> line.shape().place().pageId().equals(pageId))
                .toList();
        String last = onPage.isEmpty() ? null : onPage.get(onPage.size() - 1).id();
        LineShape shape = new LineShape("", LineKind.DIRECTION, false, null, new Place(pageId, last));
        return history.make(lesson, Optional.of(ScriptEdits.add(List.of(new PlacedLine(Ids.newId(), shape)))));
    }

    /** New lines come in under a line, in its place when it is still empty. */
    Reshaped pasteUnder(Teacher teacher, String lineId, List<ReadLine> read) {
        LessonRef lesson = lessonOf(teacher, lineId);
        List<String> ids = read.stream().map(line -> Ids.newId()).toList();
        boolean spare = takes.takesOf(lineId).isEmpty();
        return history.make(lesson, Optional.of(edits(lesson).pasteUnder(lineId, read, ids, spare)));
    }

    /** Splits a line; at its end, or when {@code at} is beyond it, an empty line comes after it. */
    Reshaped split(Teacher teacher, String lineId, int at) {
        LessonRef lesson = lessonOf(teacher, lineId);
        return history.make(lesson, Optional.of(edits(lesson).split(lineId, at, Ids.newId())));
    }

    Reshaped join(Teacher teacher, String lineId) {
        LessonRef lesson = lessonOf(teacher, lineId);
        List<LineTake> itsTakes =
                takes.takesOf(lineId).stream().map(ScriptService::lineTake).toList();
        return history.make(lesson, edits(lesson).join(lineId, itsTakes));
    }

    /** @param afterLineId null: to the top of the page */
    Reshaped move(Teacher teacher, String lineId, String pageId, String afterLineId) {
        LessonRef lesson = lessonOf(teacher, lineId);
        boolean isThere = afterLineId == null
                ? pageStore.of(lesson).stream().anyMatch(page -> page.id().equals(pageId))
                : lines.script(lesson).stream()
                        .anyMatch(line -> line.id().equals(afterLineId)
                                && line.shape().place().pageId().equals(pageId));
        if (!isThere) {
            throw new NotFoundException("place");
        }
        return history.make(lesson, edits(lesson).move(lineId, new Place(pageId, afterLineId)));
    }

    Reshaped changeKind(Teacher teacher, String lineId, LineKind kind) {
        LessonRef lesson = lessonOf(teacher, lineId);
        return history.make(lesson, edits(lesson).changeKind(lineId, kind));
    }

    /** @param icon null: none any more */
    Reshaped changeIcon(Teacher teacher, String lineId, StepIcon icon) {
        LessonRef lesson = lessonOf(teacher, lineId);
        return history.make(lesson, edits(lesson).changeIcon(lineId, icon));
    }

    /** @param label what stands before its words */
    Reshaped changeLabel(Teacher teacher, String lineId, String label) {
        LessonRef lesson = lessonOf(teacher, lineId);
        String most = label.length() > LineTraits.LONGEST_LABEL ? label.substring(0, LineTraits.LONGEST_LABEL) : label;
        return history.make(lesson, edits(lesson).changeLabel(lineId, most));
    }

    /** @param lang of its words (BCP 47); null: that of the lesson */
    Reshaped changeLang(Teacher teacher, String lineId, String lang) {
        LessonRef lesson = lessonOf(teacher, lineId);
        return history.make(lesson, edits(lesson).changeLang(lineId, lang));
    }

    /** Makes a line for each of its sentences, with an icon. */
    Reshaped intoSteps(Teacher teacher, String lineId) {
        LessonRef lesson = lessonOf(teacher, lineId);
        ScriptEdits edits = edits(lesson);
        List<String> newIds =
                edits.stepsOf(lineId).stream().skip(1).map(step -> Ids.newId()).toList();
        return history.make(lesson, edits.intoSteps(lineId, newIds));
    }

    Reshaped remove(Teacher teacher, String lineId) {
        LessonRef lesson = lessonOf(teacher, lineId);
        return history.make(lesson, edits(lesson).remove(lineId));
    }

    /** Gives a take to another line of its lesson. */
    Reshaped moveTake(Teacher teacher, String takeId, String toLineId) {
        StoredTake take = takes.take(teacher, takeId, Right.EDIT);
        LessonRef lesson = lessonOf(teacher, take.lineId());
        if (!lessonOf(teacher, toLineId).id().equals(lesson.id())) {
            throw new NotFoundException("line");
        }
        return history.make(lesson, edits(lesson).moveTake(lineTake(take), toLineId));
    }

    /** A take made for any line of this teacher's is heard on this one from now on. */
    Reshaped useTake(Teacher teacher, String lineId, String takeId) {
        LessonRef lesson = lessonOf(teacher, lineId);
        return history.make(
                lesson,
                edits(lesson).useTake(lineId, takes.take(teacher, takeId).id()));
    }

    /** A line has the words and the take of a standing line from now on. */
    Reshaped useStanding(Teacher teacher, String lineId, String standingLineId) {
        ScriptLine standing = lessons.line(teacher, standingLineId);
        if (!lessons.summary(teacher, standing.lessonId()).shelf()) {
            throw new NotFoundException("standing line");
        }
        LessonRef lesson = lessonOf(teacher, lineId);
        String take = standing.line().kept().map(Take::id).orElse(null);
        return history.make(
                lesson,
                edits(lesson)
                        .useStanding(lineId, standingLineId, standing.line().words(), take));
    }

    Reshaped silence(Teacher teacher, String lineId) {
        LessonRef lesson = lessonOf(teacher, lineId);
        return history.make(lesson, edits(lesson).silence(lineId));
    }

    Reshaped onItsOwn(Teacher teacher, String lineId) {
        LessonRef lesson = lessonOf(teacher, lineId);
        return history.make(lesson, edits(lesson).onItsOwn(lineId));
    }

    Reshaped undo(Teacher teacher, String lessonId) {
        LessonRef lesson = access.require(teacher, lessonId, Right.EDIT);
        return history.undo(lesson);
    }

    Reshaped redo(Teacher teacher, String lessonId) {
        LessonRef lesson = access.require(teacher, lessonId, Right.EDIT);
        return history.redo(lesson);
    }

    private ScriptEdits edits(LessonRef lesson) {
        return new ScriptEdits(lines.script(lesson));
    }

    private LessonRef lessonOf(Teacher teacher, String lineId) {
        return access.requireOfLine(teacher, lineId, Right.EDIT);
    }

    private static LineTake lineTake(StoredTake take) {
        return new LineTake(take.id(), take.lineId(), take.words());
    }
}
