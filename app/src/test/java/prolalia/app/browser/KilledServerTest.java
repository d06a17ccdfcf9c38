package prolalia.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.io.IOException;
import java.net.Socket;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import prolalia.app.web.Nginx;
import prolalia.app.web.OwnServer;
import prolalia.app.web.Visitor;

/** A real process behind nginx and under a path, started empty, killed in the middle of a recording, and started again. */
class KilledServerTest extends Browsing {
    @TempDir
    static Path data;

    private static final String UNDER = "/prolalia";

    private static final Page.WaitForSelectorOptions ATTACHED =
            new Page.WaitForSelectorOptions().setState(WaitForSelectorState.ATTACHED);

    private OwnServer server;
    private Nginx nginx;

    private void kill() throws Exception {
        server.kill();
        try (Socket none = new Socket("127.0.0.1", server.port())) {
            throw new AssertionError("Still there: " + none);
        } catch (IOException gone) {
            assertThat(server.isAlive()).isFalse();
        }
    }

    @AfterAll
    void stop() throws Exception {
        server.close();
        nginx.close();
    }

    /** A school with one teacher, signed in; the first time it is empty, and her account is made. */
    private Page school() throws Exception {
        if (server == null) {
            server = new OwnServer(
                    data.resolve("school"),
                    512,
                    true,
                    "--server.servlet.context-path=" + UNDER,
                    "--server.forward-headers-strategy=native",
                    "--server.tomcat.remoteip.internal-proxies=127\\.0\\.0\\.1");
            server.start();
            nginx = new Nginx(UNDER, server.port());
            return firstAccount(context(1280, 800).newPage());
        }
        if (!server.isAlive()) {
            server.start();
        }
        return signedIn(context(1280, 800).newPage());
    }

    private Page signedIn(Page page) {
        page.navigate(nginx.base() + "/sign-in");
        page.fill("#name", "Mara");
        page.fill("#password", "sieben Samen wachen");
        page.press("#password", "Enter");
        page.waitForURL(nginx.base() + "/");
        return page;
    }

    private Page firstAccount(Page page) throws Exception {
        page.navigate(nginx.base());
        page.waitForURL("**/first-account");
        page.fill("#fullName", "Mara Lind");
        page.fill("#name", "mara");
        page.fill("#password", "sieben Samen wachen");
        page.fill("#word", Visitor.first(server.log(), "asks for this word: (\\S+)"));
        page.getByText("Make my account").click();
        assertThat(page.locator("main").innerText()).contains("Your desk is empty");
        return page;
    }

    @Test
    void nothingAcknowledgedIsLostAndTheRecordingGoesOn() throws Exception {
        Page page = school();
        newLesson(page, "Rain", "The rain wakes the bean.");
        page.locator(".record-line").first().click();
        recorderIs(page, "ready");
        page.keyboard().press("Space");
        recordedFor(page, 2);
        kill();
        recordedFor(page, 4);
        server.start();
        // Signed in still, the recorder carries on by itself.
        says(page, "#courier", "aved");
        page.locator("#start").click();
        recorderIs(page, "verdict");
        assertThat(page.locator("#verdict").innerText()).doesNotContain("ends before");
        page.keyboard().press("ArrowLeft");
        recorderIs(page, "recording");
        recordedFor(page, 3);
        says(page, "#courier", "aved");
        // This time the browser goes too: only what the server acknowledged is left.
        kill();
        page.context().close();
        server.start();
        Page again = signedIn(context(1280, 800).newPage());
        until(again, () -> {
            again.reload();
            return again.locator("#unfinished").innerText().contains("The rain wakes the bean.");
        });
        again.getByText("Put it together and listen").click();
        recorderIs(again, "verdict");
        again.keyboard().press("Enter");
        recorderIs(again, "kept");
        again.keyboard().press("Enter");
        again.waitForSelector("#make-link");
        again.keyboard().press("n");
        String link = again.inputValue("#link");
        again.navigate(link);
        again.waitForSelector("#play");
        thatNoSecretIsInTheLog(link);
    }

