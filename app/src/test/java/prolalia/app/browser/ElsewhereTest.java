package prolalia.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

/** Recordings made elsewhere, as a teacher brings them in: chosen, looked at, drawn to their places, taken. */
class ElsewhereTest extends Browsing {
    private static final String SCRIPT = """
            A bean sleeps in the dry soil until the rain comes.

            The bean drinks and drinks until its coat splits.

            Which part comes out of the seed first?

            the root
            """;

    /** A lesson with these lines, at the place where recordings come in. */
    private Page elsewhere(String title, String script) {
        Page page = desk();
        newLesson(page, title, "");
        page.getByText("Paste many lines").click();
        page.fill("#text", script);
        page.getByText("Bring in these lines").click();
        page.waitForSelector(".lesson[data-ready]");
        page.getByText("From elsewhere").click();
        page.waitForSelector("#landing");
        return page;
    }

    private static Path file(String name, byte[] content) throws Exception {
        return Files.write(Files.createTempDirectory("elsewhere").resolve(name), content);
    }

    private static Locator row(Page page, String words) {
        return page.locator(".split-line", new Page.LocatorOptions().setHasText(words));
    }

    @Test
    void aLongRecordingIsSeenOnItsLinesDrawnByPointerAndKeysAndTaken() throws Exception {
        Page page = elsewhere("Read on my phone", SCRIPT);
        Path file = file("on my phone.wav", readAloud(0.9, "bean-1b", "bean-2a", "bean-2b", "bean-2c"));
        page.setInputFiles("#files", file);
        page.waitForSelector(".split[data-state=open]");
        assertThat(page.locator("#found").innerText()).contains("4 of 4 lines found");

        Locator second = row(page, "drinks and drinks");
        Locator end = second.locator(".boundary[data-end=end]");
        double before = Double.parseDouble(second.getAttribute("data-end-ms"));
        BoundingBox box = end.boundingBox();
        page.mouse().move(box.x + box.width / 2, box.y + 20);
        page.mouse().down();
        page.mouse().move(box.x - 40, box.y + 20);
        page.mouse().up();
        second.getByText("As found").waitFor();
        double dragged = Double.parseDouble(second.getAttribute("data-end-ms"));
        assertThat(dragged).isLessThan(before - 100);
        end.focus();
        page.keyboard().press("ArrowRight");
        page.keyboard().press("ArrowRight");
        until(page, () -> Double.parseDouble(second.getAttribute("data-end-ms")) == dragged + 20);
        // It holds across a reload, and can be put back.
        page.waitForResponse(
                response -> response.url().endsWith("/place"),
                () -> page.keyboard().press("ArrowLeft"));
        page.reload();
        page.waitForSelector(".split[data-state=open]");
        assertThat(Double.parseDouble(second.getAttribute("data-end-ms"))).isEqualTo(dragged + 10);
        second.getByText("As found").click();
        until(page, () -> Double.parseDouble(second.getAttribute("data-end-ms")) == before);

        // By keys alone: down to the third line, heard, left out.
        page.keyboard().press("ArrowDown");
        Locator third = row(page, "Which part");
        third.focus();
        page.keyboard().press("Space");
        until(page, () -> third.locator(".hear").getAttribute("aria-pressed").equals("true"));
        until(page, () -> third.locator(".hear").getAttribute("aria-pressed").equals("false"));
        page.keyboard().press("x");
        third.getByText("Left out.").waitFor();

        page.keyboard().press("Enter");
        until(page, () -> page.locator(".split-line.taken").count() == 3);
        page.waitForSelector("#dock >> text=3 taken");
        page.keyboard().press("Escape");
        page.waitForSelector(".lesson[data-ready]");
        assertThat(page.locator("#bar").innerText()).contains("3 of 4 voiced", "1 silent");
    }

    @Test
    void whatTheProgramIsNotSureOfIsMarkedAndOnlyTheCertainOnesCanBeTaken() throws Exception {
        Page page = elsewhere("Read on my phone, another order", SCRIPT);
        page.setInputFiles("#files", file("order.wav", readAloud(0.9, "bean-2c", "bean-2b", "bean-2a", "bean-1b")));
        page.waitForSelector(".split[data-state=open]");
        until(page, () -> page.locator(".split-line.uncertain").count() > 0);
        assertThat(page.locator(".split-line.uncertain .margin-mark svg")
                        .first()
                        .getAttribute("aria-label"))
                .isEqualTo("uncertain");
        // Where the teacher puts a boundary, there is no doubt any more.
        Locator first = page.locator(".split-line.uncertain").first();
        String id = first.getAttribute("id");
        first.locator(".boundary[data-end=start]").focus();
        page.keyboard().press("ArrowRight");
        until(
                page,
                () -> !page.locator("[id='" + id + "']").getAttribute("class").contains("uncertain"));
    }

    @Test
    void aFileThatIsNoSoundSaysSoAndTheRecordingsBeforeItAreStillThere() throws Exception {
        Page page = elsewhere("Not a recording", SCRIPT);
        page.setInputFiles("#files", file("shopping.mp3", "two beans".getBytes()));
        page.waitForSelector(".leaf [role=alert]:visible");
        assertThat(page.locator(".leaf").innerText()).contains("shopping.mp3", "not a sound or video file");
        page.getByText("Take another file").click();
        assertThat(page.locator(".earlier").innerText()).contains("shopping.mp3", "can't be split");
        page.locator(".earlier").getByText("Put away").click();
        page.waitForSelector(
                ".earlier",
                new Page.WaitForSelectorOptions()
                        .setState(com.microsoft.playwright.options.WaitForSelectorState.DETACHED));
        // And the next one can come in.
        page.setInputFiles("#files", voice("bean-1b"));
        page.waitForSelector(".split[data-state=open]");
    }

    @Test
    void manyFilesAreMatchedCorrectedAndTaken() throws Exception {
        Page page = elsewhere("Many files", SCRIPT);
        Path folder = Files.createTempDirectory("many");
        Path[] files = {
            Files.copy(voice("bean-1b"), folder.resolve("1.wav")),
            Files.copy(voice("bean-2a"), folder.resolve("2.wav")),
            Files.copy(voice("bean-2c"), folder.resolve("the root.wav")),
            Files.copy(voice("bean-2d"), folder.resolve("root, again.wav")),
            Files.writeString(folder.resolve("readme.txt"), "hello"),
        };
        page.setInputFiles("#files", files);
        page.waitForSelector(".match");
        assertThat(page.locator(".match tr.contested").count()).isEqualTo(2);
        assertThat(page.locator(".match tr.no-sound").innerText()).contains("readme.txt");
        assertThat(page.locator(".left-over").innerText()).contains("Which part comes out");
        Locator again = page.locator("tr", new Page.LocatorOptions().setHasText("root, again.wav"));
        again.locator("select").focus();
        again.locator("select")
                .selectOption(new com.microsoft.playwright.options.SelectOption()
                        .setLabel("3 · Which part comes out of the seed first?"));
        until(page, () -> page.locator(".match tr.contested").count() == 0);
        assertThat(again.innerText()).contains("you");
        // It holds across a reload.
        page.reload();
        page.waitForSelector(".match");
        assertThat(page.locator(".match tr.contested").count()).isZero();
        page.keyboard().press("Enter");
        until(page, () -> page.locator("#dock").innerText().contains("4 files taken"));
        assertThat(page.locator(".match .how .voiced").count()).isEqualTo(4);
    }
}
