package prolalia.app.browser;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Pattern;
import prolalia.app.web.Visitor;

/**
 * 200 children open their station within 10 seconds, each with its styles, scripts and first sound, one request after the other.
 * They and the server share one machine, no network is between them, and they spread over five stations alone: a real
 * school has worse ways, and more stations.
 */
final class StationBenchmark {
    private static final int CHILDREN = 200;
    private static final int WITHIN_MS = 10_000;
    private static final int THREADS = 48;

    private final List<Double> times = Collections.synchronizedList(new ArrayList<>());
    private final AtomicInteger failed = new AtomicInteger();
    private final String address;

    private StationBenchmark(String address) {
        this.address = address;
    }

    public static void main(String[] arguments) throws Exception {
        try (BenchmarkHouse house = new BenchmarkHouse()) {
            new StationBenchmark(house.address).run();
        }
    }

    private void run() throws Exception {
        Visitor ines = Visitor.ines(address);
        String lesson = Visitor.first(
                ines.page("/?all=true"), "href=\"/lessons/([^\"]+)\">\\s*<b>Five sounds of the school garden");
        ines.form("/lessons/" + lesson + "/codes", "made", "STATIONS");
        List<String> stations = List.copyOf(all("href=\"(/c/[A-Z0-9]+)\"", ines.page("/lessons/" + lesson + "/codes")));
        open(stations.get(0));
        times.clear();
        ScheduledExecutorService school = Executors.newScheduledThreadPool(THREADS);
        for (int i = 0; i < CHILDREN; i++) {
            String station = stations.get(i % stations.size());
            school.schedule(() -> open(station), (long) i * WITHIN_MS / CHILDREN, TimeUnit.MILLISECONDS);
        }
        school.shutdown();
        school.awaitTermination(3, TimeUnit.MINUTES);
        List<Double> sorted = new ArrayList<>(times);
        Collections.sort(sorted);
        System.out.printf(
                Locale.ROOT,
                "station of %d openings: %d requests, half within %.0f ms, 99 %% within %.0f ms, longest %.0f ms, %d failed%n",
                CHILDREN,
                sorted.size(),
                sorted.get(sorted.size() / 2),
                sorted.get(sorted.size() * 99 / 100),
                sorted.get(sorted.size() - 1),
                failed.get());
    }

    private static Set<String> all(String pattern, String page) {
        Set<String> found = new LinkedHashSet<>();
        Pattern.compile(pattern).matcher(page).results().forEach(each -> found.add(each.group(1)));
        return found;
    }

    private void open(String station) {
        Visitor child = new Visitor(address);
        String page = ask(child, station);
        for (String part : all("(?:href|src)=\"(/[^\"]+\\.(?:css|js|svg))\"", page)) {
            ask(child, part);
        }
        all("(" + station + "/sound/\\w+\\.mp3)", page).stream().limit(1).forEach(sound -> ask(child, sound));
    }

    private String ask(Visitor child, String path) {
        long start = System.nanoTime();
        try {
            var answer = child.get(path);
            times.add((System.nanoTime() - start) / 1e6);
            if (answer.statusCode() != 200) {
                failed.incrementAndGet();
            }
            return Visitor.text(answer);
        } catch (Exception unreached) {
            failed.incrementAndGet();
            return "";
        }
    }
}
