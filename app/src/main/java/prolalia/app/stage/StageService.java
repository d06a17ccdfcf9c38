package prolalia.app.stage;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.house.Ids;
import prolalia.app.house.NotHereException;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.LessonService.PageView;
import prolalia.app.lesson.ScriptLine;
import prolalia.app.stage.StageStore.StoredStage;
import prolalia.core.page.Area;
import prolalia.core.page.InkMap;
import prolalia.core.page.Paths;
import prolalia.core.page.SpotPlacing;
import prolalia.core.page.Thing;
import prolalia.core.page.Thing.Jump;
import prolalia.core.page.Thing.Link;
import prolalia.core.page.Thing.Spot;

/** What is placed on pages. */
@Service
public class StageService {
    private static final int MOST_THINGS = 300;
    private static final int LONGEST_WORDS = 300;
    private static final double MARGIN = 0.03;
    private static final int LONGEST_ADDRESS = 2_000;

    private final StageStore store;
    private final LessonService lessons;
    private final PageInk ink;
    private final HintStore hints;

    StageService(StageStore store, LessonService lessons, PageInk ink, HintStore hints) {
        this.store = store;
        this.lessons = lessons;
        this.ink = ink;
        this.hints = hints;
    }

    /**
     * A stage as the browser shows it.
     *
     * @param canUndo whether a change can be taken back
     * @param canRedo whether one that was taken back can be made again
     */
    record Stage(List<StoredThing> things, int version, boolean canUndo, boolean canRedo) {}

    /** Thrown when what is to be saved can't be; nothing was changed. */
    static final class StageRefusedException extends RuntimeException {
        StageRefusedException(String key) {
            super(key);
        }
    }

    /** What is placed on the pages of a lesson, by page, as far as its lines and pages are still there. */
    public Map<String, List<Thing>> ofLesson(LessonView lesson) {
        Set<String> lines = lineIds(lesson);
        Set<String> pages = pageIds(lesson);
        return store.ofLesson(lesson.summary().id()).entrySet().stream()
                .collect(Collectors.toMap(Map.Entry::getKey, entry -> standing(entry.getValue(), lines, pages)));
    }

    /** How often students asked for the hints of a page, by line; those that nobody asked for are missing. */
    Map<String, Integer> hintsAsked(PageView page) {
        return hints.times(page.lines().stream().map(line -> line.line().id()).toList());
    }

    /** A student asked for a hint. */
    public void asked(String lineId) {
        hints.asked(lineId);
    }

    /** The ways through a lesson. */
    Paths paths(LessonView lesson) {
        return Paths.of(lesson.pages().size(), jumps(lesson));
    }

    /** The ways that were placed on its pages, counted as they follow each other. */
    private List<Paths.Way> jumps(LessonView lesson) {
        List<String> ids = lesson.pages().stream().map(page -> page.page().id()).toList();
        List<Paths.Way> jumps = new ArrayList<>();
        Map<String, List<Thing>> things = ofLesson(lesson);
        for (int page = 0; page < ids.size(); page++) {
            for (Thing thing : things.getOrDefault(ids.get(page), List.of())) {
                if (thing instanceof Jump jump) {
                    jumps.add(new Paths.Way(page, ids.indexOf(jump.pageId()), jump.way()));
                }
            }
        }
        return jumps;
    }

    /** Places more things on a page, as one change. */
    public void add(String pageId, List<Thing> more) {
        StoredStage stored = store.stage(pageId);
        List<Thing> things = new ArrayList<>(stored.things());
        things.addAll(more);
        store.save(pageId, stored.version() + 1, things);
    }

    Stage stage(LessonView lesson, String pageId) {
        page(lesson, pageId);
        StoredStage stored = store.stage(pageId);
        return new Stage(
                standing(stored.things(), lineIds(lesson), pageIds(lesson)).stream()
                        .map(StoredThing::of)
                        .toList(),
                stored.version(),
                store.has(pageId, stored.version() - 1),
                stored.newest() > stored.version());
    }

    /**
     * Saves a page as it stands now.
     *
     * @param version that the change was made on
     * @throws StageRefusedException if it was changed elsewhere meanwhile, or holds what can't be there
     */
    @Transactional
    Stage save(String teacherId, String lessonId, String pageId, int version, List<StoredThing> things) {
        LessonView lesson = lessons.lesson(teacherId, lessonId);
        page(lesson, pageId);
        if (store.stage(pageId).version() != version) {
            throw new StageRefusedException("ELSEWHERE");
        }
        store.save(pageId, version + 1, checked(things, lineIds(lesson), pageIds(lesson)));
        return stage(lesson, pageId);
    }

