package prolalia.app.attack;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import prolalia.app.web.Visitor;

/** A crowd of listeners opens one lesson within ten seconds, while teachers type and record. */
final class Crowd {
    private static final int WITHIN_MS = 10_000;
    private static final int OF_A_CLASS = 30;
    private static final Pattern SOUND = Pattern.compile("data-sound=\"(/l/[^\"]+)\"");
    private static final Pattern PICTURE = Pattern.compile("src=\"(/l/[^\"]+/picture/[^\"]+)\"");

    private final Target target;
    private final List<Double> times = Collections.synchronizedList(new ArrayList<>());
    private final AtomicInteger failed = new AtomicInteger();

    private Crowd(Target target) {
        this.target = target;
    }

    static Row run(Target target, int listeners, int teachers, int children) throws Exception {
        return new Crowd(target).run(listeners, teachers, children);
    }

    private Row run(int listeners, int teachers, int children) throws Exception {
        Visitor ines = target.ines();
        String lesson = Visitor.first(ines.page("/?all=true"), "href=\"/lessons/([^\"]+)\">\\s*<b>How a bean wakes up");
        String link = ines.linkTo(lesson);
        List<Callable<Boolean>> answers = new ArrayList<>();
        for (int i = 0; i < children; i += OF_A_CLASS) {
            Pupils pupils = Pupils.of(target, "Crowd" + i + "x", OF_A_CLASS);
            for (int child = 0; child < OF_A_CLASS; child++) {
                Visitor she = pupils.child(child);
                answers.add(() -> pupils.answers(she, "rain"));
            }
        }
        // What a server does first is slow: it is told, and isn't what is measured.
        come(link, listeners, teachers, answers);
        double first = within(99);
        target.settle();
        long pace = pace();
        times.clear();
        int changes = come(link, listeners, teachers, answers);
        return Row.of(
                "crowd",
                failed.get() == 0,
                listeners + " listeners in 10 s, " + teachers + " teachers type and record, " + children
                        + " children answer",
                "%d requests, half within %.0f ms, 99 %% within %.0f ms (%.0f in the first minute of the server), %d failed;"
                        + " %d changes meanwhile; pace of this machine before %d ms",
                times.size(),
                within(50),
                within(99),
                first,
                failed.get(),
                changes,
                pace);
    }

    /**
     * How long one processor takes for a piece of work that is always the same, in ms: machines that are shared are slower by three
     * times at one hour than at another, and figures are compared where this one is alike.
     */
    private static long pace() throws NoSuchAlgorithmException {
        MessageDigest sums = MessageDigest.getInstance("SHA-256");
        byte[] megabyte = new byte[1 << 20];
        long start = System.nanoTime();
        for (int i = 0; i < 100; i++) {
            sums.update(megabyte);
        }
        return (System.nanoTime() - start) / 1_000_000;
    }

    /** How many ms it took at most for so many of a hundred requests. */
    private double within(int percent) {
        List<Double> sorted = new ArrayList<>(times);
        Collections.sort(sorted);
        return sorted.get(sorted.size() * percent / 100);
    }

    /** All of them at once; answers how much the teachers changed meanwhile. */
    private int come(String link, int listeners, int teachers, List<Callable<Boolean>> answers) throws Exception {
        AtomicBoolean over = new AtomicBoolean();
        AtomicInteger typed = new AtomicInteger();
        List<Thread> typing = new ArrayList<>();
        for (int i = 0; i < teachers; i++) {
            Visitor teacher = target.ines();
            String line = teacher.newLine("one");
            typing.add(new Thread(() -> type(teacher, line, over, typed)));
        }
        typing.forEach(Thread::start);
        ScheduledExecutorService answering = Executors.newScheduledThreadPool(32);
        for (int i = 0; i < answers.size(); i++) {
            Callable<Boolean> answer = answers.get(i);
            answering.schedule(
                    () -> {
                        if (!answer.call()) {
                            failed.incrementAndGet();
                        }
                        return null;
                    },
                    (long) i * WITHIN_MS / answers.size(),
                    TimeUnit.MILLISECONDS);
        }
        listen(link, listeners);
        answering.shutdown();
        answering.awaitTermination(1, TimeUnit.MINUTES);
        over.set(true);
        for (Thread teacher : typing) {
            teacher.join();
        }
        return typed.get();
    }

    private void listen(String link, int listeners) throws InterruptedException {
        ScheduledExecutorService room = Executors.newScheduledThreadPool(96);
        for (int i = 0; i < listeners; i++) {
            room.schedule(() -> open(link), (long) i * WITHIN_MS / listeners, TimeUnit.MILLISECONDS);
        }
        room.shutdown();
        room.awaitTermination(3, TimeUnit.MINUTES);
    }

    private void type(Visitor teacher, String line, AtomicBoolean over, AtomicInteger typed) {
        try {
            String id = UUID.randomUUID().toString();
            for (int i = 2; !over.get(); i++) {
                teacher.putForm("/lines/" + line + "/words", "revision", Integer.toString(i), "words", "word " + i);
                teacher.send(
                        "PUT",
                        "/recordings/" + id + "/chunks/" + (i - 2) + "?line=" + line,
                        "audio/webm",
                        new byte[12_000]);
                typed.addAndGet(2);
                Thread.sleep(1_000);
            }
        } catch (Exception failure) {
            failed.incrementAndGet();
        }
    }

    private void open(String link) {
        try (Connection browser = new Connection(target.port())) {
            String page = new String(ask(browser, link), StandardCharsets.UTF_8);
            for (String picture : first(PICTURE, page, 1)) {
                ask(browser, picture);
            }
            for (String sound : first(SOUND, page, 3)) {
                ask(browser, sound);
            }
        } catch (IOException failure) {
            failed.incrementAndGet();
        }
    }

    private static List<String> first(Pattern pattern, String page, int most) {
        List<String> found = new ArrayList<>();
        Matcher matcher = pattern.matcher(page);
        while (found.size() < most && matcher.find()) {
            found.add(matcher.group(1));
        }
        return found;
    }

    private byte[] ask(Connection browser, String path) throws IOException {
        long start = System.nanoTime();
        byte[] answer = browser.get(path);
        times.add((System.nanoTime() - start) / 1e6);
        return answer;
    }
}
