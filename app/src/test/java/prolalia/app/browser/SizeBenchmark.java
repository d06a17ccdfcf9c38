package prolalia.app.browser;

import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import prolalia.app.access.LessonRef;
import prolalia.app.account.AccountService;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.lesson.LessonService;
import prolalia.app.lines.LessonLines;
import prolalia.app.pages.LessonPages;
import prolalia.app.web.Visitor;
import prolalia.core.lesson.LineKind;
import prolalia.core.script.PastedScript.ReadLine;

/**
 * A desk of 500 lessons, a script of 2,000 lines, a lesson of 200 pages: how long the server takes to answer, and the browser
 * until it can be used. All lines are silent, and pages have no pictures: a teacher's own are heavier to fetch, not to list.
 */
public final class SizeBenchmark {
    private static final int LESSONS = 500;
    private static final int LINES_EACH = 12;
    private static final int LINES = 2_000;
    private static final int PAGES = 200;
    private static final int LINES_A_PAGE = 8;
    private static final int ROUNDS = 11;

    private SizeBenchmark() {}

    public static void main(String[] arguments) throws Exception {
        try (BenchmarkHouse house = new BenchmarkHouse()) {
            LessonService lessons = house.bean(LessonService.class);
            LessonPages pages = house.bean(LessonPages.class);
            LessonLines lines = house.bean(LessonLines.class);
            Teacher ines = house.bean(AccountService.class)
                    .teacher("ines")
                    .orElseThrow()
                    .actor();
            for (int lesson = 0; lesson < LESSONS; lesson++) {
                LessonRef made = lessons.beginEmpty(ines, "Lesson " + lesson);
                lines.addAll(pages.add(made, lesson), script(LINES_EACH));
            }
            LessonRef longScript = lessons.beginEmpty(ines, "2,000 lines");
            lines.addAll(pages.add(longScript, 0), script(LINES));
            LessonRef manyPages = lessons.beginEmpty(ines, "200 pages");
            for (int page = 0; page < PAGES; page++) {
                lines.addAll(pages.add(manyPages, page), script(LINES_A_PAGE));
            }
            Visitor visitor = Visitor.ines(house.address);
            String link = visitor.linkTo(manyPages.id());
            Page desk = house.desk();
            measure(house, visitor, desk, "desk of " + LESSONS + " lessons", "/", "main");
            measure(
                    house,
                    visitor,
                    desk,
                    "script of " + LINES + " lines",
                    "/lessons/" + longScript.id(),
                    "[data-ready]");
            measure(
                    house,
                    visitor,
                    desk,
                    "script of " + PAGES + " pages",
                    "/lessons/" + manyPages.id(),
                    "[data-ready]");
            measure(house, visitor, desk, "stage of page 100", "/lessons/" + manyPages.id() + "/pages/100", "main");
            measure(
                    house,
                    visitor,
                    desk,
                    "paths of " + PAGES + " pages",
                    "/lessons/" + manyPages.id() + "/paths",
                    "main");
            measure(house, visitor, desk, "student's page of " + PAGES, link + "/100", "main");
        }
    }

    private static List<ReadLine> script(int count) {
        List<ReadLine> script = new ArrayList<>();
        for (int line = 0; line < count; line++) {
            script.add(new ReadLine(LineKind.DIRECTION, "Point to picture " + line + " and say what you see."));
        }
        return script;
    }

    private static void measure(
            BenchmarkHouse house, Visitor visitor, Page page, String what, String path, String ready) throws Exception {
        double[] server = new double[ROUNDS];
        double[] browser = new double[ROUNDS];
        int bytes = 0;
        for (int round = 0; round < ROUNDS; round++) {
            long start = System.nanoTime();
            bytes = visitor.get(path).body().length;
            server[round] = (System.nanoTime() - start) / 1e6;
            page.navigate("about:blank");
            start = System.nanoTime();
            page.navigate(house.address + path);
            page.waitForSelector(ready);
            browser[round] = (System.nanoTime() - start) / 1e6;
        }
        System.out.printf(
                "size of a %s: server %s, browser %s, %d kB%n", what, summary(server), summary(browser), bytes / 1024);
    }

    private static String summary(double[] ms) {
        Arrays.sort(ms);
        return "%.0f ms (%.0f to %.0f)".formatted(ms[ms.length / 2], ms[0], ms[ms.length - 1]);
    }
}
