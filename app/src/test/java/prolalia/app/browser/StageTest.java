package prolalia.app.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.FrameLocator;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.SelectOption;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

/** From a file to pages whose marks sound: looked over, taken, arranged, and heard by a student. */
class StageTest extends StageBrowsing {
    /** Opens the demo's slides; answers their address. */
    private String bean(Page teacher) {
        openDemoLesson(teacher, "How a bean wakes up");
        return teacher.url().split("#")[0];
    }

    private static void drag(Page page, double fromX, double fromY, double byX, double byY) {
        page.mouse().move(fromX, fromY);
        page.mouse().down();
        page.mouse().move(fromX + byX / 2, fromY + byY / 2);
        page.mouse().move(fromX + byX, fromY + byY);
        page.mouse().up();
    }

    @Test
    void linesAreChosenJoinedCutDrawnLeftOutAndTakenBackByKeysAndPointer() throws Exception {
        Page page = review("Bread", "bakery.pdf");
        Locator rows = page.locator("#lines > li");
        assertThat(rows.count()).isEqualTo(12);
        page.keyboard().press("ArrowDown");
        page.keyboard().press("j");
        changed(page, 1);
        assertThat(rows.nth(1).locator(".words").inputValue())
                .isEqualTo("Rolls cost 2 coins. A loaf costs 7 coins. Listen first. Then circle your answer.");
        Locator words = rows.nth(1).locator(".words");
        words.click();
        words.evaluate("field => field.setSelectionRange(42, 42)");
        page.keyboard().press("Control+Enter");
        changed(page, 2);
        assertThat(rows.nth(2).locator(".words").inputValue()).startsWith("Listen first.");
        page.keyboard().press("Escape");
        page.keyboard().press("x");
        changed(page, 3);
        assertThat(page.locator("#lines > li.out").count()).isEqualTo(1);
        page.keyboard().press("z");
        changed(page, 2);
        var sheet = page.locator("#sheet").boundingBox();
        drag(page, sheet.x + sheet.width * 0.2, sheet.y + sheet.height * 0.7, sheet.width * 0.5, 30);
        changed(page, 3);
        page.keyboard().type("Draw it in the box.");
        page.keyboard().press("Enter");
        changed(page, 4);
        assertThat(page.locator("#lines > li.chosen .words").inputValue()).isEqualTo("Draw it in the box.");
        Locator box = page.locator(".box.chosen .frame");
        double before = box.boundingBox().x;
        drag(page, box.boundingBox().x + 30, box.boundingBox().y + 10, 60, 0);
        changed(page, 5);
        assertThat(page.locator(".box.chosen .frame").boundingBox().x - before).isBetween(50.0, 70.0);
        page.locator("#lines > li.chosen .kind").selectOption("HEADING");
        changed(page, 6);
        page.reload();
        page.waitForSelector(".review[data-changes='6']");
        page.keyboard().press("PageDown");
        page.waitForURL("**/pages/2");
        page.waitForSelector(".review[data-state=open]");
        page.getByText("Leave this page out").click();
        page.waitForSelector("a.left-out[aria-current]");
        take(page);
        assertThat(page.locator(".row-line").count()).isEqualTo(24);
        assertThat(page.locator("#bar").innerText()).contains("0 of 24");
    }

    @Test
    void spotsAreMovedNudgedLinedUpCopiedAndTakenBackAcrossAReload() throws Exception {
        Page page = review("Counter", "bakery.pdf");
        take(page);
        stage(page);
        assertThat(page.locator(".box.spot").count()).isEqualTo(12);
        Locator first = page.locator(".box.spot .frame").first();
        var start = first.boundingBox();
        drag(page, start.x + 15, start.y + 15, 80, 40);
        kept(page, 2);
        var moved = first.boundingBox();
        assertThat(moved.x - start.x).isBetween(70.0, 90.0);
        assertThat(page.locator("#lines li.chosen p").innerText()).isEqualTo("At the bakery counter");
        page.keyboard().press("ArrowLeft");
        kept(page, 3);
        assertThat(first.boundingBox().x).isLessThan(moved.x);
        page.keyboard().press("d");
        kept(page, 4);
        assertThat(page.locator(".box.spot").count()).isEqualTo(13);
        page.keyboard().press("Delete");
        kept(page, 5);
        Locator second = page.locator(".box.spot .frame").nth(1);
        first.click();
        second.click(new Locator.ClickOptions()
                .setModifiers(java.util.List.of(com.microsoft.playwright.options.KeyboardModifier.SHIFT)));
        page.getByText("left edges").click();
        kept(page, 6);
        assertThat(first.boundingBox().x).isCloseTo(second.boundingBox().x, within(1.0));
        page.reload();
        page.waitForSelector(".stage[data-state=open]");
        for (int version = 5; version >= 1; version--) {
            page.keyboard().press("z");
            kept(page, version);
        }
        assertThat(first.boundingBox().x).isCloseTo(start.x, within(1.0));
        page.keyboard().press("y");
        kept(page, 2);
        assertThat(first.boundingBox().x).isCloseTo(moved.x, within(1.0));
    }

