package prolalia.app.history;

import prolalia.core.script.LessonChange;
import prolalia.core.script.LessonChange.Deed;

/**
 * What a change did, without its parts.
 *
 * @param size how many lines, or pages, it is about
 */
public record Done(Deed deed, int size) {
    static Done of(LessonChange change) {
        return new Done(change.deed(), change.size());
    }
}
