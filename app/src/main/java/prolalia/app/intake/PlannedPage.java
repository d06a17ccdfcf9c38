package prolalia.app.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import prolalia.app.intake.StoredPaper.StoredPage;
import prolalia.app.platform.Ids;
import prolalia.app.stage.StageService;
import prolalia.core.intake.Proposal.ProposedLine;
import prolalia.core.intake.SoundsOfLines;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;
import prolalia.core.page.Area;
import prolalia.core.page.InkMap;
import prolalia.core.page.PageElement;
import prolalia.core.page.Paths;
import prolalia.core.page.SpotPlacing;
import prolalia.core.script.PastedScript.ReadLine;
import prolalia.formats.paper.PaperPage;

/**
 * What becomes of a page of a paper, worked out before anything is written.
 *
 * @param lines in the order of the script
 * @param marks where lines have their spots
 * @param sounds that the file has of lines
 */
record PlannedPage(StoredPage page, List<ReadLine> lines, List<Mark> marks, List<SaidSound> sounds) {
    /** @param line its index */
    record Mark(int line, Area area) {}

    /** @param line the index of the line that it says */
    record SaidSound(int line, PaperPage.Sound sound) {}

    static PlannedPage of(StoredPage page, InkMap ink) {
        List<ProposedLine> proposed = page.proposal().wanted();
        List<ReadLine> lines = new ArrayList<>();
        proposed.forEach(line -> lines.add(
                new ReadLine(LineTraits.of(line.kind().becomes().orElseThrow()).withLabel(line.label()), line.text())));
        List<Optional<Area>> places = new ArrayList<>();
        proposed.forEach(line ->
                places.add(Optional.of(line).filter(ProposedLine::hasPlace).map(ProposedLine::area)));
        if (proposed.isEmpty() && !page.parts().sounds().isEmpty()) {
            // A page of sounds alone has a line for them all the same.
            lines.add(new ReadLine(LineKind.DIRECTION, ""));
            places.add(Optional.empty());
        }
        return new PlannedPage(
                page, lines, marks(page, proposed, ink), sounds(page.parts().sounds(), places));
    }

    private static List<Mark> marks(StoredPage page, List<ProposedLine> proposed, InkMap ink) {
        List<Integer> placed = IntStream.range(0, proposed.size())
                .filter(line -> proposed.get(line).hasPlace())
                .boxed()
                .toList();
        List<Area> areas = SpotPlacing.besideEach(
                placed.stream().map(line -> proposed.get(line).area()).toList(),
                ink,
                page.parts().jumps().stream().map(PaperPage.Jump::area).toList(),
                page.aspect());
        return IntStream.range(0, areas.size())
                .mapToObj(i -> new Mark(placed.get(i), areas.get(i)))
                .toList();
    }

    private static List<SaidSound> sounds(List<PaperPage.Sound> found, List<Optional<Area>> places) {
        List<Optional<Integer>> said =
                SoundsOfLines.nearest(found.stream().map(PaperPage.Sound::area).toList(), places);
        return IntStream.range(0, found.size())
                .filter(i -> said.get(i).isPresent())
                .mapToObj(i -> new SaidSound(said.get(i).get(), found.get(i)))
                .toList();
    }

    /**
     * What stands on it.
     *
     * @param lineIds of its lines
     * @param pageIds of the pages that were taken, by their numbers in the paper
     */
    List<PageElement> things(List<String> lineIds, Map<Integer, String> pageIds) {
        List<PageElement> things = new ArrayList<>();
        for (Mark mark : marks) {
            things.add(new PageElement.Spot(newId(), mark.area(), lineIds.get(mark.line()), true));
        }
        for (PaperPage.Jump jump : page.parts().jumps()) {
            if (pageIds.containsKey(jump.toNumber())) {
                things.add(new PageElement.Jump(newId(), jump.area(), pageIds.get(jump.toNumber()), Paths.Kind.PLAIN));
            }
        }
        for (PaperPage.Link link : page.parts().links()) {
            if (PageElement.Link.isAddress(link.address())) {
                things.add(new PageElement.Link(
                        newId(), link.area(), StageService.fitting(link.words()), link.address(), false));
            }
        }
        return things;
    }

    private static String newId() {
        return Ids.newId().substring(0, 8);
    }
}
