package prolalia.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import org.junit.jupiter.api.Test;
import prolalia.app.web.Visitor;

/** Answers on a slow line, without a network, on a shared tablet, and where somebody stopped in the middle: nothing is lost, and all is hers. */
class InterruptedAnswersTest extends ChildBrowsing {
    private static final String OWNERS_OF_WHAT_WAITS = """
            new Promise((resolve) => {
              const opening = indexedDB.open('prolalia-outbox');
              opening.onsuccess = () => {
                const all = opening.result.transaction('items').objectStore('items').getAll();
                all.onsuccess = () => { resolve(all.result.map((each) => each.owner)); opening.result.close(); };
              };
            })""";

    @Test
    void aTabThatAChildLeftOpenShowsNothingAndTakesNothing() throws Exception {
        Visitor ines = Visitor.ines(base());
        given(ines, "Knots");
        String bo = Visitor.all(ines.page("/classes/" + classId), "/students/([^\"/]+)\"")
                .get(1);
        BrowserContext tablet = context(820, 1180);
        Page left = tablet.newPage();
        enter(left, ines, ada);
        page(left, 3);
        left.locator("input.written").fill("Rain");
        kept(left);
        // What she heard while the network was gone waits for her alone.
        left.route("**/heard/**", Route::abort);
        left.waitForRequest("**/heard/**", () -> left.locator(".spot").first().click());
        Page next = tablet.newPage();
        next.navigate(base() + "/my");
        next.locator("[action$='/my/leave'] button").click();
        left.waitForURL("**/door/**");
        enter(next, ines, bo);
        assertThat(left.content()).doesNotContain("Rain");
        assertThat(next.evaluate(OWNERS_OF_WHAT_WAITS).toString()).contains(ada).doesNotContain(bo);
        page(next, 3);
        assertThat(next.locator("input.written").inputValue()).isEmpty();
        ines.form("/classes/" + classId + "/remove");
    }

    @Test
    void whatIsAnsweredWithoutANetworkGoesLaterAndStaysTheChildsOwn() throws Exception {
        Visitor ines = Visitor.ines(base());
        given(ines, "Martins");
        BrowserContext tablet = context(390, 844);
        Page child = tablet.newPage();
        enter(child, ines, ada);
        page(child, 3);
        tablet.setOffline(true);
        child.locator("input.written").fill("rain");
        child.waitForSelector("#answer-state[data-state=waiting]");
        tablet.setOffline(false);
        kept(child);
        page(child, 3);
        assertThat(child.locator("input.written").inputValue()).isEqualTo("rain");
        // Her session is gone before all was sent: the next child sees nothing of it, and it goes when she is back.
        child.route("**/answers/*/*", route -> route.abort());
        child.locator("input.written").fill("rainfall");
        child.waitForSelector("#answer-state[data-state=waiting]");
        child.unroute("**/answers/*/*");
        tablet.clearCookies();
        String bo = Visitor.all(ines.page("/classes/" + classId), "/students/([^\"/]+)\"")
                .get(1);
        enter(child, ines, bo);
        page(child, 3);
        assertThat(child.locator("input.written").inputValue()).isEmpty();
        child.locator("input.written").fill("bo");
        kept(child);
        tablet.clearCookies();
        enter(child, ines, ada);
        page(child, 3);
        assertThat(child.locator("input.written").inputValue()).isEqualTo("rainfall");
        until(child, () -> csv(ines).contains("rainfall"));
        assertThat(csv(ines)).contains("bo");
        // What was typed goes, however soon the page is left.
        child.locator("input.written").fill("drizzle");
        child.locator("#home").click();
        child.waitForURL("**/my");
        until(child, () -> csv(ines).contains("drizzle"));
        ines.form("/classes/" + classId + "/remove");
    }

    @Test
    void whatIsDoneBeforeASlowPageKnowsTheAnswersIsKept() throws Exception {
        Visitor ines = Visitor.ines(base());
        given(ines, "Early terns");
        Page child = context(390, 844).newPage();
        enter(child, ines, ada);
        List<Route> held = new ArrayList<>();
        child.route("**/my/" + assignment + "/answers", held::add);
        child.navigate(base() + "/my/" + assignment + "/3");
        child.locator("input.written").fill("Rain");
        until(child, () -> !held.isEmpty());
        held.forEach(Route::resume);
        held.clear();
        kept(child);
        child.navigate(base() + "/my/" + assignment + "/1");
        until(child, () -> !held.isEmpty());
        child.getByLabel("Choose: the rain gauge").click();
        held.forEach(Route::resume);
        kept(child);
        child.unroute("**/my/" + assignment + "/answers");
        page(child, 3);
        assertThat(child.locator("input.written").inputValue()).isEqualTo("Rain");
        page(child, 1);
        assertThat(child.getByLabel("Choose: the rain gauge").getAttribute("aria-checked"))
                .isEqualTo("true");
    }

