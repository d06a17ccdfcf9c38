package prolalia.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.io.File;
import java.io.IOException;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import prolalia.app.Prolalia;
import prolalia.app.web.Visitor;

/** A real process, started empty, killed in the middle of a recording, and started again. */
class KilledServerTest extends Browsing {
    @TempDir
    Path data;

    private Process server;
    private int ownPort;
    private Path log;

    private void start() throws Exception {
        log = data.resolve("log-" + System.nanoTime());
        server = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-cp",
                        System.getProperty("surefire.test.class.path", System.getProperty("java.class.path")),
                        Prolalia.class.getName(),
                        "--prolalia.data=" + data.resolve("school"),
                        "--server.port=" + ownPort,
                        "--server.address=127.0.0.1")
                .redirectErrorStream(true)
                .redirectOutput(new File(log.toString()))
                .start();
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(90);
        while (!Files.readString(log).contains("Prolalia is ready")) {
            assertThat(server.isAlive()).as(Files.readString(log)).isTrue();
            assertThat(System.nanoTime()).isLessThan(end);
            server.waitFor(100, TimeUnit.MILLISECONDS);
        }
    }

    private void kill() throws Exception {
        server.destroyForcibly().waitFor();
        try (Socket none = new Socket("127.0.0.1", ownPort)) {
            throw new AssertionError("Still there: " + none);
        } catch (IOException gone) {
            assertThat(server.isAlive()).isFalse();
        }
    }

    @AfterEach
    void stop() {
        server.destroyForcibly();
    }

    /** Starts an empty school and makes its first account. */
    private Page school() throws Exception {
        try (ServerSocket free = new ServerSocket(0)) {
            ownPort = free.getLocalPort();
        }
        start();
        Page page = context(1280, 800).newPage();
        page.navigate("http://127.0.0.1:" + ownPort);
        page.waitForURL("**/first-account");
        page.fill("#fullName", "Mara Lind");
        page.fill("#name", "mara");
        page.fill("#password", "sieben Samen wachen");
        page.fill("#word", Visitor.first(Files.readString(log), "asks for this word: (\\S+)"));
        page.getByText("Make my account").click();
        assertThat(page.locator("main").innerText()).contains("Your desk is empty");
        return page;
    }

    @Test
    void nothingAcknowledgedIsLostAndTheRecordingGoesOn() throws Exception {
        Page page = school();
        String house = "http://127.0.0.1:" + ownPort;
        newLesson(page, "Rain", "The rain wakes the bean.");
        page.locator(".record-line").first().click();
        recorderIs(page, "ready");
        page.keyboard().press("Space");
        recordedFor(page, 2);
        kill();
        recordedFor(page, 4);
        start();
        // Signed in still, the recorder carries on by itself.
        says(page, "#courier", "Everything up to now is saved");
        page.locator("#start").click();
        recorderIs(page, "verdict");
        assertThat(page.locator("#verdict").innerText()).doesNotContain("ends before");
        page.keyboard().press("ArrowLeft");
        recorderIs(page, "recording");
        recordedFor(page, 3);
        says(page, "#courier", "Everything up to now is saved");
        // This time the browser goes too: only what the server acknowledged is left.
        kill();
        page.context().close();
        start();
        Page again = context(1280, 800).newPage();
        again.navigate(house + "/sign-in");
        again.fill("#name", "Mara");
        again.fill("#password", "sieben Samen wachen");
        again.locator("main button").last().click();
        again.waitForURL(house + "/");
        again.waitForCondition(() -> {
            again.reload();
            return again.locator("#unfinished").innerText().contains("The rain wakes the bean.");
        });
        again.getByText("Put it together and listen").click();
        recorderIs(again, "verdict");
        again.keyboard().press("Enter");
        recorderIs(again, "kept");
        again.keyboard().press("Enter");
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
        page.waitForCondition(() -> page.locator(".row-line").count() == 2);
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
        start();
        recorderIs(page, "ended");
        assertThat(page.locator(".read-lines [data-listen]").count()).isEqualTo(2);
    }

    private void thatNoSecretIsInTheLog(String link) throws IOException {
        String token = link.substring(link.lastIndexOf('/') + 1);
        for (String secret : List.of(token, "sieben", "Samen+wachen", "$argon2")) {
            assertThat(Files.readString(log)).as("the log has no " + secret).doesNotContain(secret);
        }
    }
}
