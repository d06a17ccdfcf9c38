package prolalia.app.stage;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.access.LessonAccess;
import prolalia.app.access.LessonRef;
import prolalia.app.access.Right;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.history.LessonHistory;
import prolalia.app.history.LessonHistory.Reshaped;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.LessonService.PageView;
import prolalia.app.platform.Ids;
import prolalia.app.stage.StageService.Stage;
import prolalia.app.stage.StageStore.StoredStage;
import prolalia.core.page.EveryPage;
import prolalia.core.page.PageElement;
import prolalia.core.page.PageNumbers;
import prolalia.core.page.PageSettings;
import prolalia.core.page.Placed;
import prolalia.core.place.Area;
import prolalia.core.place.InkMap;
import prolalia.core.script.LessonChange;
import prolalia.core.script.LessonChange.Deed;
import prolalia.core.script.LessonChange.StageStep;

/** What a teacher does to a stage; each is one change, which can be taken back. */
@Service
class StageEditor {
    /** A picture that comes in is this wide or high, by the page. */
    private static final double PICTURE_SHARE = 0.35;

    private final StageService stages;
    private final StageStore store;
    private final LessonService lessons;
    private final LessonAccess access;
    private final LessonHistory history;
    private final PageInk ink;
    private final TransactionTemplate transaction;

    StageEditor(
            StageService stages,
            StageStore store,
            LessonService lessons,
            LessonAccess access,
            LessonHistory history,
            PageInk ink,
            TransactionTemplate transaction) {
        this.stages = stages;
        this.store = store;
        this.lessons = lessons;
        this.access = access;
        this.history = history;
        this.ink = ink;
        this.transaction = transaction;
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
        boolean onEvery = StageService.owner(lesson, ownerId).isEmpty();
        StoredStage before = store.stage(ownerId);
        if (before.version() != version) {
            throw new StageRefusedException(StageRefusal.ELSEWHERE);
        }
        PageSettings manner = placed.manner() == null ? PageSettings.USUAL : placed.manner();
        if (manner.otherwise().size() > StageCheck.MOST_THINGS) {
            throw new StageRefusedException(StageRefusal.TOO_MANY);
        }
        keep(lesson.ref(), ownerId, before, new Placed(check(lesson).checked(placed.things(), onEvery), manner));
        return stages.stage(lesson, ownerId);
    }

    /**
     * What was taken back, or made again: the last change of the lesson, wherever that was.
     *
     * @param stage as it is now; empty when its page is out of the lesson
     */
    record Stepped(Optional<Stage> stage, Reshaped change) {}

    Stepped undo(Teacher teacher, String lessonId, String ownerId) {
        LessonRef lesson = needsOwner(teacher, lessonId, ownerId);
        return stepped(teacher, ownerId, history.undo(lesson, steps(teacher, lesson)));
    }

    Stepped redo(Teacher teacher, String lessonId, String ownerId) {
        LessonRef lesson = needsOwner(teacher, lessonId, ownerId);
        return stepped(teacher, ownerId, history.redo(lesson, steps(teacher, lesson)));
    }

    /** What somebody may take back here: who only places things takes back nothing of the script. */
    private Set<Deed> steps(Teacher teacher, LessonRef lesson) {
        return access.mayStill(teacher, lesson.id(), Right.EDIT) ? EnumSet.allOf(Deed.class) : Deed.PLACING;
    }

    private Stepped stepped(Teacher teacher, String ownerId, Reshaped change) {
        LessonView lesson = lessons.lesson(teacher, change.lesson().id());
        boolean there = lesson.summary().id().equals(ownerId)
                || lesson.pages().stream().anyMatch(page -> page.page().id().equals(ownerId));
        return new Stepped(there ? Optional.of(stages.stage(lesson, ownerId)) : Optional.empty(), change);
    }

    /** Another version holds, which can be taken back. */
    private void keep(LessonRef lesson, String ownerId, StoredStage before, Placed after) {
        store.save(ownerId, before.version() + 1, after);
        history.keep(lesson, LessonChange.ofStages(List.of(step(ownerId, before))));
    }

    private static StageStep step(String ownerId, StoredStage before) {
        return new StageStep(ownerId, before.version(), before.version() + 1);
    }

