package prolalia.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ReducedMotion;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Every page passes axe, at every size it is made for, and nothing on it is refused by its own policy. */
class AccessTest extends Browsing {
    private static final List<String> RULES = List.of("wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa");

    private static final String AXE = axe();

    private static final List<String> RULES_OF_SIZE = List.of("color-contrast", "target-size");

    /** Deque's axe-core, as its Java package ships it. */
    private static String axe() {
        try (var script = AxeBuilder.class.getResourceAsStream("/axe.min.js")) {
            return new String(script.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException failure) {
            throw new UncheckedIOException(failure);
        }
    }

    static void check(Page page, String name) {
        boolean onADesk = page.viewportSize().width == 1280;
        check(page, name, onADesk ? RULES : RULES_OF_SIZE);
        if (onADesk && !name.contains("/l/")) {
            page.setViewportSize(768, 1024);
            check(page, name + " at 768", RULES_OF_SIZE);
            page.setViewportSize(320, 640);
            check(page, name + " at 320", List.of("target-size"));
            page.setViewportSize(1280, 800);
        }
    }

    private static void check(Page page, String name, List<String> rules) {
        // A colour that is still changing is no colour to be judged.
        page.emulateMedia(new Page.EmulateMediaOptions().setReducedMotion(ReducedMotion.REDUCE));
        if ((Boolean) page.evaluate("typeof axe === 'undefined'")) {
            page.evaluate(AXE);
        }
        // What a page is doesn't change with its size: its colours and how large its buttons are may.
        Object violations = page.evaluate("""
                ([type, values]) => axe.run(document, {
                  runOnly: { type, values }, rules: type === 'tag' ? { 'label-content-name-mismatch': { enabled: true } } : {}, resultTypes: ['violations'], preload: false, iframes: false,
                }).then((result) => result.violations.map((rule) =>
                  `${rule.id}: ${rule.help} ${rule.nodes.slice(0, 3).map((node) => node.html)}`))""", List.of(rules == RULES ? "tag" : "rule", rules));
        assertThat(violations).as(name).isEqualTo(List.of());
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
        page.navigate(base() + "/");
        check(page, "desk");
        page.getByText("How a bean wakes up").first().click();
        page.waitForSelector(".row-line");
        page.locator(".tally-fold summary").click();
        check(page, "script");
        page.locator(".more").first().click();
        check(page, "menu of a line");
        page.keyboard().press("Escape");
        page.locator(".more").first().click();
        page.getByText("Work on its sound").click();
        page.waitForSelector(".bench[data-state=open]");
        check(page, "bench");
        page.keyboard().press("Escape");
        page.waitForSelector(".lesson[data-ready]");
        page.locator(".more").first().click();
        page.getByText("When its words light up").click();
        page.waitForSelector(".word");
        check(page, "words that light up");
        page.keyboard().press("Escape");
        page.waitForSelector(".lesson[data-ready]");
        page.getByText("Or read…").click();
        check(page, "what to read");
        page.keyboard().press("Escape");
        page.getByText("Paste many lines").click();
        check(page, "paste");
        page.goBack();
        page.waitForSelector(".lesson[data-ready]");
        page.locator(".record-line").last().click();
        recorderIs(page, "ready");
        check(page, "recorder");
        page.keyboard().press("Escape");
        page.waitForSelector(".row-line");
        page.locator("#dock .go").click();
        recorderIs(page, "ready");
        check(page, "prompter");
        checkPhone(page);
        page.keyboard().press("Escape");
        page.waitForSelector(".row-line");
        giveLink(page);
        check(page, "give out");
        page.getByText("Give it to a class").click();
        check(page, "give to a class");
        page.getByText("Colleagues", new Page.GetByTextOptions().setExact(true)).click();
        check(page, "people of a lesson");
        checkElsewhere(page);
        checkLibrary(page);
        checkPages(page);
        page.navigate(base() + "/microphone");
        page.waitForSelector(".microphone-check[data-state=ready]");
        check(page, "microphone check");
        page.getByText("School", new Page.GetByTextOptions().setExact(true)).click();
        check(page, "school");
        for (String at : new String[] {"/school/people", "/school/log", "/you", "/classes"}) {
            page.navigate(base() + at);
            check(page, at);
        }
        page.getByText("Terns", new Page.GetByTextOptions().setExact(true)).click();
        check(page, "a class");
        String terns = page.url();
        for (String at : new String[] {"/today", "/given", "/groups", "/door", "/settings", "/roster"}) {
            page.navigate(terns + at);
            check(page, "a class" + at);
        }
        page.navigate(terns);
        page.locator(".child").first().click();
        page.waitForSelector(".what-hears");
        check(page, "a student");
        page.navigate(base() + "/lessons/nowhere");
        check(page, "not here");
        assertThat(refused).isEmpty();
    }

    private void checkElsewhere(Page page) {
        page.getByText("From elsewhere").click();
        page.waitForSelector("#landing");
        check(page, "from elsewhere");
        page.setInputFiles("#files", voice("bean-1a"));
        page.waitForSelector(".split[data-state=open]");
        check(page, "split");
        page.goBack();
        page.setInputFiles("#files", new java.nio.file.Path[] {voice("bean-1a"), voice("bean-1b")});
        page.waitForSelector(".match");
        check(page, "many files");
    }

    private void checkPages(Page page) {
        page.navigate(base() + "/bring-in-lesson");
        page.waitForSelector("#landing");
        check(page, "bring back");
        page.navigate(base() + "/");
        // Under a name of its own: other tests look for the demo's by its title.
        page.getByLabel("What is it about?").fill("Looked at");
        page.getByText("Bring in slides or papers").click();
        page.waitForSelector("#landing");
        check(page, "bring in");
        page.setInputFiles("#files", paper("bakery.pdf"));
        page.waitForSelector(".review[data-state=open]");
        check(page, "review");
        page.locator("#take").click();
        page.waitForSelector(".lesson[data-ready]");
        page.getByText("Pages", new Page.GetByTextOptions().setExact(true)).click();
        page.waitForSelector(".stage[data-state=open]");
        page.keyboard().press("l");
        page.waitForSelector("#of-thing:not([hidden])");
        check(page, "stage");
        page.getByText("Paths", new Page.GetByTextOptions().setExact(true)).click();
        page.waitForSelector("svg.ways");
        check(page, "paths");
    }

    private static Path paper(String name) {
        try (var in = AccessTest.class.getResourceAsStream("/demo/" + name)) {
            Path file = Files.createTempDirectory("paper").resolve(name);
            Files.write(file, in.readAllBytes());
            return file;
        } catch (IOException failure) {
            throw new UncheckedIOException(failure);
        }
    }

    private void checkLibrary(Page page) {
        page.navigate(base() + "/library");
        check(page, "library");
        String line = page.locator("#takes .says a").first().getAttribute("href");
        page.navigate(base() + "/library?for=" + line.replaceFirst(".*#line-", ""));
        check(page, "library for a line");
        page.navigate(base() + "/library/standing");
        page.waitForSelector(".lesson[data-ready]");
        check(page, "standing lines");
    }

    private void checkPhone(Page computer) {
        computer.click("#use-phone");
        computer.waitForSelector(".phone-code .code");
        check(computer, "prompter with a code");
        String link = computer.locator(".phone-code code").textContent().replaceFirst("https?://[^/]+", base());
        Page phone = context(390, 844).newPage();
        phone.navigate(link);
        recorderIs(phone, "ready");
        check(phone, "phone", RULES);
        phone.navigate(base() + "/phone/nowhere");
        check(phone, "phone too late", RULES);
        computer.click("#take-back");
        recorderIs(computer, "ready");
    }

    private static String link(Page teacher, String lesson) {
        teacher.navigate(teacher.url().replaceFirst("(https?://[^/]+/).*", "$1"));
        teacher.getByText(lesson).first().click();
        giveLink(teacher);
        return teacher.inputValue("#link");
    }

    @Test
    void studentsPages() {
        Page teacher = desk();
        String link = link(teacher, "How a bean wakes up");
        String worksheet = link(teacher, "At the bakery counter");
        for (int[] size : new int[][] {{1280, 800}, {768, 1024}, {390, 844}}) {
            Page student = context(size[0], size[1]).newPage();
            for (String page :
                    List.of(link, link + "/2", link + "/3", worksheet, worksheet + "/2", base() + "/l/nowhere")) {
                student.navigate(page);
                check(student, page + " at " + size[0]);
                assertThat(student.evaluate("""
                                [...document.querySelectorAll('button, a, input')].filter((thing) => {
                                  const box = thing.getBoundingClientRect();
                                  // What is pressed on its own words is as high as the paper's spacing allows.
                                  const least = thing.matches('.on-words') ? 24 : 56;
                                  return box.width > 0 && (box.width < least || box.height < least);
                                }).map((thing) => thing.outerHTML)""")).as("targets of 56 px").isEqualTo(List.of());
            }
        }
    }
}
