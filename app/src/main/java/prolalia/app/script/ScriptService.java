package prolalia.app.script;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.lesson.LessonAccess;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonStore;
import prolalia.app.lesson.LineStore;
import prolalia.app.lesson.Right;
import prolalia.app.lesson.ScriptLine;
import prolalia.app.platform.Ids;
import prolalia.app.platform.NotFoundException;
import prolalia.app.script.ChangeStore.Done;
import prolalia.app.script.ChangeStore.StoredChange;
import prolalia.app.sound.StoredTake;
import prolalia.app.sound.TakeService;
import prolalia.core.lesson.LessonLimits;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.StepIcon;
import prolalia.core.lesson.Take;
import prolalia.core.script.LineShape;
import prolalia.core.script.LineShape.Place;
import prolalia.core.script.PastedScript.ReadLine;
import prolalia.core.script.ScriptChange;
import prolalia.core.script.ScriptChange.LineStep;
import prolalia.core.script.ScriptEdits;
import prolalia.core.script.ScriptEdits.LineTake;
import prolalia.core.script.ScriptEdits.PlacedLine;

/** Changes of a script; what they mean is worked out in core, here they are made, kept in mind, undone and made again. */
@Service
class ScriptService {

    private final LessonService lessons;
    private final LessonAccess access;
    private final LessonStore lessonStore;
    private final LineStore lines;
    private final TakeService takes;
    private final ChangeStore changes;
    private final TransactionTemplate transaction;
    private final Clock clock;

