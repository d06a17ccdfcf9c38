package prolalia.app.stage;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.lesson.LessonAccess;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.LessonService.PageView;
import prolalia.app.lesson.Right;
import prolalia.app.lesson.ScriptLine;
import prolalia.app.platform.Ids;
import prolalia.app.platform.NotFoundException;
import prolalia.app.stage.StageStore.StoredStage;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.Prompt;
import prolalia.core.page.Area;
import prolalia.core.page.EveryPage;
import prolalia.core.page.EveryPage.Here;
import prolalia.core.page.PageElement;
import prolalia.core.page.PageElement.Jump;
import prolalia.core.page.PageElement.Spot;
import prolalia.core.page.PageNumbers;
import prolalia.core.page.PageSettings;
import prolalia.core.page.Paths;
import prolalia.core.page.Placed;
import prolalia.core.page.PlayRule;
import prolalia.core.page.SpotPlacing;
import prolalia.core.published.PublishedLesson;
import prolalia.core.published.PublishedLesson.PublishedPage;
import prolalia.core.published.StagedPage;

/** What is placed on pages, and on every page of a lesson. */
@Service
public class StageService {
    /** A picture that comes in is this wide or high, by the page. */
    private static final double PICTURE_SHARE = 0.35;

    private final StageStore store;
    private final LessonService lessons;
    private final LessonAccess access;
    private final PageInk ink;
    private final HintStore hints;

    StageService(StageStore store, LessonService lessons, LessonAccess access, PageInk ink, HintStore hints) {
        this.store = store;
        this.lessons = lessons;
        this.access = access;
        this.ink = ink;
        this.hints = hints;
    }

    /**
     * A stage as the browser shows it.
     *
     * @param every the set of every page as it stands on this one; none on the stage of the set itself
     * @param farther what holds of a spot here that says nothing itself
     * @param fartherOfPage what holds where the page itself says nothing
     * @param canUndo whether a change can be taken back
     * @param canRedo whether one that was taken back can be made again
     */
    public record Stage(
            List<PageElement> things,
            List<Here> every,
            PageSettings manner,
            Farther farther,
            Farther fartherOfPage,
            int version,
            boolean canUndo,
            boolean canRedo) {}

    /** A rule that holds, and where each part of it comes from. */
    public record Farther(PlayRule rule, Map<PlayRule.Part, PlayRule.Level> levels) {
        static Farther of(PlayRule ofPage, PlayRule ofLesson) {
            return new Farther(ofPage.over(ofLesson).over(PlayRule.USUAL), PlayRule.levels(null, ofPage, ofLesson));
        }
    }

    /** Thrown when what is to be saved can't be; nothing was changed. */
    public static final class StageRefusedException extends RuntimeException {
        private final StageRefusal why;
        private final int detail;

        public StageRefusedException(StageRefusal why) {
            this(why, 0);
        }

        StageRefusedException(StageRefusal why, int detail) {
            super(why.name());
            this.why = why;
            this.detail = detail;
        }

        public StageRefusal why() {
            return why;
        }

        public int detail() {
            return detail;
        }
    }

    /** A lesson with what is placed on its pages, as it is given to students, but for the teacher's own prompts. */
    PublishedLesson given(LessonView lesson) {
        return given(lesson, Map.of());
    }

    /** @param prompts the sounds that take the place of those that ship */
    public PublishedLesson given(LessonView lesson, Map<Prompt, String> prompts) {
        Map<String, Placed> placed = store.ofLesson(lesson.summary().id());
        List<PublishedPage> pages = lesson.pages().stream()
                .map(page -> new PublishedPage(
                        page.page().id(),
                        page.page().picture(),
                        page.lines().stream().map(ScriptLine::given).toList(),
                        placed.getOrDefault(page.page().id(), Placed.NOTHING)))
                .toList();
        return new PublishedLesson(
                lesson.summary().title(),
                lessons.settings(lesson.summary().id()),
                pages,
                placed.getOrDefault(lesson.summary().id(), Placed.NOTHING),
                prompts);
    }

    private StageCheck check(LessonView lesson) {
        return StageCheck.of(lesson, store.pictures(lesson.summary().id()).keySet());
    }

    private static List<Line> plain(PageView page) {
        return page.lines().stream().map(ScriptLine::line).toList();
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
        List<String> ids = lesson.pages().stream().map(page -> page.page().id()).toList();
        List<Paths.Way> jumps = new ArrayList<>();
        Map<String, StagedPage> pages = StagedPage.of(given(lesson));
        for (int page = 0; page < ids.size(); page++) {
            for (PageElement thing : pages.get(ids.get(page)).things()) {
                if (thing instanceof Jump jump) {
                    int to = jump.leadsBack() ? Paths.BACK : ids.indexOf(jump.pageId());
                    jumps.add(new Paths.Way(page, to, jump.way()));
                }
            }
        }
        return Paths.of(ids.size(), jumps);
    }