    @Test
    void aStudentHearsTheMarkOnThePageAndOnAPhoneTheLineUnderIt() throws Exception {
        Page page = review("Heard", "bean.pptx");
        take(page);
        String lesson = page.url();
        page.locator(".row-line").first().locator(".record-line").click();
        recorderIs(page, "ready");
        page.keyboard().press("Space");
        recordedFor(page, 4);
        page.keyboard().press("Space");
        recorderIs(page, "verdict");
        page.keyboard().press("Enter");
        recorderIs(page, "kept");
        giveLink(page, lesson);
        String link = page.inputValue("#link");
        Page student = context(1280, 800).newPage();
        student.navigate(link);
        Locator mark = student.locator(".board .spot");
        assertThat(mark.count()).as("a silent line has no mark").isEqualTo(1);
        var box = mark.boundingBox();
        assertThat(Math.min(box.width, box.height)).isGreaterThanOrEqualTo(56);
        mark.click();
        student.waitForSelector("#play[aria-pressed=true]");
        assertThat(student.locator("#current").innerText()).startsWith("Look at the picture");
        Page phone = context(390, 844).newPage();
        phone.navigate(link);
        assertThat(phone.locator(".board .spot").isVisible()).isFalse();
        phone.locator(".says .spot").click();
        phone.waitForSelector("#play[aria-pressed=true]");
    }

    private static void change(Page page, Runnable deed) {
        int version = Integer.parseInt(page.getAttribute(".stage", "data-version"));
        deed.run();
        kept(page, version + 1);
    }

    @Test
    void whatStandsOnEveryPageIsThereOnEachAndAPageCanDoOtherwise() throws Exception {
        Page page = review("Every", "bakery.pdf");
        take(page);
        String lesson = page.url().split("#")[0];
        stageOf(page, lesson, "every");
        change(page, () -> page.keyboard().press("p"));
        change(page, () -> page.locator("#thing-lines").selectOption("QUESTION"));
        change(page, () -> page.locator("#of-thing").getByText("thick").click());
        change(page, () -> page.keyboard().press("t"));
        change(page, () -> {
            page.locator("#thing-text").fill("Row A");
            page.keyboard().press("Tab");
        });
        stageOf(page, lesson, 1);
        assertThat(page.locator(".box.here").count()).isEqualTo(2);
        page.locator(".box.here.spot .frame").click();
        assertThat(page.locator("#lines li.chosen p").innerText()).contains("Nadia has 12 coins");
        change(
                page,
                () -> page.locator("#thing-line")
                        .selectOption(new SelectOption().setLabel("Show how you worked it out.")));
        assertThat(page.locator("#lines li.chosen p").innerText()).contains("Show how you worked it out");
        change(page, () -> page.getByText("not on this page").click());
        assertThat(page.locator(".box.here.absent").count()).isEqualTo(1);
        stageOf(page, lesson, 2);
        assertThat(page.locator(".box.here.absent").count())
                .as("no question on this page")
                .isEqualTo(1);
        page.navigate(lesson + "/as-student?page=3");
        FrameLocator student = page.frameLocator("#frame");
        student.getByText("Row A").waitFor();
        page.locator(".sizes").getByText("Phone").click();
        assertThat((Integer) page.frames().get(1).evaluate("() => window.innerWidth"))
                .isEqualTo(390);
    }

