package prolalia.app.intake;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import prolalia.app.intake.StoredPaper.StoredPage;
import prolalia.app.platform.Ids;
import prolalia.app.stage.StageService;
import prolalia.core.intake.Proposal.ProposedLine;
import prolalia.core.intake.ProposedAnswers;
import prolalia.core.intake.ProposedAnswers.Answer;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;
import prolalia.core.page.Jump;
import prolalia.core.page.LinePlacing;
import prolalia.core.page.LinePlacing.LinePlace;
import prolalia.core.page.PageElement;
import prolalia.core.page.Paths;
import prolalia.core.place.Area;
import prolalia.core.place.EmptyBoxes;
import prolalia.core.place.InkMap;
import prolalia.core.place.InkWords;
import prolalia.core.place.WordPlaces;
import prolalia.core.script.PastedScript.ReadLine;
import prolalia.formats.paper.PaperPage;

/**
 * What becomes of a page of a paper, worked out before anything is written.
 *
 * @param lines in the order of the script
 * @param marks where lines have their spots
 * @param sounds that the file has of lines
 * @param places where questions are answered
 */
record PlannedPage(
        StoredPage page, List<ReadLine> lines, List<Mark> marks, List<SaidSound> sounds, List<Place> places) {
    /** @param line its index */
    record Mark(int line, LinePlace place) {}

    /** @param line the index of the question */
    record Place(int line, Area area) {}

    /** @param line the index of the line that it says */
    record SaidSound(int line, PaperPage.Sound sound) {}

    /** @param fine looks at the ink of the same picture closely enough to find words in, for lines whose file has none */
    static PlannedPage of(StoredPage page, InkMap ink, Supplier<InkMap> fine) {
        List<ProposedLine> proposed = page.proposal().wanted();
        List<ReadLine> lines = new ArrayList<>();
        boolean byInk = proposed.stream().anyMatch(PlannedPage::isFoundByInk);
        InkMap close = byInk ? fine.get() : ink;
        Map<String, Answer> answers = ProposedAnswers.of(page.proposal().lines(), EmptyBoxes.of(ink));
        List<Place> places = new ArrayList<>();
        for (ProposedLine line : proposed) {
            Answer answer = answers.get(line.id());
            if (answer != null) {
                answer.places().forEach(area -> places.add(new Place(lines.size(), area)));
            }
            lines.add(new ReadLine(
                    LineTraits.of(answer == null ? line.kind().becomes().orElseThrow() : LineKind.QUESTION)
                            .withLabel(line.label())
                            .withPlaces(places(line, close))
                            .withQuestion(answer == null ? null : answer.question()),
                    line.text()));
        }
        List<SaidSound> sounds = sounds(page, proposed);
        return new PlannedPage(page, lines, marks(page, proposed, sounds, lines, ink), sounds, places);
    }

    /** Where a sound had its mark, its line has it again. */
    private static List<Mark> marks(
            StoredPage page, List<ProposedLine> proposed, List<SaidSound> sounds, List<ReadLine> lines, InkMap ink) {
        Map<Integer, Area> kept = new HashMap<>();
        sounds.stream()
                .filter(said -> said.sound().line() != null)
                .forEach(said -> kept.put(said.line(), said.sound().area()));
        List<Integer> placed = IntStream.range(0, proposed.size())
                .filter(line -> proposed.get(line).hasPlace())
                .boxed()
                .toList();
        List<Area> taken = Stream.concat(
                        page.parts().jumps().stream().map(PaperPage.Jump::area), kept.values().stream())
                .toList();
        List<List<Area>> rows = placed.stream()
                .map(line -> rows(
                        lines.get(line).traits().places(), proposed.get(line).area(), ink))
                .toList();
        List<WordPlaces> words =
                lines.stream().map(line -> line.traits().places()).toList();
        List<LinePlace> places = LinePlacing.place(rows, words, ink, taken, page.aspect());
        List<Mark> marks = new ArrayList<>();
        for (int i = 0; i < placed.size(); i++) {
            LinePlace place = places.get(i);
            Area mark = kept.remove(placed.get(i));
            marks.add(new Mark(placed.get(i), mark == null ? place : new LinePlace(place.press(), mark)));
        }
        kept.forEach((line, area) -> marks.add(new Mark(line, new LinePlace(null, area))));
        return marks;
    }

    private static boolean isFoundByInk(ProposedLine line) {
        return line.words().areUnknown() && line.hasPlace();
    }

    /** Where its words were found in the file; on a picture, by its ink. */
    private static WordPlaces places(ProposedLine line, InkMap close) {
        return isFoundByInk(line) ? InkWords.find(close, line.area(), line.text()) : line.words();
    }

    private static List<Area> rows(WordPlaces words, Area line, InkMap ink) {
        List<Area> rows = words.rows();
        return rows.isEmpty() ? List.of(ink.tight(line)) : rows;
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
            things.add(PageElement.Spot.on(mark.place(), newId(), lineIds.get(mark.line())));
        }
        for (Place place : places) {
            things.add(new PageElement.AnswerArea(newId(), place.area(), lineIds.get(place.line())));
        }
        for (PaperPage.Jump jump : page.parts().jumps()) {
            if (pageIds.containsKey(jump.toNumber())) {
                things.add(new Jump(newId(), jump.area(), pageIds.get(jump.toNumber()), Paths.Kind.PLAIN));
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
