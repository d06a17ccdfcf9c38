package prolalia.app.browser;

import com.microsoft.playwright.Page;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
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
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** 300 students open the same lesson within 10 s and hear its first three lines; how long each request takes. */
final class ClassroomBenchmark {
    private static final int STUDENTS = 300;
    private static final int WITHIN_MS = 10_000;
    private static final int LINES = 3;
    private static final Pattern SOUND = Pattern.compile("data-sound=\"([^\"]+)\"");
    private static final Pattern WORDS = Pattern.compile("data-words=\"([^\"]+)\"");
    private static final Pattern PICTURE = Pattern.compile("src=\"(/l/[^\"]+/picture/[^\"]+)\"");

    private final HttpClient client = HttpClient.newHttpClient();
    private final List<Double> times = Collections.synchronizedList(new ArrayList<>());
    private final AtomicInteger failed = new AtomicInteger();
    private final String address;

    private ClassroomBenchmark(String address) {
        this.address = address;
    }

    /** @param arguments address and path of a lesson's link on a server that runs already; none: one is started here */
    public static void main(String[] arguments) throws Exception {
        if (arguments.length == 2) {
            new ClassroomBenchmark(arguments[0]).run(arguments[1]);
            return;
        }
        try (BenchmarkHouse house = new BenchmarkHouse()) {
            Page desk = house.desk();
            desk.getByText("How a bean wakes up").last().click();
            desk.locator(".faces a[href$='/give-link']").click();
            String link = URI.create(desk.inputValue("#link")).getPath();
            new ClassroomBenchmark(house.address).run(link);
        }
    }

    private void run(String link) throws Exception {
        // Once alone, as the teacher does who tries the link.
        open(link);
        times.clear();
        ScheduledExecutorService room = Executors.newScheduledThreadPool(64);
        long start = System.nanoTime();
        for (int student = 0; student < STUDENTS; student++) {
            room.schedule(() -> open(link), (long) student * WITHIN_MS / STUDENTS, TimeUnit.MILLISECONDS);
        }
        room.shutdown();
        room.awaitTermination(2, TimeUnit.MINUTES);
        double seconds = (System.nanoTime() - start) / 1e9;
        List<Double> sorted = new ArrayList<>(times);
        Collections.sort(sorted);
        System.out.printf(
                Locale.ROOT,
                "classroom of %d: %d requests in %.1f s, half within %.0f ms, 99 %% within %.0f ms, longest %.0f ms, %d failed%n",
                STUDENTS,
                sorted.size(),
                seconds,
                sorted.get(sorted.size() / 2),
                sorted.get(sorted.size() * 99 / 100),
                sorted.get(sorted.size() - 1),
                failed.get());
    }

    /** The first page has two lines, the second one the third. */
    private void open(String link) {
        meet(link, LINES - 1);
        meet(link + "/2", 1);
    }

    private void meet(String link, int lines) {
        try {
            String page = ask(link);
            for (String picture : all(PICTURE, page, 1)) {
                ask(picture);
            }
            for (String sound : all(SOUND, page, lines)) {
                ask(sound);
            }
            for (String words : all(WORDS, page, lines)) {
                ask(words);
            }
        } catch (Exception failure) {
            failed.incrementAndGet();
        }
    }

    private static Set<String> all(Pattern pattern, String page, int most) {
        Set<String> found = new LinkedHashSet<>();
        Matcher matcher = pattern.matcher(page);
        while (found.size() < most && matcher.find()) {
            found.add(matcher.group(1));
        }
        return found;
    }

    private String ask(String path) throws Exception {
        long start = System.nanoTime();
        HttpResponse<byte[]> answer =
                client.send(HttpRequest.newBuilder(URI.create(address + path)).build(), BodyHandlers.ofByteArray());
        times.add((System.nanoTime() - start) / 1e6);
        if (answer.statusCode() != 200) {
            failed.incrementAndGet();
        }
        return new String(answer.body());
    }
}
