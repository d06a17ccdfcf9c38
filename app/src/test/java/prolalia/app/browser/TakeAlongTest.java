package prolalia.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Page;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
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

    private String giveOut(Page desk, String lesson) {
        desk.getByText(lesson).last().click();
        desk.waitForSelector(".lesson[data-ready]");
        String address = desk.url().split("#")[0];
        desk.navigate(address + "/give-out");
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
        giveOut(desk, "At the bakery counter");
        Download download = desk.waitForDownload(
                () -> desk.getByLabel("Download: A folder that plays by itself").click());
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
        child.waitForCondition(
                () -> child.locator("main").getAttribute("aria-label").equals("Page 1 of 3"));
        child.locator("#hint").click();
        child.waitForCondition(() -> child.locator("#current").textContent().startsWith("Two coins"));
        child.waitForSelector("#play[aria-pressed=true]");
        assertThat(strange).isEmpty();
    }

    @Test
    void twoSwitchesGoThroughThePageAndPress() {
        Page desk = desk();
        giveOut(desk, "How a bean wakes up");
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
        String lesson = giveOut(desk, "How a bean wakes up");
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
        desk.getByText("How a bean wakes up").last().click();
        desk.waitForSelector(".lesson[data-ready]");
        desk.locator(".more").first().click();
        desk.getByText("When its words light up").click();
        desk.waitForSelector(".word");
        String found = desk.locator(".word").nth(3).getAttribute("aria-valuenow");
        desk.locator(".word").nth(3).focus();
        desk.keyboard().press("Shift+ArrowRight");
        says(desk, "#state", "As you mended them");
        assertThat(Integer.parseInt(desk.locator(".word").nth(3).getAttribute("aria-valuenow")))
                .isEqualTo(Integer.parseInt(found) + 100);
        desk.keyboard().press("t");
        desk.waitForSelector("#tap-now");
        assertThat(desk.locator("#tap-now").innerText()).isEqualTo("Look");
        desk.keyboard().press("Space");
        desk.waitForCondition(() -> desk.locator("#tap-now").innerText().equals("at"));
        desk.locator("#tap-stop").dispatchEvent("click");
        says(desk, "#state", "1 words tapped");
        desk.keyboard().press("z");
        desk.keyboard().press("f");
        says(desk, "#state", "As the program found them");
        assertThat(desk.locator(".word").nth(3).getAttribute("aria-valuenow")).isEqualTo(found);
    }
}
