package prolalia.app.attack;

import java.util.ArrayList;
import java.util.List;
import prolalia.app.web.Visitor;

/** How long a teacher waits for her pages while something else goes on. */
final class PagesMeanwhile {
    private static final String[] PAGES = {"/", "/sign-in", "/library"};

    private final List<Long> times;

    private PagesMeanwhile(List<Long> times) {
        this.times = times;
    }

    /** What is done before each round of pages. */
    interface Deed {
        void go() throws Exception;
    }

    static PagesMeanwhile of(Target target, int seconds, Deed deed) throws Exception {
        Visitor ines = target.ines();
        List<Long> times = new ArrayList<>();
        long end = System.nanoTime() + seconds * 1_000_000_000L;
        while (System.nanoTime() < end) {
            deed.go();
            for (String page : PAGES) {
                long begun = System.nanoTime();
                ines.get(page);
                times.add((System.nanoTime() - begun) / 1_000_000);
            }
        }
        times.sort(null);
        return new PagesMeanwhile(times);
    }

    /** @param longestMs for 99 of 100 pages */
    Row row(String name, String did, long longestMs) {
        long p99 = times.get(times.size() * 99 / 100);
        return Row.of(
                name,
                p99 <= longestMs,
                did,
                "a teacher's pages: half within %d ms, 99 %% within %d ms (%d pages)",
                times.get(times.size() / 2),
                p99,
                times.size());
    }
}