    /** Places more things on a page, as one change. */
    public void add(String ownerId, List<PageElement> more) {
        StoredStage stored = store.stage(ownerId);
        List<PageElement> things = new ArrayList<>(stored.placed().things());
        things.addAll(more);
        store.save(
                ownerId,
                stored.version() + 1,
                new Placed(things, stored.placed().manner()));
    }

    /** All that is placed on an empty stage, as it comes in with a lesson. */
    public void bringIn(String ownerId, Placed placed) {
        store.save(ownerId, 1, placed);
    }

    /** From now on pictures may be placed on the pages of a lesson. @param types by their names */
    public void bringInPictures(String lessonId, Map<String, String> types) {
        types.forEach((hash, type) -> store.addPicture(lessonId, hash, type));
    }

    /** The media types of the pictures that may be placed on the pages of a lesson, by their names. */
    public Map<String, String> pictures(String lessonId) {
        return store.pictures(lessonId);
    }

    /** What is said of a page, or a lesson, from now on. */
    public void say(String ownerId, PageSettings manner) {
        StoredStage stored = store.stage(ownerId);
        store.save(ownerId, stored.version() + 1, new Placed(stored.placed().things(), manner));
    }

    /** @param ownerId a page of the lesson, or the lesson itself: then what stands on every page */
    Stage stage(LessonView lesson, String ownerId) {
        Optional<PageView> page = owner(lesson, ownerId);
        StoredStage stored = store.stage(ownerId);
        PageSettings manner = stored.placed().manner();
        PlayRule ofPage = page.isEmpty() ? PlayRule.SILENT : manner.rule();
        Placed ofLesson = page.isEmpty()
                ? stored.placed()
                : store.stage(lesson.summary().id()).placed();
        PlayRule lessonRule = ofLesson.manner().rule();
        List<Here> every = page.map(there -> new EveryPage(ofLesson.things()).on(plain(there), manner.otherwise()))
                .orElse(List.of());
        return new Stage(
                given(lesson).withoutDangling(stored.placed().things()),
                every,
                manner,
                Farther.of(ofPage, lessonRule),
                Farther.of(PlayRule.SILENT, page.isEmpty() ? PlayRule.SILENT : lessonRule),
                stored.version(),
                store.has(ownerId, stored.version() - 1),
                stored.newest() > stored.version());
    }

    /**
     * Saves a stage as it stands now.
     *
     * @param version that the change was made on
     * @throws StageRefusedException if it was changed elsewhere meanwhile, or holds what can't be there
     */
    @Transactional
    Stage save(Teacher teacher, String lessonId, String ownerId, int version, Placed placed) {
        LessonView lesson = toEdit(teacher, lessonId);
        boolean onEvery = owner(lesson, ownerId).isEmpty();
        if (store.stage(ownerId).version() != version) {
            throw new StageRefusedException(StageRefusal.ELSEWHERE);
        }
        PageSettings manner = placed.manner() == null ? PageSettings.USUAL : placed.manner();
        if (manner.otherwise().size() > StageCheck.MOST_THINGS) {
            throw new StageRefusedException(StageRefusal.TOO_MANY);
        }
        store.save(ownerId, version + 1, new Placed(check(lesson).checked(placed.things(), onEvery), manner));
        return stage(lesson, ownerId);
    }

    /** Takes the last change back, or with {@code by} 1 makes it again. */
    @Transactional
    Stage step(Teacher teacher, String lessonId, String ownerId, int by) {
        LessonView lesson = toEdit(teacher, lessonId);
        owner(lesson, ownerId);
        int to = store.stage(ownerId).version() + by;
        if (store.has(ownerId, to)) {
            store.hold(ownerId, to);
        }
        return stage(lesson, ownerId);
    }

    /** Places a spot for each of these lines that has none, where there is room: below that of the line before it. */
    @Transactional
    Stage place(Teacher teacher, String lessonId, String pageId, List<String> lineIds) {
        LessonView lesson = toEdit(teacher, lessonId);
        PageView page = page(lesson, pageId);
        StoredStage stored = store.stage(pageId);
        List<PageElement> things =
                new ArrayList<>(given(lesson).withoutDangling(stored.placed().things()));
        List<Optional<Area>> marks = new ArrayList<>();
        List<String> wanted = new ArrayList<>();
        for (ScriptLine line : page.lines()) {
            String id = line.line().id();
            Optional<Area> mark = spotOf(things, id);
            if (mark.isPresent()) {
                marks.add(mark);
            } else if (lineIds.contains(id) && things.size() + wanted.size() < StageCheck.MOST_THINGS) {
                marks.add(Optional.empty());
                wanted.add(id);
            }
        }
        List<Area> taken = things.stream().map(PageElement::area).toList();
        List<Area> places = SpotPlacing.downThePage(
                marks, ink.of(page.page().pictureHash()), taken, page.page().aspect());
        for (int i = 0; i < wanted.size(); i++) {
            things.add(new Spot(Ids.newId().substring(0, 8), places.get(i), wanted.get(i), true));
        }
        if (!wanted.isEmpty()) {
            store.save(
                    pageId,
                    stored.version() + 1,
                    new Placed(things, stored.placed().manner()));
        }
        return stage(lesson, pageId);
    }

