package prolalia.core.published;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import prolalia.core.lesson.LineKind;
import prolalia.core.marking.QuestionKind;
import prolalia.core.marking.QuestionWithLines;
import prolalia.core.page.Jump;
import prolalia.core.page.PageElement;
import prolalia.core.page.PlayRule;
import prolalia.core.place.Area;
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

    /** All pages that are shown, to be heard: at least one, that says that there is nothing yet. */
    public static List<StudentPage> of(PublishedLesson lesson) {
        return of(lesson, false);
    }

    /** The same, with the questions that are answered as such. */
    public static List<StudentPage> toAnswer(PublishedLesson lesson) {
        return of(lesson, true);
    }

    private static List<StudentPage> of(PublishedLesson lesson, boolean answered) {
        List<PublishedPage> pages = shown(lesson);
        if (pages.isEmpty()) {
            return List.of(new StudentPage(
                    lesson.title(),
                    null,
                    List.of(),
                    List.of(),
                    1,
                    1,
                    false,
                    false,
                    List.of(),
                    null,
                    null,
                    lesson.settings(),
                    List.of()));
        }
        Map<String, StagedPage> staged = StagedPage.of(lesson);
        List<StudentPage> met = new ArrayList<>();
        for (PublishedPage page : pages) {
            met.add(page(lesson, pages, met.size() + 1, staged.get(page.id()), answered));
        }
        return met;
    }

    private static StudentPage page(
            PublishedLesson lesson, List<PublishedPage> pages, int number, StagedPage staged, boolean answered) {
        PublishedPage page = pages.get(number - 1);
        List<OnPage> onPage = onPage(staged, page, pages);
        // On a picture the words of a spot are seen; on an empty page, and where all are silent, they stand beside it.
        Set<String> placed = new HashSet<>();
        boolean sounds = onPage.stream().anyMatch(thing -> thing.said() != null);
        if (page.picture() != null && sounds) {
            staged.things().stream()
                    .filter(PageElement.Spot.class::isInstance)
                    .forEach(thing -> placed.add(((PageElement.Spot) thing).lineId()));
        } else if (page.picture() == null && onPage.stream().allMatch(thing -> thing.said() != null)) {
            onPage = List.of();
        }
        List<QuestionWithLines> questions = answered ? page.questions() : List.of();
        List<AskedOnPage> asked = questions.stream()
                .map(question -> asked(lesson, page, question, staged, placed))
                .toList();
        Set<String> parts = new HashSet<>();
        questions.forEach(question -> question.lines().forEach(line -> parts.add(line.id())));
        asked.forEach(question -> {
            parts.remove(question.id());
            if (!question.onPicture()) {
                placed.remove(question.id());
            }
        });
        List<SaidLine> beside = met(page).stream()
                .filter(line -> !placed.contains(line.line().id())
                        && !parts.contains(line.line().id()))
                .map(line -> new SaidLine(line, ruleOf(line, staged)))
                .toList();
        return new StudentPage(
                lesson.title(),
                page,
                beside,
                onPage,
                number,
                pages.size(),
                number < pages.size() && onPage.stream().noneMatch(OnPage::takesArrow),
                staged.example(),
                hints(page, staged.rule(), parts),
                heard(page, LineKind.PRAISE, parts),
                heard(page, LineKind.CORRECTION, parts),
                lesson.settings(),
                asked);
    }

    private static AskedOnPage asked(
            PublishedLesson lesson,
            PublishedPage page,
            QuestionWithLines question,
            StagedPage staged,
            Set<String> placed) {
        PlayRule pressed = whenAskedFor(staged.rule());
        Map<String, PublishedLine> lines = page.lines().stream()
                .collect(Collectors.toMap(line -> line.line().id(), line -> line, (one, other) -> one));
        List<SaidLine> choices = question.choices().stream()
                .map(choice -> new SaidLine(lines.get(choice.id()), pressed))
                .toList();
        List<SaidLine> hints = question.hints().stream()
                .map(hint -> lines.get(hint.id()))
                .filter(PublishedLine::isHeard)
                .map(hint -> new SaidLine(hint, pressed))
                .toList();
        boolean choicesPlaced = !choices.isEmpty() && choices.stream().allMatch(choice -> placed.contains(choice.id()));
        boolean onPicture = page.picture() != null
                && QuestionKind.of(question.question()).isOnPicture(question.question(), choicesPlaced);
        int seconds = lesson.settings().answering().longestSeconds();
        Map<String, Area> places = new HashMap<>();
        staged.things().forEach(thing -> {
            if (onPicture && thing instanceof PageElement.Spot spot && question.isAskedWith(spot.lineId())) {
                places.putIfAbsent(spot.lineId(), spot.press() == null ? spot.area() : spot.press());
            }
        });
        return AskedOnPage.of(question, choices, hints, onPicture, seconds, places);
    }

    private static PlayRule ruleOf(PublishedLine line, StagedPage staged) {
        return staged.things().stream()
                .filter(thing -> thing instanceof PageElement.Spot spot
                        && spot.lineId().equals(line.line().id()))
                .map(thing -> ((PageElement.Spot) thing).rule())
                .findFirst()
                .orElse(staged.rule());
    }

    /** A hint comes when it is asked for, whatever the page says of arrival and of how often. */
    private static List<SaidLine> hints(PublishedPage page, PlayRule ofPage, Set<String> ofQuestions) {
        PlayRule rule = whenAskedFor(ofPage);
        return page.lines().stream()
                .filter(line -> line.line().kind() == LineKind.HINT && line.isHeard())
                .filter(line -> !ofQuestions.contains(line.line().id()))
                .map(line -> new SaidLine(line, rule))
                .toList();
    }

    private static PlayRule whenAskedFor(PlayRule ofPage) {
        return new PlayRule(PlayRule.Start.PRESS, ofPage.volumePercent(), null, null, null, null).over(PlayRule.USUAL);
    }

    private static PublishedLine heard(PublishedPage page, LineKind kind, Set<String> ofQuestions) {
        return page.lines().stream()
                .filter(line -> line.line().kind() == kind && line.isHeard())
                .filter(line -> !ofQuestions.contains(line.line().id()))
                .findFirst()
                .orElse(null);
    }

    /** Spots without a sound aren't shown: a mark that says nothing would be pressed in vain. */
    private static List<OnPage> onPage(StagedPage staged, PublishedPage page, List<PublishedPage> pages) {
        Set<String> leading = new HashSet<>();
        staged.things().forEach(thing -> {
            if (thing instanceof Jump jump && jump.choiceId() != null) {
                leading.add(jump.choiceId());
            }
        });
        Placing placing = new Placing(page, pages, leading);
        return staged.things().stream()
                .flatMap(thing -> thing.match(placing).stream())
                .toList();
    }

    /** How each kind of thing is met on a page; empty: not at all. @param leading choices whose words lead on when they are pressed */
    private record Placing(PublishedPage page, List<PublishedPage> pages, Set<String> leading)
            implements PageElement.Cases<Optional<OnPage>> {
        @Override
        public Optional<OnPage> spot(PageElement.Spot spot) {
            return page.lines().stream()
                    .filter(line -> line.line().id().equals(spot.lineId()) && line.isHeard())
                    .findFirst()
                    .map(line -> new OnPage(
                            leading.contains(spot.lineId()) ? spot.offWords() : spot,
                            new SaidLine(line, spot.rule()),
                            null));
        }

        /** What stands on every page is a spot of this one by now, if it has a line for it. */
        @Override
        public Optional<OnPage> everySpot(PageElement.EverySpot spot) {
            return Optional.empty();
        }

        @Override
        public Optional<OnPage> jump(Jump jump) {
            if (jump.leadsBack()) {
                // A child who came by no way at all goes to the page before.
                return Optional.of(new OnPage(jump, null, Math.max(1, pages.indexOf(page))));
            }
            return pages.stream()
                    .filter(each -> each.id().equals(jump.pageId()))
                    .findFirst()
                    .map(each -> new OnPage(jump, null, pages.indexOf(each) + 1));
        }

        @Override
        public Optional<OnPage> link(PageElement.Link link) {
            return asItIs(link);
        }

        @Override
        public Optional<OnPage> text(PageElement.Text text) {
            return asItIs(text);
        }

        @Override
        public Optional<OnPage> picture(PageElement.Picture picture) {
            return asItIs(picture);
        }

        /** Its question is answered there; it is none of the things that are met. */
        @Override
        public Optional<OnPage> answerArea(PageElement.AnswerArea area) {
            return Optional.empty();
        }

        private static Optional<OnPage> asItIs(PageElement thing) {
            return Optional.of(new OnPage(thing, null, null));
        }
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
