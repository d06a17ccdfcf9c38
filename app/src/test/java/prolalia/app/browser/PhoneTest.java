package prolalia.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import org.junit.jupiter.api.Test;

/** A phone as the microphone of a read-through: two browsers, one script. */
class PhoneTest extends Browsing {
    private BrowserContext pocket;

    /** A lesson of three lines, its prompter open at the computer, with a code. */
    private Page computer(String title) {
        Page page = desk();
        newLesson(page, title, "");
        page.getByText("Paste many lines").click();
        page.fill("#text", "Look at the picture.\n\nA bean sleeps.\n\nthe root");
        page.getByText("Bring in these lines").click();
        page.waitForSelector(".lesson[data-ready]");
        page.locator("#dock .go").first().click();
        recorderIs(page, "ready");
        page.click("#use-phone");
        page.waitForSelector(".phone-code .code");
        return page;
    }

    private Page phone(Page computer) {
        String link = computer.locator(".phone-code code").textContent().replaceFirst("https?://[^/]+", base());
        pocket = context(390, 844);
        Page phone = pocket.newPage();
        phone.navigate(link);
        recorderIs(phone, "ready");
        computer.waitForSelector(".by-phone");
        return phone;
    }

    private static void at(Page page, String where) {
        until(page, () -> page.locator("#where").innerText().equals(where));
    }

    @Test
    void thePhoneRecordsItsButtonsAndTheComputersKeysGoOnAndTheComputerShowsTheEnd() {
        Page computer = computer("By phone");
        Page phone = phone(computer);
        assertThat(computer.locator("#phone-state").innerText()).isEqualTo("The phone is the microphone");
        assertThat(phone.locator("#now").innerText()).isEqualTo("Look at the picture.");
        phone.tap("#start");
        recordedFor(phone, 2);
        recorderIs(computer, "reading");
        phone.tap("#next");
        at(computer, "Line 2 of 3");
        recordedFor(phone, 2);
        computer.keyboard().press("Enter");
        at(phone, "Line 3 of 3");
        recordedFor(phone, 2);
        computer.keyboard().press("p");
        recorderIs(phone, "paused");
        recorderIs(computer, "paused");
        computer.keyboard().press("Space");
        recorderIs(phone, "reading");
        recordedFor(phone, 2);
        phone.tap("#next");
        recorderIs(computer, "ended");
        assertThat(computer.locator("#summary li.read, #summary .read-lines > li")
                        .count())
                .isEqualTo(3);
        assertThat(computer.locator("#summary [data-listen]").count()).isGreaterThanOrEqualTo(3);
        until(phone, () -> phone.locator("#announce").innerText().contains("omputer"));
        // The code is no good any more.
        assertThat(phone.reload().status()).isEqualTo(410);
    }

    @Test
    void aPhoneThatLosesTheNetworkLosesNothing() {
        Page computer = computer("By phone, out of the network");
        Page phone = phone(computer);
        phone.tap("#start");
        recordedFor(phone, 3);
        pocket.setOffline(true);
        phone.tap("#next");
        recordedFor(phone, 3);
        phone.tap("#next");
        recordedFor(phone, 3);
        assertThat(phone.locator("#courier").innerText()).contains("No connection", "kept in this browser");
        pocket.setOffline(false);
        at(computer, "Line 3 of 3");
        phone.tap("#next");
        recorderIs(computer, "ended");
        assertThat(computer.locator("#summary .read-lines > li").count()).isEqualTo(3);
        // Where the looped voice stands when a key is pressed is chance: one line may have nothing but its end.
        assertThat(computer.locator("#summary .read-lines > li [data-listen]").count())
                .isGreaterThanOrEqualTo(2);
    }

    @Test
    void theComputerTakesItsMicrophoneBackAndGoesOnWhereThePhoneWas() {
        Page computer = computer("Taken back");
        Page phone = phone(computer);
        phone.tap("#start");
        recordedFor(phone, 2);
        phone.tap("#next");
        at(computer, "Line 2 of 3");
        computer.click("#take-back");
        until(phone, () -> phone.locator("#announce").innerText().contains("ended at the computer"));
        recorderIs(computer, "ready");
        assertThat(computer.locator("#where").innerText()).isEqualTo("Line 2 of 3");
        computer.keyboard().press("Space");
        recordedFor(computer, 2);
        computer.keyboard().press("Enter");
        at(computer, "Line 3 of 3");
        computer.keyboard().press("Escape");
        recorderIs(computer, "ended");
    }

    @Test
    void whatAPhoneStillHasComesInWithTheNextCode() {
        Page computer = computer("Closed in the middle");
        Page phone = phone(computer);
        phone.tap("#start");
        recordedFor(phone, 2);
        pocket.setOffline(true);
        recordedFor(phone, 4);
        // The battery is empty, and at the computer the page is closed.
        phone.close();
        computer.navigate(base() + "/");
        pocket.setOffline(false);
        Page next = computer("Another time");
        String link = next.locator(".phone-code code").textContent().replaceFirst("https?://[^/]+", base());
        Page again = pocket.newPage();
        again.navigate(link);
        recorderIs(again, "ready");
        Page desk = desk();
        until(desk, () -> {
            desk.reload();
            return desk.locator("#unfinished").innerText().contains("Look at the picture.");
        });
    }
}
