package prolalia.app.browser;

import com.microsoft.playwright.Page;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import prolalia.app.web.Visitor;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A student opens a lesson of forty pages, plays its first sound and turns the page: how long each takes, in a browser. */
final class OpeningBenchmark {
    private static final int PAGES = 40;
    private static final int TIMES = 12;
    private static final String STARTS = """
            () => new Promise((done) => {
              const pressed = performance.now();
              window.whenItPlays = () => done(performance.now() - pressed);
              document.getElementById('play').click();
            })""";
    /** The sound may come with the page and leave the document: whoever plays is met where it is pressed. */
    private static final String HEARD_WHEN_IT_PLAYS =
            "const plain = HTMLMediaElement.prototype.play; HTMLMediaElement.prototype.play = function () {"
                    + " this.addEventListener('playing', () => window.whenItPlays?.(), { once: true }); return plain.call(this); };";

    private static final String TURNS = """
            () => new Promise((done) => {
              const before = document.querySelector('main');
              const started = performance.now();
              new MutationObserver((changes, observer) => {
                if (document.querySelector('main') !== before) {
                  observer.disconnect();
                  const picture = document.querySelector('.ground-picture, .picture');
                  (picture?.decode() ?? Promise.resolve()).then(() => done(performance.now() - started));
                }
              }).observe(document.body, { childList: true });
              document.querySelector('[data-turn=next]').click();
            })""";

    private OpeningBenchmark() {}

    public static void main(String[] arguments) throws Exception {
        try (BenchmarkHouse house = new BenchmarkHouse("--autoplay-policy=no-user-gesture-required")) {
            Visitor ines = Visitor.ines(house.address);
            String bean =
                    Visitor.first(ines.page("/?all=true"), "href=\"/lessons/([^\"]+)\">\\s*<b>How a bean wakes up");
            byte[] long40 =
                    repeated(ines.get("/lessons/" + bean + "/lesson.zip").body());
            String at = Visitor.first(
                    Visitor.text(ines.send("PUT", "/bring-in-lesson", "application/octet-stream", long40)),
                    "\"at\":\"([^\"]+)\"");
            ines.form(at + "/link");
            String link = Visitor.first(ines.page(at + "/give-link"), "(/l/[^\"<]+)\"");
            Visitor child = new Visitor(house.address);
            child.page(link);
            List<Double> opened = new ArrayList<>();
            List<Double> bytes = new ArrayList<>();
            List<Double> sounds = new ArrayList<>();
            List<Double> turned = new ArrayList<>();
            List<Double> next = new ArrayList<>();
            for (int time = 0; time < TIMES; time++) {
                try (var context = house.context()) {
                    Page page = context.newPage();
                    page.addInitScript(HEARD_WHEN_IT_PLAYS);
                    page.navigate(house.address + link);
                    page.waitForSelector("#play");
                    page.waitForLoadState(com.microsoft.playwright.options.LoadState.NETWORKIDLE);
                    opened.add(number(page, "() => performance.getEntriesByType('navigation')[0].loadEventEnd"));
                    bytes.add(number(
                            page,
                            "() => { const [own] = performance.getEntriesByType('navigation');"
                                    + " return performance.getEntriesByType('resource').filter((each) => each.startTime < own.loadEventEnd)"
                                    + ".reduce((sum, each) => sum + each.transferSize, own.transferSize) / 1000; }"));
                    sounds.add(number(page, STARTS));
                    turned.add(number(page, TURNS));
                    page.waitForLoadState(com.microsoft.playwright.options.LoadState.NETWORKIDLE);
                    next.add(number(page, STARTS));
                }
            }
            System.out.printf(
                    Locale.ROOT,
                    "opening of %d pages: loaded in %.0f ms (longest %.0f) with %.0f kB; first sound %.0f ms after the press (longest %.0f);"
                            + " next page with its picture %.0f ms after the press (longest %.0f), its sound %.0f ms (longest %.0f)%n",
                    PAGES,
                    median(opened),
                    Collections.max(opened),
                    median(bytes),
                    median(sounds),
                    Collections.max(sounds),
                    median(turned),
                    Collections.max(turned),
                    median(next),
                    Collections.max(next));
        }
    }

    private static double number(Page page, String script) {
        return ((Number) page.evaluate(script)).doubleValue();
    }

    private static double median(List<Double> values) {
        List<Double> sorted = new ArrayList<>(values);
        Collections.sort(sorted);
        return sorted.get(sorted.size() / 2);
    }

    /** The same lesson, its first two pages again and again. */
    private static byte[] repeated(byte[] archive) throws Exception {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(archive), StandardCharsets.UTF_8);
                ZipOutputStream out = new ZipOutputStream(bytes, StandardCharsets.UTF_8)) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                out.putNextEntry(new ZipEntry(entry.getName()));
                byte[] content = in.readAllBytes();
                out.write(entry.getName().equals("lesson.json") ? repeatedJson(content) : content);
            }
        }
        return bytes.toByteArray();
    }

    private static byte[] repeatedJson(byte[] content) {
        JsonMapper json = new JsonMapper();
        ObjectNode lesson = (ObjectNode) json.readTree(content);
        ArrayNode pages = (ArrayNode) lesson.get("pages");
        List<String> texts = new ArrayList<>();
        for (JsonNode page : pages) {
            texts.add(json.writeValueAsString(page));
        }
        pages.removeAll();
        for (int number = 0; number < PAGES; number++) {
            String page = texts.get(number % 2);
            for (Map.Entry<String, String> id : fresh(page).entrySet()) {
                page = page.replace(id.getKey(), id.getValue());
            }
            pages.add(json.readTree(page));
        }
        return json.writeValueAsBytes(lesson);
    }

    private static Map<String, String> fresh(String page) {
        Map<String, String> ids = new java.util.HashMap<>();
        var matcher =
                java.util.regex.Pattern.compile("[0-9a-f]{8}-[0-9a-f-]{27}").matcher(page);
        while (matcher.find()) {
            ids.computeIfAbsent(matcher.group(), id -> UUID.randomUUID().toString());
        }
        return ids;
    }
}
