package prolalia.core.insight;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/** How long statistics of many made responses take; real ones have more spellings of an answer, and gaps. */
public final class InsightBenchmark {
    private static final int STUDENTS = 1_000;
    private static final int QUESTIONS = 50;
    private static final int TIMES = 5;

    private InsightBenchmark() {}

    public static void main(String[] arguments) {
        Random random = new Random(1);
        List<Scored> scored = new ArrayList<>();
        for (int student = 0; student < STUDENTS; student++) {
            for (int question = 0; question < QUESTIONS; question++) {
                scored.add(
                        new Scored("s" + student, "q" + question, "choice " + random.nextInt(4), random.nextInt(3), 2));
            }
        }
        for (int time = 1; time <= TIMES; time++) {
            long began = System.nanoTime();
            TestStatistics statistics = TestStatistics.of(scored);
            System.out.printf(
                    Locale.ROOT,
                    "statistics of %d responses to %d questions, time %d: %.0f ms (alpha %.3f)%n",
                    STUDENTS,
                    QUESTIONS,
                    time,
                    (System.nanoTime() - began) / 1e6,
                    statistics.alpha());
        }
    }
}
