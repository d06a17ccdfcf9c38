package prolalia.formats.paper;

import java.util.List;
import prolalia.core.intake.FoundLine;
import prolalia.core.intake.FoundSound;
import prolalia.core.intake.FoundSound.SaidLine;
import prolalia.core.place.Area;

/**
 * A page that was read, as {@link PaperProcess} writes it beside its picture.
 *
 * @param number counts from 1
 * @param width of the page as its file has it
 * @param height likewise
 * @param picture the name of the file with its picture; null when it could not be drawn
 * @param mediaType of the picture
 * @param hidden whether the paper has it, but doesn't show it
 */
public record PaperPage(
        int number,
        int width,
        int height,
        String picture,
        String mediaType,
        List<FoundLine> lines,
        List<Sound> sounds,
        List<Jump> jumps,
        List<Link> links,
        Boolean hidden) {
    /** What was written before it was looked for says nothing of it. */
    public PaperPage {
        hidden = hidden != null && hidden;
    }

    /**
     * @param file the name of the file with the recording, beside this one
     * @param line what the paper says of the line that it is of; null: nothing
     */
    public record Sound(Area area, String name, String file, SaidLine line) {
        public FoundSound found() {
            return new FoundSound(area, line);
        }
    }

    /** @param toNumber counts from 1 */
    public record Jump(Area area, int toNumber) {}

    public record Link(Area area, String words, String address) {}
}
