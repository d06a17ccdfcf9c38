package prolalia.core.script;

import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/**
 * One change of a lesson, with all that is needed to take it back and to make it again.
 *
 * <p>{@code change.reversed()} is the change that undoes it; a reversed change reversed is the change again. Values only,
 * so any thread may use one.
 *
 * @param lines each line that it touches, once
 * @param takes each take that it moves, once
 * @param pages each page that it touches, once
 * @param stages each stage that it touches, once
 */
public record LessonChange(
        Deed deed, List<LineStep> lines, List<TakeStep> takes, List<PageStep> pages, List<StageStep> stages) {
    /** A change of lines and takes alone; what was kept in mind before there were others has no more. */
    public LessonChange {
        pages = pages == null ? List.of() : pages;
        stages = stages == null ? List.of() : stages;
    }

    public LessonChange(Deed deed, List<LineStep> lines, List<TakeStep> takes) {
        this(deed, lines, takes, List.of(), List.of());
    }

    /** What is placed on pages, or on every page of a lesson, has other versions. */
    public static LessonChange ofStages(List<StageStep> steps) {
        return new LessonChange(Deed.STAGE, List.of(), List.of(), List.of(), steps);
    }

    /** What the teacher did. */
    public enum Deed {
        ADD,
        REMOVE,
        KIND,
        MOVE,
        SPLIT,
        JOIN,
        MOVE_TAKE,
        /** A take made for another line is heard on this one. */
        USE_TAKE,
        /** Nothing is heard on a line any more. */
        SILENCE,
        /** The line has the words and the take of a standing line. */
        USE_STANDING,
        /** A line that had those of a standing line has its own. */
        OWN,
        /** A direction has an icon, or has none any more. */
        ICON,
        /** Its words are in another language than those of its lesson, or no longer. */
        LANG,
        /** Another number or letter stands before its words, or none any more. */
        LABEL,
        /** It is answered otherwise, or not any more; or a choice is right, or not any more. */
        QUESTION,
        /** Its words stand elsewhere on the picture of its page. */
        WORD_PLACES,
        /** A direction becomes several, a sentence each. */
        STEPS,
        /** Words were typed into a line. */
        WORDS,
        ADD_PAGE,
        REMOVE_PAGE,
        PUT_PAGE_BACK,
        MOVE_PAGE,
        NAME_PAGE,
        PAGE_PICTURE,
        /** What the picture of a page shows is said otherwise. */
        PICTURE_WORDS,
        /** Pages of a paper came in. */
        BRING_IN,
        /** Something was placed on a page, changed or taken away there. */
        STAGE;

        /** What is about places on pages alone. */
        public static final Set<Deed> PLACING = Collections.unmodifiableSet(EnumSet.of(STAGE, WORD_PLACES));
    }

    /** A line before the change and after it. */
    public record LineStep(String lineId, LineShape before, LineShape after) {
        public boolean changesWords() {
            return !before.words().equals(after.words());
        }

        public boolean changesKept() {
            return !Objects.equals(before.keptTakeId(), after.keptTakeId());
        }

        public boolean changesStanding() {
            return !Objects.equals(before.standingLineId(), after.standingLineId());
        }

        public boolean changesTraits() {
            return !before.traits().equals(after.traits());
        }

        public boolean changesPlace() {
            return !before.place().equals(after.place());
        }

        public boolean removes() {
            return !before.removed() && after.removed();
        }

        /** Whether making this step would lose nothing that came to the line since. */
        private boolean isSafeOn(LineShape now) {
            boolean words = changesWords() || removes();
            boolean kept = changesKept() || removes();
            return now.removed() == before.removed()
                    && (!changesTraits() || now.traits().equals(before.traits()))
                    && (!words || now.words().equals(before.words()))
                    && (!kept || Objects.equals(now.keptTakeId(), before.keptTakeId()));
        }
    }

    /**
     * Where a take lies.
     *
     * @param words what it says: those of the line when it was recorded, or those of the line that it was given to
     */
    public record TakePlace(String lineId, String words) {}

    /** A take before the change and after it. */
    public record TakeStep(String takeId, TakePlace before, TakePlace after) {
        public boolean changesWords() {
            return !before.words().equals(after.words());
        }
    }

    /** A page before the change and after it. */
    public record PageStep(String pageId, PageShape before, PageShape after) {
        /** Whether making this step would lose nothing that came to the page since. */
        private boolean isSafeOn(PageShape now) {
            return now.removed() == before.removed()
                    && (after.position() == before.position() || now.position() == before.position())
                    && (Objects.equals(after.title(), before.title()) || Objects.equals(now.title(), before.title()))
                    && (Objects.equals(after.picture(), before.picture())
                            || Objects.equals(now.picture(), before.picture()));
        }
    }

    /**
     * What is placed on a page, or on every page of a lesson, before the change and after it.
     *
     * @param ownerId the page, or the lesson
     * @param before its version, from 0, the empty stage
     */
    public record StageStep(String ownerId, int before, int after) {}

    /**
     * A lesson as it is.
     *
     * @param lines by id
     * @param pages by id
     * @param stages the versions that hold, by page or lesson; none: the empty stage
     */
    public record Now(Map<String, LineShape> lines, Map<String, PageShape> pages, Map<String, Integer> stages) {}

    /** How many lines it is about, or pages; those that were empty and are gone don't count. */
    public int size() {
        long said = lines.stream()
                .filter(step -> !step.before().words().isBlank()
                        || !step.after().words().isBlank())
                .count();
        long came = pages.stream().filter(step -> !step.after().removed()).count();
        long went = pages.stream().filter(step -> step.after().removed()).count();
        return (int) Math.max(1, lines.isEmpty() ? Math.max(came, went) : said);
    }

    /**
     * One change in place of two, when this one goes on with what the earlier one began: words typed into the same line, or
     * into what the same page is
     * called, or its picture shows.
     *
     * @return empty when they are two changes
     */
    public Optional<LessonChange> after(LessonChange earlier) {
        if (deed == Deed.WORDS && earlier.deed == Deed.WORDS) {
            LineStep first = earlier.lines.get(0);
            LineStep then = lines.get(0);
            return first.lineId().equals(then.lineId())
                            && first.after().words().equals(then.before().words())
                    ? Optional.of(new LessonChange(
                            deed, List.of(new LineStep(first.lineId(), first.before(), then.after())), List.of()))
                    : Optional.empty();
        }
        if (deed == earlier.deed && (deed == Deed.NAME_PAGE || deed == Deed.PICTURE_WORDS)) {
            PageStep first = earlier.pages.get(0);
            PageStep then = pages.get(0);
            return first.pageId().equals(then.pageId())
                    ? Optional.of(new LessonChange(
                            deed,
                            List.of(),
                            List.of(),
                            List.of(new PageStep(first.pageId(), first.before(), then.after())),
                            List.of()))
                    : Optional.empty();
        }
        return Optional.empty();
    }

    /** The change that takes this one back. */
    public LessonChange reversed() {
        return new LessonChange(
                deed,
                lines.stream()
                        .map(step -> new LineStep(step.lineId(), step.after(), step.before()))
                        .toList(),
                takes.stream()
                        .map(step -> new TakeStep(step.takeId(), step.after(), step.before()))
                        .toList(),
                pages.stream()
                        .map(step -> new PageStep(step.pageId(), step.after(), step.before()))
                        .toList(),
                stages.stream()
                        .map(step -> new StageStep(step.ownerId(), step.after(), step.before()))
                        .toList());
    }

    /** Whether the change can be made without losing what was typed, kept or placed since. */
    public boolean isSafeOn(Now now) {
        return lines.stream()
                        .allMatch(step -> now.lines().containsKey(step.lineId())
                                && step.isSafeOn(now.lines().get(step.lineId())))
                && pages.stream()
                        .allMatch(step -> now.pages().containsKey(step.pageId())
                                && step.isSafeOn(now.pages().get(step.pageId())))
                && stages.stream().allMatch(step -> now.stages().getOrDefault(step.ownerId(), 0) == step.before());
    }
}
