package prolalia.core.intake;

import java.util.function.UnaryOperator;
import prolalia.core.place.Area;
import prolalia.core.place.WordPlaces;

/**
 * A line found on a page.
 *
 * @param kind what it is taken for
 * @param text as it stands, in one row, with its number or letter
 * @param area where it stands
 * @param words where each of its words stands, as far as that is known
 */
public record FoundLine(FoundKind kind, String text, Area area, WordPlaces words) {
    public FoundLine {
        words = words == null ? WordPlaces.NONE : words;
    }

    /** A line of which it isn't known where its words stand. */
    public FoundLine(FoundKind kind, String text, Area area) {
        this(kind, text, area, WordPlaces.NONE);
    }

    FoundLine withKind(FoundKind other) {
        return new FoundLine(other, text, area, words);
    }

    /** The same on the page as it is shown. */
    public FoundLine placed(UnaryOperator<Area> how) {
        return new FoundLine(kind, text, how.apply(area), words.moved(how));
    }
}
