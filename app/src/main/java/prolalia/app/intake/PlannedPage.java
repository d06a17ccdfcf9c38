package prolalia.app.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import prolalia.app.intake.StoredPaper.StoredPage;
import prolalia.app.platform.Ids;
import prolalia.app.stage.StageService;
import prolalia.core.intake.Proposal.ProposedLine;
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
        List<SaidSound> sounds = sounds(page, proposed);
        return new PlannedPage(page, lines, marks(page, proposed, sounds, ink), sounds);
    }

    /** Where a sound had its mark, its line has it again. */
    private static List<Mark> marks(StoredPage page, List<ProposedLine> proposed, List<SaidSound> sounds, InkMap ink) {
        List<Mark> kept = sounds.stream()
                .filter(said -> said.sound().line() != null)
                .map(said -> new Mark(said.line(), said.sound().area()))
                .toList();
        Set<Integer> marked = kept.stream().map(Mark::line).collect(Collectors.toSet());
        List<Integer> placed = IntStream.range(0, proposed.size())
                .filter(line -> proposed.get(line).hasPlace() && !marked.contains(line))
                .boxed()
                .toList();
        List<Area> areas = SpotPlacing.besideEach(
                placed.stream().map(line -> proposed.get(line).area()).toList(),
                ink,
                Stream.concat(
                                page.parts().jumps().stream().map(PaperPage.Jump::area),
                                kept.stream().map(Mark::area))
                        .toList(),
                page.aspect());
        return Stream.concat(
                        kept.stream(),
                        IntStream.range(0, areas.size()).mapToObj(i -> new Mark(placed.get(i), areas.get(i))))
                .toList();
    }

    private static List<SaidSound> sounds(StoredPage page, List<ProposedLine> proposed) {
        List<String> ids = proposed.stream().map(ProposedLine::id).toList();
        List<String> said = page.proposal().sounds();
        List<PaperPage.Sound> found = page.parts().sounds();
        return IntStream.range(0, Math.min(said.size(), found.size()))
                .filter(i -> ids.contains(said.get(i)))
                .mapToObj(i -> new SaidSound(ids.indexOf(said.get(i)), found.get(i)))
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
