package prolalia.app.history;

import java.time.Clock;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.access.LessonRef;
import prolalia.app.history.ChangeStore.StoredChange;
import prolalia.app.lesson.Lessons;
import prolalia.app.lines.LessonLines;
import prolalia.app.lines.ScriptLine;
import prolalia.app.pages.LessonPages;
import prolalia.app.spoken.TakeService;
import prolalia.core.script.LessonChange;
import prolalia.core.script.LessonChange.Deed;
import prolalia.core.script.LessonChange.LineStep;
import prolalia.core.script.LessonChange.Now;
import prolalia.core.script.LessonChange.PageStep;
import prolalia.core.script.LessonChange.StageStep;
import prolalia.core.script.LineShape;
import prolalia.core.script.LineShape.Place;

/**
 * What was done to lessons, one history for each: its script, its pages and what is placed on them. Each change is made as a
 * whole, kept in mind, taken back and made again.
 */
@Service
public class LessonHistory {
    /** Typing with a longer pause in it is two steps back. */
    private static final long TYPING_PAUSE_MS = 4_000;

    private final Lessons lessons;
    private final LessonLines lines;
    private final LessonPages pages;
    private final StageVersions stages;
    private final TakeService takes;
    private final ChangeStore changes;
    private final TransactionTemplate transaction;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    LessonHistory(
            Lessons lessons,
            LessonLines lines,
            LessonPages pages,
            StageVersions stages,
            TakeService takes,
            ChangeStore changes,
            TransactionTemplate transaction,
            ApplicationEventPublisher events,
            Clock clock) {
        this.lessons = lessons;
        this.lines = lines;
        this.pages = pages;
        this.stages = stages;
        this.takes = takes;
        this.changes = changes;
        this.transaction = transaction;
        this.events = events;
        this.clock = clock;
    }

    /** What came of a change. */
    public enum Outcome {
        MADE,
        UNDONE,
        REDONE,
        /** There was nothing to change. */
        NOTHING,
        /** There is nothing more to undo, or to do again. */
        NO_MORE,
        /** The next step is of another kind than this one may make. */
        NOT_HERS,
        /** What it touched was typed in, read or changed since: undoing it now would lose that. */
        CHANGED_SINCE,
        /** Another tab changed its lines in this very moment. */
        CHANGED_MEANWHILE
    }

    /**
     * A change that was made, with the lines that look different now.
     *
     * @param done null when there was nothing to do
     * @param lines in reading order, each with where it stands; no line: it is out of the script
     * @param page the page that it was about, when it was about more than lines; null: it was about lines, or is none
     */
    public record Reshaped(LessonRef lesson, Outcome outcome, Done done, List<Reshaping> lines, String page) {
        private static final Set<Outcome> CHANGES = EnumSet.of(Outcome.MADE, Outcome.UNDONE, Outcome.REDONE);

        /** Whether pages aren't as they were, besides what is placed on them. */
        public boolean changesPages() {
            return page != null && CHANGES.contains(outcome) && done.deed() != Deed.STAGE;
        }
    }

    /**
     * @param line null when it is removed
     * @param place null when it is removed
     */
    public record Reshaping(String lineId, ScriptLine line, Place place) {}

    /** What was taken back last, if nothing was done since. */
    public Optional<Done> undone(LessonRef lesson) {
        return changes.firstUndone(lesson).map(undone -> Done.of(undone.change()));
    }

    /** What was done in the last so many ms: a page that opens now offers to undo it. */
    public Optional<Done> doneWithin(LessonRef lesson, long ms) {
        return changes.doneSince(lesson, clock.millis() - ms);
    }

    public Reshaped undo(LessonRef lesson) {
        return undo(lesson, EnumSet.allOf(Deed.class));
    }

    public Reshaped redo(LessonRef lesson) {
        return redo(lesson, EnumSet.allOf(Deed.class));
    }

    /** @param may what may be taken back: anything else stays as it is */
    public Reshaped undo(LessonRef lesson, Set<Deed> may) {
        return again(lesson, changes.lastMade(lesson), true, may);
    }

    /** @param may what may be made again: anything else stays as it is */
    public Reshaped redo(LessonRef lesson, Set<Deed> may) {
        return again(lesson, changes.firstUndone(lesson), false, may);
    }

    public Reshaped make(LessonRef lesson, Optional<LessonChange> change) {
        if (change.isEmpty()) {
            return new Reshaped(lesson, Outcome.NOTHING, null, List.of(), null);
        }
        var checked = takes.checkAgain(change.get().takes());
        boolean made = Boolean.TRUE.equals(transaction.execute(status -> {
            Set<String> there = lines.shapesEver(lesson).keySet();
            lines.insertRemoved(
                    change.get().lines().stream()
                            .filter(step -> !there.contains(step.lineId()))
                            .toList(),
                    clock.millis());
            if (!change.get().isSafeOn(now(lesson, change.get()))) {
                status.setRollbackOnly();
                return false;
            }
            perform(change.get());
            takes.move(change.get().takes(), checked);
            keep(lesson, change.get());
            return true;
        }));
        return made
                ? reshaped(lesson, Outcome.MADE, change.get())
                : new Reshaped(lesson, Outcome.CHANGED_MEANWHILE, Done.of(change.get()), List.of(), null);
    }

