package prolalia.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import prolalia.app.web.Visitor;

/** A child answers by ear alone: choosing, typing, ordering, joining, pressing, speaking and drawing; and by keys alone. */
class AnsweringTest extends Browsing {
    private String classId;
    private String door;
    private String ada;
    private String assignment;

    private void given(Visitor ines, String name) throws Exception {
        given(ines, name, Visitor.first(ines.page("/"), "href=\"/lessons/([^\"]+)\">\\s*<b>Weather tools"));
    }

    private void given(Visitor ines, String name, String form) throws Exception {
        classId = Visitor.newClass(ines, name);
        ines.form("/classes/" + classId + "/students", "names", "Ada\nBo");
        ada = Visitor.first(ines.page("/classes/" + classId), "/students/([^\"]+)\"");
        door = Visitor.first(ines.page("/classes/" + classId + "/door"), "/door/([\\w-]{20,})\"");
        String query =
                ines.form("/lessons/" + form + "/give", "to", classId).uri().getQuery();
        assignment = Visitor.first(query, "given=([^&]+)");
    }

    private void enter(Page child, Visitor ines, String student) throws Exception {
        child.navigate(base() + "/door/" + door + "/" + student);
        for (String picture : Visitor.key(ines, classId, student).split(" ")) {
            child.locator("[data-picture=" + picture + "]").click();
        }
        child.waitForURL("**/my");
    }

    private void page(Page child, int number) {
        child.navigate(base() + "/my/" + assignment + "/" + number);
        child.waitForSelector(".answers-here");
    }

    private static void kept(Page child) {
        child.waitForSelector(
                "#answer-state[data-state=saved]",
                new Page.WaitForSelectorOptions().setState(WaitForSelectorState.ATTACHED));
    }

    private static Locator end(Page child, String words) {
        return child.locator(".pairs li:has(.words:text-is(\"" + words + "\")) .end");
    }

