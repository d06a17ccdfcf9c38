package prolalia.app.stage;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import prolalia.app.lesson.LessonService.PageView;
import prolalia.app.lines.ScriptLine;
import prolalia.app.platform.Ids;
import prolalia.core.page.LinePlacing;
import prolalia.core.page.LinePlacing.LinePlace;
import prolalia.core.page.PageElement;
import prolalia.core.page.PageElement.Spot;
import prolalia.core.page.SpotPlacing;
import prolalia.core.place.Area;
import prolalia.core.place.InkMap;
import prolalia.core.place.WordPlaces;

/** Gives lines of a page their spots. */
final class SpotsOfPage {
    private final PageView page;
    private final InkMap ink;

    SpotsOfPage(PageView page, InkMap ink) {
        this.page = page;
        this.ink = ink;
    }

    /**
     * What stands on the page then.
     *
     * @param there what stands there now
     * @param lineIds of the lines that are to have a spot
     * @param anew whether spots that these lines have are placed as the lines were found
     */
    List<PageElement> placed(List<PageElement> there, Set<String> lineIds, boolean anew) {
        List<PageElement> things = new ArrayList<>(there);
        Map<String, LinePlace> found = found(there.stream()
                .filter(thing ->
                        !(thing instanceof Spot spot && (spot.onWords() || anew && lineIds.contains(spot.lineId()))))
                .map(PageElement::area)
                .toList());
        for (int i = 0; anew && i < things.size(); i++) {
            if (things.get(i) instanceof Spot spot
                    && lineIds.contains(spot.lineId())
                    && found.containsKey(spot.lineId())) {
                Spot placed = Spot.on(found.get(spot.lineId()), spot.id(), spot.lineId());
                things.set(i, placed.looking(spot.look()).under(spot.rule()));
            }
        }
        for (ScriptLine line : page.lines()) {
            String id = line.line().id();
            boolean wanted = lineIds.contains(id) && spotOf(things, id).isEmpty();
            if (wanted && found.containsKey(id) && things.size() < StageCheck.MOST_THINGS) {
                things.add(Spot.on(found.get(id), newId(), id));
            }
        }
        things.addAll(besideEachOther(things, lineIds));
        return things;
    }

    /**
     * Where the lines of the page stand, as they were found on its picture.
     *
     * @param taken where things are that stay as they are
     */
    private Map<String, LinePlace> found(List<Area> taken) {
        List<String> ids = new ArrayList<>();
        List<List<Area>> rows = new ArrayList<>();
        List<WordPlaces> words = new ArrayList<>();
        for (ScriptLine line : page.lines()) {
            WordPlaces ofLine = line.line().traits().places();
            if (!ofLine.areUnknown()
                    && page.page().pictureHash() != null
                    && line.line().kind().isMetAtOnce()) {
                ids.add(line.line().id());
                words.add(ofLine);
                rows.add(ofLine.rows());
            }
        }
        List<LinePlace> places =
                LinePlacing.place(rows, words, ink, taken, page.page().aspect());
        Map<String, LinePlace> found = new HashMap<>();
        for (int i = 0; i < ids.size(); i++) {
            found.put(ids.get(i), places.get(i));
        }
        return found;
    }

    /** Of lines whose place isn't known, each below that of the line before it. */
    private List<Spot> besideEachOther(List<PageElement> things, Set<String> lineIds) {
        List<Optional<Area>> marks = new ArrayList<>();
        List<String> wanted = new ArrayList<>();
        for (ScriptLine line : page.lines()) {
            String id = line.line().id();
            Optional<Area> mark = spotOf(things, id);
            if (mark.isPresent()) {
                marks.add(mark);
            } else if (lineIds.contains(id) && things.size() + wanted.size() < StageCheck.MOST_THINGS) {
                marks.add(Optional.empty());
                wanted.add(id);
            }
        }
        List<Area> taken = things.stream()
                .map(thing -> thing instanceof Spot spot ? spot.pressed() : thing.area())
                .toList();
        List<Area> places =
                SpotPlacing.downThePage(marks, ink, taken, page.page().aspect());
        List<Spot> spots = new ArrayList<>();
        for (int i = 0; i < wanted.size(); i++) {
            spots.add(new Spot(newId(), places.get(i), wanted.get(i), true));
        }
        return spots;
    }

    private static Optional<Area> spotOf(List<PageElement> things, String lineId) {
        return things.stream()
                .filter(thing -> thing instanceof Spot spot && spot.lineId().equals(lineId))
                .map(PageElement::area)
                .findFirst();
    }

    private static String newId() {
        return Ids.newId().substring(0, 8);
    }
}