    private Reshaped again(LessonRef lesson, Optional<StoredChange> stored, boolean undo, Set<Deed> may) {
        if (stored.isEmpty()) {
            return new Reshaped(lesson, Outcome.NO_MORE, null, List.of(), null);
        }
        LessonChange change =
                undo ? stored.get().change().reversed() : stored.get().change();
        if (!may.contains(change.deed())) {
            return new Reshaped(lesson, Outcome.NOT_HERS, Done.of(change), List.of(), null);
        }
        var checked = takes.checkAgain(change.takes());
        boolean made = Boolean.TRUE.equals(transaction.execute(status -> {
            if (!change.isSafeOn(now(lesson, change))) {
                return false;
            }
            perform(change);
            takes.move(change.takes(), checked);
            changes.setUndone(stored.get().id(), undo);
            changed(lesson, change);
            return true;
        }));
        if (!made) {
            return new Reshaped(lesson, Outcome.CHANGED_SINCE, Done.of(change), List.of(), null);
        }
        return reshaped(lesson, undo ? Outcome.UNDONE : Outcome.REDONE, change);
    }

    private Now now(LessonRef lesson, LessonChange change) {
        Map<String, Integer> versions = new HashMap<>();
        for (StageStep step : change.stages()) {
            // Too long ago counts as changed since.
            versions.put(
                    step.ownerId(), stages.has(step.ownerId(), step.after()) ? stages.version(step.ownerId()) : -1);
        }
        return new Now(lines.shapesEver(lesson), pages.shapes(lesson), versions);
    }

    private void perform(LessonChange change) {
        change.pages().forEach(step -> pages.make(step, clock.millis()));
        change.lines().forEach(step -> lines.make(step, clock.millis()));
        change.stages().forEach(step -> stages.hold(step.ownerId(), step.after()));
    }

    /** Keeps a change in mind that was made. Typing that goes on is one change. */
    public void keep(LessonRef lesson, LessonChange change) {
        long now = clock.millis();
        Optional<StoredChange> typing = changes.doneSince(lesson, now - TYPING_PAUSE_MS)
                .filter(last -> last.deed() == change.deed() && !changes.isAny(lesson, true))
                .flatMap(last -> changes.lastMade(lesson));
        Optional<LessonChange> both = typing.flatMap(last -> change.after(last.change()));
        if (both.isPresent()) {
            changes.replace(typing.orElseThrow().id(), both.get(), now);
        } else {
            changes.add(lesson, change, now);
        }
        changed(lesson, change);
    }

    private void changed(LessonRef lesson, LessonChange change) {
        lessons.touch(lesson, clock.millis());
        if (change.lines().stream().anyMatch(LessonHistory::changesQuestions)) {
            events.publishEvent(new QuestionsChanged(lesson));
        }
    }

    /** Words alone change no mark. */
    private static boolean changesQuestions(LineStep step) {
        return step.before() == null
                || step.changesTraits()
                || step.changesPlace()
                || step.before().removed() != step.after().removed();
    }

    /** Whether there is something to take back. */
    public boolean canUndo(LessonRef lesson) {
        return changes.isAny(lesson, false);
    }

    /** Whether something was taken back that can be made again. */
    public boolean canRedo(LessonRef lesson) {
        return changes.isAny(lesson, true);
    }

    private static String pageOf(LessonChange change) {
        return change.pages().stream()
                .map(PageStep::pageId)
                .findFirst()
                .or(() -> change.stages().stream().map(StageStep::ownerId).findFirst())
                .orElse(null);
    }

    private Reshaped reshaped(LessonRef lesson, Outcome outcome, LessonChange change) {
        Set<String> touched = new HashSet<>();
        change.lines().forEach(step -> touched.add(step.lineId()));
        Map<String, ScriptLine> now = new HashMap<>();
        lines.some(lesson, touched).forEach(line -> now.put(line.line().id(), line));
        List<Reshaping> reshaped = new ArrayList<>();
        Map<String, LineShape> shapes = new LinkedHashMap<>(lines.shapes(lesson));
        shapes.keySet().retainAll(touched);
        shapes.forEach(
                (id, shape) -> reshaped.add(new Reshaping(id, now.get(id), shape.removed() ? null : shape.place())));
        return new Reshaped(lesson, outcome, Done.of(change), reshaped, pageOf(change));
    }
}