    @Test
    void theRuleOfThePageHoldsForItsSpotsUnlessTheySayOtherwise() {
        Page teacher = desk();
        String lesson = bean(teacher);
        giveLink(teacher, lesson);
        String link = teacher.inputValue("#link");
        stageOf(teacher, lesson, 1);
        teacher.getByText("Play rule of this page").click();
        change(teacher, () -> teacher.locator("#page-start").selectOption("ARRIVAL"));
        change(teacher, () -> teacher.locator("#page-most").selectOption("1"));
        teacher.locator(".box.spot .frame").nth(1).click();
        teacher.locator("#of-thing").getByText("Play rule").click();
        assertThat(teacher.locator("#spot-start option").first().innerText()).isEqualTo("as the page: on arrival");
        assertThat(teacher.locator("#spot-volumePercent option").first().innerText())
                .isEqualTo("as usual: 100 %");
        change(teacher, () -> teacher.locator("#spot-start").selectOption("PRESS"));
        change(teacher, () -> teacher.locator("#spot-volumePercent").selectOption("40"));
        assertThat(teacher.locator("#rule-in-short").innerText()).contains("40 %", "once");

        Page student = context(1280, 800).newPage();
        // As browsers do that forbid sound before the first press.
        student.addInitScript("const play = HTMLMediaElement.prototype.play;"
                + "HTMLMediaElement.prototype.play = function () { return navigator.userActivation.hasBeenActive"
                + " ? play.call(this) : Promise.reject(new DOMException('', 'NotAllowedError')); };");
        student.navigate(link);
        Locator start = student.getByLabel("Press here to start");
        start.waitFor();
        start.click();
        student.waitForSelector("#play[aria-pressed=true]");
        assertThat(student.locator("#current").innerText()).startsWith("Look at the picture");
        student.waitForSelector("#play[aria-pressed=false]");
        assertThat(student.locator(".board .spot.spent").count())
                .as("the first was heard once; the second waits for a press")
                .isEqualTo(1);
        student.locator(".board .spot").first().dispatchEvent("click");
        assertThat(student.locator("#play").getAttribute("aria-pressed")).isEqualTo("false");
        student.locator(".board .spot").nth(1).click();
        student.waitForSelector("#play[aria-pressed=true]");
        student.getByLabel("Next page").click();
        student.waitForURL("**/2");
        student.waitForSelector("#play[aria-pressed=false]");
        assertThat(student.locator("#current").innerText())
                .as("turned in place, and the sound stopped with its page")
                .startsWith("The bean drinks");
        student.goBack();
        until(student, () -> student.locator(".board .spot.spent").count() == 2);
        for (int undo = 0; undo < 4; undo++) {
            int version = Integer.parseInt(teacher.getAttribute(".stage", "data-version"));
            teacher.locator("#sheet").focus();
            teacher.keyboard().press("z");
            kept(teacher, version - 1);
        }
    }

    @Test
    void aDirectionIsMadeIntoStepsWithIconsInTheScript() {
        Page page = desk();
        newLesson(page, "Steps", "Listen to the rain. Now draw a cloud.");
        page.locator(".row-line .more").first().click();
        page.getByText("Make steps of its sentences").click();
        page.waitForSelector(".row-line:nth-child(2)");
        assertThat(page.locator(".row-line .step").first().getAttribute("alt")).isEqualTo("Listen");
        assertThat(page.locator(".row-line .step").nth(1).getAttribute("alt")).isEqualTo("Draw");
        page.locator(".row-line .more").nth(1).click();
        page.locator("#line-menu")
                .getByLabel("Write", new Locator.GetByLabelOptions().setExact(true))
                .click();
        page.waitForSelector(".row-line .step[alt=Write]");
        page.locator("#slip [data-deed=undo]").click();
        page.waitForSelector(".row-line .step[alt=Draw]");
    }

    /** Where a word of the first line stands in the window: x, y, width, height. */
    private static double[] placeOf(Page student, String word) {
        Locator line = student.locator(".board li").first();
        String words = line.locator(".words").textContent();
        String[] place = Arrays.stream(line.getAttribute("data-places").split(";"))
                .map(each -> each.split(","))
                .filter(each -> words.startsWith(word, Integer.parseInt(each[0])))
                .findFirst()
                .orElseThrow();
        var board = student.locator(".board").boundingBox();
        double[] share = Arrays.stream(place)
                .skip(2)
                .mapToDouble(each -> Double.parseDouble(each) / 1e5)
                .toArray();
        return new double[] {
            board.x + share[0] * board.width,
            board.y + share[1] * board.height,
            share[2] * board.width,
            share[3] * board.height
        };
    }

    /** Keeps, frame by frame, which words are lit in the bar and where on the page: a word is lit too briefly to be asked for. */
    private static void watchLit(Page student) {
        student.evaluate("""
                () => {
                  window.litSeen = [];
                  const look = () => {
                    const marks = [...document.querySelectorAll('.board .lit-word')].map((each) => each.getBoundingClientRect()).filter((box) => box.width > 0);
                    const bar = [...document.querySelectorAll('#current .lit')].map((each) => each.innerText);
                    if (marks.length === 1 && bar.length <= 1) {
                      window.litSeen.push([bar[0] ?? '', marks[0].x, marks[0].y]);
                    }
                    requestAnimationFrame(look);
                  };
                  look();
                }""");
    }