    @Test
    void aChildAnswersEveryKindOfQuestionOnATabletAndHearsWhatIsRight() throws Exception {
        Visitor ines = Visitor.ines(base());
        given(ines, "Swifts");
        Page child = context(820, 1180).newPage();
        enter(child, ines, ada);
        page(child, 1);
        AccessTest.check(child, "/l/ a choice");
        assertThat(child.locator(".says .words").allInnerTexts())
                .contains("Which tool tells how warm it is?", "the thermometer")
                .doesNotContain("Which tools tell about the wind?");
        Locator gauge = child.getByLabel("Choose: the rain gauge");
        child.waitForRequest("**/you_chose*.mp3", gauge::click);
        assertThat(gauge.getAttribute("aria-checked")).isEqualTo("true");
        BoundingBox ring = gauge.boundingBox();
        assertThat(Math.min(ring.width, ring.height)).isGreaterThanOrEqualTo(56);
        kept(child);
        child.locator("[data-turn=next]").click();
        child.waitForSelector("text=Which tools tell about the wind?");
        child.getByLabel("Choose: the wind sock").click();
        child.getByLabel("Choose: the weather vane").click();
        child.getByLabel("Choose: the umbrella").click();
        child.getByLabel("Choose: the umbrella").click();
        kept(child);
        page(child, 3);
        child.locator("input.written").fill("Rain drips");
        // The words that her teacher says somewhere in the lesson are said to her.
        child.waitForRequest("**/sound/*.mp3", () -> child.locator(".read-back").click());
        assertThat(child.locator(".said-back .unsaid").allInnerTexts()).containsExactly("drips");
        child.locator("input.written").fill("Rain");
        kept(child);
        page(child, 4);
        child.locator("input.written").fill("7,0 cm");
        kept(child);
        page(child, 5);
        AccessTest.check(child, "/l/ an order");
        String[] order = {"freezing", "cool", "warm", "hot"};
        for (int wanted = 0; wanted < order.length; wanted++) {
            Locator row = child.locator(".order li:has-text(\"" + order[wanted] + "\")");
            while (child.locator(".order li .words").allInnerTexts().indexOf(order[wanted]) > wanted) {
                row.locator("[data-by='-1']").click();
            }
        }
        kept(child);
        page(child, 6);
        AccessTest.check(child, "/l/ pairs");
        String[][] pairs = {
            {"thermometer", "how warm"}, {"rain gauge", "how much rain"}, {"wind sock", "where the wind blows"}
        };
        for (String[] pair : pairs) {
            end(child, pair[0]).click();
            end(child, pair[1]).click();
        }
        assertThat(child.locator(".strings path").count()).isEqualTo(3);
        kept(child);
        page(child, 7);
        BoundingBox board = child.locator(".board").boundingBox();
        child.mouse().click(board.x + board.width * 0.74, board.y + board.height * 0.25);
        kept(child);
        page(child, 8);
        AccessTest.check(child, "/l/ a free answer");
        child.locator("textarea.written").fill("Wind, for my kite.");
        kept(child);
        page(child, 9);
        child.locator(".mic").click();
        child.waitForSelector(".mic[aria-pressed=true]");
        // Something is said: the sound of a microphone's file.
        until(
                child,
                () -> Double.parseDouble(child.locator(".mic")
                                .evaluate("mic => mic.style.getPropertyValue('--left') || '100'")
                                .toString())
                        < 98.5);
        child.locator(".mic").click();
        child.waitForSelector(".spoken .piece .ink[d^=M]");
        AccessTest.check(child, "/l/ a spoken answer");
        child.waitForRequest("**/spoken/*.mp3", () -> child.locator(".piece").click());
        kept(child);
        page(child, 10);
        BoundingBox sheet = child.locator(".sheet").boundingBox();
        child.mouse().move(sheet.x + 40, sheet.y + 40);
        child.mouse().down();
        child.mouse().move(sheet.x + 200, sheet.y + 90);
        child.mouse().up();
        kept(child);
        assertThat(child.locator(".sheet path").count()).isEqualTo(1);
        page(child, 11);
        child.locator("#hand-in").click();
        until(child, () -> !child.locator("#answer-state").innerText().isBlank());
        assertThat(child.locator("#answer-state").innerText()).isEqualTo("Handed in");
        child.waitForSelector("#stars[aria-label='4 of 5 stars'], #stars[aria-label='3 of 5 stars']");
        page(child, 1);
        assertThat(child.locator(".answer").getAttribute("data-outcome")).isEqualTo("WRONG");
        assertThat(child.locator(".outcome").innerText()).isEqualTo("The rain gauge holds rain.");
        String answers = "/assignments/" + assignment + "/answers";
        String row = Visitor.first(ines.page(answers), "(?s)<tr[^>]*>((?:(?!</tr>).)*Ada.*?)</tr>");
        assertThat(row).contains("question 1: wrong", "question 8: to be heard");
        for (int right = 2; right <= 7; right++) {
            assertThat(row).contains("question " + right + ": right");
        }
        Page teacher = desk();
        teacher.navigate(base() + answers);
        AccessTest.check(teacher, "answers of a class");
        teacher.locator("[aria-label^='Ada, question 9']").click();
        teacher.waitForSelector(".opened-answer");
        AccessTest.check(teacher, "an answer");
        teacher.locator(".give-points input[name=points]").fill("2");
        teacher.locator(".give-points button").click();
        teacher.waitForSelector("text=said by Ines Faro");
        teacher.keyboard().press("Escape");
        teacher.waitForSelector("[aria-label='Ada, question 9: right']");
        ines.form("/classes/" + classId + "/remove");
    }

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
        assertThat(next.evaluate("() => JSON.parse(localStorage.getItem('outbox')).map((each) => each.owner)")
                        .toString())
                .contains(ada)
                .doesNotContain(bo);
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

    private String csv(Visitor ines) {
        try {
            return ines.page("/assignments/" + assignment + "/answers.csv");
        } catch (Exception failure) {
            throw new IllegalStateException(failure);
        }
    }

