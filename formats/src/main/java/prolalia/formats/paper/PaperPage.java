package prolalia.formats.paper;

import java.util.List;
import prolalia.core.intake.FoundLine;
import prolalia.core.page.Area;

/**
 * A page that was read, as {@link PaperProcess} writes it beside its picture.
 *
 * @param number counts from 1
 * @param width of the page as its file has it
 * @param height likewise
 * @param picture the name of the file with its picture; null when it could not be drawn
 * @param mediaType of the picture
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
        List<Link> links) {

    /** @param file the name of the file with the recording, beside this one */
    public record Sound(Area area, String name, String file) {}

    /** @param toNumber counts from 1 */
    public record Jump(Area area, int toNumber) {}

    public record Link(Area area, String words, String address) {}
}
