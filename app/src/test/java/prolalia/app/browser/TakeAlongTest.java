package prolalia.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Page;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A lesson away from its server, with switches in place of a pointer, and with words that the teacher mended. */
class TakeAlongTest extends Browsing {
    @TempDir
    Path stick;

    private String givenOut(Page desk, String lesson) {
        openDemoLesson(desk, lesson);
        String address = desk.url().split("#")[0];
        giveLink(desk, address);
        return address;
    }

    private Path unpacked(Path zip) throws IOException {
        Path first = null;
        try (ZipInputStream in = new ZipInputStream(Files.newInputStream(zip))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                Path file = stick.resolve(entry.getName());
                Files.createDirectories(file.getParent());
                try (OutputStream out = Files.newOutputStream(file)) {
                    ((InputStream) in).transferTo(out);
                }
                first = first == null ? file : first;
            }
        }
        return first;
    }

    @Test
    void theFolderPlaysFromADiskWithItsWordsItsWaysAndNoRequestToAnybody() throws Exception {
        Page desk = desk();
        givenOut(desk, "At the bakery counter");
        Download download = desk.waitForDownload(() ->
                desk.getByLabel("Download ZIP: A folder that plays by itself").click());
        Path index = unpacked(download.path());
        assertThat(index).hasFileName("index.html");
        Page child = context(1280, 800).newPage();
        List<String> strange = new ArrayList<>();
        child.onRequest(request -> {
            if (!request.url().startsWith("file:") && !request.url().startsWith("data:")) {
                strange.add(request.url());
            }
        });
        child.onPageError(strange::add);
        child.navigate(index.toUri().toString());
        child.click("#play");
        child.waitForSelector("#current .lit");
        child.waitForSelector("#play[aria-pressed=true]");
        // The right way is praised, and then gone: to the last page. Back leads to where the child came from.
        child.locator(".jump[data-way=right]").click();
        child.waitForURL("**#3");
        assertThat(child.locator("main").getAttribute("aria-label")).isEqualTo("Page 3 of 3");
        child.goBack();
        until(child, () -> child.locator("main").getAttribute("aria-label").equals("Page 1 of 3"));
        child.locator("#hint").click();
        until(child, () -> child.locator("#current").textContent().startsWith("Two coins"));
        child.waitForSelector("#play[aria-pressed=true]");
        assertThat(strange).isEmpty();
    }

    @Test
    void twoSwitchesGoThroughThePageAndPress() {
        Page desk = desk();
        givenOut(desk, "How a bean wakes up");
        desk.getByText("two switches", new Page.GetByTextOptions().setExact(true))
                .click();
        desk.waitForURL("**switches=2");
        String link = desk.inputValue("#link");
        assertThat(link).endsWith("?switches=2");
        Page child = context(1280, 800).newPage();
        child.navigate(link);
        child.waitForSelector("#play");
        child.keyboard().press("Space");
        child.waitForSelector(".turn.next.scanned");
        child.keyboard().press("Space");
        child.waitForSelector(".spot.scanned");
        child.keyboard().press("Enter");
        child.waitForSelector("#play[aria-pressed=true]");
        while (child.locator(".turn.next.scanned").count() == 0) {
            child.keyboard().press("Space");
        }
        child.keyboard().press("Enter");
        child.waitForURL("**/2");
        child.keyboard().press("Space");
        child.waitForSelector(".scanned");
    }

    @Test
    void aLinkOutOfTheLessonIsWarnedOfBeforeItIsGone() {
        Page desk = desk();
        String lesson = givenOut(desk, "How a bean wakes up");
        String link = desk.inputValue("#link");
        desk.navigate(lesson + "/pages/1");
        desk.waitForSelector(".stage[data-state=open]");
        int version = Integer.parseInt(desk.getAttribute(".stage", "data-version"));
        String token = (String) desk.evaluate("() => document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1]");
        desk.evaluate(
                "async ([owner, token]) => { const now = await (await fetch(owner)).json();"
                        + " now.things.push({ kind: 'LINK', id: 'out', words: 'More beans', seen: true, address: 'https://beans.example/',"
                        + " area: { x: 0.7, y: 0.5, w: 0.2, h: 0.1 } });"
                        + " await fetch(`${owner}?version=${now.version}`, { method: 'PUT', body: JSON.stringify(now),"
                        + " headers: { 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token } }); }",
                List.of(desk.getAttribute(".stage", "data-stage"), token));
        Page child = context(1280, 800).newPage();
        child.navigate(link);
        child.waitForSelector(".link");
        child.locator(".link").click();
        says(child, "#trouble", "outside the lesson");
        assertThat(child.context().pages()).as("nothing opened as yet").hasSize(1);
        assertThat(child.locator(".link").getAttribute("href")).isEqualTo("https://beans.example/");
        child.waitForPopup(() -> child.locator(".link").click());
        desk.reload();
        desk.waitForSelector(".stage[data-version='" + (version + 1) + "']");
        desk.locator("#sheet").focus();
        desk.keyboard().press("z");
        desk.waitForSelector(".stage[data-version='" + version + "']");
    }

    @Test
    void wordsAreMovedTappedAndTakenBack() {
        Page desk = desk();
        openDemoLesson(desk, "How a bean wakes up");
        desk.locator(".more").first().click();
        desk.getByText("When its words light up").click();
        desk.waitForSelector(".word");
        int found = begins(desk);
        desk.locator(".word").nth(3).focus();
        desk.keyboard().press("Shift+ArrowRight");
        until(desk, () -> begins(desk) == found + 100);
        says(desk, "#state", "As you mended them");
        desk.keyboard().press("t");
        desk.waitForSelector("#tap-now");
        assertThat(desk.locator("#tap-now").innerText()).isEqualTo("Look");
        desk.keyboard().press("Space");
        until(desk, () -> desk.locator("#tap-now").innerText().equals("at"));
        desk.locator("#tap-stop").dispatchEvent("click");
        says(desk, "#state", "1 words tapped");
        desk.keyboard().press("z");
        desk.keyboard().press("z");
        until(desk, () -> begins(desk) == found);
        desk.keyboard().press("y");
        desk.keyboard().press("f");
        says(desk, "#state", "As the program found them");
        until(desk, () -> begins(desk) == found);
    }

    /** Where the fourth word begins, in ms. */
    private static int begins(Page page) {
        return Integer.parseInt(page.locator(".word").nth(3).getAttribute("aria-valuenow"));
    }

    @Test
    void oneSwitchWaitsForTheFrameAndMakesItQuiet() {
        Page desk = desk();
        givenOut(desk, "How a bean wakes up");
        String link = desk.inputValue("#link");
        Page child = context(1280, 800).newPage();
        child.clock().install();
        child.navigate(link + "?switches=1");
        child.waitForSelector("#play");
        child.clock().runFor(2_100);
        child.waitForSelector(".turn.next.scanned");
        child.clock().runFor(2_100);
        child.waitForSelector(".spot.scanned");
        child.keyboard().press("Enter");
        child.waitForSelector("#play[aria-pressed=true]");
        child.clock().runFor(4_100);
        assertThat(child.locator(".spot.scanned").count())
                .as("it waits while something sounds")
                .isEqualTo(1);
        child.keyboard().press("Space");
        child.waitForSelector("#play[aria-pressed=false]");
    }

    @Test
    void aPageElsewhereShowsTheLessonInAFrameUntilTheLinkIsWithdrawn() throws Exception {
        Page desk = desk();
        newLesson(desk, "Shown elsewhere", "Look at the frame.");
        String lesson = desk.url().split("#")[0];
        giveLink(desk, lesson);
        byte[] blog = ("<h1>Our class</h1>" + desk.inputValue("#snippet")).getBytes(StandardCharsets.UTF_8);
        HttpServer other = HttpServer.create(new InetSocketAddress("127.0.0.1", 0), 0);
        other.createContext("/", exchange -> {
            exchange.getResponseHeaders().add("Content-Type", "text/html");
            exchange.sendResponseHeaders(200, blog.length);
            exchange.getResponseBody().write(blog);
            exchange.close();
        });
        other.start();
        Page elsewhere = context(1280, 800).newPage();
        List<String> wrong = new ArrayList<>();
        elsewhere.onPageError(wrong::add);
        elsewhere.navigate("http://127.0.0.1:" + other.getAddress().getPort() + "/");
        var frame = elsewhere.frameLocator("iframe");
        assertThat(frame.locator("main").innerText()).contains("Look at the frame.");
        assertThat(wrong).isEmpty();
        desk.getByRole(
                        com.microsoft.playwright.options.AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Withdraw the link"))
                .click();
        desk.waitForSelector("text=The link is withdrawn");
        elsewhere.reload();
        until(elsewhere, () -> frame.locator("h1").innerText().equals("This lesson is closed"));
        other.stop(0);
    }

    @Test
    void aSavedLessonComesBackByTheDeskAndOneThatIsNoneIsSaidSo() throws Exception {
        Page desk = desk();
        givenOut(desk, "How a bean wakes up");
        Download saved = desk.waitForDownload(
                () -> desk.getByLabel("Download ZIP: The whole lesson").click());
        desk.navigate(base() + "/");
        desk.getByText("Bring in a saved lesson").click();
        desk.setInputFiles("#files", Files.writeString(stick.resolve("notes.zip"), "no archive"));
        says(desk, "#fault", "This is no lesson archive");
        desk.setInputFiles("#files", Files.copy(saved.path(), stick.resolve("bean.zip")));
        desk.waitForURL("**/lessons/*");
        desk.waitForSelector(".lesson[data-ready]");
        assertThat(desk.locator(".row-line .trace").count()).isPositive();
        String back = desk.url().split("#")[0];
        desk.navigate(base() + "/");
        desk.locator("form[action='" + back.substring(base().length()) + "/remove'] button")
                .click();
        desk.waitForURL("**removed=*");
    }

    @Test
    void whenAllWasHeardTheChildIsToldThatItIsItsTurnAndWordsCanBeKeptFromTheBar() {
        Page desk = desk();
        givenOut(desk, "At the bakery counter");
        if (desk.isChecked("#words-shown")) {
            desk.uncheck("#words-shown");
            says(desk, "#how-saved", "Saved.");
        }
        Page child = context(1280, 800).newPage();
        child.addInitScript(OVERHEARD);
        child.navigate(desk.inputValue("#link"));
        child.waitForSelector("#play");
        assertThat(child.locator("#current").boundingBox().width).isLessThanOrEqualTo(1);
        int lines = child.locator(".board .spot").count();
        for (int line = 0; line < lines; line++) {
            // By its tab: over the words of some of them lies a way.
            child.locator(".board .spot .ring-mark").nth(line).click();
            child.waitForSelector("#play[aria-pressed=true]");
            until(child, () -> (Boolean)
                    child.evaluate("() => window.sounds.some((sound) => !sound.paused && sound.duration > 0)"));
            child.evaluate("() => window.sounds.filter((sound) => !sound.paused && sound.duration > 0)"
                    + ".forEach((sound) => { sound.currentTime = sound.duration - 0.2; })");
            child.waitForSelector("#play[aria-pressed=false]");
        }
        until(child, () ->
                (Boolean) child.evaluate("() => window.sounds.some((sound) => sound.src.endsWith('your_turn.mp3'))"));
        desk.check("#words-shown");
        until(desk, () -> desk.locator("#how-saved").textContent().contains("Saved."));
    }
}