    /**
     * Places a spot for each of these lines: on its words, where those were found, else where there is room, below that of the
     * line before it.
     *
     * @param anew whether those that have spots are placed as they were found; otherwise they stay as they are
     */
    Stage place(Teacher teacher, String lessonId, String pageId, List<String> lineIds, boolean anew) {
        LessonView lesson = toEdit(teacher, lessonId);
        PageView page = StageService.page(lesson, pageId);
        // Before the transaction: a picture takes a while to look at.
        InkMap free = ink.of(page.page().pictureHash());
        return transaction.execute(status -> place(lesson, page, new HashSet<>(lineIds), anew, free));
    }

    private Stage place(LessonView lesson, PageView page, Set<String> lineIds, boolean anew, InkMap free) {
        String pageId = page.page().id();
        StoredStage stored = store.stage(pageId);
        List<PageElement> there =
                stages.given(lesson).asItStands(stored.placed().things());
        List<PageElement> placed = new SpotsOfPage(page, free).placed(there, lineIds, anew);
        if (!placed.equals(there)) {
            keep(
                    lesson.ref(),
                    pageId,
                    stored,
                    new Placed(placed, stored.placed().manner()));
        }
        return stages.stage(lesson, pageId);
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
        PageView from = StageService.page(lesson, pageId);
        List<Integer> numbers = PageNumbers.read(pages, lesson.pages().size())
                .orElseThrow(() -> new StageRefusedException(
                        StageRefusal.PAGES, lesson.pages().size()));
        List<PageElement> chosen = store.stage(pageId).placed().things().stream()
                .filter(thing -> thingIds.contains(thing.id()))
                .toList();
        List<StageStep> steps = new ArrayList<>();
        int placed = 0;
        int leftOut = 0;
        for (int number : numbers) {
            PageView to = lesson.pages().get(number - 1);
            if (to.equals(from)) {
                continue;
            }
            List<PageElement> copies =
                    EveryPage.copied(chosen, StageService.plain(from), StageService.plain(to)).stream()
                            .map(thing -> thing.named(Ids.newId().substring(0, 8)))
                            .toList();
            StoredStage before = store.stage(to.page().id());
            if (before.placed().things().size() + copies.size() > StageCheck.MOST_THINGS) {
                throw new StageRefusedException(StageRefusal.TOO_MANY);
            }
            if (!copies.isEmpty()) {
                steps.add(step(to.page().id(), before));
                stages.add(to.page().id(), copies);
            }
            placed += copies.size();
            leftOut += chosen.size() - copies.size();
        }
        if (!steps.isEmpty()) {
            history.keep(lesson.ref(), LessonChange.ofStages(steps));
        }
        return new Copied(placed, leftOut);
    }

    /** The lesson whose stage it is, if it is this teacher's. */
    public LessonRef needsOwner(Teacher teacher, String lessonId, String ownerId) {
        LessonView lesson = toEdit(teacher, lessonId);
        StageService.owner(lesson, ownerId);
        return lesson.ref();
    }

    /**
     * Places a picture that was brought in, in the middle.
     *
     * @param aspect its width by its height
     */
    @Transactional
    public Stage addPicture(Teacher teacher, String lessonId, String ownerId, String hash, String type, double aspect) {
        LessonView lesson = toEdit(teacher, lessonId);
        double pageAspect = StageService.owner(lesson, ownerId)
                .map(page -> page.page().aspect())
                .or(() -> lesson.pages().stream()
                        .map(each -> each.page().aspect())
                        .findFirst())
                .orElse(aspect);
        StoredStage before = store.stage(ownerId);
        if (before.placed().things().size() >= StageCheck.MOST_THINGS) {
            throw new StageRefusedException(StageRefusal.TOO_MANY);
        }
        store.addPicture(lesson.ref(), hash, type);
        Area area = Area.fitted(aspect, pageAspect, PICTURE_SHARE);
        stages.add(ownerId, List.of(new PageElement.Picture(Ids.newId().substring(0, 8), area, hash, "")));
        history.keep(lesson.ref(), LessonChange.ofStages(List.of(step(ownerId, before))));
        return stages.stage(lesson, ownerId);
    }

    private StageCheck check(LessonView lesson) {
        return StageCheck.of(lesson, store.pictures(lesson.ref()).keySet());
    }

    private LessonView toEdit(Teacher teacher, String lessonId) {
        access.require(teacher, lessonId, Right.PLACE);
        return lessons.lesson(teacher, lessonId);
    }
}
