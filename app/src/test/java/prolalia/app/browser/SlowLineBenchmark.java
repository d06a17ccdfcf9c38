package prolalia.app.browser;

import com.google.gson.JsonObject;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.WaitUntilState;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import prolalia.app.web.Visitor;

/**
 * A phone on a slow line opens a lesson for the first time: when its first sound is heard, and what was loaded before it. The line
 * is the browser's own emulation: a delay for each request, and all of them share the bandwidth.
 */
final class SlowLineBenchmark {
    private static final int TIMES = 7;

    /** The page is pressed as soon as it can be: what is measured is the line, not the child. */
    private static final String PLAYS = """
            const Play = HTMLMediaElement.prototype.play;
            HTMLMediaElement.prototype.play = function (...rest) {
              this.addEventListener('playing', () => { window.soundAt ??= performance.now(); }, { once: true });
              return Play.apply(this, rest);
            };
            const press = () => {
              const play = document.getElementById('play');
              const ready = play && document.querySelector('.spot[data-sound]') && document.querySelector('.current');
              if (ready && !window.soundAt) { play.click(); }
              if (!window.soundAt) { setTimeout(press, 250); }
            };
            document.addEventListener('DOMContentLoaded', () => setTimeout(press, 0));
            """;

    private static final String LOADED = """
            () => performance.getEntriesByType('resource').concat(performance.getEntriesByType('navigation'))
              .filter((each) => each.responseStart < window.soundAt)
              .sort((one, other) => one.startTime - other.startTime)
              .map((each) => `  ${Math.round(each.startTime)} to ${Math.round(each.responseEnd)} ms  ${Math.round(each.transferSize / 100) / 10} kB  ${new URL(each.name).pathname.replace(/\\w{16,}/g, '…')}`)
              .join('\\n')""";

    private SlowLineBenchmark() {}

    public static void main(String[] arguments) throws Exception {
        try (BenchmarkHouse house = new BenchmarkHouse("--autoplay-policy=no-user-gesture-required")) {
            Visitor ines = Visitor.ines(house.address);
            String lesson =
                    Visitor.first(ines.page("/?all=true"), "href=\"/lessons/([^\"]+)\">\\s*<b>How a bean wakes up");
            String link = ines.linkTo(lesson);
            new Visitor(house.address).page(link);
            open(house, link, 400, 400);
            open(house, link, 1_600, 150);
        }
    }

    private static void open(BenchmarkHouse house, String link, int kbits, int delayMs) {
        List<Double> heard = new ArrayList<>();
        String loaded = "";
        for (int time = 0; time < TIMES; time++) {
            try (BrowserContext context = house.phone()) {
                Page page = context.newPage();
                CDPSession session = context.newCDPSession(page);
                JsonObject line = new JsonObject();
                line.addProperty("offline", false);
                line.addProperty("latency", delayMs);
                line.addProperty("downloadThroughput", kbits * 1000 / 8);
                line.addProperty("uploadThroughput", kbits * 1000 / 8);
                session.send("Network.enable");
                session.send("Network.emulateNetworkConditions", line);
                page.addInitScript(PLAYS);
                page.navigate(house.address + link, new Page.NavigateOptions().setWaitUntil(WaitUntilState.COMMIT));
                page.waitForFunction("() => window.soundAt");
                heard.add(((Number) page.evaluate("() => window.soundAt")).doubleValue());
                loaded = String.valueOf(page.evaluate(LOADED));
            }
        }
        Collections.sort(heard);
        System.out.printf(
                Locale.ROOT,
                "slow line of %d kbit/s and %d ms: first sound %.1f s after opening (longest %.1f)%n",
                kbits,
                delayMs,
                heard.get(TIMES / 2) / 1000,
                heard.get(TIMES - 1) / 1000);
        loaded.lines().forEach(each -> System.out.println("slow line of " + each.strip()));
    }
}
