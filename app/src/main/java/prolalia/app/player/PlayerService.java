package prolalia.app.player;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.giving.LinkService;
import prolalia.app.house.NotHereException;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.LessonService.PageView;
import prolalia.app.lesson.LessonStore;
import prolalia.app.lesson.ScriptLine;
import prolalia.app.sound.TakeStore;
import prolalia.app.stage.StageService;
import prolalia.core.lesson.LineKind;
import prolalia.core.page.Area;
import prolalia.core.page.Paths;
import prolalia.core.page.Thing;

@Service
class PlayerService {
    private final LinkService links;
    private final LessonStore lessonStore;
    private final LessonService lessons;
    private final TakeStore takes;
    private final StageService stages;

    PlayerService(
            LinkService links, LessonStore lessonStore, LessonService lessons, TakeStore takes, StageService stages) {
        this.stages = stages;
        this.links = links;
        this.lessonStore = lessonStore;
        this.lessons = lessons;
        this.takes = takes;
    }

    /** The teacher took the link back. */
    static final class WithdrawnException extends RuntimeException {}

    /**
     * One page as a student meets it.
     *
     * @param lines that are met at once and have words
     * @param onPage what is placed on its picture
     * @param number of the page, from 1
     * @param count of all pages
     * @param hints in the order in which they are given when the child asks
     * @param goesOn whether there is an arrow to the next page
     */
    record StudentPage(
            String title,
            PageView page,
            List<ScriptLine> lines,
            List<OnPage> onPage,
            int number,
            int count,
            boolean goesOn,
            List<ScriptLine> hints) {
        /** The lines that sound on the picture; a small screen has no room for their marks there. */
        public List<ScriptLine> placedLines() {
            return onPage.stream().map(OnPage::line).filter(Objects::nonNull).toList();
        }

        /** Those on the picture first, in the order in which they are read. */
        public List<ScriptLine> allLines() {
            return Stream.concat(placedLines().stream(), lines.stream()).toList();
        }

        /** The line that the big mark plays at first: the first one with a sound. */
        public Optional<ScriptLine> first() {
            return allLines().stream().filter(line -> line.soundHash() != null).findFirst();
        }
    }

    /**
     * Something that is placed on a page.
     *
     * @param line that a spot sounds, null for what is no spot
     * @param toNumber the page that a jump leads to, null for what is no jump
     * @param way what a jump is for, null for what is no jump
     * @param link null for what is none
     */
    record OnPage(Area area, boolean mark, ScriptLine line, Integer toNumber, Paths.Kind way, Thing.Link link) {
        /** Whether it is a right or a wrong way: then the child chooses, and there is no arrow. */
        boolean isChosen() {
            return way == Paths.Kind.RIGHT || way == Paths.Kind.WRONG;
        }
    }

    LessonView lesson(String token) {
        LinkService.Target target = links.follow(token).orElseThrow(() -> new NotHereException("link"));
        if (target.withdrawn()) {
            throw new WithdrawnException();
        }
        return lessons.view(
                lessonStore.lesson(target.lessonId()).orElseThrow(() -> new NotHereException("removed lesson")));
    }

    StudentPage page(String token, int number) {
        LessonView lesson = lesson(token);
        List<PageView> pages =
                lesson.pages().stream().filter(PlayerService::hasSomething).toList();
        if (pages.isEmpty() && number == 1) {
            return new StudentPage(lesson.summary().title(), null, List.of(), List.of(), 1, 1, false, List.of());
        }
        if (number < 1 || number > pages.size()) {
            throw new NotHereException("page");
        }
        PageView page = pages.get(number - 1);
        // Things stand on a picture; without one a page is its lines and its arrow.
        List<Thing> things = page.page().pictureHash() == null
                ? List.of()
                : stages.ofLesson(lesson).getOrDefault(page.page().id(), List.of());
        List<OnPage> onPage = onPage(things, page, pages);
        Set<String> placed = onPage.isEmpty() ? Set.of() : spots(things);
        List<ScriptLine> beside = met(page).stream()
                .filter(line -> !placed.contains(line.line().id()))
                .toList();
        return new StudentPage(
                lesson.summary().title(),
                page,
                beside,
                onPage,
                number,
                pages.size(),
                number < pages.size() && onPage.stream().noneMatch(OnPage::isChosen),
                hints(page));
    }

    private static List<ScriptLine> hints(PageView page) {
        return page.lines().stream()
                .filter(line -> line.line().kind() == LineKind.HINT && line.soundHash() != null)
                .toList();
    }

    /** A child asked for a hint of a lesson. */
    @Transactional
    public void asked(String token, String lineId) {
        lesson(token).script().stream()
                .filter(line -> line.line().id().equals(lineId) && line.line().kind() == LineKind.HINT)
                .findFirst()
                .ifPresent(line -> stages.asked(lineId));
    }

    /** The lines that have their words, and their spot, on the picture. */
    private static Set<String> spots(List<Thing> things) {
        return things.stream()
                .filter(Thing.Spot.class::isInstance)
                .map(thing -> ((Thing.Spot) thing).lineId())
                .collect(Collectors.toSet());
    }

    /** Spots without a sound aren't shown: a mark that says nothing would be pressed in vain. */
    private static List<OnPage> onPage(List<Thing> things, PageView page, List<PageView> pages) {
        List<OnPage> onPage = new ArrayList<>();
        for (Thing thing : things) {
            if (thing instanceof Thing.Spot spot) {
                page.lines().stream()
                        .filter(line -> line.line().id().equals(spot.lineId()) && line.soundHash() != null)
                        .findFirst()
                        .ifPresent(line -> onPage.add(new OnPage(spot.area(), spot.mark(), line, null, null, null)));
            } else if (thing instanceof Thing.Link link) {
                onPage.add(new OnPage(link.area(), false, null, null, null, link));
            } else if (thing instanceof Thing.Jump jump) {
                pages.stream()
                        .filter(each -> each.page().id().equals(jump.pageId()))
                        .findFirst()
                        .ifPresent(each -> onPage.add(
                                new OnPage(jump.area(), false, null, pages.indexOf(each) + 1, jump.way(), null)));
            }
        }
        return onPage;
    }

    /** The name of a sound that may be heard by this link. */
    String sound(String token, String hash) {
        if (!takes.isHeardIn(lesson(token).summary().id(), hash)) {
            throw new NotHereException("sound");
        }
        return hash;
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
