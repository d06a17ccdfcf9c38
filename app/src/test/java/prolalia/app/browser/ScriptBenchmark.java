package prolalia.app.browser;

import com.microsoft.playwright.Page;
import java.util.Arrays;

/** How long a script of 2,000 lines takes to open and to filter in the browser. Prints figures; run by ./prolalia bench. */
public final class ScriptBenchmark {
    private static final int LINES = 2_000;
    private static final int ROUNDS = 15;
    private static final String READY = ".lesson[data-ready]";

    private ScriptBenchmark() {}

    public static void main(String[] arguments) throws Exception {
        try (BenchmarkHouse house = new BenchmarkHouse()) {
            measure(house.desk(), house.address);
        }
    }

    private static void measure(Page page, String house) {
        page.getByText("How a bean wakes up").first().click();
        page.waitForSelector(READY);
        String shortScript = page.url();
        page.navigate(house);
        page.locator(".begin .go").click();
        page.getByText("Paste many lines").click();
        page.locator("#text")
                .evaluate(
                        "(area, n) => { area.value = Array.from({ length: n }, (e, i) => `- Point to picture ${i}.`).join('\\n'); }",
                        LINES);
        page.getByText("Bring in these lines").click();
        page.waitForSelector(READY);
        String longScript = page.url().split("#")[0];
        double[] opens = new double[ROUNDS];
        double[] small = new double[ROUNDS];
        double[] filters = new double[ROUNDS];
        for (int round = 0; round < ROUNDS; round++) {
            small[round] = open(page, shortScript);
            opens[round] = open(page, longScript);
            filters[round] = ((Number) page.evaluate("""
                            (words) => {
                              const start = performance.now();
                              const find = document.getElementById('find');
                              find.value = words;
                              find.dispatchEvent(new Event('input', { bubbles: true }));
                              document.body.getBoundingClientRect();
                              return performance.now() - start;
                            }""", "picture " + (1000 + round) + ".")).doubleValue();
            if (page.locator(".row-line:visible").count() != 1) {
                throw new AssertionError("filtered wrongly");
            }
        }
        System.out.printf(
                "script of %d lines: opens in %s, filters in %s; the demo's short script opens in %s%n",
                LINES, summary(opens), summary(filters), summary(small));
    }

    /** From the press to the page with its script running, in ms. */
    private static double open(Page page, String address) {
        page.navigate("about:blank");
        page.navigate(address);
        page.waitForSelector(READY);
        return ((Number) page.evaluate("performance.getEntriesByType('navigation')[0].loadEventEnd")).doubleValue();
    }

    private static String summary(double[] ms) {
        Arrays.sort(ms);
        return "%.0f ms (%.0f to %.0f)".formatted(ms[ms.length / 2], ms[0], ms[ms.length - 1]);
    }
}
