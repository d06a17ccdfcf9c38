package prolalia.core.script;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import prolalia.core.script.LessonChange.Deed;
import prolalia.core.script.LessonChange.Now;
import prolalia.core.script.LessonChange.StageStep;
import prolalia.core.script.PageShape.Picture;

/** Pages come, go, move and are named; each is taken back as long as nothing newer is lost by it. */
class PageEditsTest {
    private final Map<String, PageShape> pages = new HashMap<>(Map.of(
            "a", new PageShape(null, false, 0, new Picture("aa", "image/png", null, 4, 3, null)),
            "gone", new PageShape(null, true, 1, null),
            "b", new PageShape(null, false, 2, null)));

    private void make(LessonChange change) {
        change.pages().forEach(step -> pages.put(step.pageId(), step.after()));
    }

    private PageEdits edits() {
        return new PageEdits(Map.copyOf(pages));
    }

    private boolean isSafe(LessonChange change) {
        return change.isSafeOn(new Now(Map.of(), pages, Map.of()));
    }

    @Test
    void aPageMovesPastOneThatIsRemovedAndBack() {
        LessonChange move = edits().move("b", false).orElseThrow();
        make(move);
        assertThat(pages.get("b").position()).isLessThan(pages.get("a").position());
        assertThat(edits().move("b", false)).as("it is the first").isEmpty();
        make(move.reversed());
        assertThat(pages.get("a").position()).isLessThan(pages.get("b").position());
    }

    @Test
    void whatWasNamedOrShownSinceIsNotLost() {
        LessonChange name = edits().name("a", "The root").orElseThrow();
        make(name);
        LessonChange picture = edits().show("a", new Picture("bb", "image/png", "A root.", 4, 3, null))
                .orElseThrow();
        make(picture);
        assertThat(isSafe(name.reversed()))
                .as("the picture isn't touched by it")
                .isTrue();
        make(edits().name("a", "The leaf").orElseThrow());
        assertThat(isSafe(name.reversed())).isFalse();
        assertThat(isSafe(picture.reversed())).isTrue();
        LessonChange longer = edits().name("a", "The leaf and the stem").orElseThrow();
        assertThat(longer.after(name).orElseThrow().pages().get(0).before().title())
                .isNull();
    }

    @Test
    void pagesThatCameInAreCountedWithoutTheEmptyOneThatTheyReplace() {
        PageEdits before = edits();
        pages.put("c", new PageShape(null, false, 3, null));
        pages.put("d", new PageShape(null, false, 4, null));
        pages.put("b", pages.get("b").withRemoved(true));
        LessonChange came = PageEdits.between(Deed.BRING_IN, before.pages(), pages);
        assertThat(came.size()).isEqualTo(2);
        make(came.reversed());
        assertThat(pages.get("c").removed()).isTrue();
        assertThat(pages.get("b").removed()).isFalse();
    }

    @Test
    void aStageIsTakenBackOnlyFromTheVersionThatTheChangeMade() {
        LessonChange placed = LessonChange.ofStages(List.of(new StageStep("a", 3, 4)));
        assertThat(placed.reversed().isSafeOn(new Now(Map.of(), pages, Map.of("a", 4))))
                .isTrue();
        assertThat(placed.reversed().isSafeOn(new Now(Map.of(), pages, Map.of("a", 5))))
                .isFalse();
    }
}
