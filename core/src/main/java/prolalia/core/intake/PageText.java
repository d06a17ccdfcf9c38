package prolalia.core.intake;

import java.util.List;
import prolalia.core.place.Area;

/**
 * The text of a page, as its file has it.
 *
 * @param aspect width by height of the page
 * @param words in any order; each has its place
 */
public record PageText(double aspect, List<Word> words) {
    /**
     * A word, or several that the file keeps together.
     *
     * @param text without space around it
     * @param area where its letters stand, from ascender to descender
     * @param size of its letters, as a share of the page's height
     * @param bold whether it is heavier than the rest
     */
    public record Word(String text, Area area, double size, boolean bold) {}
}
