package prolalia.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Page;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Every page passes axe, at every size it is made for, and nothing on it is refused by its own policy. */
class AccessTest extends Browsing {
    private static final List<String> RULES = List.of("wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa");

    private static void check(Page page, String name) {
        var violations = new AxeBuilder(page).withTags(RULES).analyze().getViolations();
        assertThat(violations)
                .as(name)
                .extracting(rule -> rule.getId() + ": " + rule.getHelp() + " "
                        + rule.getNodes().stream()
                                .limit(3)
                                .map(node -> node.getHtml())
                                .toList())
                .isEmpty();
        assertThat((Boolean) page.evaluate("document.documentElement.scrollWidth <= innerWidth"))
                .as(name + " is not wider than the screen")
                .isTrue();
    }

    @Test
    void teachersPages() {
        Page page = context(1280, 800).newPage();
        List<String> refused = new java.util.ArrayList<>();
        page.onConsoleMessage(message -> {
            if (message.text().contains("Content Security Policy")) {
                refused.add(message.text());
            }
        });
        page.navigate(base() + "/sign-in");
        check(page, "sign-in");
        page.getByText("Enter as Ines Faro").click();
        for (int[] size : new int[][] {{1280, 800}, {768, 1024}}) {
            page.setViewportSize(size[0], size[1]);
            page.navigate(base() + "/");
            check(page, "desk");
            page.getByText("How a bean wakes up").first().click();
            page.waitForSelector(".row-line");
            check(page, "script");
            page.getByText("Paste many lines").click();
            check(page, "paste");
            page.goBack();
            page.waitForSelector(".row-line");
            page.locator(".record-line").last().click();
            recorderIs(page, "ready");
            check(page, "recorder");
            page.keyboard().press("Escape");
            page.waitForSelector(".row-line");
            page.locator("#dock a").click();
            recorderIs(page, "ready");
            check(page, "prompter");
            page.keyboard().press("Escape");
            page.waitForSelector(".row-line");
            page.getByText("Give out").click();
            check(page, "give out");
            page.navigate(base() + "/microphone");
            page.waitForSelector(".microphone-check[data-state=ready]");
            check(page, "microphone check");
            page.getByText("School", new Page.GetByTextOptions().setExact(true)).click();
            check(page, "school");
            page.navigate(base() + "/lessons/nowhere");
            check(page, "not here");
        }
        assertThat(refused).isEmpty();
    }

    @Test
    void studentsPages() {
        Page teacher = desk();
        teacher.getByText("How a bean wakes up").first().click();
        teacher.getByText("Give out").click();
        String link = teacher.inputValue("#link");
        for (int[] size : new int[][] {{1280, 800}, {768, 1024}, {390, 844}}) {
            Page student = context(size[0], size[1]).newPage();
            for (String page : List.of(link, link + "/2", link + "/3", base() + "/l/nowhere")) {
                student.navigate(page);
                check(student, page + " at " + size[0]);
                assertThat(student.evaluate("""
                                [...document.querySelectorAll('button, a, input')].filter((thing) => {
                                  const box = thing.getBoundingClientRect();
                                  return box.width > 0 && (box.width < 56 || box.height < 56);
                                }).map((thing) => thing.outerHTML)""")).as("targets of 56 px").isEqualTo(List.of());
            }
        }
    }
}
