package prolalia.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Dialog;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.FilePayload;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CopyOnWriteArrayList;
import org.junit.jupiter.api.Test;

/** What happens between Start and Keep, on good days and bad ones. */
class RecorderTest extends Browsing {
    private static final String CHUNKS_IN_THE_SAFE = """
            new Promise((resolve) => {
              const opening = indexedDB.open('prolalia-outbox');
              opening.onsuccess = () => {
                const count = opening.result.transaction('items').objectStore('items').count();
                count.onsuccess = () => { resolve(count.result); opening.result.close(); };
              };
            })""";

    private Page recorder(String words) {
        Page page = desk();
        newLesson(page, "Recorder", words);
        page.locator(".record-line").first().click();
        recorderIs(page, "ready");
        return page;
    }

    @Test
    void aFalseStartIsThrownAwayWithOneKeyAndPausesAreLeftOut() {
        Page page = recorder("One two three.");
        page.keyboard().press("Space");
        recordedFor(page, 1);
        page.keyboard().press("Backspace");
        recorderIs(page, "recording");
        says(page, "#elapsed", "0:00");
        recordedFor(page, 3);
        page.keyboard().press("p");
        recorderIs(page, "paused");
        assertThat(page.locator("#left").innerText()).matches("9:5\\d left");
        page.keyboard().press("p");
        recorderIs(page, "recording");
        page.locator("#start").click();
        recorderIs(page, "verdict");
        until(page, () -> page.locator("#takes li").count() == 1);
        page.keyboard().press("ArrowLeft");
        recorderIs(page, "recording");
        recordedFor(page, 2);
        page.locator("#start").click();
        recorderIs(page, "verdict");
        until(page, () -> page.locator("#takes li").count() == 2);
    }

    @Test
    void aLostConnectionStopsNothingAndIsCaughtUp() {
        Page page = recorder("The rain wakes the bean.");
        page.keyboard().press("Space");
        recordedFor(page, 1);
        page.context().setOffline(true);
        says(page, "#courier", "No connection");
        recordedFor(page, 3);
        // Back, but the server has no room: the same, in other words.
        page.route("**/chunks/**", route -> route.fulfill(new Route.FulfillOptions().setStatus(507)));
        page.context().setOffline(false);
        says(page, "#courier", "The server's disk is full");
        page.locator("#start").click();
        recorderIs(page, "saving");
        page.unroute("**/chunks/**");
        recorderIs(page, "verdict");
        assertThat(page.locator("#verdict").innerText()).doesNotContain("ends before");
        assertThat(page.evaluate(CHUNKS_IN_THE_SAFE)).isEqualTo(0);
    }

    @Test
    void aTabClosedWhileOfflineLosesNothing() {
        Page page = recorder("It drinks and drinks.");
        BrowserContext context = page.context();
        page.keyboard().press("Space");
        recordedFor(page, 1);
        context.setOffline(true);
        recordedFor(page, 4);
        until(page, () -> (Integer) page.evaluate(CHUNKS_IN_THE_SAFE) >= 2);
        page.close();
        context.setOffline(false);

        Page back = context.newPage();
        back.navigate(base() + "/");
        // Some quiet seconds show the server that nobody records there any more.
        until(back, () -> {
            back.reload();
            return back.locator("#unfinished").innerText().contains("It drinks and drinks.");
        });
        back.getByText("Put it together and listen").first().click();
        recorderIs(back, "verdict");
        assertThat(back.locator("#verdict").innerText()).contains("trimmed and levelled");
        assertThat(back.evaluate(CHUNKS_IN_THE_SAFE)).isEqualTo(0);
    }

    /** What was said in this browser by somebody, and is still in it. */
    private static final String LEAVE_BEHIND = """
            async ([id, owner, line]) => {
              const store = await import('/assets/record/chunk-store.js');
              await store.putRecording({ id, ...(owner ? { owner } : {}), line, words: 'x', type: 'audio/wav', startedAt: 1, count: null });
              await store.putChunk(id, 0, new Uint8Array(2000).buffer);
            }""";

    @Test
    void onASharedComputerOnesOwnVoiceIsSentAndNobodyElses() {
        Page page = recorder("Whose voice is it?");
        String line = page.url().replaceAll(".*/lines/([^/]+)/.*", "$1");
        String hers = UUID.randomUUID().toString();
        String anothers = UUID.randomUUID().toString();
        page.evaluate(LEAVE_BEHIND, Arrays.asList(hers, null, line));
        page.evaluate(LEAVE_BEHIND, Arrays.asList(anothers, "somebody-else", line));
        List<String> sent = new CopyOnWriteArrayList<>();
        page.onRequest(request -> sent.add(request.url()));
        page.waitForResponse(
                response -> response.url().contains("/recordings/unfinished"), () -> page.navigate(base()));
        assertThat(sent).anyMatch(url -> url.contains(hers)).noneMatch(url -> url.contains(anothers));
        assertThat(page.evaluate(CHUNKS_IN_THE_SAFE))
                .as("it waits for whoever spoke")
                .isEqualTo(1);
    }

    @Test
    void aMicrophoneThatDoesNotOpenIsExplainedAndAFileCanBeTaken() {
        Page page = recorder("Press the hat.");
        page.addInitScript(
                "navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('', window.name || 'NotAllowedError'))");
        for (String[] each : new String[][] {
            {"NotAllowedError", "switch Microphone on"},
            {"NotFoundError", "No microphone was found"},
            {"NotReadableError", "Another program"}
        }) {
            page.evaluate("name => { window.name = name }", each[0]);
            page.reload();
            recorderIs(page, "noMicrophone");
            assertThat(page.locator("#trouble").innerText()).contains(each[1], "Everything you typed is saved");
        }
        page.setInputFiles("#file", new FilePayload("notes.mp3", "audio/mpeg", "not sound".getBytes()));
        recorderIs(page, "refused");
        assertThat(page.locator("#verdict").innerText()).contains("notes.mp3", "not a sound or video file");
        // As after the dialog for files: the focus is where nobody sees it.
        page.locator("#file").focus();
        page.setInputFiles("#file", voice("bean-2c"));
        recorderIs(page, "verdict");
        page.keyboard().press("Enter");
        recorderIs(page, "kept");
    }

    @Test
    void whatWasSaidIsOfferedWhenThePageIsLoadedAgainInTheMiddle() {
        Page page = recorder("Look at the picture.");
        page.onDialog(Dialog::accept);
        page.keyboard().press("Space");
        recordedFor(page, 3);
        page.reload();
        says(page, "#unfinished", "was not ended");
        page.getByText("Use what was said").click();
        recorderIs(page, "verdict");
    }

    @Test
    void theMicrophoneCheckSaysWhatIsHeard() {
        Page page = desk();
        page.navigate(base() + "/microphone");
        page.waitForSelector(".microphone-check[data-state=ready]");
        page.locator("#check").click();
        page.waitForSelector("#report dd");
        assertThat(page.locator("#report").innerText()).contains("Heard well", "No hum", "Nothing was cut off");
    }
}
