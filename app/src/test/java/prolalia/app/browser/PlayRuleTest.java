package prolalia.app.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Request;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What a student hears under the rules that a teacher set on the stage, in the demo's own slides. */
class PlayRuleTest extends Browsing {
    private Page teacher;
    private String lesson;
    private String link;
    private int undo;

    @BeforeEach
    void open() {
        teacher = desk();
        openDemoLesson(teacher, "How a bean wakes up");
        lesson = teacher.url().split("#")[0];
        giveLink(teacher, lesson);
        link = teacher.inputValue("#link");
        teacher.navigate(lesson + "/pages/1");
        teacher.waitForSelector(".stage[data-state=open]");
        undo = 0;
    }

    /** The other tests find the slides as they were. */
    @AfterEach
    void takeBack() {
        for (; undo > 0; undo--) {
            int version = version();
            teacher.locator("#sheet").focus();
            teacher.keyboard().press("z");
            teacher.waitForSelector(".stage[data-version='" + (version - 1) + "']");
        }
    }

    private int version() {
        return Integer.parseInt(teacher.getAttribute(".stage", "data-version"));
    }

    private void change(Runnable deed) {
        int version = version();
        deed.run();
        teacher.waitForSelector(".stage[data-version='" + (version + 1) + "']");
        undo++;
    }

    private void spotSays(int spot, String part, String value) {
        teacher.locator(".box.spot .frame").nth(spot).click();
        if (!teacher.locator("#spot-start").isVisible()) {
            teacher.locator("#of-thing").getByText("Play rule").click();
        }
        change(() -> teacher.locator("#spot-" + part).selectOption(value));
    }

    private Page student() {
        Page page = context(1280, 800).newPage();
        page.addInitScript(OVERHEARD);
        page.navigate(link);
        page.waitForSelector("#play");
        return page;
    }

    @SuppressWarnings("unchecked")
    private static List<Map<String, Object>> playing(Page student) {
        return (List<Map<String, Object>>)
                student.evaluate(
                        "() => window.sounds.filter((sound) => !sound.paused)"
                                + ".map(({ volume, loop, currentTime }) => ({ volume: volume + 0.0001, loop, currentTime: currentTime + 0.0001 }))");
    }

    private static void hurry(Page student) {
        student.evaluate("() => window.sounds.filter((sound) => !sound.paused)"
                + ".forEach((sound) => { sound.currentTime = sound.duration - 0.3; })");
    }

    private static Locator mark(Page student, int index) {
        return student.locator(".board .spot").nth(index);
    }

    @Test
    void aSpotSoundsAsOftenInARowAsItsRuleSaysAndAsLoud() {
        spotSays(0, "times", "2");
        spotSays(0, "volumePercent", "40");
        Page student = student();
        mark(student, 0).click();
        until(student, () -> playing(student).size() == 1);
        assertThat((Double) playing(student).get(0).get("volume")).isCloseTo(0.4, within(0.01));
        until(student, () -> (Double) playing(student).get(0).get("currentTime") > 0.5);
        hurry(student);
        until(student, () -> {
            var now = playing(student);
            return now.size() == 1 && (Double) now.get(0).get("currentTime") < 0.5;
        });
        hurry(student);
        student.waitForSelector("#play[aria-pressed=false]");
        until(student, () -> playing(student).isEmpty());
    }

    @Test
    void aSoundThatGoesOnIsHeardOnTheNextPageUntilAnotherOneBegins() {
        spotSays(0, "stopOnLeaving", "false");
        Page student = student();
        mark(student, 0).click();
        until(student, () -> playing(student).size() == 1);
        student.getByLabel("Next page").click();
        student.waitForURL("**/2");
        assertThat(playing(student)).as("it goes on").hasSize(1);
        assertThat(student.getAttribute("#play", "aria-pressed"))
                .as("the page's own line waits")
                .isEqualTo("false");
        mark(student, 0).click();
        student.waitForSelector("#play[aria-pressed=true]");
        assertThat(playing(student)).as("only one sound at a time").hasSize(1);
    }

