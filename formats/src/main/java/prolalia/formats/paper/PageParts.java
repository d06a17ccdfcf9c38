package prolalia.formats.paper;

import java.util.List;
import prolalia.core.intake.FoundSound.SaidLine;
import prolalia.core.place.Area;

/**
 * What stands on a page beside its text.
 *
 * @param sounds recordings that are part of the file
 * @param jumps places that lead to another page of the file
 * @param links places that lead elsewhere
 */
public record PageParts(List<SoundPart> sounds, List<JumpPart> jumps, List<LinkPart> links) {
    public static final PageParts NONE = new PageParts(List.of(), List.of(), List.of());

    /**
     * @param name its file's name
     * @param line what the file says of the line that it is of; null: nothing
     */
    public record SoundPart(Area area, String name, byte[] content, SaidLine line) {}

    /** @param toPage counts from 0 */
    public record JumpPart(Area area, int toPage) {}

    /** @param address http or https */
    public record LinkPart(Area area, String words, String address) {}
}
