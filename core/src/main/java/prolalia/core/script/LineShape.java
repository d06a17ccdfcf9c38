package prolalia.core.script;

import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.StepIcon;

/**
 * All of a line that a change of the script can touch.
 *
 * @param removed whether it is out of the script; a line that isn't there yet counts as removed
 * @param keptTakeId the take that students hear; null: none
 * @param place where it stands
 * @param standingLineId the standing line whose words and take it has; null: it has its own
 * @param icon what it asks to do, as a picture; null: it has none
 */
public record LineShape(
        String words,
        LineKind kind,
        boolean removed,
        String keptTakeId,
        Place place,
        String standingLineId,
        StepIcon icon) {
    /** A line with words and a take of its own. */
    public LineShape(String words, LineKind kind, boolean removed, String keptTakeId, Place place) {
        this(words, kind, removed, keptTakeId, place, null, null);
    }

    /**
     * A place in a script.
     *
     * @param afterLineId the line before it on the page; null: it is the page's first
     */
    public record Place(String pageId, String afterLineId) {}

    /** With other words it is no place of a standing line any more. */
    LineShape withWords(String changed) {
        return new LineShape(changed, kind, removed, keptTakeId, place, null, icon);
    }

    LineShape withKind(LineKind changed) {
        return new LineShape(words, changed, removed, keptTakeId, place, standingLineId, icon);
    }

    LineShape withRemoved(boolean changed) {
        return new LineShape(words, kind, changed, keptTakeId, place, standingLineId, icon);
    }

    /** With another take it is no place of a standing line any more. */
    LineShape withKept(String changed) {
        return new LineShape(words, kind, removed, changed, place, null, icon);
    }

    LineShape withPlace(Place changed) {
        return new LineShape(words, kind, removed, keptTakeId, changed, standingLineId, icon);
    }

    LineShape withIcon(StepIcon changed) {
        return new LineShape(words, kind, removed, keptTakeId, place, standingLineId, changed);
    }

    /** The words and the take of a standing line. */
    LineShape withStanding(String lineId, String itsWords, String itsTakeId) {
        return new LineShape(itsWords, kind, removed, itsTakeId, place, lineId, icon);
    }

    /** The same words and take, but its own. */
    LineShape onItsOwn() {
        return new LineShape(words, kind, removed, keptTakeId, place, null, icon);
    }
}