    private static boolean wasLit(Page student, String word) {
        double[] place = placeOf(student, word);
        return (Boolean) student.evaluate(
                "([word, x, y]) => window.litSeen.some((seen) => seen[0] === word"
                        + " && Math.abs(seen[1] - x) < 3 && Math.abs(seen[2] - y) < 3)",
                List.of(word, place[0], place[1]));
    }

    private static double firstWordX(Page page) {
        return ((Number) page.evaluate(
                        "Number(document.querySelector('#word-boxes .frame')?.getBoundingClientRect().x ?? -1)"))
                .doubleValue();
    }

    @Test
    void aLineIsPressedWhereItStandsAndItsTabIsPlacedAgainAsItWasFound() {
        Page page = desk();
        stageOf(page, bean(page), 1);
        int version = Integer.parseInt(page.getAttribute(".stage", "data-version"));
        Locator tab = page.locator("#things .box.spot").first();
        Locator pressed = page.locator("#things .box.pressed").first();
        var found = tab.locator(".frame").boundingBox();
        var area = pressed.locator(".frame").boundingBox();
        assertThat(area.width).as("the words are pressed").isGreaterThan(5 * found.width);
        drag(page, found.x + found.width / 2, found.y + found.height / 2, 300, 60);
        kept(page, version + 1);
        assertThat(page.locator("#things .box.spot .frame").first().boundingBox().x)
                .isGreaterThan(found.x + 200);
        assertThat(page.locator("#things .box.pressed .frame").first().boundingBox().x)
                .as("the words stay where they are")
                .isCloseTo(area.x, within(1.0));
        page.locator("#sheet").focus();
        page.keyboard().press("f");
        kept(page, version + 2);
        assertThat(page.locator("#things .box.spot .frame").first().boundingBox().x)
                .isCloseTo(found.x, within(1.0));
        page.keyboard().press("w");
        page.waitForSelector("#word-boxes .box");
        double wordX = firstWordX(page);
        page.keyboard().press("Tab");
        page.keyboard().press("Shift+ArrowRight");
        page.getByRole(AriaRole.STATUS).getByText("saved").waitFor();
        page.keyboard().press("Escape");
        until(page, () -> page.locator("#word-boxes .box").count() == 0);
        page.keyboard().press("w");
        page.waitForSelector("#word-boxes .box");
        assertThat(firstWordX(page)).as("a word is moved").isGreaterThan(wordX + 5);
        page.keyboard().press("z");
        page.getByRole(AriaRole.STATUS).getByText("Words moved").waitFor();
        until(page, () -> Math.abs(firstWordX(page) - wordX) < 1);
        page.keyboard().press("Escape");
        for (int undo = 1; undo >= 0; undo--) {
            page.keyboard().press("z");
            kept(page, version + undo);
        }
    }

    @Test
    void theWordsOfALineLightUpOneAfterAnotherAsTheyAreSaid() {
        Page teacher = desk();
        String lesson = bean(teacher);
        giveLink(teacher, lesson);
        String link = teacher.inputValue("#link");
        Page student = context(1280, 800).newPage();
        student.navigate(link);
        until(student, () -> student.locator("#current span").count() == 11);
        assertThat(student.locator("#current .lit").count()).isZero();
        watchLit(student);
        student.getByLabel("Play", new Page.GetByLabelOptions().setExact(true)).click();
        for (String word : new String[] {"Look", "picture.", "seed"}) {
            until(student, () -> wasLit(student, word));
        }
        student.waitForSelector("#play[aria-pressed=false]");
        assertThat(student.locator(".board .lit-word:visible").count()).isZero();
        student.evaluate("() => { window.litSeen.length = 0; }");
        // Pressed again, a word of it is said alone; the next one by a key.
        var word = placeOf(student, "Point");
        student.mouse().click(word[0] + word[2] / 2, word[1] + word[3] / 2);
        until(student, () -> wasLit(student, "Point"));
        student.waitForSelector("#play[aria-pressed=false]");
        student.keyboard().press("ArrowRight");
        until(student, () -> wasLit(student, "to"));
        student.waitForSelector("#play[aria-pressed=false]");
        assertThat(student.url()).isEqualTo(link);
        assertThat(student.locator("#current .lit").count()).isZero();
        assertThat(student.locator("#current").innerText())
                .isEqualTo("Look at the picture. Point to the seed that is awake.");
        String line = student.locator(".spot").first().getAttribute("data-line");
        var captions = student.request().get(link + "/words/" + line + ".vtt");
        assertThat(captions.headers().get("content-type")).startsWith("text/vtt");
        assertThat(captions.text()).startsWith("WEBVTT\n\n00:00:00.").contains(">Point <");
    }
}
