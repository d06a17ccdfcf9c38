package prolalia.app.stage;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.core.lesson.LessonLimits;
import prolalia.core.page.EveryPage;
import prolalia.core.page.PageElement;
import prolalia.core.page.PageElement.Surroundings;

/**
 * What may stand on the pages of a lesson.
 *
 * @param lines of the lesson
 * @param pages of the lesson
 * @param pictures that were brought in for it
 */
record StageCheck(Set<String> lines, Set<String> pages, Set<String> pictures) {
    static final int MOST_THINGS = LessonLimits.MOST_THINGS;
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
    List<PageElement> checked(List<PageElement> things, boolean onEvery) {
        if (things == null || things.size() > MOST_THINGS) {
            throw new StageRefusedException(StageRefusal.TOO_MANY);
        }
        Set<String> ids = new HashSet<>();
        Surroundings there = surroundings(onEvery);
        return things.stream()
                .map(thing -> {
                    if (thing == null || thing.area() == null || !isName(thing.id()) || !ids.add(thing.id())) {
                        throw new StageRefusedException(StageRefusal.GONE);
                    }
                    thing.fault(there).ifPresent(fault -> {
                        throw new StageRefusedException(StageRefusal.of(fault));
                    });
                    return thing.at(thing.area().onPage());
                })
                .toList();
    }

    private static boolean isName(String id) {
        return id != null && !id.isEmpty() && id.length() <= LONGEST_ID && !id.startsWith(EveryPage.PREFIX);
    }

    private Surroundings surroundings(boolean onEvery) {
        return new Surroundings() {
            @Override
            public boolean isEveryPage() {
                return onEvery;
            }

            @Override
            public boolean hasLine(String id) {
                return lines.contains(id);
            }

            @Override
            public boolean hasPage(String id) {
                return pages.contains(id);
            }

            @Override
            public boolean hasPicture(String hash) {
                return pictures.contains(hash);
            }
        };
    }

    /** Words as long as those of a link may be. */
    static String fitting(String words) {
        return words.length() <= PageElement.LONGEST_WORDS ? words : words.substring(0, PageElement.LONGEST_WORDS);
    }
}
