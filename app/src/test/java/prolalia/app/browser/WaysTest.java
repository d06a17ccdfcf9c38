package prolalia.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;
import prolalia.app.web.Visitor;

/** Ways from page to page, and elsewhere: placed on the stage, gone by a child. */
class WaysTest extends StageBrowsing {
    /** Children come by a name, on a plain network. */
    @Override
    String at() {
        return byName();
    }

    @Test
    void linksLeadElsewhereJumpsToOtherPagesAndABadAddressIsNotTaken() throws Exception {
        Page page = review("Ways", "bakery.pdf");
        take(page);
        stage(page);
        page.keyboard().press("l");
        kept(page, 2);
        page.locator("#thing-address").fill("see my page");
        page.keyboard().press("Tab");
        says(page, "#stage-state", "An address begins with http");
        assertThat(page.locator("#thing-address").inputValue())
                .as("to be corrected")
                .isEqualTo("see my page");
        page.locator("#thing-address").fill("https://bread.example/ovens");
        page.keyboard().press("Tab");
        kept(page, 3);
        assertThat(page.locator("#try-it").getAttribute("href")).isEqualTo("https://bread.example/ovens");
        page.locator("#thing-words").fill("The ovens");
        page.keyboard().press("Tab");
        kept(page, 4);
        page.locator("#sheet").focus();
        page.keyboard().press("j");
        kept(page, 5);
        page.keyboard().press("Escape");
        page.keyboard().press("j");
        kept(page, 6);
        assertThat(page.locator("[name=unseen]").isVisible())
                .as("what was just placed is chosen")
                .isTrue();
        giveLink(page);
        Page student = context(1280, 800).newPage();
        student.navigate(page.inputValue("#link"));
        assertThat(student.getByLabel("The ovens (opens in a new tab)").getAttribute("rel"))
                .contains("noopener");
        student.setViewportSize(390, 844);
        student.waitForFunction("() => { const [low, high] = [...document.querySelectorAll('.jump')]"
                + ".map((way) => way.getBoundingClientRect());"
                + " return high.bottom <= low.top && high.height >= 24; }");
        student.getByLabel("Go to page 2").first().click();
        student.waitForURL("**/2");
    }

    @Test
    void aHintIsGivenWhenItIsAskedForAndCountedAndTheRightWayLeadsOn() {
        Page teacher = desk();
        openDemoLesson(teacher, "At the bakery counter");
        String lesson = teacher.url();
        giveLink(teacher, lesson);
        Page student = context(1280, 800).newPage();
        student.navigate(teacher.inputValue("#link"));
        assertThat(student.locator("#hints li").first().isVisible()).isFalse();
        student.waitForResponse("**/hints/**", () -> student.locator("#hint").click());
        student.waitForSelector("#play[aria-pressed=true]");
        assertThat(student.locator("#hints li").first().innerText()).contains("Two coins make one roll");
        assertThat(student.getByLabel("Next page").count())
                .as("the child chooses")
                .isZero();
        student.getByLabel("Go to page 2").first().click();
        student.waitForURL("**/2");
        student.getByLabel("Go to page 1").click();
        student.waitForURL("**/1");
        student.getByLabel("Go to page 3").click();
        student.waitForURL("**/3");
        teacher.navigate(lesson + "/pages/1");
        assertThat(teacher.locator("#lines").innerText()).contains("asked for once");
        teacher.navigate(lesson + "/paths");
        assertThat(teacher.locator("main").innerText()).contains("every way leads to the end");
        assertThat(teacher.locator("svg.ways .way.wrong").count()).isEqualTo(2);
    }

    @Test
    void aChoiceThatLeadsOnItselfIsPlacedByOneKeyAndAnswersAndTurnsThePage() throws Exception {
        Visitor ines = Visitor.ines(base());
        String bakery = Visitor.first(ines.page("/?all=true"), "href=\"/lessons/([^\"]+)\">\\s*<b>At the bakery");
        String copy =
                Visitor.first(ines.form("/lessons/" + bakery + "/copy").uri().getPath() + "/", "/lessons/([^/]+)/");
        Page desk = desk();
        desk.navigate(base() + "/lessons/" + copy + "/pages/1");
        desk.waitForSelector(".stage[data-state=open]");
        int things = Integer.parseInt(desk.getAttribute(".stage", "data-things")) + 1;
        for (int press = 0; press < 2; press++) {
            desk.locator("#lines li[data-kind=CHOICE]:has-text('three')").click();
            desk.keyboard().press("j");
            desk.waitForSelector(".stage[data-things='" + things + "']");
            assertThat(desk.locator("#thing-page").inputValue())
                    .as("the same one when it is asked for again")
                    .isEqualTo(
                            desk.locator("#thing-page option:text-is('Page 2')").getAttribute("value"));
            desk.locator("#sheet").focus();
        }
        given(ines, "Waders", copy);
        Page child = context(820, 1180).newPage();
        enter(child, ines, ada);
        page(child, 1);
        assertThat(child.getByLabel("six: go to page 3").isVisible())
                .as("where nothing is answered, the words lead on")
                .isTrue();
        Locator three =
                child.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Choose: three, and go to page 2"));
        three.click();
        child.waitForURL("**/2");
        page(child, 1);
        assertThat(three.getAttribute("aria-checked")).isEqualTo("true");
        // On a phone what is answered on the paper stands under it, also where nobody read the question aloud yet.
        child.setViewportSize(390, 844);
        assertThat(three.count()).isEqualTo(1);
        Locator drawn = child.locator(".says .answer[data-kind=DRAWING] .sheet");
        drawn.scrollIntoViewIfNeeded();
        assertThat(drawn.isVisible()).isTrue();
        AccessTest.check(child, "a paper that is answered on a phone");
        ines.form("/classes/" + classId + "/remove");
    }
}