    @Test
    void aReadThroughGoesOnThroughADeadServerAndEveryTakeLands() throws Exception {
        Page page = school();
        newLesson(page, "Two", "The rain wakes the bean.");
        page.locator(".row-line textarea").first().press("Enter");
        until(page, () -> page.locator(".row-line").count() == 2);
        page.locator(".row-line textarea").nth(1).fill("Now it drinks.");
        saved(page);
        page.locator("#dock .go").click();
        recorderIs(page, "ready");
        page.keyboard().press("Space");
        says(page, "#elapsed", "0:00");
        recordedFor(page, 4);
        kill();
        page.keyboard().press("Enter");
        says(page, "#where", "Line 2 of 2");
        recordedFor(page, 4);
        page.keyboard().press("Enter");
        says(page, "#courier", "kept in this browser");
        server.start();
        recorderIs(page, "ended");
        assertThat(page.locator(".read-lines [data-listen]").count()).isEqualTo(2);
    }

    @Test
    void aClassWorksUnderThePathThroughTheProxy() throws Exception {
        Page page = school();
        newLesson(page, "Weather", "What falls from a cloud?");
        String line = page.locator(".row-line").first().getAttribute("data-line");
        String lesson = page.url().replaceFirst(".*/lessons/([^#?]+).*", "$1");
        Visitor mara = new Visitor(nginx.base());
        mara.get("/sign-in");
        mara.form("/sign-in", "name", "mara", "password", "sieben Samen wachen");
        mara.putForm("/lines/" + line + "/question/kind", "by", "SHORT_WORDS");
        String schoolClass = Visitor.newClass(mara, "Dunlins");
        mara.form("/classes/" + schoolClass + "/students", "names", "Ada");
        String ada = Visitor.first(mara.page("/classes/" + schoolClass), "/students/([^\"]+)\"");
        mara.form("/lessons/" + lesson + "/give", "to", schoolClass);
        String door = Visitor.first(mara.page("/classes/" + schoolClass + "/door"), "/door/([\\w-]{20,})\"");
        Page child = context(820, 1180).newPage();
        List<String> lost = new ArrayList<>();
        child.onResponse(response -> {
            if (response.status() >= 400) {
                lost.add(response.status() + " " + response.url());
            }
        });
        child.navigate(nginx.base() + "/door/" + door + "/" + ada);
        for (String picture : Visitor.key(mara, schoolClass, ada).split(" ")) {
            child.locator("[data-picture=" + picture + "]").click();
        }
        child.waitForURL(nginx.base() + "/my");
        child.locator("a[href*='/my/']:not([href$='/animal'])").first().click();
        child.locator("input.written").fill("Rain");
        child.waitForSelector("#answer-state[data-state=saved]", ATTACHED);
        child.reload();
        child.waitForSelector(".answers-here");
        assertThat(child.locator("input.written").inputValue()).isEqualTo("Rain");
        child.locator("#home").click();
        child.waitForURL(nginx.base() + "/my");
        child.locator("[action$='/my/leave'] button").first().click();
        child.waitForURL("**/door/**");
        assertThat(lost).isEmpty();
        // What is printed and sent leads back through the proxy, and nowhere else.
        String link = Visitor.first(
                Visitor.text(mara.form("/lessons/" + lesson + "/link")), "id=\"link\"[^>]*value=\"([^\"]+)\"");
        assertThat(link.replaceFirst("//[^:/]+", "//localhost")).startsWith(nginx.base() + "/l/");
    }

    private void thatNoSecretIsInTheLog(String link) throws IOException {
        String token = link.substring(link.lastIndexOf('/') + 1);
        for (String secret : List.of(token, "sieben", "Samen+wachen", "$argon2")) {
            assertThat(server.log()).as("the log has no " + secret).doesNotContain(secret);
        }
    }
}
