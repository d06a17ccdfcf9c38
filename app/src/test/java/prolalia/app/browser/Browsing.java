package prolalia.app.browser;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.options.Cookie;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.BooleanSupplier;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import prolalia.app.web.RunningHouse;
import prolalia.app.web.Visitor;

/** A browser whose microphone is one of the demo's voices, shared by all browser tests. */
abstract class Browsing extends RunningHouse {
    /** Every sound that the page plays, also the one that came with it, so that a test can ask how it plays. */
    static final String OVERHEARD = "window.sounds = []; const plain = HTMLMediaElement.prototype.play;"
            + " HTMLMediaElement.prototype.play = function () {"
            + " if (!window.sounds.includes(this)) { window.sounds.push(this); } return plain.call(this); };";

    /** The same Chromium without a window around each page, where Debian has it: half of the work. */
    static final Path CHROMIUM = Stream.of("/usr/bin/chromium-headless-shell", "/usr/bin/chromium")
            .map(Path::of)
            .filter(Files::isExecutable)
            .findFirst()
            .orElseThrow();

    private static Browser browser;

    private static final long ASKED_EACH_NS = 40_000_000;

    private final List<BrowserContext> contexts = new ArrayList<>();

    static synchronized Browser browser() {
        if (browser == null) {
            Playwright playwright = Playwright.create(
                    new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
            browser = playwright
                    .chromium()
                    .launch(new BrowserType.LaunchOptions()
                            .setExecutablePath(CHROMIUM)
                            .setArgs(List.of(
                                    "--no-sandbox",
                                    "--use-fake-ui-for-media-stream",
                                    "--use-fake-device-for-media-stream",
                                    "--use-file-for-fake-audio-capture=" + voice("bean-1a"),
                                    "--host-resolver-rules=MAP " + NAME + " 127.0.0.1",
                                    "--autoplay-policy=no-user-gesture-required",
                                    "--disable-background-networking",
                                    "--disable-quic",
                                    "--no-first-run")));
            Runtime.getRuntime().addShutdownHook(new Thread(playwright::close));
        }
        return browser;
    }

    /** A new browser of its own, of a given size: no cookies, nothing stored. */
    BrowserContext context(int width, int height) {
        BrowserContext context = browser()
                .newContext(new Browser.NewContextOptions()
                        .setViewportSize(width, height)
                        // Somebody told it once to trust the house's own certificate.
                        .setIgnoreHTTPSErrors(true)
                        .setHasTouch(width < 1280));
        context.setDefaultTimeout(Integer.getInteger("browser.timeout", 90_000));
        contexts.add(context);
        return context;
    }

    /** The page of a lesson's link, which is made unless there is one. */
    static void giveLink(Page page, String lesson) {
        page.navigate(lesson.split("#")[0] + "/give-link");
        makeLink(page);
    }

    /** The same, from any page of a lesson. */
    static void giveLink(Page page) {
        page.locator(".faces a[href$='/give-link']").click();
        page.waitForSelector(".give-link");
        makeLink(page);
    }

    private static void makeLink(Page page) {
        if (page.locator("#make-link").count() > 0) {
            page.locator("#make-link").click();
            page.waitForSelector("#link");
        }
    }

    /** The demo teacher's desk. */
    Page desk() {
        return desk(base());
    }

    Page desk(String address) {
        return desk(address, address);
    }

    /** @param server where she signs in @param address where she is then, of the same server */
    Page desk(String server, String address) {
        BrowserContext context = context(1280, 800);
        try {
            context.addCookies(Visitor.ines(server).cookies().stream()
                    .map(cookie -> new Cookie(cookie.getName(), cookie.getValue()).setUrl(address))
                    .toList());
        } catch (Exception failure) {
            throw new IllegalStateException(failure);
        }
        Page page = context.newPage();
        page.navigate(address + "/");
        return page;
    }

    /** Opens a lesson of the demo: of all that are called so, the one that was changed least lately. */
    void openDemoLesson(Page desk, String title) {
        desk.navigate(base() + "/?order=CHANGED&all=true");
        desk.locator(".book .plate")
                .filter(new Locator.FilterOptions().setHasText(title))
                .last()
                .click();
        desk.waitForSelector(".lesson[data-ready]");
    }

    /** Makes a lesson and types its first line. */
    static void newLesson(Page desk, String title, String words) {
        desk.getByLabel("What is it about?").fill(title);
        // By its key: what comes in above it meanwhile (a recording that nobody ended) moves the button.
        desk.getByLabel("What is it about?").press("Enter");
        desk.waitForURL("**/lessons/*");
        if (!words.isEmpty()) {
            desk.getByLabel("Words of this direction").fill(words);
            saved(desk);
        }
    }

    static void saved(Page script) {
        script.waitForSelector("#save-state[data-state=saved]");
    }

    /** Waits until the recorder is in a state. */
    static void recorderIs(Page page, String state) {
        try {
            page.waitForSelector(".recorder[data-state=" + state + "]");
        } catch (TimeoutError late) {
            throw new AssertionError(
                    "Not " + state + ":\n" + page.locator("body").innerText(), late);
        }
    }

    /** Waits until the recording has lasted so many seconds. */
    static void recordedFor(Page page, int seconds) {
        until(page, () -> {
            String elapsed = page.locator("#elapsed").textContent();
            return elapsed.contains(":") && Integer.parseInt(elapsed.split(":")[1]) >= seconds;
        });
    }

    /** Waits until something holds. Asked without a pause, the browser would be busy with the question. */
    static void until(Page page, BooleanSupplier holds) {
        long[] next = {0};
        page.waitForCondition(() -> {
            long now = System.nanoTime();
            if (now < next[0]) {
                return false;
            }
            boolean is = holds.getAsBoolean();
            next[0] = System.nanoTime() + ASKED_EACH_NS;
            return is;
        });
    }

    /** Waits until a part of the page says something. */
    static void says(Page page, String selector, String text) {
        until(page, () -> page.locator(selector).first().textContent().contains(text));
    }

    @AfterEach
    void closeContexts() {
        contexts.forEach(BrowserContext::close);
        contexts.clear();
    }
}
