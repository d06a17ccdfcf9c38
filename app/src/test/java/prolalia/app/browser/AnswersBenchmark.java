package prolalia.app.browser;

import com.microsoft.playwright.Page;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import prolalia.app.web.Visitor;
import prolalia.core.answer.AnswerContent;
import prolalia.core.answer.AnswerKind;
import prolalia.core.answer.ChoiceMark;
import prolalia.core.answer.Question;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;
import prolalia.core.marking.Marking;
import prolalia.core.marking.QuestionWithLines;

/**
 * 30 children answer 20 questions within the same ten seconds and hand in, each from a connection of its own, on the machine that
 * serves them and without a network between; the class's table of it; 1,000 responses to 50 questions marked by core alone, on made
 * answers of every kind that a rule marks; and how often a teacher acts to make a form of ten questions with four choices each.
 */
final class AnswersBenchmark {
    private static final int CHILDREN = 30;
    private static final int QUESTIONS = 20;
    private static final int WITHIN_MS = 10_000;
    private static final int RESPONSES = 1_000;
    private static final int MARKED = 50;

    private final List<Double> times = Collections.synchronizedList(new ArrayList<>());
    private final AtomicInteger failed = new AtomicInteger();
    private final String address;

    private AnswersBenchmark(String address) {
        this.address = address;
    }

    public static void main(String[] arguments) throws Exception {
        marking();
        try (BenchmarkHouse house = new BenchmarkHouse()) {
            new AnswersBenchmark(house.address).run(house);
        }
    }

    private static void say(String figures, Object... values) {
        System.out.println(String.format(Locale.ROOT, figures, values));
    }

    private void run(BenchmarkHouse house) throws Exception {
        Visitor ines = Visitor.ines(address);
        making(house);
        String id = Visitor.newClass(ines, "Crowd");
        StringBuilder names = new StringBuilder();
        for (int i = 0; i < CHILDREN; i++) {
            names.append("Child ").append(i).append('\n');
        }
        ines.form("/classes/" + id + "/students", "names", names.toString());
        List<String> students = Visitor.all(ines.page("/classes/" + id), "/students/([^\"/]+)\"");
        String first = ines.newLine("A form");
        String lesson = ines.lessonOf(first);
        StringBuilder form = new StringBuilder();
        for (int i = 1; i <= QUESTIONS; i++) {
            form.append(i).append(". Question ").append(i).append("?\n*a) right\nb) wrong\nc) wrong too\n");
        }
        ines.form("/lines/" + first + "/paste", "text", form.toString(), "wrapped", "true");
        String query = ines.form("/lessons/" + lesson + "/give", "to", id).uri().getQuery();
        String assignment = Visitor.first(query, "given=([^&]+)");
        List<Visitor> children = new ArrayList<>();
        for (String student : students) {
            children.add(Visitor.child(ines, id, student));
        }
        List<String[]> asked = new ArrayList<>();
        for (int page = 1; page <= QUESTIONS; page++) {
            String html = children.get(0).page("/my/" + assignment + "/" + page);
            for (String question : Visitor.all(html, "class=\"answer[^\"]*\"[^>]*data-question=\"([^\"]+)\"")) {
                asked.add(new String[] {question, Visitor.first(html, "data-choice=\"([^\"]+)\"")});
            }
        }
        ExecutorService room = Executors.newFixedThreadPool(CHILDREN);
        CountDownLatch begin = new CountDownLatch(1);
        long between = WITHIN_MS / (asked.size() + 1);
        for (Visitor child : children) {
            room.execute(() -> answerAll(child, assignment, asked, begin, between));
        }
        begin.countDown();
        room.shutdown();
        room.awaitTermination(3, TimeUnit.MINUTES);
        List<Double> sorted = new ArrayList<>(times);
        Collections.sort(sorted);
        say(
                "answers of %d children to %d questions within %d s: %d requests, half within %.0f ms, 99 %% within %.0f ms,"
                        + " longest %.0f ms, %d failed",
                CHILDREN,
                asked.size(),
                WITHIN_MS / 1000,
                sorted.size(),
                sorted.get(sorted.size() / 2),
                sorted.get(sorted.size() * 99 / 100),
                sorted.get(sorted.size() - 1),
                failed.get());
        long start = System.nanoTime();
        String table = ines.page("/assignments/" + assignment + "/answers");
        say(
                "answers of a class in one table: %.0f ms, %d right",
                (System.nanoTime() - start) / 1e6, table.split(": right\"", -1).length - 1);
    }