    @Test
    void everythingIsAnsweredByKeysAlone() throws Exception {
        Visitor ines = Visitor.ines(base());
        given(ines, "Swallows");
        Page child = context(1024, 768).newPage();
        enter(child, ines, ada);
        page(child, 1);
        child.getByLabel("Choose: the thermometer").focus();
        child.keyboard().press("ArrowDown");
        child.keyboard().press(" ");
        assertThat(child.getByLabel("Choose: the rain gauge").getAttribute("aria-checked"))
                .isEqualTo("true");
        page(child, 5);
        child.locator(".order li").nth(1).locator("[data-by='-1']").focus();
        String second = child.locator(".order li .words").nth(1).innerText();
        child.keyboard().press("Enter");
        assertThat(child.locator(".order li .words").first().innerText()).isEqualTo(second);
        page(child, 7);
        child.locator(".board").focus();
        child.keyboard().press("ArrowRight");
        child.keyboard().press("Enter");
        assertThat(child.locator(".pressed").count()).isEqualTo(1);
        page(child, 11);
        child.locator("#hand-in").focus();
        child.keyboard().press("Enter");
        child.waitForURL("**/my/*/2");
        ines.form("/classes/" + classId + "/remove");
    }

    @Test
    void aSheetOfManyQuestionsBeginsAtItsTopAndHasAsManyTriesAsItsTeacherSaid() throws Exception {
        Visitor ines = Visitor.ines(base());
        String line = ines.newLine("Choose well.");
        String lesson = ines.lessonOf(line);
        String asked = "1. Which is warm?\n*a) the sun\nb) the moon\n".repeat(6);
        ines.form("/lessons/" + lesson + "/paste", "text", asked, "page", "1");
        ines.putForm(
                "/lessons/" + lesson + "/answering",
                "layout",
                "SHEET",
                "feedback",
                "EACH",
                "reward",
                "STARS",
                "tries",
                "1",
                "seconds",
                "60");
        given(ines, "Larks", lesson);
        Page child = context(820, 1180).newPage();
        enter(child, ines, ada);
        page(child, 1);
        assertThat(child.locator(".pick").count()).isEqualTo(12);
        assertThat(child.locator(".says li").first().boundingBox().y)
                .isGreaterThan(child.locator("#home").boundingBox().y
                        + child.locator("#home").boundingBox().height);
        child.getByLabel("Choose: the moon").first().click();
        kept(child);
        child.locator(".check").first().click();
        says(child, ".outcome", "No more tries");
        ines.form("/classes/" + classId + "/remove");
    }

    @Test
    void onAPaperWhatIsChosenIsRingedAndABoxIsDrawnInWithPensThatComeWithIt() throws Exception {
        Visitor ines = Visitor.ines(base());
        given(ines, "Dippers", Visitor.first(ines.page("/"), "href=\"/lessons/([^\"]+)\">\\s*<b>At the bakery"));
        Page child = context(820, 1180).newPage();
        enter(child, ines, ada);
        page(child, 1);
        Locator three = child.getByLabel("Choose: three").first();
        three.click();
        kept(child);
        assertThat(three.getAttribute("aria-checked")).isEqualTo("true");
        Locator box = child.locator(".board .answer-area");
        assertThat(box.locator(".act:visible").count()).as("the place alone").isLessThanOrEqualTo(1);
        BoundingBox sheet = box.locator(".sheet").boundingBox();
        child.mouse().move(sheet.x + 10, sheet.y + 10);
        child.mouse().down();
        child.mouse().move(sheet.x + 90, sheet.y + 30);
        child.mouse().up();
        kept(child);
        assertThat(box.locator(".sheet path").count()).isEqualTo(1);
        assertThat(box.locator(".pen").first().isVisible()).isTrue();
        box.locator("[data-pen=undo]").click();
        assertThat(box.locator(".sheet path").count()).isZero();
        three.focus();
        assertThat(box.locator(".pen").first().isVisible()).isFalse();
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
        enter(elsewhere, ines, ada);
        until(elsewhere, () -> {
            page(elsewhere, 9);
            return elsewhere.locator(".spoken .broken-off").count() == 1;
        });
        assertThat(elsewhere.locator(".answer .outcome").innerText()).contains("You had begun to say something");
        AccessTest.check(elsewhere, "/l/ what was broken off");
        elsewhere.waitForRequest(
                "**/spoken/*.mp3", () -> elsewhere.locator(".broken-off .piece").click());
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
            BrowserContext context = context(820, 1180);
            Page child = context.newPage();
            enter(child, ines, ada);
            page(child, 1);
            context.setOffline(true);
            child.locator("input.written").fill("Rain");
            child.locator("#hand-in").click();
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
