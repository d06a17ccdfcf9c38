package prolalia.app.browser;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import prolalia.app.Prolalia;

/** The application with the demo data and a browser, for a benchmark. */
final class BenchmarkHouse implements AutoCloseable {
    final String address;
    private final ConfigurableApplicationContext house;
    private final Playwright playwright;
    private final Browser browser;

    BenchmarkHouse(String... browserArguments) throws Exception {
        house = SpringApplication.run(
                Prolalia.class,
                "--prolalia.demo=true",
                "--prolalia.data=" + Files.createTempDirectory("benchmark"),
                "--server.port=0",
                "--server.address=127.0.0.1");
        address = "http://localhost:"
                + ((WebServerApplicationContext) house).getWebServer().getPort();
        playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        List<String> arguments =
                new ArrayList<>(List.of("--no-sandbox", "--disable-background-networking", "--no-first-run"));
        arguments.addAll(Arrays.asList(browserArguments));
        browser = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(Browsing.CHROMIUM)
                        .setArgs(arguments));
    }

    /** The demo teacher's desk. */
    Page desk() {
        Page page = browser.newPage();
        page.navigate(address + "/sign-in");
        page.getByText("Enter as Ines Faro").click();
        return page;
    }

    <T> T bean(Class<T> type) {
        return house.getBean(type);
    }

    /** A phone of its own. */
    BrowserContext phone() {
        return browser.newContext(new Browser.NewContextOptions()
                .setViewportSize(390, 844)
                .setDeviceScaleFactor(3)
                .setHasTouch(true));
    }

    /** A new browser of its own. */
    BrowserContext context() {
        return browser.newContext();
    }

    @Override
    public void close() {
        playwright.close();
        SpringApplication.exit(house);
    }
}
