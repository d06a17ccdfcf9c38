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
import prolalia.app.lesson.LessonStore;
import prolalia.app.lesson.LineStore;
import prolalia.app.lesson.ScriptLine;
import prolalia.app.script.ChangeStore.Done;
import prolalia.app.script.ChangeStore.StoredChange;
import prolalia.app.sound.TakeService;
import prolalia.core.script.LineShape;
import prolalia.core.script.LineShape.Place;
import prolalia.core.script.ScriptChange;
import prolalia.core.script.ScriptChange.LineStep;

/** The changes of scripts' shapes: each is made as a whole, kept in mind, taken back and made again. */
@Service
class ScriptHistory {
    private final LessonStore lessonStore;
    private final LineStore lines;
    private final TakeService takes;
    private final ChangeStore changes;
    private final TransactionTemplate transaction;
    private final Clock clock;

    ScriptHistory(
            LessonStore lessonStore,
            LineStore lines,
            TakeService takes,
            ChangeStore changes,
            TransactionTemplate transaction,
            Clock clock) {
        this.lessonStore = lessonStore;
        this.lines = lines;
        this.takes = takes;
        this.changes = changes;
        this.transaction = transaction;
        this.clock = clock;
    }

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

    /** What was done in the last so many ms: a page that opens now offers to undo it. */
    Optional<Done> doneWithin(String lessonId, long ms) {
        return changes.doneSince(lessonId, clock.millis() - ms);
    }

    Reshaped undo(String lessonId) {
        return again(lessonId, changes.lastMade(lessonId), true);
    }

    Reshaped redo(String lessonId) {
        return again(lessonId, changes.firstUndone(lessonId), false);
    }

    Reshaped make(String lessonId, Optional<ScriptChange> change) {
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
            keep(lessonId, change.get());
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

    /** Keeps a change in mind that was made. */
    void keep(String lessonId, ScriptChange change) {
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
}
