package prolalia.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import org.junit.jupiter.api.Test;
import prolalia.app.web.Visitor;

/** A child answers by ear alone: choosing, typing, ordering, joining, pressing, speaking and drawing; and by keys alone. */
class AnsweringTest extends ChildBrowsing {
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
        given(
                ines,
                "Dippers",
                Visitor.first(ines.page("/?all=true"), "href=\"/lessons/([^\"]+)\">\\s*<b>At the bakery"));
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
}
