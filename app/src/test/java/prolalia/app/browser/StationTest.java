package prolalia.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import java.io.ByteArrayInputStream;
import java.util.List;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import prolalia.formats.code.CodeReader;

/** Codes made and printed by keys and presses, a station on a phone, also without a network, and the board of a rotation. */
class StationTest extends Browsing {
    @Test
    void aStationIsHeardOnAPhoneAlsoWhenTheNetworkIsGone() throws Exception {
        Page ines = desk();
        ines.getByText("Five sounds of the school garden").first().click();
        ines.getByText("Codes", new Page.GetByTextOptions().setExact(true)).click();
        ines.locator("button[value=STATIONS]").click();
        ines.waitForSelector("#sheet-preview .sheet");
        assertThat(ines.locator(".code-list li").count()).isEqualTo(5);
        byte[] seen = ines.locator("#sheet-preview .sheet").first().screenshot();
        assertThat(CodeReader.read(ImageIO.read(new ByteArrayInputStream(seen))))
                .as("what is shown can be scanned")
                .hasSize(5);
        ines.locator("input[value=SIGNS]").check();
        ines.getByText("5 sheets, true to size").waitFor();
        AccessTest.check(ines, "codes");
        String href = ines.locator(".acts a[target=_blank]").first().getAttribute("href");

        BrowserContext phone = context(390, 844);
        Page child = phone.newPage();
        child.navigate(base() + href.replace("/c/", "/C/"));
        AccessTest.check(child, "/l/ a station");
        assertThat(child.getByLabel("Then to station 2").count()).isEqualTo(1);
        child.waitForResponse("**/heard/**", () -> child.locator("#play").click());
        child.waitForFunction(
                "() => caches.keys().then(names => names.length && caches.open(names[0])).then(kept => kept && kept.keys()).then(kept => kept && kept.filter(each => each.url.includes('/sound/')).length > 0)");
        phone.setOffline(true);
        child.reload();
        child.locator("#play").click();
        child.waitForSelector("#play[aria-pressed=true]");
        phone.setOffline(false);
        ines.reload();
        assertThat(ines.locator(".use").first().innerText())
                .contains("played once")
                .doesNotContain("not scanned");
        ines.locator("form[action$='codes/withdraw'] button[name=codes]")
                .first()
                .click();
        ines.waitForLoadState();
        child.reload();
        assertThat(child.locator("h1").innerText()).isNotBlank();
        assertThat(child.locator("#play").count())
                .as("a withdrawn one is let go of")
                .isZero();
    }

    @Test
    void theBoardShowsWhoGoesWhereAndASecondScreenTheSame() {
        Page ines = desk();
        ines.getByText("Five sounds of the school garden").first().click();
        ines.navigate(ines.url() + "/rotation");
        AccessTest.check(ines, "rotation");
        ines.keyboard().press("b");
        ines.waitForURL("**/board");
        ines.locator("[data-press=START]").waitFor();
        AccessTest.check(ines, "board");
        ines.keyboard().press("Space");
        ines.locator("[data-press=HALT]").waitFor();
        ines.keyboard().press("ArrowRight");
        ines.getByText("Round 2 of 5").waitFor();
        ines.keyboard().press(" ");
        ines.locator("[data-press=GO_ON]").waitFor();
        List<String> where = ines.locator(".at:visible").allInnerTexts();
        Page second = ines.context().newPage();
        second.navigate(ines.url());
        second.getByText("Round 2 of 5").waitFor();
        assertThat(second.locator(".at:visible").allInnerTexts())
                .isEqualTo(where)
                .doesNotHaveDuplicates();
        assertThat(second.locator("#left").innerText())
                .isEqualTo(ines.locator("#left").innerText());
        second.navigate(base() + "/try-codes");
        AccessTest.check(second, "try codes");
    }
}
