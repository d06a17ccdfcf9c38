package prolalia.core.script;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import prolalia.core.script.LessonChange.Deed;
import prolalia.core.script.LessonChange.PageStep;
import prolalia.core.script.PageShape.Picture;

/**
 * What adding, removing, moving and naming pages means for a lesson. An answer is empty when there is nothing to change.
 *
 * @param pages all that a lesson has or had, removed ones too, by their ids
 */
public record PageEdits(Map<String, PageShape> pages) {
    /** What was done already, by what the pages of the lesson were before and are now; a page that is new has come in. */
    public static LessonChange between(Deed deed, Map<String, PageShape> before, Map<String, PageShape> now) {
        return change(
                deed,
                now.entrySet().stream()
                        .map(page -> new PageStep(
                                page.getKey(),
                                before.getOrDefault(
                                        page.getKey(), page.getValue().withRemoved(true)),
                                page.getValue()))
                        .filter(step -> !step.before().equals(step.after()))
                        .toList());
    }

    public Optional<LessonChange> remove(String pageId) {
        return one(Deed.REMOVE_PAGE, pageId, page -> page.withRemoved(true));
    }

    public Optional<LessonChange> putBack(String pageId) {
        return one(Deed.PUT_PAGE_BACK, pageId, page -> page.withRemoved(false));
    }

    /** @param title null takes its name away */
    public Optional<LessonChange> name(String pageId, String title) {
        return one(Deed.NAME_PAGE, pageId, page -> page.withTitle(title));
    }

    public Optional<LessonChange> show(String pageId, Picture picture) {
        return one(Deed.PAGE_PICTURE, pageId, page -> page.withPicture(picture));
    }

    /** Says what a picture shows; empty when the page has none. */
    public Optional<LessonChange> describe(String pageId, String words) {
        return one(
                Deed.PICTURE_WORDS,
                pageId,
                page -> page.picture() == null
                        ? page
                        : page.withPicture(page.picture().withWords(words)));
    }

    /** Exchanges a page with the one before or after it; empty at the ends. */
    public Optional<LessonChange> move(String pageId, boolean later) {
        List<String> order = new ArrayList<>(pages.entrySet().stream()
                .filter(page -> !page.getValue().removed())
                .sorted(Map.Entry.comparingByValue((one, other) -> Integer.compare(one.position(), other.position())))
                .map(Map.Entry::getKey)
                .toList());
        int from = order.indexOf(pageId);
        int to = from + (later ? 1 : -1);
        if (from < 0 || to < 0 || to >= order.size()) {
            return Optional.empty();
        }
        Collections.swap(order, from, to);
        List<PageStep> steps = new ArrayList<>();
        for (int position = 0; position < order.size(); position++) {
            PageShape before = pages.get(order.get(position));
            if (before.position() != position) {
                steps.add(new PageStep(order.get(position), before, before.withPosition(position)));
            }
        }
        return Optional.of(change(Deed.MOVE_PAGE, steps));
    }

    private Optional<LessonChange> one(Deed deed, String pageId, UnaryOperator<PageShape> how) {
        PageShape before = pages.get(pageId);
        PageShape after = how.apply(before);
        return before.equals(after)
                ? Optional.empty()
                : Optional.of(change(deed, List.of(new PageStep(pageId, before, after))));
    }

    private static LessonChange change(Deed deed, List<PageStep> steps) {
        return new LessonChange(deed, List.of(), List.of(), steps, List.of());
    }
}