    ScriptService(
            LessonService lessons,
            LessonAccess access,
            LessonStore lessonStore,
            LineStore lines,
            TakeService takes,
            ChangeStore changes,
            TransactionTemplate transaction,
            Clock clock) {
        this.lessons = lessons;
        this.access = access;
        this.lessonStore = lessonStore;
        this.lines = lines;
        this.takes = takes;
        this.changes = changes;
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

    /** What came of a change of the script's shape. */
    enum Outcome {
        MADE,
        UNDONE,
        REDONE,
        /** There was nothing to change. */
        NOTHING,
        /** There is nothing more to undo, or to do again. */
        NO_MORE,
        /** Its lines were typed in or read since: undoing it now would lose that. */
        CHANGED_SINCE,
        /** Another tab changed its lines in this very moment. */
        CHANGED_MEANWHILE
    }

    /**
     * A change that was made, with the lines that look different now.
     *
     * @param done null when there was nothing to do
     * @param lines in reading order, each with where it stands; no line: it is out of the script
     */
    record Reshaped(String lessonId, Outcome outcome, Done done, List<Reshaping> lines) {}

    /**
     * @param line null when it is removed
     * @param place null when it is removed
     */
    record Reshaping(String lineId, ScriptLine line, Place place) {}

    /**
     * Saves words as they are typed.
     *
     * @param revision that the typing began with
     */
    /** Whether so many more lines are more than a lesson can hold. */
    boolean areTooMany(String lessonId, int more) {
        return lines.count(lessonId) + more > LessonLimits.MOST_LINES;
    }

    /** Whether words are more than one line can hold. */
    boolean areTooLong(String words) {
        return words.length() > LessonLimits.LONGEST_WORDS;
    }

    WordsChange changeWords(Teacher teacher, String lineId, int revision, String words) {
        return transaction.execute(status -> {
            ScriptLine before = lessons.line(teacher, lineId, Right.EDIT);
            if (before.line().words().equals(words)) {
                return new WordsChange(true, before);
            }
            boolean saved = lines.changeWords(lineId, revision, words);
            if (saved) {
                lessonStore.touch(before.lessonId(), clock.millis());
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
            access.require(teacher, lessonId, Right.EDIT);
            var pages = lessonStore.pages(lessonId);
            boolean full = pages.size() >= LessonService.MOST_PAGES;
            int pageNumber = full && (wanted < 1 || wanted > pages.size()) ? pages.size() : wanted;
            boolean there = pageNumber >= 1 && pageNumber <= pages.size();
            String page = there ? pages.get(pageNumber - 1).id() : lessonStore.addPage(lessonId, clock.millis());
            List<LineStep> steps = new ArrayList<>();
            for (PlacedLine line : script(lessonId)) {
                LineShape shape = line.shape();
                boolean empty = shape.words().isBlank() && shape.keptTakeId() == null;
                if (empty
                        && shape.place().pageId().equals(page)
                        && takes.takesOf(line.id()).isEmpty()) {
                    steps.addAll(edits(lessonId).remove(line.id()).orElseThrow().lines());
                }
            }
            steps.addAll(ScriptEdits.add(lines.addAll(page, read)).lines());
            ScriptChange change = new ScriptChange(ScriptChange.Deed.ADD, steps, List.of());
            steps.stream().filter(LineStep::removes).forEach(step -> lines.make(step, clock.millis()));
            keepInMind(lessonId, change);
            return there ? pageNumber : pages.size() + 1;
        });
    }

    /** An empty direction at the end of a page. */
    Reshaped addLineAtEnd(Teacher teacher, String lessonId, String pageId) {
        access.require(teacher, lessonId, Right.EDIT);
        if (lessonStore.pages(lessonId).stream().noneMatch(page -> page.id().equals(pageId))) {
            throw new NotFoundException("page");
        }
        List<PlacedLine> onPage = script(lessonId).stream()
                .filter(line -> line.shape().place().pageId().equals(pageId))
                .toList();
        String last = onPage.isEmpty() ? null : onPage.get(onPage.size() - 1).id();
        LineShape shape = new LineShape("", LineKind.DIRECTION, false, null, new Place(pageId, last));
        return make(lessonId, Optional.of(ScriptEdits.add(List.of(new PlacedLine(Ids.newId(), shape)))));
    }

    /** Splits a line; at its end, or when {@code at} is beyond it, an empty line comes after it. */
    Reshaped split(Teacher teacher, String lineId, int at) {
        String lesson = lessonOf(teacher, lineId);
        return make(lesson, Optional.of(edits(lesson).split(lineId, at, Ids.newId())));
    }

    Reshaped join(Teacher teacher, String lineId) {
        String lesson = lessonOf(teacher, lineId);
        List<LineTake> itsTakes =
                takes.takesOf(lineId).stream().map(ScriptService::lineTake).toList();
        return make(lesson, edits(lesson).join(lineId, itsTakes));
    }

    /** @param afterLineId null: to the top of the page */
    Reshaped move(Teacher teacher, String lineId, String pageId, String afterLineId) {
        String lesson = lessonOf(teacher, lineId);
        boolean isThere = afterLineId == null
                ? lessonStore.pages(lesson).stream().anyMatch(page -> page.id().equals(pageId))
                : script(lesson).stream()
                        .anyMatch(line -> line.id().equals(afterLineId)
                                && line.shape().place().pageId().equals(pageId));
        if (!isThere) {
            throw new NotFoundException("place");
        }
        return make(lesson, edits(lesson).move(lineId, new Place(pageId, afterLineId)));
    }

    Reshaped changeKind(Teacher teacher, String lineId, LineKind kind) {
        String lesson = lessonOf(teacher, lineId);
        return make(lesson, edits(lesson).changeKind(lineId, kind));
    }

    /** @param icon null: none any more */
    Reshaped changeIcon(Teacher teacher, String lineId, StepIcon icon) {
        String lesson = lessonOf(teacher, lineId);
        return make(lesson, edits(lesson).changeIcon(lineId, icon));
    }

    /** @param lang of its words (BCP 47); null: that of the lesson */
    Reshaped changeLang(Teacher teacher, String lineId, String lang) {
        String lesson = lessonOf(teacher, lineId);
        return make(lesson, edits(lesson).changeLang(lineId, lang));
    }

    /** Makes a line for each of its sentences, with an icon. */
    Reshaped intoSteps(Teacher teacher, String lineId) {
        String lesson = lessonOf(teacher, lineId);
        ScriptEdits edits = edits(lesson);
        List<String> newIds =
                edits.stepsOf(lineId).stream().skip(1).map(step -> Ids.newId()).toList();
        return make(lesson, edits.intoSteps(lineId, newIds));
    }

    Reshaped remove(Teacher teacher, String lineId) {
        String lesson = lessonOf(teacher, lineId);
        return make(lesson, edits(lesson).remove(lineId));
    }

    /** Gives a take to another line of its lesson. */
    Reshaped moveTake(Teacher teacher, String takeId, String toLineId) {
        StoredTake take = takes.take(teacher, takeId, Right.EDIT);
        String lesson = lessonOf(teacher, take.lineId());
        if (!lessonOf(teacher, toLineId).equals(lesson)) {
            throw new NotFoundException("line");
        }
        return make(lesson, edits(lesson).moveTake(lineTake(take), toLineId));
    }

    /** A take made for any line of this teacher's is heard on this one from now on. */
    Reshaped useTake(Teacher teacher, String lineId, String takeId) {
        String lesson = lessonOf(teacher, lineId);
        return make(
                lesson,
                edits(lesson).useTake(lineId, takes.take(teacher, takeId).id()));
    }

    /** A line has the words and the take of a standing line from now on. */
    Reshaped useStanding(Teacher teacher, String lineId, String standingLineId) {
        ScriptLine standing = lessons.line(teacher, standingLineId);
        if (!lessons.summary(teacher, standing.lessonId()).shelf()) {
            throw new NotFoundException("standing line");
        }
        String lesson = lessonOf(teacher, lineId);
        String take = standing.line().kept().map(Take::id).orElse(null);
        return make(
                lesson,
                edits(lesson)
                        .useStanding(lineId, standingLineId, standing.line().words(), take));
    }

    Reshaped onItsOwn(Teacher teacher, String lineId) {
        String lesson = lessonOf(teacher, lineId);
        return make(lesson, edits(lesson).onItsOwn(lineId));
    }

    Reshaped undo(Teacher teacher, String lessonId) {
        access.require(teacher, lessonId, Right.EDIT);
        return again(lessonId, changes.lastMade(lessonId), true);
    }

    Reshaped redo(Teacher teacher, String lessonId) {
        access.require(teacher, lessonId, Right.EDIT);
        return again(lessonId, changes.firstUndone(lessonId), false);
    }

    /** What was done in the last so many ms: a page that opens now offers to undo it. */
    Optional<Done> doneWithin(String lessonId, long ms) {
        return changes.doneSince(lessonId, clock.millis() - ms);
    }

    private Reshaped make(String lessonId, Optional<ScriptChange> change) {
        if (change.isEmpty()) {
            return new Reshaped(lessonId, Outcome.NOTHING, null, List.of());
        }
        var checked = takes.checkAgain(change.get().takes());
        boolean made = Boolean.TRUE.equals(transaction.execute(status -> {
            Set<String> there = lines.shapes(lessonId).keySet();
            for (LineStep step : change.get().lines()) {
                if (!there.contains(step.lineId())) {
                    lines.insertRemoved(step.lineId(), step.after(), clock.millis());
                }
            }
            if (!change.get().isSafeOn(lines.shapes(lessonId))) {
                status.setRollbackOnly();
                return false;
            }
            change.get().lines().forEach(step -> lines.make(step, clock.millis()));
            takes.move(change.get().takes(), checked);
            keepInMind(lessonId, change.get());
            return true;
        }));
        return made
                ? reshaped(lessonId, Outcome.MADE, change.get())
                : new Reshaped(lessonId, Outcome.CHANGED_MEANWHILE, Done.of(change.get()), List.of());
    }

    private Reshaped again(String lessonId, Optional<StoredChange> stored, boolean undo) {
        if (stored.isEmpty()) {
            return new Reshaped(lessonId, Outcome.NO_MORE, null, List.of());
        }
        ScriptChange change =
                undo ? stored.get().change().reversed() : stored.get().change();
        var checked = takes.checkAgain(change.takes());
        boolean made = Boolean.TRUE.equals(transaction.execute(status -> {
            if (!change.isSafeOn(lines.shapes(lessonId))) {
                return false;
            }
            change.lines().forEach(step -> lines.make(step, clock.millis()));
            takes.move(change.takes(), checked);
            changes.setUndone(stored.get().id(), undo);
            lessonStore.touch(lessonId, clock.millis());
            return true;
        }));
        if (!made) {
            return new Reshaped(lessonId, Outcome.CHANGED_SINCE, Done.of(change), List.of());
        }
        return reshaped(lessonId, undo ? Outcome.UNDONE : Outcome.REDONE, change);
    }

    private void keepInMind(String lessonId, ScriptChange change) {
        changes.add(lessonId, change, clock.millis());
        lessonStore.touch(lessonId, clock.millis());
    }

    private Reshaped reshaped(String lessonId, Outcome outcome, ScriptChange change) {
        Set<String> touched = new HashSet<>();
        change.lines().forEach(step -> touched.add(step.lineId()));
        Map<String, ScriptLine> now = new HashMap<>();
        lessonStore.lines(lessonId, touched).forEach(line -> now.put(line.line().id(), line));
        List<Reshaping> reshaped = new ArrayList<>();
        Map<String, LineShape> shapes = new LinkedHashMap<>(lines.shapes(lessonId));
        shapes.keySet().retainAll(touched);
        shapes.forEach(
                (id, shape) -> reshaped.add(new Reshaping(id, now.get(id), shape.removed() ? null : shape.place())));
        return new Reshaped(lessonId, outcome, Done.of(change), reshaped);
    }

    private ScriptEdits edits(String lessonId) {
        return new ScriptEdits(script(lessonId));
    }

    private List<PlacedLine> script(String lessonId) {
        return lines.shapes(lessonId).entrySet().stream()
                .filter(entry -> !entry.getValue().removed())
                .map(entry -> new PlacedLine(entry.getKey(), entry.getValue()))
                .toList();
    }

    private String lessonOf(Teacher teacher, String lineId) {
        return access.requireOfLine(teacher, lineId, Right.EDIT).id();
    }

    private static LineTake lineTake(StoredTake take) {
        return new LineTake(take.id(), take.lineId(), take.words());
    }
}
