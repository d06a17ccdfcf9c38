package prolalia.app.player;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Component;
import prolalia.app.house.NotHereException;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.LessonService.PageView;
import prolalia.app.lesson.ScriptLine;
import prolalia.app.player.StudentPage.OnPage;
import prolalia.app.player.StudentPage.SaidLine;
import prolalia.app.stage.StageService;
import prolalia.app.stage.StageService.StagedPage;
import prolalia.core.lesson.LineKind;
import prolalia.core.page.PlayRule;
import prolalia.core.page.Thing;

/** The pages of a lesson as students meet them. */
@Component
class StudentPages {
    private final StageService stages;

    StudentPages(StageService stages) {
        this.stages = stages;
    }

    /** The pages that have anything for a student. */
    static List<PageView> shown(LessonView lesson) {
        return lesson.pages().stream().filter(StudentPages::hasSomething).toList();
    }

    /** @param number from 1, among those that are shown */
    StudentPage page(LessonView lesson, int number) {
        List<PageView> pages = shown(lesson);
        if (pages.isEmpty() && number == 1) {
            return new StudentPage(lesson.summary().title(), null, List.of(), List.of(), 1, 1, false, false, List.of());
        }
        if (number < 1 || number > pages.size()) {
            throw new NotHereException("page");
        }
        PageView page = pages.get(number - 1);
        StagedPage staged = stages.ofLesson(lesson).get(page.page().id());
        List<OnPage> onPage = onPage(staged, page, pages);
        // On a picture the words of a spot are seen; on an empty page, and where all are silent, they stand beside it.
        Set<String> placed = new HashSet<>();
        boolean sounds = onPage.stream().anyMatch(thing -> thing.said() != null);
        if (page.page().pictureHash() != null && sounds) {
            staged.things().stream()
                    .filter(Thing.Spot.class::isInstance)
                    .forEach(thing -> placed.add(((Thing.Spot) thing).lineId()));
        } else if (page.page().pictureHash() == null && onPage.stream().allMatch(thing -> thing.said() != null)) {
            onPage = List.of();
        }
        List<SaidLine> beside = met(page).stream()
                .filter(line -> !placed.contains(line.line().id()))
                .map(line -> new SaidLine(line, ruleOf(line, staged)))
                .toList();
        return new StudentPage(
                lesson.summary().title(),
                page,
                beside,
                onPage,
                number,
                pages.size(),
                number < pages.size() && onPage.stream().noneMatch(OnPage::isChosen),
                staged.example(),
                hints(page, staged.rule()));
    }

    private static PlayRule ruleOf(ScriptLine line, StagedPage staged) {
        return staged.things().stream()
                .filter(thing -> thing instanceof Thing.Spot spot
                        && spot.lineId().equals(line.line().id()))
                .map(thing -> ((Thing.Spot) thing).rule())
                .findFirst()
                .orElse(staged.rule());
    }

    /** A hint comes when it is asked for, whatever the page says of arrival and of how often. */
    private static List<SaidLine> hints(PageView page, PlayRule ofPage) {
        PlayRule rule =
                new PlayRule(PlayRule.Start.PRESS, ofPage.volumePercent(), null, null, null, null).over(PlayRule.USUAL);
        return page.lines().stream()
                .filter(line -> line.line().kind() == LineKind.HINT && line.soundHash() != null)
                .map(line -> new SaidLine(line, rule))
                .toList();
    }

    /** Spots without a sound aren't shown: a mark that says nothing would be pressed in vain. */
    private static List<OnPage> onPage(StagedPage staged, PageView page, List<PageView> pages) {
        List<OnPage> onPage = new ArrayList<>();
        for (Thing thing : staged.things()) {
            if (thing instanceof Thing.Spot spot) {
                page.lines().stream()
                        .filter(line -> line.line().id().equals(spot.lineId()) && line.soundHash() != null)
                        .findFirst()
                        .ifPresent(line -> onPage.add(new OnPage(spot, new SaidLine(line, spot.rule()), null)));
            } else if (thing instanceof Thing.Jump jump && jump.leadsBack()) {
                // A child who came by no way at all goes to the page before.
                onPage.add(new OnPage(jump, null, Math.max(1, pages.indexOf(page))));
            } else if (thing instanceof Thing.Jump jump) {
                pages.stream()
                        .filter(each -> each.page().id().equals(jump.pageId()))
                        .findFirst()
                        .ifPresent(each -> onPage.add(new OnPage(jump, null, pages.indexOf(each) + 1)));
            } else {
                onPage.add(new OnPage(thing, null, null));
            }
        }
        return onPage;
    }

    private static boolean hasSomething(PageView page) {
        return page.page().pictureHash() != null || !met(page).isEmpty();
    }

    private static List<ScriptLine> met(PageView page) {
        return page.lines().stream()
                .filter(line ->
                        line.line().kind().isMetAtOnce() && !line.line().words().isBlank())
                .toList();
    }
}
