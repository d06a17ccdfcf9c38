package prolalia.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Page.WaitForSelectorOptions;
import com.microsoft.playwright.options.WaitForSelectorState;
import org.junit.jupiter.api.Test;

/** The script is read once, and every take lands on its line. */
class ReadThroughTest extends Browsing {
    private static final String SPOKEN = "Look at the picture. Point to the seed that is awake.";

    /** A lesson whose lines are all what the simulated microphone says. */
    private Page prompter(int lines) {
        return prompter(lines, SPOKEN);
    }

    private Page prompter(int lines, String words) {
        Page page = desk();
        newLesson(page, "Read through", words);
        for (int n = 1; n < lines; n++) {
            int now = n;
            page.locator(".row-line textarea").nth(n - 1).press("Enter");
            until(page, () -> page.locator(".row-line").count() == now + 1);
            page.locator(".row-line textarea").nth(n).fill(words);
            saved(page);
        }
        page.locator("#dock .go").click();
        recorderIs(page, "ready");
        return page;
    }

    private static void readFor(Page page, int seconds) {
        // Its clock began anew, though perhaps nobody saw it at nought.
        until(page, () -> {
            String elapsed = page.locator("#elapsed").textContent();
            return elapsed.contains(":") && Integer.parseInt(elapsed.split(":")[1]) < seconds;
        });
        recordedFor(page, seconds);
    }

    private static Page.LocatorOptions with(String words) {
        return new Page.LocatorOptions().setHasText(words);
    }

    @Test
    void oneKeyALineAndEveryTakeLandsOnItsLine() {
        Page page = prompter(3);
        assertThat(page.locator("#where").innerText()).isEqualTo("Line 1 of 3");
        page.keyboard().press("Space");
        recorderIs(page, "reading");
        readFor(page, 5);
        page.keyboard().press("Enter");
        says(page, "#where", "Line 2 of 3");
        readFor(page, 2);
        page.keyboard().press("ArrowLeft");
        readFor(page, 5);
        page.keyboard().press("PageDown");
        says(page, "#where", "Line 3 of 3");
        readFor(page, 5);
        page.keyboard().press("ArrowRight");
        recorderIs(page, "ended");
        assertThat(page.locator(".read-lines [data-listen]").count()).isEqualTo(3);
        assertThat(page.locator("#summary").innerText()).contains("of 3 lines voiced", "% over");
        page.locator("#play-all").click();
        page.waitForSelector(".read-lines .listen[aria-pressed=true]");
        page.keyboard().press("Escape");
        page.waitForSelector(".row-line");
        assertThat(page.locator(".row-line [data-listen]").count()).isEqualTo(3);
        // A second reading of one line: the take of the first can be kept instead.
        page.locator(".more").nth(1).click();
        page.getByText("Read this line alone").click();
        recorderIs(page, "ready");
        page.keyboard().press("Space");
        readFor(page, 5);
        page.keyboard().press("Enter");
        recorderIs(page, "ended");
        String newer = page.locator(".read-lines li > [data-listen]").getAttribute("data-listen");
        page.getByText("Keep that one instead").click();
        until(
                page,
                () -> !newer.equals(
                        page.locator(".read-lines li > [data-listen]").getAttribute("data-listen")));
    }

    @Test
    void handsFreeGoesOnByItselfAndFinishesByItself() {
        Page page = prompter(2);
        page.keyboard().press("h");
        page.selectOption("#pause-length", "0.5");
        page.locator("h1").click();
        page.keyboard().press("Space");
        page.waitForSelector(".prompter[data-state=ended]", new WaitForSelectorOptions().setTimeout(40_000));
        assertThat(page.locator(".read-lines [data-listen]").count()).isEqualTo(2);
    }

    @Test
    void aSecondTabWaitsAndNothingToReadSaysSo() {
        Page page = prompter(1);
        Page second = page.context().newPage();
        second.navigate(page.url());
        second.waitForSelector("#trouble", new WaitForSelectorOptions().setState(WaitForSelectorState.VISIBLE));
        assertThat(second.locator("#trouble").innerText()).contains("Another tab");
        second.navigate(page.url() + "?what=FLAGGED");
        assertThat(second.locator("main").innerText()).contains("There is nothing to read");
    }

    @Test
    void aTabClosedInTheMiddleKeepsTheTakesAndOffersTheRest() {
        // Other readings of this teacher may be unfinished, too.
        String words = "Look at the picture. Point to seed " + Long.toString(System.nanoTime(), 36) + ".";
        Page page = prompter(2, words);
        String script = page.url().replace("/read", "");
        page.keyboard().press("Space");
        readFor(page, 4);
        page.keyboard().press("Enter");
        says(page, "#where", "Line 2 of 2");
        readFor(page, 4);
        Page other = page.context().newPage();
        page.close();
        other.navigate(script);
        until(other, () -> {
            other.reload();
            return other.locator("#bar").innerText().contains("1 of 2 voiced")
                    || other.locator("#bar").innerText().contains("1 doubtful");
        });
        other.navigate(base() + "/");
        until(other, () -> {
            other.reload();
            return other.locator("#unfinished article", with(words)).count() == 1;
        });
        other.locator("#unfinished article", with(words))
                .getByText("Put it together and listen")
                .click();
        recorderIs(other, "verdict");
        assertThat(other.locator("#verdict [data-listen]").count()).isPositive();
    }

    @Test
    void aKeyPressedTooEarlyIsRememberedAndReadingOnWithoutARecordingIsSaid() {
        Page page = prompter(2);
        page.keyboard().press("Enter");
        says(page, "#not-recording", "Nothing is recorded");
        page.addInitScript(
                "const open = navigator.mediaDevices.getUserMedia.bind(navigator.mediaDevices);"
                        + "navigator.mediaDevices.getUserMedia = (wanted) => new Promise((done) => { window.letIn = () => done(open(wanted)); });");
        page.reload();
        recorderIs(page, "opening");
        page.keyboard().press("Space");
        until(page, () -> (Boolean) page.evaluate("() => { window.letIn?.(); return Boolean(window.letIn); }"));
        recorderIs(page, "reading");
    }

    @Test
    void oneLineAloneIsRead() {
        Page page = desk();
        page.getByText("How a bean wakes up").first().click();
        page.waitForSelector(".lesson[data-ready]");
        page.locator(".more").nth(3).click();
        page.getByText("Read this line alone").click();
        recorderIs(page, "ready");
        assertThat(page.locator("#where").innerText()).isEqualTo("Line 1 of 1");
        assertThat(page.locator("#now").innerText()).isEqualTo("Which part comes out of the seed first?");
    }

    @Test
    void wordsChangedMeanwhileMakeTheTakeOutdatedNotVoiced() {
        Page page = prompter(1);
        Page other = page.context().newPage();
        other.navigate(page.url().replace("/read", ""));
        page.keyboard().press("Space");
        readFor(page, 4);
        other.locator(".row-line textarea").first().fill("Something else altogether");
        saved(other);
        page.keyboard().press("Enter");
        recorderIs(page, "ended");
        other.reload();
        assertThat(other.locator("#bar").innerText()).contains("1 outdated");
    }
}
