package prolalia.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;

/** Typing a script: saved as it is typed, whatever happens. */
class ScriptTest extends Browsing {
    private static Locator words(Page page, int line) {
        return page.locator(".row-line textarea").nth(line);
    }

    @Test
    void linesAreTypedOneAfterAnotherAndAreThereAfterAReload() {
        Page page = desk();
        newLesson(page, "Typing", "First line");
        words(page, 0).press("Enter");
        until(page, () -> page.locator(".row-line").count() == 2);
        words(page, 1).fill("Second line");
        saved(page);
        page.locator(".row-line select").nth(1).focus();
        page.waitForResponse(
                response -> response.url().endsWith("/kind"),
                () -> page.locator(".row-line select").nth(1).selectOption("QUESTION"));
        says(page, "#bar", "0 of 2 voiced");
        page.reload();
        assertThat(words(page, 1).inputValue()).isEqualTo("Second line");
        assertThat(page.locator(".row-line select").nth(1).inputValue()).isEqualTo("QUESTION");

        page.getByLabel("Remove \"Second line\"").click();
        says(page, "#slip", "Line removed");
        page.keyboard().press("Control+z");
        until(page, () -> page.locator(".row-line").count() == 2);
        assertThat(words(page, 1).inputValue()).isEqualTo("Second line");
    }

    @Test
    void whatWasTypedWithoutAConnectionArrivesLater() {
        Page page = desk();
        newLesson(page, "Offline", "Before");
        page.context().setOffline(true);
        words(page, 0).fill("Typed in a tunnel");
        page.waitForSelector("#save-state[data-state=notSaved]");
        assertThat(page.locator(".save-note").first().innerText()).contains("kept in this browser");
        page.context().setOffline(false);
        page.reload();
        saved(page);
        page.reload();
        assertThat(words(page, 0).inputValue()).isEqualTo("Typed in a tunnel");
    }

    @Test
    void twoTabsDoNotOverwriteEachOtherUnseen() {
        Page one = desk();
        newLesson(one, "Two tabs", "Start");
        Page two = one.context().newPage();
        two.navigate(one.url());
        words(one, 0).fill("From the first tab");
        saved(one);
        words(two, 0).fill("From the second tab");
        two.waitForSelector("#save-state[data-state=changedElsewhere]");
        assertThat(two.locator(".save-note").innerText()).contains("From the first tab");
        two.getByText("Keep mine").click();
        saved(two);
        one.reload();
        assertThat(words(one, 0).inputValue()).isEqualTo("From the second tab");
    }

    @Test
    void wordsThatChangeMakeATakeOutdatedAndChangingThemBackVoicesItAgain() {
        Page page = desk();
        page.getByText("How a bean wakes up").first().click();
        Locator leaf = page.locator(".row-line").nth(5);
        assertThat(leaf.locator("textarea").inputValue()).isEqualTo("the leaf");
        leaf.locator("textarea").fill("the stem");
        says(page, "#bar", "1 outdated");
        assertThat(leaf.innerText()).contains("the words changed after the take");
        assertThat(leaf.locator("del").innerText()).isEqualTo("leaf");
        assertThat(leaf.locator("ins").innerText()).isEqualTo("stem");
        leaf.locator("textarea").fill("The Leaf!");
        until(page, () -> !page.locator("#bar").innerText().contains("outdated"));
        leaf.locator("textarea").fill("the leaf");
        saved(page);
    }

    @Test
    void pastedLinesAreShownAsUnderstoodBeforeTheyAreTaken() {
        Page page = desk();
        newLesson(page, "Pasted", "");
        page.getByText("Paste many lines").click();
        page.locator("#text")
                .fill("Seeds Look at it.\n1. Which comes first?\n a) the root\n b) the leaf\n\n- Draw it.");
        says(page, "#reading", "5 lines");
        // Its title is cut off and is a note, the right choice is pressed; of what was one too many, one is taken back.
        page.getByLabel("Cut in two: Seeds Look at it.").click();
        page.getByLabel("Cut before “Look”").click();
        says(page, "#reading", "6 lines");
        kind(page, "Seeds", "NOTE");
        kind(page, "Look at it.", "DIRECTION");
        page.getByLabel("right? the leaf").click();
        page.waitForSelector("#reading .right[aria-pressed=true]");
        page.getByLabel("Join with the line before it: Draw it.").press("Enter");
        says(page, "#reading", "5 lines");
        page.locator("#reading").getByText("Undo").click();
        says(page, "#reading", "6 lines");
        // What is typed further on leaves that as it is.
        page.locator("#text").press("Control+End");
        page.locator("#text").pressSequentially("\n- Name it.");
        says(page, "#reading", "7 lines");
        page.getByText("Bring in these lines").click();
        page.waitForSelector(".row-line");
        assertThat(page.locator(".row-line .kind").evaluateAll("all => all.map((each) => each.value)"))
                .isEqualTo(List.of("NOTE", "DIRECTION", "QUESTION", "CHOICE", "CHOICE", "DIRECTION", "DIRECTION"));
        assertThat(words(page, 4).inputValue()).isEqualTo("the leaf");
        assertThat(page.getByLabel("right? the leaf").getAttribute("aria-pressed"))
                .isEqualTo("true");
    }

    private static void kind(Page page, String words, String kind) {
        Locator list = page.getByLabel("Kind of: " + words);
        list.focus();
        list.selectOption(kind);
        page.waitForSelector("#reading li." + kind.toLowerCase(Locale.ROOT));
    }

    @Test
    void theScriptIsFilteredByStateKindAndWords() {
        Page page = desk();
        page.getByText("How a bean wakes up").first().click();
        Locator shown = page.locator(".row-line:visible");
        page.selectOption("#filter-state", "silent");
        until(page, () -> shown.count() == 1);
        page.locator("#filters button").click();
        page.selectOption("#filter-kind", "CHOICE");
        until(page, () -> shown.count() == 2);
        page.locator("#find").fill("ROOT");
        until(page, () -> shown.count() == 1);
        page.locator("#find").fill("nowhere");
        assertThat(page.locator("#nothing-found").isVisible()).isTrue();
    }

    @Test
    void wordsTypedIntoALineThatIsRemovedElsewhereAreKeptAndKeysWorkAfterARemoval() {
        Page page = desk();
        newLesson(page, "Two tabs", "The first line.");
        Page other = page.context().newPage();
        other.navigate(page.url());
        other.waitForSelector(".lesson[data-ready]");
        other.locator(".row-line .remove-line").first().click();
        until(other, () -> other.locator(".row-line").count() == 0);
        page.locator(".row-line textarea").first().fill("The first line, and more of it.");
        says(page, ".row-line .save-note", "removed elsewhere");
        page.reload();
        says(page, ".note-bar", "and more of it");
        page.getByText("Make it a line again").click();
        until(page, () -> page.locator(".note-bar").count() == 0);
        saved(page);
        until(other, () -> {
            other.reload();
            return other.locator(".row-line textarea").count() == 1
                    && other.locator(".row-line textarea")
                            .first()
                            .inputValue()
                            .equals("The first line, and more of it.");
        });
        other.locator(".row-line textarea").first().focus();
        other.keyboard().press("Escape");
        other.locator(".row-line .remove-line").first().click();
        until(other, () -> other.locator(".row-line").count() == 0);
        other.keyboard().press("z");
        until(other, () -> other.locator(".row-line").count() == 1);
    }
}
