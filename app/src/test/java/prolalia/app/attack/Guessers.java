package prolalia.app.attack;

import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import prolalia.app.web.Visitor;

/** Many guess a teacher's password at once; a class goes on, and the memory is known. */
final class Guessers {
    /** Server and programs, which may each have what they were given. */
    private static final long MOST_MB = 1_800;

    private static final long SHUT_OUT_MS = 10_000;

    private Guessers() {}

    static Row run(Target target, int guesses) throws Exception {
        Visitor ines = target.ines();
        ExecutorService guessers = Executors.newFixedThreadPool(24);
        AtomicInteger looked = new AtomicInteger();
        AtomicInteger slowed = new AtomicInteger();
        long before = target.memoryMb();
        long slowest = 0;
        for (int i = 0; i < guesses; i++) {
            int number = i;
            guessers.execute(() -> {
                try {
                    Visitor guesser = new Visitor(target.base);
                    guesser.get("/sign-in");
                    String answer = Visitor.text(
                            guesser.form("/sign-in", "name", "name" + number % 40, "password", "guess " + number));
                    (answer.contains("don&#39;t go together") ? looked : slowed).incrementAndGet();
                } catch (Exception failure) {
                    slowed.incrementAndGet();
                }
            });
        }
        guessers.shutdown();
        while (!guessers.awaitTermination(50, java.util.concurrent.TimeUnit.MILLISECONDS)) {
            long begun = System.nanoTime();
            ines.get("/library");
            slowest = Math.max(slowest, (System.nanoTime() - begun) / 1_000_000);
        }
        long after = target.memoryMb();
        return Row.of(
                "guessers",
                target.isAlive() && after < MOST_MB && slowest < SHUT_OUT_MS,
                guesses + " guesses of 24 at a time, for 40 names",
                "%d looked at, %d slowed down; a teacher's page took at most %d ms; %d MB before, %d MB after",
                looked.get(),
                slowed.get(),
                slowest,
                before,
                after);
    }
}
