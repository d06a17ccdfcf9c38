package prolalia.app.stage;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.stage.StageService.StageRefusedException;
import prolalia.core.lesson.LessonLimits;
import prolalia.core.page.EveryPage;
import prolalia.core.page.Thing;
import prolalia.core.page.Thing.EverySpot;
import prolalia.core.page.Thing.Jump;
import prolalia.core.page.Thing.Link;
import prolalia.core.page.Thing.Picture;
import prolalia.core.page.Thing.Spot;
import prolalia.core.page.Thing.Text;

/**
 * What may stand on the pages of a lesson.
 *
 * @param lines of the lesson
 * @param pages of the lesson
 * @param pictures that were brought in for it
 */
record StageCheck(Set<String> lines, Set<String> pages, Set<String> pictures) {
    static final int MOST_THINGS = LessonLimits.MOST_THINGS;
    private static final int LONGEST_WORDS = 300;
    private static final int LONGEST_TEXT = 2_000;
    private static final int LONGEST_ID = 40;

    static StageCheck of(LessonView lesson, Set<String> pictures) {
        return new StageCheck(
                lesson.script().stream().map(line -> line.line().id()).collect(Collectors.toSet()),
                lesson.pages().stream().map(page -> page.page().id()).collect(Collectors.toSet()),
                pictures);
    }

    /**
     * @param onEvery whether they are to stand on every page
     * @return them, none of it off the page
     * @throws StageRefusedException if one of them can't stand there
     */
    List<Thing> checked(List<Thing> things, boolean onEvery) {
        if (things == null || things.size() > MOST_THINGS) {
            throw new StageRefusedException("TOO_MANY");
        }
        Set<String> ids = new HashSet<>();
        return things.stream()
                .map(thing -> {
                    if (thing == null || thing.area() == null || !isName(thing.id()) || !ids.add(thing.id())) {
                        throw new StageRefusedException("GONE");
                    }
                    if (!mayStand(thing, onEvery)) {
                        throw new StageRefusedException(
                                thing instanceof Link ? "ADDRESS" : thing instanceof Text ? "LONG" : "GONE");
                    }
                    return thing.at(thing.area().onPage());
                })
                .toList();
    }

    private static boolean isName(String id) {
        return id != null && !id.isEmpty() && id.length() <= LONGEST_ID && !id.startsWith(EveryPage.PREFIX);
    }

    private boolean mayStand(Thing thing, boolean onEvery) {
        if (thing instanceof Spot spot) {
            return !onEvery && lines.contains(spot.lineId());
        }
        if (thing instanceof EverySpot spot) {
            return onEvery && spot.lines() != null;
        }
        if (thing instanceof Jump jump) {
            return leads(jump) && jump.words().length() <= LONGEST_WORDS;
        }
        if (thing instanceof Link link) {
            return Link.isAddress(link.address())
                    && link.words() != null
                    && link.words().length() <= LONGEST_WORDS;
        }
        if (thing instanceof Text text) {
            return text.words() != null && text.words().length() <= LONGEST_TEXT && text.size() != null;
        }
        Picture picture = (Picture) thing;
        return pictures.contains(picture.hash()) && picture.shows().length() <= LONGEST_WORDS;
    }

    private boolean leads(Jump jump) {
        return jump.leadsBack() || pages.contains(jump.pageId());
    }

    /** Words as long as those of a link may be. */
    static String fitting(String words) {
        return words.length() <= LONGEST_WORDS ? words : words.substring(0, LONGEST_WORDS);
    }
}
