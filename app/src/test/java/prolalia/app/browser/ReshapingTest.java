package prolalia.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Moving, splitting and joining lines, giving takes to other lines, and taking all of it back. */
class ReshapingTest extends Browsing {
    private static final String BEAN = "A bean sleeps in the dry soil until the rain comes.";

    private Page bean() {
        Page page = desk();
        page.getByText("How a bean wakes up").first().click();
        page.waitForSelector(".lesson[data-ready]");
        return page;
    }

    private static List<?> words(Page page) {
        return (List<?>) page.locator(".row-line textarea").evaluateAll("all => all.map((each) => each.value)");
    }

    private static void wordsBecome(Page page, List<?> words) {
        until(page, () -> words(page).equals(words));
    }

    private static Locator row(Page page, int index) {
        return page.locator(".row-line").nth(index);
    }

    private static void cursorAt(Locator area, int at) {
        area.focus();
        area.evaluate("(area, at) => area.setSelectionRange(at, at)", at);
    }

    @Test
    void enterSplitsBackspaceJoinsAndControlZTakesBack() {
        Page page = bean();
        List<?> before = words(page);
        cursorAt(row(page, 1).locator("textarea"), "A bean sleeps in the dry soil ".length());
        page.keyboard().press("Enter");
        says(page, "#slip", "Line split in two");
        assertThat(words(page)).asList().contains("A bean sleeps in the dry soil", "until the rain comes.");
        says(page, "#bar", "1 outdated");
        page.keyboard().press("Backspace");
        says(page, "#slip", "Two lines joined");
        wordsBecome(page, before);
        says(page, "#bar", "6 of 7 voiced");
        page.keyboard().press("Control+z");
        says(page, "#slip", "Undone: Two lines joined");
        page.keyboard().press("Control+z");
        says(page, "#slip", "Undone: Line split in two");
        wordsBecome(page, before);
        page.reload();
        assertThat(words(page)).isEqualTo(before);
    }

    @Test
    void typingIsAStepOfItsOwnAndNeverLostByUndo() {
        Page page = desk();
        newLesson(page, "Typed since", BEAN);
        cursorAt(row(page, 0).locator("textarea"), 7);
        page.keyboard().press("Enter");
        says(page, "#slip", "Line split in two");
        row(page, 1).locator("textarea").fill("sleeps very well.");
        saved(page);
        says(page, "#slip", "Words changed");
        page.locator("#slip button").click();
        says(page, "#slip", "Undone: Words changed");
        wordsBecome(page, List.of("A bean", BEAN.substring(7)));
        page.locator("#slip [data-deed=redo]").click();
        wordsBecome(page, List.of("A bean", "sleeps very well."));
        page.reload();
        assertThat(words(page)).isEqualTo(List.of("A bean", "sleeps very well."));
    }

    @Test
    void manyLinesPastedIntoOneBecomeLinesAtOnePressAndOneStepBack() {
        Page page = desk();
        newLesson(page, "Pasted", BEAN);
        row(page, 0).locator("textarea").press("End");
        page.keyboard().press("Enter");
        until(page, () -> page.locator(".row-line").count() == 2);
        row(page, 1)
                .locator("textarea")
                .evaluate(
                        "area => { const data = new DataTransfer(); data.setData('text/plain', '1. Which?\\na) the root\\nb) the leaf');"
                                + " area.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }));"
                                + " area.value = '1. Which? a) the root b) the leaf'; area.dispatchEvent(new Event('input', { bubbles: true })); }");
        page.getByText("Make 3 lines of them").click();
        wordsBecome(page, List.of(BEAN, "Which?", "the root", "the leaf"));
        says(page, "#slip", "3 lines added");
        assertThat(row(page, 2).locator(".line-label").innerText()).isEqualTo("a)");
        page.keyboard().press("z");
        until(page, () -> page.locator(".row-line").count() == 2);
    }

    @Test
    void linesMoveByKeyByMenuAndByDraggingAlsoToAnotherPage() {
        Page page = bean();
        List<?> before = words(page);
        row(page, 0).locator("textarea").focus();
        page.keyboard().press("Alt+ArrowDown");
        until(page, () -> words(page).indexOf(before.get(0)) == 1);
        says(page, "#slip", "Line moved");
        page.keyboard().press("Alt+ArrowDown");
        until(page, () -> page.locator(".page").nth(1).locator(".row-line").count() == 5);
        row(page, 1).locator(".more").click();
        page.locator("#line-menu [data-deed=up]").click();
        until(page, () -> page.locator(".page").nth(0).locator(".row-line").count() == 2);
        Locator grip = row(page, 4).locator(".grip");
        // Whatever notices stand above the script: both places are to be seen.
        row(page, 3).evaluate("row => row.scrollIntoView({ block: 'center', behavior: 'instant' })");
        grip.hover();
        page.mouse().down();
        var box = row(page, 2).boundingBox();
        page.mouse().move(box.x + 10, box.y + 50, new com.microsoft.playwright.Mouse.MoveOptions().setSteps(8));
        // Until the row is seen there: on a busy machine it comes after the pointer.
        until(page, () -> {
            page.mouse().move(box.x + 10, box.y + 8, new com.microsoft.playwright.Mouse.MoveOptions().setSteps(4));
            page.mouse().move(box.x + 12, box.y + 6);
            return words(page).indexOf("the root") == 2;
        });
        page.waitForResponse(
                answer -> answer.url().endsWith("/move"), () -> page.mouse().up());
        until(page, () -> words(page).indexOf("the root") == 2);
        for (int i = 0; i < 4; i++) {
            page.keyboard().press("Control+z");
        }
        wordsBecome(page, before);
    }

    @Test
    void aTakeOnTheWrongLineIsGivenToTheRightOne() {
        Page page = bean();
        row(page, 4).locator(".more").click();
        page.locator("#line-menu [data-deed=carry]").click();
        row(page, 5).locator("textarea").click();
        says(page, "#slip", "Take given");
        says(page, "#bar", "5 of 7 voiced");
        assertThat(row(page, 4).innerText()).contains("silent");
        row(page, 5).locator(".record-line").click();
        until(page, () -> page.locator("#takes li").count() == 2);
        page.goBack();
        page.locator("#slip button").click();
        says(page, "#slip", "Undone");
        says(page, "#bar", "6 of 7 voiced");
    }

    @Test
    void aLongScriptGetsItsButtonsWhereItIsLookedAt() {
        Page page = desk();
        newLesson(page, "Long", "");
        page.getByText("Paste many lines").click();
        page.locator("#text")
                .evaluate(
                        "area => { area.value = Array.from({ length: 300 }, (n, i) => `- Say ${i + 1}.`).join('\\n'); }");
        page.getByText("Bring in these lines").click();
        page.waitForSelector(".lesson[data-ready]");
        says(page, "#slip", "300 lines added");
        assertThat(page.locator(".row-line.light").count()).isGreaterThan(200);
        page.locator("#find").fill("Say 299.");
        Locator found = page.locator(".row-line:visible");
        until(page, () -> found.count() == 1 && found.locator("textarea").count() == 1);
        found.locator("textarea").fill("Say it last.");
        saved(page);
        page.locator("#filters button").click();
        page.locator(".row-line").last().scrollIntoViewIfNeeded();
        until(page, () -> page.locator(".row-line").last().locator("textarea").count() == 1);
        page.reload();
        // Where the page is looked at the words stand in their field, elsewhere as text.
        until(page, () -> (Boolean) page.locator(".row-line")
                .nth(298)
                .evaluate("row => (row.querySelector('textarea')?.value ?? row.textContent).includes('Say it last.')"));
    }
}