    private void answerAll(Visitor child, String assignment, List<String[]> asked, CountDownLatch begin, long between) {
        try {
            begin.await();
            for (String[] each : asked) {
                long started = System.nanoTime();
                String body = "{\"chosen\":[\"" + each[1] + "\"]}";
                int status = child.send(
                                "PUT",
                                "/my/" + assignment + "/answers/" + each[0] + "/" + UUID.randomUUID(),
                                "application/json",
                                body.getBytes(StandardCharsets.UTF_8))
                        .statusCode();
                took(started, status);
                long rest = between - (System.nanoTime() - started) / 1_000_000;
                TimeUnit.MILLISECONDS.sleep(Math.max(0, rest));
            }
            long started = System.nanoTime();
            took(started, child.form("/my/" + assignment + "/hand-in").statusCode());
        } catch (Exception failure) {
            failed.incrementAndGet();
        }
    }

    private void took(long started, int status) {
        times.add((System.nanoTime() - started) / 1e6);
        if (status != 200) {
            failed.incrementAndGet();
        }
    }

    /** A form as it is typed elsewhere, pasted: every action beside typing counts. */
    private void making(BenchmarkHouse house) throws Exception {
        Page teacher = house.desk();
        int actions = 0;
        StringBuilder form = new StringBuilder();
        for (int i = 1; i <= 10; i++) {
            form.append(i)
                    .append(". Which is number ")
                    .append(i)
                    .append("?\na) this\nb) that\n*c) the other\nd) none\n");
        }
        Browsing.newLesson(teacher, "Made", "");
        teacher.navigate(teacher.url().split("#")[0] + "/paste");
        actions++;
        teacher.locator("#text").fill(form.toString());
        actions++;
        teacher.waitForSelector(".pasted-lines .is-right");
        int asked = teacher.locator(".pasted-lines .asks").count();
        int right = teacher.locator(".pasted-lines .is-right").count();
        teacher.locator("form.paste button.go").click();
        actions++;
        teacher.waitForSelector(".sheet");
        say(
                "answers of a form of ten questions, pasted: %d actions beside typing, %d questions, %d right choices; in its"
                        + " read-through one key a line (see read-through)",
                actions, asked, right);
    }

    private static void marking() {
        Random chance = new Random(5);
        List<QuestionWithLines> asked = new ArrayList<>();
        AnswerKind[] kinds = {
            AnswerKind.ONE_CHOICE,
            AnswerKind.SEVERAL_CHOICES,
            AnswerKind.SHORT_WORDS,
            AnswerKind.NUMBER,
            AnswerKind.ORDER
        };
        for (int i = 0; i < MARKED; i++) {
            Question question = Question.of(kinds[i % kinds.length])
                    .withAccepted(List.of("sea gull", "gull", "Möwe"))
                    .withNumber(prolalia.core.answer.NumberKey.of(java.math.BigDecimal.valueOf(12.5)));
            List<Line> lines = new ArrayList<>();
            lines.add(line("q" + i, LineTraits.of(LineKind.QUESTION).withQuestion(question)));
            for (int c = 0; c < 5; c++) {
                lines.add(line(
                        "q" + i + "c" + c, LineTraits.of(LineKind.CHOICE).withMark(new ChoiceMark(c % 2 == 0, 0))));
            }
            asked.add(QuestionWithLines.on(lines).get(0));
        }
        List<List<AnswerContent>> responses = new ArrayList<>();
        for (int r = 0; r < RESPONSES; r++) {
            List<AnswerContent> response = new ArrayList<>();
            for (QuestionWithLines each : asked) {
                response.add(given(each, chance));
            }
            responses.add(response);
        }
        double points = 0;
        double best = Double.MAX_VALUE;
        for (int round = 0; round < 4; round++) {
            long start = System.nanoTime();
            for (List<AnswerContent> response : responses) {
                for (int i = 0; i < asked.size(); i++) {
                    points += Marking.of(asked.get(i), response.get(i)).points();
                }
            }
            double took = (System.nanoTime() - start) / 1e6;
            if (round == 0) {
                say("answers of %d responses to %d questions marked: %.0f ms, cold", RESPONSES, MARKED, took);
            }
            best = Math.min(best, took);
        }
        say("answers of the same, warm: %.0f ms (%.0f points)", best, points / 4);
    }

    private static AnswerContent given(QuestionWithLines asked, Random chance) {
        return switch (asked.question().kind()) {
            case SHORT_WORDS -> AnswerContent.typed(chance.nextBoolean() ? " Sea  Gull! " : "seagul");
            case NUMBER -> AnswerContent.typed(chance.nextBoolean() ? "12,5" : "12 1/3");
            default ->
                AnswerContent.chosen(asked.choices().stream()
                        .filter(choice -> chance.nextInt(3) > 0)
                        .map(QuestionWithLines.Choice::id)
                        .toArray(String[]::new));
        };
    }

    private static Line line(String id, LineTraits traits) {
        return new Line(id, traits, id, Optional.empty());
    }
}