    private static Optional<Area> spotOf(List<PageElement> things, String lineId) {
        return things.stream()
                .filter(thing -> thing instanceof Spot spot && spot.lineId().equals(lineId))
                .map(PageElement::area)
                .findFirst();
    }

    /** How many things were placed, on all pages together, and how many had no line that they could say. */
    record Copied(int placed, int leftOut) {}

    /**
     * Copies things of a page to other pages; a spot goes where there is a line that stands as its own does.
     *
     * @param pages as a teacher writes them
     */
    @Transactional
    Copied copy(Teacher teacher, String lessonId, String pageId, List<String> thingIds, String pages) {
        LessonView lesson = toEdit(teacher, lessonId);
        PageView from = page(lesson, pageId);
        List<Integer> numbers = PageNumbers.read(pages, lesson.pages().size())
                .orElseThrow(() -> new StageRefusedException(
                        StageRefusal.PAGES, lesson.pages().size()));
        List<PageElement> chosen = store.stage(pageId).placed().things().stream()
                .filter(thing -> thingIds.contains(thing.id()))
                .toList();
        int placed = 0;
        int leftOut = 0;
        for (int number : numbers) {
            PageView to = lesson.pages().get(number - 1);
            if (to.equals(from)) {
                continue;
            }
            List<PageElement> copies = EveryPage.copied(chosen, plain(from), plain(to)).stream()
                    .map(thing -> thing.named(Ids.newId().substring(0, 8)))
                    .toList();
            if (store.stage(to.page().id()).placed().things().size() + copies.size() > StageCheck.MOST_THINGS) {
                throw new StageRefusedException(StageRefusal.TOO_MANY);
            }
            if (!copies.isEmpty()) {
                add(to.page().id(), copies);
            }
            placed += copies.size();
            leftOut += chosen.size() - copies.size();
        }
        return new Copied(placed, leftOut);
    }

    /** The lesson whose stage it is, if it is this teacher's. */
    public void needsOwner(Teacher teacher, String lessonId, String ownerId) {
        owner(toEdit(teacher, lessonId), ownerId);
    }

    /**
     * Places a picture that was brought in, in the middle.
     *
     * @param aspect its width by its height
     */
    @Transactional
    public Stage addPicture(Teacher teacher, String lessonId, String ownerId, String hash, String type, double aspect) {
        LessonView lesson = toEdit(teacher, lessonId);
        double pageAspect = owner(lesson, ownerId)
                .map(page -> page.page().aspect())
                .or(() -> lesson.pages().stream()
                        .map(each -> each.page().aspect())
                        .findFirst())
                .orElse(aspect);
        if (store.stage(ownerId).placed().things().size() >= StageCheck.MOST_THINGS) {
            throw new StageRefusedException(StageRefusal.TOO_MANY);
        }
        store.addPicture(lessonId, hash, type);
        Area area = Area.fitted(aspect, pageAspect, PICTURE_SHARE);
        add(ownerId, List.of(new PageElement.Picture(Ids.newId().substring(0, 8), area, hash, "")));
        return stage(lesson, ownerId);
    }

    /** The media type of a picture that was brought in to be placed on pages of a lesson. */
    public MediaType pictureType(String lessonId, String hash) {
        return Optional.ofNullable(store.pictures(lessonId).get(hash))
                .map(MediaType::valueOf)
                .orElseThrow(() -> new NotFoundException("picture"));
    }

    /** Words as long as those of a link may be. */
    public static String fitting(String words) {
        return StageCheck.fitting(words);
    }

    private LessonView toEdit(Teacher teacher, String lessonId) {
        access.require(teacher, lessonId, Right.EDIT);
        return lessons.lesson(teacher, lessonId);
    }

    /** The page that owns a stage; empty when it is the lesson itself. */
    private static Optional<PageView> owner(LessonView lesson, String ownerId) {
        return lesson.summary().id().equals(ownerId) ? Optional.empty() : Optional.of(page(lesson, ownerId));
    }

    static PageView page(LessonView lesson, String pageId) {
        return lesson.pages().stream()
                .filter(page -> page.page().id().equals(pageId))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("page"));
    }
}
