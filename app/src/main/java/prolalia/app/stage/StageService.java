package prolalia.app.stage;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Service;
import prolalia.app.access.LessonRef;
import prolalia.app.history.LessonHistory;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.LessonService.PageView;
import prolalia.app.lines.ScriptLine;
import prolalia.app.platform.NotFoundException;
import prolalia.app.stage.StageStore.StoredStage;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.Prompt;
import prolalia.core.page.EveryPage;
import prolalia.core.page.EveryPage.Here;
import prolalia.core.page.Jump;
import prolalia.core.page.PageElement;
import prolalia.core.page.PageSettings;
import prolalia.core.page.Paths;
import prolalia.core.page.Placed;
import prolalia.core.page.PlayRule;
import prolalia.core.published.PublishedLesson;
import prolalia.core.published.PublishedLesson.PublishedPage;
import prolalia.core.published.StagedPage;

/** What is placed on pages, and on every page of a lesson. */
@Service
public class StageService {
    private final StageStore store;
    private final LessonService lessons;
    private final HintStore hints;
    private final LessonHistory history;

    StageService(StageStore store, LessonService lessons, HintStore hints, LessonHistory history) {
        this.store = store;
        this.lessons = lessons;
        this.hints = hints;
        this.history = history;
    }

    /**
     * A stage as the browser shows it.
     *
     * @param every the set of every page as it stands on this one; none on the stage of the set itself
     * @param farther what holds of a spot here that says nothing itself
     * @param fartherOfPage what holds where the page itself says nothing
     * @param canUndo whether a change of the lesson can be taken back
     * @param canRedo whether one that was taken back can be made again
     */
    public record Stage(
            List<PageElement> things,
            List<Here> every,
            PageSettings manner,
            InheritedRule farther,
            InheritedRule fartherOfPage,
            int version,
            boolean canUndo,
            boolean canRedo) {}

    /** A rule that holds, and where each part of it comes from. */
    public record InheritedRule(PlayRule rule, Map<PlayRule.Part, PlayRule.Level> levels) {
        static InheritedRule of(PlayRule ofPage, PlayRule ofLesson) {
            return new InheritedRule(
                    ofPage.over(ofLesson).over(PlayRule.USUAL), PlayRule.levels(null, ofPage, ofLesson));
        }
    }

    /** A lesson with what is placed on its pages, as it is given to students, but for the teacher's own prompts. */
    PublishedLesson given(LessonView lesson) {
        return given(lesson, Map.of());
    }

    /** @param prompts the sounds that take the place of those that ship */
    public PublishedLesson given(LessonView lesson, Map<Prompt, String> prompts) {
        Map<String, Placed> placed = store.ofLesson(lesson.ref());
        List<PublishedPage> pages = lesson.pages().stream()
                .map(page -> new PublishedPage(
                        page.page().id(),
                        page.page().picture(),
                        page.lines().stream().map(ScriptLine::given).toList(),
                        placed.getOrDefault(page.page().id(), Placed.NOTHING),
                        page.page().title()))
                .toList();
        return new PublishedLesson(
                lesson.summary().title(),
                lessons.settings(lesson.ref()),
                pages,
                placed.getOrDefault(lesson.summary().id(), Placed.NOTHING),
                prompts);
    }

    static List<Line> plain(PageView page) {
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
                    jumps.add(jump.way(page, to));
                }
            }
        }
        return Paths.of(ids.size(), jumps);
    }

    /** What is placed on a page. */
    public List<PageElement> things(String pageId) {
        return store.stage(pageId).placed().things();
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
    public void bringInPictures(LessonRef lesson, Map<String, String> types) {
        types.forEach((hash, type) -> store.addPicture(lesson, hash, type));
    }

    /** The media types of the pictures that may be placed on the pages of a lesson, by their names. */
    public Map<String, String> pictures(LessonRef lesson) {
        return store.pictures(lesson);
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
                given(lesson).asItStands(stored.placed().things()),
                every,
                manner,
                InheritedRule.of(ofPage, lessonRule),
                InheritedRule.of(PlayRule.SILENT, page.isEmpty() ? PlayRule.SILENT : lessonRule),
                stored.version(),
                history.canUndo(lesson.ref()),
                history.canRedo(lesson.ref()));
    }

    /** The media type of a picture that was brought in to be placed on pages of a lesson. */
    public MediaType pictureType(LessonRef lesson, String hash) {
        return Optional.ofNullable(store.pictures(lesson).get(hash))
                .map(MediaType::valueOf)
                .orElseThrow(() -> new NotFoundException("picture"));
    }

    /** Words as long as those of a link may be. */
    public static String fitting(String words) {
        return StageCheck.fitting(words);
    }

    /** The page that owns a stage; empty when it is the lesson itself. */
    static Optional<PageView> owner(LessonView lesson, String ownerId) {
        return lesson.summary().id().equals(ownerId) ? Optional.empty() : Optional.of(page(lesson, ownerId));
    }

    static PageView page(LessonView lesson, String pageId) {
        return lesson.pages().stream()
                .filter(page -> page.page().id().equals(pageId))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("page"));
    }
}
