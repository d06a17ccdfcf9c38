package prolalia.core.script;

import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;

/**
 * All of a line that a change of the script can touch.
 *
 * @param removed whether it is out of the script; a line that isn't there yet counts as removed
 * @param keptTakeId the take that students hear; null: none
 * @param place where it stands
 * @param standingLineId the standing line whose words and take it has; null: it has its own
 */
public record LineShape(
        String words, LineTraits traits, boolean removed, String keptTakeId, Place place, String standingLineId) {
    /** A line with words and a take of its own. */
    public LineShape(String words, LineKind kind, boolean removed, String keptTakeId, Place place) {
        this(words, LineTraits.of(kind), removed, keptTakeId, place, null);
    }

    public LineKind kind() {
        return traits.kind();
    }

    /**
     * A place in a script.
     *
     * @param afterLineId the line before it on the page; null: it is the page's first
     */
    public record Place(String pageId, String afterLineId) {}

    /** With other words it is no place of a standing line any more. */
    LineShape withWords(String changed) {
        return new LineShape(changed, traits, removed, keptTakeId, place, null);
    }

    /** In a place of a standing line, the standing line's words are typed. */
    LineShape withTyped(String changed) {
        return new LineShape(changed, traits, removed, keptTakeId, place, standingLineId);
    }

    public LineShape withTraits(LineTraits changed) {
        return new LineShape(words, changed, removed, keptTakeId, place, standingLineId);
    }

    LineShape withRemoved(boolean changed) {
        return new LineShape(words, traits, changed, keptTakeId, place, standingLineId);
    }

    /** With another take it is no place of a standing line any more. */
    LineShape withKept(String changed) {
        return new LineShape(words, traits, removed, changed, place, null);
    }

    LineShape withPlace(Place changed) {
        return new LineShape(words, traits, removed, keptTakeId, changed, standingLineId);
    }

    /** The words and the take of a standing line. */
    LineShape withStanding(String lineId, String itsWords, String itsTakeId) {
        return new LineShape(itsWords, traits, removed, itsTakeId, place, lineId);
    }

    /** The same words and take, but its own. */
    LineShape onItsOwn() {
        return new LineShape(words, traits, removed, keptTakeId, place, null);
    }
}
