package prolalia.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import org.junit.jupiter.api.Test;
import prolalia.app.web.Visitor;

/** The listening desk by its keys, with a voice that speaks back; and what it leads to. */
class HearingTest extends Browsing {
    @Test
    void answersAreHeardMarkedAndSpokenBackToByKeysAlone() throws Exception {
        Visitor ines = Visitor.ines(base());
        String terns = Visitor.first(ines.page("/classes"), "(?s)href=\"/classes/([^\"]+)\"[^>]*>(?:(?!</a>).)*Terns");
        String desk = "";
        for (String each :
                Visitor.all(ines.page("/classes/" + terns + "/given"), "href=\"(/assignments/[^\"]+/listen)\"")) {
            desk = ines.page(each + "?which=FREE").contains("to-stop") ? each : desk;
        }
        Page page = desk();
        page.navigate(base() + desk + "?which=OPEN");
        page.waitForSelector("#stop .stop");
        AccessTest.check(page, "/assignments/ the listening desk");
        page.locator("section:has(h3:has-text('snows')) .to-stop").nth(3).click();
        page.waitForSelector("#stop .piece");
        page.waitForSelector("#play[aria-pressed=true]");
        // While one sounds the next is there already.
        String next = page.locator("section:has(h3:has-text('snows')) .to-stop")
                .nth(4)
                .getAttribute("data-child");
        page.keyboard().press("2");
        page.waitForSelector("#stop .child:has-text('" + next + "')");
        page.waitForSelector("section:has(h3:has-text('snows')) .to-stop.right:not(.sending)");
        page.waitForSelector("#play[aria-pressed=true]");
        page.waitForRequest(
                "**/remarks/recordings/*/chunks/0*", () -> page.keyboard().down("m"));
        page.keyboard().up("m");
        page.waitForSelector(".remark-list .draft [data-listen]");
        assertThat(page.locator(".remark-list").innerText())
                .as("at the moment that was heard")
                .contains("at 0");
        page.keyboard().press("w");
        page.keyboard().type("Well said!");
        page.keyboard().press("Enter");
        page.waitForSelector(".remark-list li:has-text('Well said!')");
        AccessTest.check(page, "/assignments/ a remark");
        page.locator("#give-all").click();
        says(page, "#desk-state", "given to the child");
        page.navigate(base() + desk.replace("listen", "insight"));
        AccessTest.check(page, "/assignments/ what the answers tell");
        assertThat(page.locator(".heard-square.unheard").count()).isPositive();
        Page child = context(820, 1180).newPage();
        String student = Visitor.first(
                ines.page("/classes/" + terns),
                "(?s)href=\"/classes/[^\"]+/students/([^\"]+)\"[^>]*>(?:(?!</a>).)*" + next);
        String door = Visitor.first(ines.page("/classes/" + terns + "/door"), "/door/([\\w-]{20,})\"");
        child.navigate(base() + "/door/" + door + "/" + student);
        for (String picture : Visitor.key(ines, terns, student).split(" ")) {
            child.locator("[data-picture=" + picture + "]").click();
        }
        child.waitForURL("**/my");
        child.locator(".spoken-back.is-new").click();
        child.waitForSelector(".spoken-to");
        AccessTest.check(child, "/my/ what was said back");
        child.locator("#hear-all").click();
        until(child, () -> child.locator("li.is-new").count() == 0);
        // What she says to that comes first, and her class says so, until somebody heard it.
        // Until a piece of it is on its way: what is shorter may be quiet.
        child.waitForRequest(
                "**/chunks/*", () -> child.locator(".mic[data-remark]").first().click());
        child.locator(".mic[aria-pressed=true]").click();
        child.waitForSelector(".by-me");
        page.navigate(base() + "/");
        page.waitForSelector(".replied:has-text('Terns')");
        page.navigate(base() + "/classes/" + terns + "/given");
        page.locator(".said-back").first().click();
        page.waitForSelector("#stop .by-child.is-new");
        assertThat(page.locator(".rail section").first().innerText()).contains("Said to your remarks");
        assertThat(page.locator("#stop .child").innerText()).contains(next);
        page.navigate(base() + "/classes/" + terns + "/given");
        assertThat(page.locator(".said-back").count()).isZero();
    }
}