    @Test
    void aBackgroundGoesOnUnderSpeechMoreQuietlyAndEndsWithItsPage() {
        spotSays(1, "underSpeech", "true");
        spotSays(1, "times", "0");
        Page student = student();
        mark(student, 1).click();
        until(student, () -> playing(student).size() == 1);
        assertThat(playing(student).get(0)).containsEntry("loop", true);
        assertThat(mark(student, 1).getAttribute("class")).contains("on");
        assertThat(student.locator("#current").innerText())
                .as("the line in hand is still the one that is spoken")
                .startsWith("Look at the picture");
        mark(student, 0).click();
        until(student, () -> playing(student).size() == 2);
        until(
                student,
                () -> playing(student).stream()
                        .map(sound -> Math.round((Double) sound.get("volume") * 10))
                        .sorted()
                        .toList()
                        .equals(List.of(3L, 10L)));
        mark(student, 1).click();
        until(student, () -> playing(student).size() == 1);
        mark(student, 1).click();
        until(student, () -> playing(student).size() == 2);
        student.getByLabel("Next page").click();
        student.waitForURL("**/2");
        until(student, () -> playing(student).isEmpty());
    }

    @Test
    void thingsOfTheStageAreSeenAsTheyWereDressedAndAWayBackLeadsWhereTheChildCameFrom() {
        teacher.locator(".box.spot .frame").first().click();
        change(() -> teacher.locator("#of-thing .tints label.sea").click());
        change(() -> {
            teacher.locator("#thing-label").fill("press me");
            teacher.keyboard().press("Tab");
        });
        teacher.locator("#sheet").focus();
        teacher.keyboard().press("Escape");
        change(() -> teacher.keyboard().press("j"));
        change(() -> teacher.locator("#thing-page").selectOption("back"));
        change(() -> {
            teacher.locator("#jump-words").fill("Go back");
            teacher.keyboard().press("Tab");
        });
        change(() -> teacher.getByText("A page to look at first").click());
        Page student = student();
        assertThat(student.locator(".board .label").innerText()).isEqualTo("press me");
        assertThat(mark(student, 0).getAttribute("class")).contains("tint-sea");
        assertThat(student.locator(".example").innerText()).contains("An example");
        student.navigate(link + "/3");
        student.getByLabel("Page before").click();
        student.waitForURL("**/2");
        student.getByLabel("Page before").click();
        student.waitForURL("**/1");
        student.getByLabel("Go back").click();
        student.waitForURL("**/2");
    }

    @Test
    void whenTheNextPageDoesNotComeTheChildKeepsThisOneAndCanPressAgain() {
        Page student = student();
        mark(student, 0).click();
        student.waitForSelector("#play[aria-pressed=true]");
        student.route("**/2", route -> route.abort());
        // What was fetched ahead would do: the child is faster than that.
        student.reload();
        student.waitForSelector("#play");
        student.getByLabel("Next page").click();
        says(student, "#trouble", "Press the arrow once more");
        assertThat(student.locator("#current").innerText()).startsWith("Look at the picture");
        student.unroute("**/2");
        student.getByLabel("Next page").click();
        student.waitForURL("**/2");
    }

    @Test
    void theNextPageIsThereBeforeItIsAskedFor() {
        Page student = context(1280, 800).newPage();
        List<String> asked = new java.util.concurrent.CopyOnWriteArrayList<>();
        student.onRequest((Request request) -> asked.add(request.url()));
        student.navigate(link);
        until(student, () -> asked.stream().anyMatch(url -> url.endsWith("/2")));
        until(student, () -> asked.stream().filter(url -> url.endsWith(".mp3")).count() >= 3);
        long before = asked.stream().filter(url -> url.endsWith("/2")).count();
        student.getByLabel("Next page").click();
        student.waitForURL("**/2");
        assertThat(asked.stream().filter(url -> url.endsWith("/2")).count()).isEqualTo(before);
    }
}
