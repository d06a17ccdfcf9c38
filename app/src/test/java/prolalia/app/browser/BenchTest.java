package prolalia.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import org.junit.jupiter.api.Test;

/** The sound bench, by keyboard and pointer: every edit holds across a reload, and can be taken back. */
class BenchTest extends Browsing {
    private Page bench(int line) {
        Page page = desk();
        page.getByText("How a bean wakes up").first().click();
        page.waitForSelector(".lesson[data-ready]");
        page.locator(".more").nth(line).click();
        page.getByText("Work on its sound").click();
        page.waitForSelector(".bench[data-state=open]");
        return page;
    }

    private static void made(Page page, int edits) {
        page.waitForSelector(".bench[data-made='" + edits + "'][data-rendered=true]");
    }

    private static double seconds(Page page) {
        return Double.parseDouble(page.locator("#lengths").innerText().split(" ")[0]);
    }

    @Test
    void aPieceIsCutOutUndoneAndCutAgainAcrossReloads() {
        Page page = bench(0);
        double whole = seconds(page);
        for (int i = 0; i < 4; i++) {
            page.keyboard().press("Control+ArrowRight");
        }
        for (int i = 0; i < 3; i++) {
            page.keyboard().press("Control+Shift+ArrowRight");
        }
        page.keyboard().press("x");
        made(page, 1);
        double cut = seconds(page);
        assertThat(whole - cut).isBetween(0.6, 0.9);
        page.keyboard().press("g");
        made(page, 2);
        assertThat(seconds(page) - cut).isBetween(0.2, 0.4);
        page.keyboard().press("z");
        made(page, 1);
        page.reload();
        page.waitForSelector(".bench[data-state=open]");
        assertThat(seconds(page)).isEqualTo(cut);
        assertThat(page.locator("#edits").innerText()).contains("a pause added", "a piece cut out");
        page.keyboard().press("Space");
        page.waitForSelector("#play[aria-pressed=true]");
        page.keyboard().press("z");
        made(page, 0);
        assertThat(seconds(page)).isEqualTo(whole);
        page.keyboard().press("y");
        page.keyboard().press("y");
        made(page, 2);
        page.keyboard().press("o");
        page.keyboard().press("+");
        made(page, 4);
        says(page, "#check", "-18.0 LUFS");
        page.keyboard().press("Escape");
        page.waitForSelector(".lesson[data-ready]");
        assertThat(page.locator(".row-line .len").first().innerText()).startsWith(cut < 4 ? "4." : "4");
        page.goBack();
        page.waitForSelector(".bench[data-state=open]");
        for (int edits = 3; edits >= 0; edits--) {
            page.keyboard().press("z");
            made(page, edits);
        }
    }

    @Test
    void theEndsAreDraggedAndTheSecondPartGoesToTheNextLine() {
        Page page = bench(2);
        double whole = seconds(page);
        Locator handle = page.locator("#start-handle");
        var box = handle.boundingBox();
        page.mouse().move(box.x + 12, box.y + 100);
        page.mouse().down();
        page.mouse().move(box.x + 72, box.y + 100);
        page.mouse().up();
        made(page, 1);
        assertThat(seconds(page)).isLessThan(whole - 0.1);
        handle.focus();
        page.keyboard().press("ArrowLeft");
        made(page, 2);
        page.locator("h1").click();
        for (int i = 0; i < 8; i++) {
            page.keyboard().press("Control+ArrowRight");
        }
        page.keyboard().press("t");
        says(page, "#bench-note", "the next line");
        made(page, 3);
        page.keyboard().press("Escape");
        page.waitForSelector(".lesson[data-ready]");
        page.locator(".row-line").nth(3).locator(".record-line").click();
        until(page, () -> page.locator("#takes li").count() >= 2);
        assertThat(page.locator("#takes li").first().innerText()).contains("kept");
        // Back to how the other tests know the demo.
        page.locator("[data-keep]").last().click();
        recorderIs(page, "kept");
        page.goBack();
        page.goBack();
        page.waitForSelector(".bench[data-state=open]");
        for (int edits = 2; edits >= 0; edits--) {
            page.keyboard().press("z");
            made(page, edits);
        }
    }

    @Test
    void whatWouldLeaveNothingIsNotDone() {
        Page page = bench(1);
        page.keyboard().press("x");
        says(page, "#bench-state", "Select the piece first");
        page.keyboard().press("Home");
        page.keyboard().press("Shift+End");
        page.keyboard().press("x");
        says(page, "#bench-state", "leave nothing");
        assertThat(page.locator("#edits").innerText()).doesNotContain("cut out");
    }

    @Test
    void aPauseIsShortenedAndLessNoiseIsHeardBeforeAndAfter() {
        Page page = bench(0);
        double whole = seconds(page);
        // The demo's first line has a pause between its two sentences.
        Locator wave = page.locator("#wave");
        double middle = 0.36 * wave.boundingBox().width;
        wave.click(new Locator.ClickOptions().setPosition(middle, 100));
        page.keyboard().press("s");
        made(page, 1);
        assertThat(whole - seconds(page)).isBetween(0.1, 0.8);
        assertThat(page.locator("[data-do=before]").isVisible()).isFalse();
        page.keyboard().press("o");
        made(page, 2);
        says(page, "#check", "speech to noise, before and after");
        page.reload();
        page.waitForSelector(".bench[data-state=open]");
        says(page, "#check", "speech to noise, before and after");
        page.keyboard().press("b");
        assertThat(page.locator("[data-do=before]").getAttribute("aria-pressed"))
                .isEqualTo("true");
        page.waitForSelector("#play[aria-pressed=true]");
        page.keyboard().press("Space");
        page.waitForSelector("#play[aria-pressed=false]");
        page.keyboard().press("Home");
        page.keyboard().press("Control+ArrowRight");
        page.keyboard().press("Control+ArrowRight");
        page.keyboard().press("s");
        says(page, "#bench-state", "There is no pause at the cursor");
        page.keyboard().press("z");
        made(page, 1);
        page.keyboard().press("z");
        made(page, 0);
        assertThat(seconds(page)).isEqualTo(whole);
    }
}
