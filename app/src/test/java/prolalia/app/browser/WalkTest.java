package prolalia.app.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.client.j2se.BufferedImageLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Response;
import java.io.ByteArrayInputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import prolalia.core.sound.Measurement;
import prolalia.media.SoundReader;

/** One line, from the teacher's microphone to a student's ear. */
class WalkTest extends Browsing {
    @Test
    void aTeacherRecordsALineAndAStudentHearsIt() throws Exception {
        Page teacher = desk();
        newLesson(teacher, "Seeds", "Look at the picture. Point to the seed that is awake.");
        teacher.keyboard().press("Tab");
        teacher.locator(".record-line").first().click();

        recorderIs(teacher, "ready");
        until(teacher, () -> Integer.parseInt(teacher.locator("#level").getAttribute("aria-valuenow")) > 20);
        teacher.keyboard().press("Space");
        recorderIs(teacher, "recording");
        recordedFor(teacher, 5);
        teacher.keyboard().press("Space");
        recorderIs(teacher, "verdict");
        assertThat(teacher.locator("#verdict").innerText()).contains("trimmed and levelled");
        teacher.keyboard().press("l");
        teacher.waitForSelector("#verdict .listen[aria-pressed=true]");
        teacher.keyboard().press("Enter");
        recorderIs(teacher, "kept");
        teacher.keyboard().press("Enter");

        teacher.waitForSelector("#make-link");
        teacher.keyboard().press("n");
        teacher.waitForSelector("#code");
        String link = teacher.inputValue("#link");
        assertThat(scanned(teacher.locator("#code").screenshot())).isEqualTo(link);

        Page student = context(768, 1024).newPage();
        long[] bytes = {0};
        student.onResponse(response -> bytes[0] += response.url().endsWith(".mp3") ? 0 : size(response));
        Response sound = student.waitForResponse("**/sound/*.mp3", () -> student.navigate(link));
        assertThat(bytes[0]).isLessThan(150_000);
        assertThat(student.locator("#current").innerText()).startsWith("Look at the picture.");
        student.locator("#play").tap();
        student.waitForSelector("#play[aria-pressed=true]");
        int atFirst = Integer.parseInt(student.innerText("#left"));
        until(student, () -> Integer.parseInt(student.innerText("#left")) < atFirst);
        student.locator("#play").tap();
        student.waitForSelector("#play[aria-pressed=false]");

        Path heard = Files.createTempFile("heard", ".mp3");
        Files.write(heard, student.request().get(sound.url()).body());
        Measurement measured = SoundReader.measure(heard).measurement();
        assertThat(measured.integratedLufs()).isCloseTo(-19, within(0.5));
        assertThat(measured.truePeakDbtp()).isLessThanOrEqualTo(-1.5);
        assertThat(measured.speechMs()).isGreaterThan(2_500);
    }

    private static long size(Response response) {
        var sizes = response.request().sizes();
        return sizes.responseBodySize + sizes.responseHeadersSize;
    }

    private static String scanned(byte[] png) throws Exception {
        var image = ImageIO.read(new ByteArrayInputStream(png));
        return new QRCodeReader()
                .decode(new BinaryBitmap(new HybridBinarizer(new BufferedImageLuminanceSource(image))))
                .getText();
    }

    @Test
    void aPageSaysItselfLineByLineAndADeadNetworkIsSaidAndHealsByItself() {
        Page teacher = desk();
        teacher.getByText("How a bean wakes up").first().click();
        giveLink(teacher);
        String link = teacher.inputValue("#link");
        Page student = context(844, 390).newPage();
        student.route(url -> url.contains("/sound"), route -> route.abort("connectionfailed"));
        student.navigate(link);
        student.click("#through");
        says(student, "#trouble", "No connection");
        assertThat(student.getAttribute("#play", "aria-label")).isEqualTo("Play");
        student.unrouteAll();
        student.waitForSelector("#play[aria-label=Pause]");
        says(student, "#trouble", "");
        student.focus("#seek");
        student.keyboard().press("End");
        until(student, () -> student.locator("#current").innerText().startsWith("A bean sleeps"));
        student.waitForSelector("#play[aria-label=Pause]");
        until(student, () -> Integer.parseInt(student.inputValue("#seek")) > 10);
        assertThat(student.locator("li.current .spot").last().getAttribute("aria-label"))
                .startsWith("Pause: A bean sleeps");
        student.focus("#seek");
        student.keyboard().press("End");
        student.waitForSelector("body.heard");
        student.locator("main").focus();
        student.keyboard().press("ArrowRight");
        student.waitForURL("**/2");
        assertThat(student.evaluate("document.documentElement.scrollWidth <= innerWidth"))
                .as("a phone lying down")
                .isEqualTo(true);
    }

    @Test
    void theStudentsControlsWorkByKeyboardAndSayWhatTheyDo() {
        Page teacher = desk();
        teacher.getByText("How a bean wakes up").first().click();
        giveLink(teacher);
        String link = teacher.inputValue("#link");
        Page student = context(1280, 800).newPage();
        student.navigate(link);
        student.keyboard().press("Space");
        student.waitForSelector("#play[aria-label=Pause]");
        student.keyboard().press("Space");
        student.waitForSelector("#play[aria-label=Play]");
        student.focus("#seek");
        student.keyboard().press("End");
        says(student, "#left", "0");
        student.getByLabel("Again from the beginning").click();
        student.waitForSelector("#play[aria-label=Pause]");
        student.getByLabel("Speed 1: as spoken").click();
        assertThat(student.getByLabel("Speed 0.75: slower").innerText()).isEqualTo("0.75");
        student.locator(".board").getByLabel("Hear: A bean sleeps").click();
        assertThat(student.innerText("#current")).startsWith("A bean sleeps");
        student.getByLabel("Next page").click();
        student.waitForURL("**/2");
        student.getByLabel("Next page").click();
        student.waitForURL("**/3");
        // The silent line is there to be seen, and nothing pretends to play it.
        assertThat(student.locator("main").innerText()).contains("Now draw the bean");
        assertThat(student.locator("#play").count()).isZero();
    }
}
