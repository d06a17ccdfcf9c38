package prolalia.core.intake;

import prolalia.core.place.Area;

/**
 * A sound found on a page.
 *
 * @param area where it stands
 * @param line what the file itself says of the line that it is of, as we write it; null: it says nothing
 */
public record FoundSound(Area area, SaidLine line) {
    /**
     * The line of a sound.
     *
     * @param kind what it is taken for
     * @param label the number or letter before it; null: none
     */
    public record SaidLine(FoundKind kind, String label, String words) {}
}
