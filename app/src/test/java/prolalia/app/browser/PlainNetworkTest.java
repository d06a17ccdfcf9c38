package prolalia.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import org.junit.jupiter.api.Test;
import prolalia.app.web.Visitor;

/** As a school has it: plain HTTP by a name, which is no secure context, and HTTPS with a certificate of the house's own. */
class PlainNetworkTest extends ChildBrowsing {
    @Override
    String at() {
        return byName();
    }

    @Test
    void aChildAnswersOnATabletByNameAndGoesOverToSpeak() throws Exception {
        Visitor ines = Visitor.ines(base());
        given(ines, "Dunlins");
        Page child = context(820, 1180).newPage();
        enter(child, ines, ada);
        assertThat(child.evaluate("isSecureContext")).isEqualTo(false);
        page(child, 1);
        child.getByLabel("Choose: the rain gauge").click();
        kept(child);
        page(child, 3);
        child.locator("input.written").fill("Rain");
        kept(child);
        // A microphone is given to secure pages alone: the page goes over by itself, and she is who she was.
        child.navigate(byName() + "/my/" + assignment + "/9");
        child.waitForURL(secure() + "/my/" + assignment + "/9");
        Locator mic = child.locator(".mic");
        mic.click();
        child.waitForSelector(".mic[aria-pressed=true]");
        mic.click();
        child.waitForSelector(".spoken .piece");
        kept(child);
        assertThat(ines.page("/assignments/" + assignment + "/answers/" + ada + "/"
                        + child.locator("[data-question]").first().getAttribute("data-question")))
                .contains("/spoken/");
        child.locator("#home").click();
        child.waitForURL(secure() + "/my");
        // Back on the plain page she is here, too; and when she leaves one, she left both.
        page(child, 3);
        assertThat(child.locator("input.written").inputValue()).isEqualTo("Rain");
        child.navigate(secure() + "/my");
        child.locator("[action$='/my/leave'] button").first().click();
        child.navigate(byName() + "/my");
        assertThat(child.url()).contains("/door/");
    }

    @Test
    void whereTheCertificateIsNotTrustedTheWayIsSaidInWords() throws Exception {
        Visitor ines = Visitor.ines(base());
        given(ines, "Dunlins");
        Page child = context(390, 844).newPage();
        child.route(secure() + "/secure-address", Route::abort);
        enter(child, ines, ada);
        page(child, 9);
        child.locator(".mic").click();
        child.waitForSelector(".outcome a.secure-page");
        assertThat(child.locator(".outcome a.secure-page").getAttribute("href"))
                .isEqualTo(secure() + "/my/" + assignment + "/9");
    }

    @Test
    void aTeacherWritesByNameRecordsOverThereAndIsToldWhatFailed() throws Exception {
        Page desk = desk(base(), byName());
        newLesson(desk, "By name " + System.nanoTime(), "Look at the picture.");
        assertThat(desk.evaluate("isSecureContext")).isEqualTo(false);
        String lesson = desk.url().split("#")[0];
        desk.reload();
        assertThat(desk.getByLabel("Words of this direction").inputValue()).isEqualTo("Look at the picture.");
        // A request that fails says so beside what was pressed, and doesn't fall silent again.
        desk.navigate(lesson + "/codes");
        desk.route("**/codes/slides", route -> route.fulfill(new Route.FulfillOptions().setStatus(500)));
        Locator slides = desk.locator("form[hx-post$='/codes/slides'] button");
        slides.click();
        desk.waitForSelector("#house-note.beside:not([hidden])");
        assertThat(desk.locator("#house-note").innerText()).contains("could not be done");
        assertThat(desk.locator("#house-note").boundingBox().y - slides.boundingBox().y)
                .isBetween(0.0, 120.0);
        desk.unroute("**/codes/slides");
        desk.route("**/codes/slides", Route::abort);
        slides.click();
        says(desk, "#house-note", "No connection");
        // Guests listen by the plain name, too.
        Visitor ines = Visitor.ines(base());
        String bean = Visitor.first(ines.page("/?all=true"), "href=\"/lessons/([^\"]+)\">\\s*<b>How a bean wakes up");
        Page guest = context(390, 844).newPage();
        guest.navigate(byName() + ines.linkTo(bean));
        guest.click("#play");
        guest.waitForSelector("#play[aria-label=Pause]");
        desk.navigate(lesson);
        desk.locator("a[href$='/recorder']").first().click();
        desk.waitForURL(secure() + "/lines/*/recorder");
        recorderIs(desk, "ready");
    }
}
