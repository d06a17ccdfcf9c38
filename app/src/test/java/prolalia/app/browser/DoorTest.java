package prolalia.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.net.URI;
import org.junit.jupiter.api.Test;
import prolalia.app.web.Visitor;

/** A child who can't read comes in by herself, hears what was given to her, and leaves a shared tablet as she found it. */
class DoorTest extends Browsing {
    private static void key(Page child, String key) {
        for (String picture : key.split(" ")) {
            child.locator("[data-picture=" + picture + "]").click();
        }
    }

    private static String student(Page child) {
        String path = URI.create(child.url()).getPath();
        return path.substring(path.lastIndexOf('/') + 1);
    }

    @Test
    void aChildFindsHerselfPressesHerKeyListensAndLeavesNothingBehind() throws Exception {
        Visitor ines = Visitor.ines(base());
        String terns =
                Visitor.first(ines.page("/classes"), "(?s)href=\"/classes/([^\"]+)\">(?:(?!</a>).)*<b>Terns</b>");
        String door = Visitor.first(ines.page("/classes/" + terns + "/door"), "/door/([\\w-]{20,})\"");
        Page child = context(820, 1180).newPage();
        child.navigate(base() + "/door/" + door);
        AccessTest.check(child, "/l/ the door");
        child.getByText("Mara", new Page.GetByTextOptions().setExact(true)).click();
        child.waitForURL("**/door/*/*");
        AccessTest.check(child, "/l/ the picture key");
        String key = Visitor.key(ines, terns, student(child));
        String wrong = key.startsWith("SUN") ? "MOON SUN STAR" : "SUN MOON STAR";
        key(child, wrong);
        child.waitForSelector("[data-wrong]");
        assertThat(child.locator("#said").innerText()).contains("Try again");
        child.locator("[data-picture=BELL]").click();
        child.locator("#back").click();
        assertThat(child.locator(".pressed .full").count()).isZero();
        key(child, key);
        child.waitForURL("**/my");
        AccessTest.check(child, "/l/ what there is to do");
        Locator ear = child.locator(".ear").first();
        ear.click();
        child.waitForSelector(".ear.sounds");
        assertThat(Math.min(ear.boundingBox().width, ear.boundingBox().height)).isGreaterThanOrEqualTo(56);
        child.locator(".task").first().click();
        // What is pressed before its script is there is pressed in vain.
        child.waitForSelector(".spot[aria-disabled]");
        // Whether or not the page begins to speak by itself: it is said on to its end.
        child.waitForResponse("**/heard/**", () -> child.locator("#through").click());
        AccessTest.check(child, "/l/ a lesson behind the door");
        child.locator("#home").click();
        child.waitForURL("**/my");
        until(child, () -> {
            child.reload();
            return child.locator(".task .stroke").count() == 1;
        });
        child.evaluate("sessionStorage.setItem('mine', 'yes')");
        child.getByLabel("Way out").click();
        child.waitForURL("**/door/*");
        assertThat(child.evaluate("sessionStorage.length"))
                .as("nothing is left for the next one")
                .isEqualTo(0);
        child.navigate(base() + "/my");
        assertThat(URI.create(child.url()).getPath()).as("back at the door").startsWith("/door/");
        assertThat(child.locator(".to-do").count()).isZero();
    }

    @Test
    void afterAPauseAChildIsAskedWhetherItIsStillShe() throws Exception {
        Visitor ines = Visitor.ines(base());
        String own = Visitor.newClass(ines, "Pausers");
        ines.form("/classes/" + own + "/students", "names", "Ada");
        String ada = Visitor.first(ines.page("/classes/" + own), "/students/([^\"]+)\"");
        String door = Visitor.first(ines.page("/classes/" + own + "/door"), "/door/([\\w-]{20,})\"");
        Page child = context(390, 844).newPage();
        child.clock().install();
        child.navigate(base() + "/door/" + door + "/" + ada);
        key(child, Visitor.key(ines, own, ada));
        child.waitForURL("**/my");
        child.waitForSelector(
                "#home[data-idle='5']",
                new Page.WaitForSelectorOptions()
                        .setState(com.microsoft.playwright.options.WaitForSelectorState.ATTACHED));
        child.clock().fastForward(6 * 60_000L);
        child.waitForSelector(".still-you .me");
        AccessTest.check(child, "/l/ is this still you");
        child.locator(".still-you .me").click();
        until(child, () -> child.locator(".still-you").count() == 0);
        child.clock().fastForward(6 * 60_000L);
        child.locator(".still-you .leave").click();
        child.waitForURL("**/door/*");
        ines.form("/classes/" + own + "/remove");
    }
}