    @Test
    void whatAChildHadBegunToSayWhenHerPageWasClosedIsHeardByHerElsewhereAndByHerTeacher() throws Exception {
        Visitor ines = Visitor.ines(base());
        given(ines, "Broken terns");
        Page child = context(820, 1180).newPage();
        enter(child, ines, ada);
        page(child, 9);
        child.waitForRequest(
                "**/recordings/*/chunks/1*", () -> child.locator(".mic").click());
        child.context().close();
        Page elsewhere = context(390, 844).newPage();
        List<String> sounded = new CopyOnWriteArrayList<>();
        elsewhere.onRequest(request -> sounded.add(request.url()));
        enter(elsewhere, ines, ada);
        until(elsewhere, () -> {
            page(elsewhere, 9);
            return elsewhere.locator(".spoken .broken-off").count() == 1;
        });
        assertThat(elsewhere.locator(".answer .outcome").innerText()).contains("You had begun to say something");
        AccessTest.check(elsewhere, "/l/ what was broken off");
        // After her first press she is told so, and hears it.
        elsewhere.locator("main").click(new Locator.ClickOptions().setPosition(2, 2));
        until(
                elsewhere,
                () -> sounded.stream().anyMatch(url -> url.matches(".*/left_over[^/]*mp3"))
                        && sounded.stream().anyMatch(url -> url.matches(".*/spoken/[^/]*mp3")));
        String question = elsewhere.locator(".answer").first().getAttribute("data-question");
        assertThat(ines.page("/assignments/" + assignment + "/listen")).contains(question);
        assertThat(ines.page("/assignments/" + assignment + "/listen/" + ada + "/" + question))
                .contains("broken off");
        // She leaves it out.
        elsewhere.locator(".broken-off .drop").click();
        kept(elsewhere);
        page(elsewhere, 9);
        assertThat(elsewhere.locator(".spoken li").count()).isZero();
    }

    private String csv(Visitor ines) {
        try {
            return ines.page("/assignments/" + assignment + "/answers.csv");
        } catch (Exception failure) {
            throw new IllegalStateException(failure);
        }
    }

    private boolean isHandedIn(Visitor ines) {
        try {
            return ines.page("/assignments/" + assignment + "/answers").contains("class=\"handed\"");
        } catch (Exception failure) {
            throw new IllegalStateException(failure);
        }
    }

    @Test
    void whatIsHandedInWithoutANetworkGoesByItselfAlsoWhenThePageWasClosed() throws Exception {
        Visitor ines = Visitor.ines(base());
        String line = ines.newLine("What falls from a cloud?");
        ines.putForm("/lines/" + line + "/question/kind", "by", "SHORT_WORDS");
        ines.putForm(
                "/lessons/" + ines.lessonOf(line) + "/answering",
                "layout",
                "ONE",
                "feedback",
                "AT_END",
                "reward",
                "STARS",
                "closes",
                "true");
        for (boolean reloaded : new boolean[] {false, true}) {
            given(ines, "Offline terns " + reloaded, ines.lessonOf(line));
            BrowserContext context = reloaded ? context(390, 844) : context(820, 1180);
            Page child = context.newPage();
            enter(child, ines, ada);
            page(child, 1);
            context.setOffline(true);
            child.locator("input.written").fill("Rain");
            // A slow press: what she typed is on its way before she lets go, and that is said beside the button.
            child.locator("#hand-in").hover();
            child.mouse().down();
            child.waitForSelector("#answer-state[data-state=waiting]");
            child.mouse().up();
            says(child, "#answer-state", "handed in by itself");
            assertThat(ines.page("/assignments/" + assignment + "/answers.csv")).doesNotContain("Rain");
            if (reloaded) {
                child.close();
                context.newPage();
                context.setOffline(false);
                context.pages().get(0).navigate(base() + "/my");
            } else {
                context.setOffline(false);
                says(child, "#answer-state", "Handed in");
                assertThat(child.locator("input.written").isDisabled()).isTrue();
            }
            until(reloaded ? context.pages().get(0) : child, () -> isHandedIn(ines));
            assertThat(ines.page("/assignments/" + assignment + "/answers.csv")).contains("Rain");
        }
    }
}