    /** Takes the last change back, or with {@code by} 1 makes it again. */
    @Transactional
    Stage step(String teacherId, String lessonId, String pageId, int by) {
        LessonView lesson = lessons.lesson(teacherId, lessonId);
        page(lesson, pageId);
        int to = store.stage(pageId).version() + by;
        if (store.has(pageId, to)) {
            store.hold(pageId, to);
        }
        return stage(lesson, pageId);
    }

    /** Places a spot for each of these lines that has none, where there is room: below that of the line before it. */
    @Transactional
    Stage place(String teacherId, String lessonId, String pageId, List<String> lineIds) {
        LessonView lesson = lessons.lesson(teacherId, lessonId);
        PageView page = page(lesson, pageId);
        StoredStage stored = store.stage(pageId);
        List<Thing> things = new ArrayList<>(standing(stored.things(), lineIds(lesson), pageIds(lesson)));
        InkMap inkOfPage = ink.of(page.page().pictureHash());
        double aspect = page.page().aspect();
        Area near = new Area(SpotPlacing.SIDE, MARGIN, SpotPlacing.SIDE, SpotPlacing.SIDE * aspect);
        for (ScriptLine line : page.lines()) {
            Spot there = spotOf(things, line.line().id());
            if (there == null && lineIds.contains(line.line().id()) && things.size() < MOST_THINGS) {
                List<Area> taken = things.stream().map(Thing::area).toList();
                Area area = SpotPlacing.beside(near, inkOfPage, taken, aspect).area();
                there = new Spot(Ids.newId().substring(0, 8), area, line.line().id(), true);
                things.add(there);
            }
            if (there != null) {
                near = there.area().movedBy(0, there.area().h() * 1.2).onPage();
            }
        }
        if (things.size() > stored.things().size()) {
            store.save(pageId, stored.version() + 1, things);
        }
        return stage(lesson, pageId);
    }

    private static Spot spotOf(List<Thing> things, String lineId) {
        return things.stream()
                .filter(thing -> thing instanceof Spot spot && spot.lineId().equals(lineId))
                .map(Spot.class::cast)
                .findFirst()
                .orElse(null);
    }

    private static List<Thing> checked(List<StoredThing> things, Set<String> lines, Set<String> pages) {
        if (things.size() > MOST_THINGS) {
            throw new StageRefusedException("TOO_MANY");
        }
        Set<String> ids = new HashSet<>();
        return things.stream()
                .map(stored -> {
                    Thing thing = thing(stored);
                    boolean known = thing instanceof Spot spot && lines.contains(spot.lineId())
                            || thing instanceof Jump jump && pages.contains(jump.pageId())
                            || thing instanceof Link link && isGood(link);
                    if (!known || !ids.add(thing.id())) {
                        throw new StageRefusedException(thing instanceof Link ? "ADDRESS" : "GONE");
                    }
                    return thing.at(thing.area().onPage());
                })
                .toList();
    }

    private static boolean isGood(Link link) {
        return isAddress(link.address()) && link.words().length() <= LONGEST_WORDS;
    }

    /** Whether a link may lead there. */
    public static boolean isAddress(String address) {
        return address.matches("(?i)https?://\\S+") && address.length() <= LONGEST_ADDRESS;
    }

    /** Words as long as those of a link may be. */
    public static String fitting(String words) {
        return words.length() <= LONGEST_WORDS ? words : words.substring(0, LONGEST_WORDS);
    }

    private static Thing thing(StoredThing stored) {
        try {
            return stored.thing();
        } catch (IllegalArgumentException missing) {
            throw new StageRefusedException("GONE");
        }
    }

    private static List<Thing> standing(List<Thing> things, Set<String> lines, Set<String> pages) {
        return things.stream()
                .filter(thing -> !(thing instanceof Spot spot) || lines.contains(spot.lineId()))
                .filter(thing -> !(thing instanceof Jump jump) || pages.contains(jump.pageId()))
                .toList();
    }

    private static Set<String> lineIds(LessonView lesson) {
        return lesson.script().stream().map(line -> line.line().id()).collect(Collectors.toSet());
    }

    private static Set<String> pageIds(LessonView lesson) {
        return lesson.pages().stream().map(page -> page.page().id()).collect(Collectors.toSet());
    }

    static PageView page(LessonView lesson, String pageId) {
        return lesson.pages().stream()
                .filter(page -> page.page().id().equals(pageId))
                .findFirst()
                .orElseThrow(() -> new NotHereException("page"));
    }
}
