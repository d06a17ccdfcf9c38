package prolalia.core.script;

import java.util.List;
import java.util.Map;
import java.util.Objects;

/**
 * One change of a script, with all that is needed to take it back and to make it again.
 *
 * <p>{@code change.reversed()} is the change that undoes it; a reversed change reversed is the change again. Values only,
 * so any thread may use one.
 *
 * @param lines each line that it touches, once
 * @param takes each take that it moves, once
 */
public record ScriptChange(Deed deed, List<LineStep> lines, List<TakeStep> takes) {
    /** What the teacher did. */
    public enum Deed {
        ADD,
        REMOVE,
        KIND,
        MOVE,
        SPLIT,
        JOIN,
        MOVE_TAKE,
        /** A take made for another line is heard on this one. */
        USE_TAKE,
        /** Nothing is heard on a line any more. */
        SILENCE,
        /** The line has the words and the take of a standing line. */
        USE_STANDING,
        /** A line that had those of a standing line has its own. */
        OWN,
        /** A direction has an icon, or has none any more. */
        ICON,
        /** Its words are in another language than those of its lesson, or no longer. */
        LANG,
        /** Another number or letter stands before its words, or none any more. */
        LABEL,
        /** A direction becomes several, a sentence each. */
        STEPS
    }

    /** A line before the change and after it. */
    public record LineStep(String lineId, LineShape before, LineShape after) {
        public boolean changesWords() {
            return !before.words().equals(after.words());
        }

        public boolean changesKept() {
            return !Objects.equals(before.keptTakeId(), after.keptTakeId());
        }

        public boolean changesStanding() {
            return !Objects.equals(before.standingLineId(), after.standingLineId());
        }

        public boolean changesTraits() {
            return !before.traits().equals(after.traits());
        }

        public boolean changesPlace() {
            return !before.place().equals(after.place());
        }

        public boolean removes() {
            return !before.removed() && after.removed();
        }

        /** Whether making this step would lose nothing that came to the line since. */
        private boolean isSafeOn(LineShape now) {
            boolean words = changesWords() || removes();
            boolean kept = changesKept() || removes();
            return now.removed() == before.removed()
                    && (!words || now.words().equals(before.words()))
                    && (!kept || Objects.equals(now.keptTakeId(), before.keptTakeId()));
        }
    }

    /**
     * Where a take lies.
     *
     * @param words what it says: those of the line when it was recorded, or those of the line that it was given to
     */
    public record TakePlace(String lineId, String words) {}

    /** A take before the change and after it. */
    public record TakeStep(String takeId, TakePlace before, TakePlace after) {
        public boolean changesWords() {
            return !before.words().equals(after.words());
        }
    }

    /** The change that takes this one back. */
    public ScriptChange reversed() {
        return new ScriptChange(
                deed,
                lines.stream()
                        .map(step -> new LineStep(step.lineId(), step.after(), step.before()))
                        .toList(),
                takes.stream()
                        .map(step -> new TakeStep(step.takeId(), step.after(), step.before()))
                        .toList());
    }

    /**
     * Whether the change can be made without losing what was typed or kept since.
     *
     * @param now the lines that it touches as they are, by id
     */
    public boolean isSafeOn(Map<String, LineShape> now) {
        return lines.stream().allMatch(step -> now.containsKey(step.lineId()) && step.isSafeOn(now.get(step.lineId())));
    }
}
