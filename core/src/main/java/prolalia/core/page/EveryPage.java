package prolalia.core.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import prolalia.core.lesson.Line;
import prolalia.core.page.PageElement.EverySpot;

/**
 * What stands on every page of a lesson, at the same place on each. A spot of it sounds a line of the page it is on.
 *
 * @param things the set
 */
public record EveryPage(List<PageElement> things) {
    /** Begins the ids that things of the set have on a page; those of the page itself don't. */
    public static final String PREFIX = "every-";

    public EveryPage {
        things = List.copyOf(things);
    }

    /**
     * What a page does otherwise than the set says.
     *
     * @param leftOut the page does without
     * @param lineId what the spot sounds here; null: as the set says
     */
    public record Otherwise(boolean leftOut, String lineId) {}

    /**
     * A thing of the set on a page.
     *
     * @param thing as it stands there; empty when it doesn't: it was left out, or the page has no line for it
     */
    public record Here(PageElement ofSet, Optional<PageElement> thing, boolean leftOut) {}

    /**
     * The set on a page.
     *
     * @param lines of the page, in reading order
     * @param otherwise what the page does otherwise, by the id of the thing in the set
     */
    public List<Here> on(List<Line> lines, Map<String, Otherwise> otherwise) {
        List<Here> here = new ArrayList<>();
        for (PageElement thing : things) {
            Otherwise own = otherwise.getOrDefault(thing.id(), new Otherwise(false, null));
            PageElement named = thing.named(PREFIX + thing.id());
            Optional<PageElement> there = own.leftOut()
                    ? Optional.empty()
                    : named instanceof EverySpot spot
                            ? lineFor(spot, lines, own).map(line -> spot.sounding(line.id()))
                            : Optional.of(named);
            here.add(new Here(thing, there, own.leftOut()));
        }
        return here;
    }

    private static Optional<Line> lineFor(EverySpot spot, List<Line> lines, Otherwise own) {
        Optional<Line> chosen =
                lines.stream().filter(line -> line.id().equals(own.lineId())).findFirst();
        return chosen.or(
                () -> lines.stream().filter(line -> line.kind() == spot.lines()).findFirst());
    }

    /**
     * The same things for another page: a spot sounds the line there that stands where its own does among those of its kind;
     * if there is none, it doesn't come along. Other things come along as they are.
     *
     * @param from lines of the page that they stand on
     * @param to lines of the other page
     */
    public static List<PageElement> copied(List<PageElement> things, List<Line> from, List<Line> to) {
        return things.stream()
                .flatMap(thing ->
                        thing
                                .withReferences(
                                        line -> counterpart(line, from, to)
                                                .map(Line::id)
                                                .orElse(null),
                                        page -> page)
                                .stream())
                // The words of another page stand elsewhere.
                .map(thing -> thing instanceof PageElement.Spot spot ? spot.offWords() : thing)
                .toList();
    }

    private static Optional<Line> counterpart(String lineId, List<Line> from, List<Line> to) {
        Optional<Line> own =
                from.stream().filter(line -> line.id().equals(lineId)).findFirst();
        return own.flatMap(line -> {
            int nth = from.stream()
                    .filter(each -> each.kind() == line.kind())
                    .toList()
                    .indexOf(line);
            return to.stream()
                    .filter(each -> each.kind() == line.kind())
                    .skip(nth)
                    .findFirst();
        });
    }
}
