package prolalia.core.published;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import prolalia.core.lesson.LineKind;
import prolalia.core.page.PlayRule;
import prolalia.core.page.Thing;
import prolalia.core.published.PublishedLesson.PublishedLine;
import prolalia.core.published.PublishedLesson.PublishedPage;
import prolalia.core.published.StudentPage.OnPage;
import prolalia.core.published.StudentPage.SaidLine;

/** The pages of a lesson as students meet them. */
public final class StudentPages {
    private StudentPages() {}

    /** The pages that have anything for a student. */
    public static List<PublishedPage> shown(PublishedLesson lesson) {
        return lesson.pages().stream().filter(StudentPages::hasSomething).toList();
    }

    /** All pages that are shown, in order: at least one, that says that there is nothing yet. */
    public static List<StudentPage> of(PublishedLesson lesson) {
        List<PublishedPage> pages = shown(lesson);
        if (pages.isEmpty()) {
            return List.of(new StudentPage(
                    lesson.title(), null, List.of(), List.of(), 1, 1, false, false, List.of(), null, null, true));
        }
        Map<String, StagedPage> staged = StagedPage.of(lesson);
        List<StudentPage> met = new ArrayList<>();
        for (PublishedPage page : pages) {
            met.add(page(lesson, pages, met.size() + 1, staged.get(page.id())));
        }
        return met;
    }

    private static StudentPage page(PublishedLesson lesson, List<PublishedPage> pages, int number, StagedPage staged) {
        PublishedPage page = pages.get(number - 1);
        List<OnPage> onPage = onPage(staged, page, pages);
        // On a picture the words of a spot are seen; on an empty page, and where all are silent, they stand beside it.
        Set<String> placed = new HashSet<>();
        boolean sounds = onPage.stream().anyMatch(thing -> thing.said() != null);
        if (page.picture() != null && sounds) {
            staged.things().stream()
                    .filter(Thing.Spot.class::isInstance)
                    .forEach(thing -> placed.add(((Thing.Spot) thing).lineId()));
        } else if (page.picture() == null && onPage.stream().allMatch(thing -> thing.said() != null)) {
            onPage = List.of();
        }
        List<SaidLine> beside = met(page).stream()
                .filter(line -> !placed.contains(line.line().id()))
                .map(line -> new SaidLine(line, ruleOf(line, staged)))
                .toList();
        return new StudentPage(
                lesson.title(),
                page,
                beside,
                onPage,
                number,
                pages.size(),
                number < pages.size() && onPage.stream().noneMatch(OnPage::isChosen),
                staged.example(),
                hints(page, staged.rule()),
                heard(page, LineKind.PRAISE),
                heard(page, LineKind.CORRECTION),
                !lesson.every().manner().wordsHidden());
    }

    private static PlayRule ruleOf(PublishedLine line, StagedPage staged) {
        return staged.things().stream()
                .filter(thing -> thing instanceof Thing.Spot spot
                        && spot.lineId().equals(line.line().id()))
                .map(thing -> ((Thing.Spot) thing).rule())
                .findFirst()
                .orElse(staged.rule());
    }

    /** A hint comes when it is asked for, whatever the page says of arrival and of how often. */
    private static List<SaidLine> hints(PublishedPage page, PlayRule ofPage) {
        PlayRule rule =
                new PlayRule(PlayRule.Start.PRESS, ofPage.volumePercent(), null, null, null, null).over(PlayRule.USUAL);
        return page.lines().stream()
                .filter(line -> line.line().kind() == LineKind.HINT && line.isHeard())
                .map(line -> new SaidLine(line, rule))
                .toList();
    }

    private static PublishedLine heard(PublishedPage page, LineKind kind) {
        return page.lines().stream()
                .filter(line -> line.line().kind() == kind && line.isHeard())
                .findFirst()
                .orElse(null);
    }

    /** Spots without a sound aren't shown: a mark that says nothing would be pressed in vain. */
    private static List<OnPage> onPage(StagedPage staged, PublishedPage page, List<PublishedPage> pages) {
        List<OnPage> onPage = new ArrayList<>();
        for (Thing thing : staged.things()) {
            if (thing instanceof Thing.Spot spot) {
                page.lines().stream()
                        .filter(line -> line.line().id().equals(spot.lineId()) && line.isHeard())
                        .findFirst()
                        .ifPresent(line -> onPage.add(new OnPage(spot, new SaidLine(line, spot.rule()), null)));
            } else if (thing instanceof Thing.Jump jump && jump.leadsBack()) {
                // A child who came by no way at all goes to the page before.
                onPage.add(new OnPage(jump, null, Math.max(1, pages.indexOf(page))));
            } else if (thing instanceof Thing.Jump jump) {
                pages.stream()
                        .filter(each -> each.id().equals(jump.pageId()))
                        .findFirst()
                        .ifPresent(each -> onPage.add(new OnPage(jump, null, pages.indexOf(each) + 1)));
            } else {
                onPage.add(new OnPage(thing, null, null));
            }
        }
        return onPage;
    }

    private static boolean hasSomething(PublishedPage page) {
        return page.picture() != null || !met(page).isEmpty();
    }

    private static List<PublishedLine> met(PublishedPage page) {
        return page.lines().stream()
                .filter(line ->
                        line.line().kind().isMetAtOnce() && !line.line().words().isBlank())
                .toList();
    }
}
