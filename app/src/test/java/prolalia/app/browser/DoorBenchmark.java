package prolalia.app.browser;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import prolalia.app.web.Visitor;

/**
 * A class of 30 comes through its door within a minute, each child with the pictures of her page, some with a wrong key first; a
 * class of 35 with 40 lessons; a roster of 5,000 rows; a desk with 500 lessons. Children and server share one machine, and no
 * network is between them.
 */
final class DoorBenchmark {
    private static final int CHILDREN = 30;
    private static final int WITHIN_MS = 60_000;
    private static final int IN_CLASS = 35;
    private static final int LESSONS = 40;
    private static final int ON_DESK = 500;
    private static final int ROWS = 5_000;
    private static final int TIMES = 9;

    private final List<Double> times = Collections.synchronizedList(new ArrayList<>());
    private final AtomicInteger failed = new AtomicInteger();
    private final String address;

    private DoorBenchmark(String address) {
        this.address = address;
    }

    public static void main(String[] arguments) throws Exception {
        try (BenchmarkHouse house = new BenchmarkHouse()) {
            new DoorBenchmark(house.address).run();
        }
    }

    private void run() throws Exception {
        Visitor ines = Visitor.ines(address);
        String id = Visitor.newClass(ines, "Crowd");
        String at = "/classes/" + id;
        StringBuilder names = new StringBuilder();
        for (int i = 0; i < IN_CLASS; i++) {
            names.append("Child ").append(i).append('\n');
        }
        ines.form(at + "/students", "names", names.toString());
        List<String> students = all(at + "/students/([^\"/]+)\"", ines.page(at));
        List<String> keys = new ArrayList<>();
        for (String student : students) {
            keys.add(Visitor.key(ines, id, student));
        }
        String bean = Visitor.first(ines.page("/?all=true"), "href=\"/lessons/([^\"]+)\">\\s*<b>How a bean wakes up");
        for (int i = 0; i < LESSONS; i++) {
            ines.form("/lessons/" + bean + "/give", "to", id);
        }
        String door = Visitor.first(ines.page(at + "/door"), "/door/([\\w-]{20,})\"");
        enter(door, students.get(0), keys.get(0), false);
        times.clear();
        ScheduledExecutorService room = Executors.newScheduledThreadPool(CHILDREN);
        for (int i = 0; i < CHILDREN; i++) {
            String student = students.get(i);
            String key = keys.get(i);
            boolean errs = i % 5 == 0;
            room.schedule(
                    () -> enter(door, student, key, errs), (long) i * WITHIN_MS / CHILDREN, TimeUnit.MILLISECONDS);
        }
        room.shutdown();
        room.awaitTermination(3, TimeUnit.MINUTES);
        List<Double> sorted = new ArrayList<>(times);
        Collections.sort(sorted);
        say(
                "door of %d: %d requests, half within %.0f ms, 99 %% within %.0f ms, longest %.0f ms, %d failed",
                CHILDREN,
                sorted.size(),
                sorted.get(sorted.size() / 2),
                sorted.get(sorted.size() * 99 / 100),
                sorted.get(sorted.size() - 1),
                failed.get());
        say(
                "door of a class page with %d children and %d lessons: %.0f ms",
                IN_CLASS, LESSONS, median(ines, at + "/given"));
        StringBuilder csv = new StringBuilder("id;given name;family name;class\n");
        for (int i = 0; i < ROWS; i++) {
            csv.append(i).append(";Name ").append(i).append(";Family;Crowd\n");
        }
        long start = System.nanoTime();
        String preview = Visitor.first(
                Visitor.text(ines.send(
                        "PUT",
                        at + "/roster",
                        "application/octet-stream",
                        csv.toString().getBytes(StandardCharsets.UTF_8))),
                "\"at\":\"([^\"]+)\"");
        ines.page(preview);
        say("door of a roster with %d rows: looked over within %.0f ms", ROWS, (System.nanoTime() - start) / 1e6);
        for (int i = 0; i < ON_DESK; i++) {
            ines.form("/lessons", "title", "Lesson " + i);
        }
        say("door of a desk with %d lessons: %.0f ms", ON_DESK, median(ines, "/"));
    }

    private static void say(String figures, Object... values) {
        System.out.println(String.format(Locale.ROOT, figures, values));
    }

    private static double median(Visitor who, String path) throws Exception {
        who.page(path);
        List<Double> took = new ArrayList<>();
        for (int i = 0; i < TIMES; i++) {
            long start = System.nanoTime();
            who.page(path);
            took.add((System.nanoTime() - start) / 1e6);
        }
        Collections.sort(took);
        return took.get(TIMES / 2);
    }

    private static List<String> all(String pattern, String page) {
        List<String> found = new ArrayList<>();
        Matcher matcher = Pattern.compile(pattern).matcher(page);
        while (matcher.find()) {
            if (!found.contains(matcher.group(1))) {
                found.add(matcher.group(1));
            }
        }
        return found;
    }

    /** The door, her key, what there is to do, and its pictures. */
    private void enter(String door, String student, String key, boolean errs) {
        try {
            Visitor child = new Visitor(address);
            ask(() -> child.get("/door/" + door).statusCode(), 200);
            ask(() -> child.get("/door/" + door + "/" + student).statusCode(), 200);
            if (errs) {
                ask(
                        () -> child.form("/door/" + door + "/" + student, "key", "none")
                                .statusCode(),
                        422);
            }
            ask(() -> child.form("/door/" + door + "/" + student, "key", key).statusCode(), 200);
            for (String picture : all("src=\"(/my/[^\"]+)\"", child.page("/my"))) {
                ask(() -> child.get(picture).statusCode(), 200);
            }
        } catch (Exception failure) {
            failed.incrementAndGet();
        }
    }

    private interface Asked {
        int status() throws Exception;
    }

    private void ask(Asked asked, int wanted) throws Exception {
        long start = System.nanoTime();
        int status = asked.status();
        times.add((System.nanoTime() - start) / 1e6);
        if (status != wanted) {
            failed.incrementAndGet();
        }
    }
}
