package prolalia.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import org.junit.jupiter.api.Test;

/** The library, as a teacher uses it for a line. */
class LibraryTest extends Browsing {
    private static void deed(Page page, int line, String deed) {
        page.waitForSelector(".lesson[data-ready]");
        page.locator(".more").nth(line).click();
        page.locator("#line-menu").getByText(deed).click();
    }

    @Test
    void aStandingLineIsMadeChosenForAnotherLessonChangedOnceAndUndone() {
        Page page = desk();
        // Words of this run alone: other standing lines of this teacher may be there.
        String name = Long.toString(System.nanoTime(), 36);
        String first = "Wave to neighbour " + name + ".";
        String then = "Wave to everybody, " + name + ".";
        newLesson(page, "Standing", first);
        deed(page, 0, "Make it a standing line");
        page.waitForSelector(".standing-note");
        assertThat(page.locator(".row-line textarea").getAttribute("readonly")).isNotNull();

        page.navigate(base() + "/");
        newLesson(page, "Where it stands again", "");
        deed(page, 0, "Take one from the library");
        page.waitForSelector("#seek");
        page.keyboard().press("/");
        page.keyboard().type(name);
        page.waitForSelector("#found >> text=" + first);
        until(page, () -> page.locator(".standing-lines .entry").count() == 1);
        page.locator(".standing-lines .entry .go").click();
        page.waitForSelector(".lesson[data-ready]");
        assertThat(page.locator(".row-line textarea").inputValue()).isEqualTo(first);
        String here = page.url();

        page.locator(".standing-note a").click();
        page.waitForSelector(".lesson[data-shelf=true][data-ready]");
        Locator home = page.locator(".row-line.silent textarea").all().stream()
                .filter(area -> area.inputValue().equals(first))
                .findFirst()
                .orElseThrow();
        home.fill(then);
        saved(page);
        page.navigate(here);
        page.waitForSelector(".lesson[data-ready]");
        assertThat(page.locator(".row-line textarea").inputValue()).isEqualTo(then);
        deed(page, 0, "Make it this lesson's own");
        page.waitForSelector("#slip >> text=own");
        assertThat(page.locator(".standing-note").count()).isZero();
        page.keyboard().press("z");
        page.waitForSelector(".standing-note");
        page.navigate(base() + "/library");
        page.locator(".standing-lines .entry", new Page.LocatorOptions().setHasText(then))
                .locator("summary")
                .click();
        assertThat(page.locator(".standing-lines .uses[open]").innerText())
                .contains("Standing · page 1", "Where it stands again · page 1");
    }

    @Test
    void aTakeIsHeardInTheLibraryAndUsedOnALineThatSaysTheSame() {
        Page page = desk();
        newLesson(page, "The same words", "The leaf!");
        deed(page, 0, "Take one from the library");
        Locator fits = page.locator("#takes .entry.fits")
                .filter(new Locator.FilterOptions().setHasText("How a bean wakes up"))
                .first();
        assertThat(fits.innerText()).contains("the leaf", "How a bean wakes up · page 2", "says just these words");
        fits.locator(".listen").click();
        until(page, () -> fits.locator(".listen").getAttribute("aria-pressed").equals("true"));
        fits.locator(".go").click();
        page.waitForSelector(".lesson[data-ready] .row-line.voiced");
        assertThat(page.locator("#slip").innerText()).contains("Take from the library used");
        page.keyboard().press("z");
        page.waitForSelector(".row-line.silent");
    }
}
