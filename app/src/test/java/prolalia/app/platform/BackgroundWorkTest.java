package prolalia.app.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.atomic.AtomicInteger;
import org.jooq.DSLContext;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import prolalia.app.web.RunningHouse;

/** Work that ended the server is done once more, after all other work, and then set aside; an error ends a job alone. */
class BackgroundWorkTest extends RunningHouse {
    @Autowired
    private DSLContext writing;

    private final String kind = "work-" + UUID.randomUUID();
    private final List<String> done = new CopyOnWriteArrayList<>();

    /** A server that starts later by so much. */
    private WorkJournal afterRestart(int seconds) {
        return new WorkJournal(writing, writing, Clock.offset(Clock.systemUTC(), Duration.ofSeconds(seconds)));
    }

    private BackgroundWork work(WorkJournal begun) {
        return new BackgroundWork(
                kind, 1, begun, (id, course) -> done.add(id), (id, why) -> done.add("aside " + id), 100);
    }

    @Test
    void whatEndedTheServerComesLastAndThenIsSetAside() {
        assertThat(afterRestart(0).begin(kind, "deadly")).isTrue();
        WorkJournal second = afterRestart(10);
        try (BackgroundWork work = work(second)) {
            work.soon(List.of("deadly", "a", "b"));
            await().atMost(Duration.ofSeconds(10)).until(() -> done.size() == 3);
            assertThat(done).containsExactly("a", "b", "deadly");
        }
        // It died within it both times.
        second.begin(kind, "deadly");
        second.begin(kind, "deadly");
        try (BackgroundWork work = work(afterRestart(20))) {
            work.soon("deadly");
            await().atMost(Duration.ofSeconds(10)).until(() -> done.size() == 4);
            assertThat(done.get(3)).isEqualTo("aside deadly");
            assertThat(afterRestart(30).wasInterrupted(kind, "deadly")).isFalse();
        }
    }

    /** A full disk is tried without end; what fails for a reason of its own is set aside. */
    @Test
    void whatFailsForNowIsNeverFinal() {
        AtomicInteger tries = new AtomicInteger();
        try (BackgroundWork work = new BackgroundWork(
                kind,
                1,
                afterRestart(0),
                (id, course) -> {
                    if (id.equals("damaged")) {
                        throw new IllegalStateException("made up");
                    } else if (tries.incrementAndGet() < 6) {
                        throw new java.io.IOException("No space left on device");
                    }
                    done.add(id);
                },
                (id, why) -> done.add(why + " " + id),
                1)) {
            work.soon("full disk");
            work.soon("damaged");
            await().atMost(Duration.ofSeconds(10))
                    .untilAsserted(() -> assertThat(done).contains("full disk", "FAILED damaged"));
        }
    }

    @Test
    void anErrorEndsAJobAndNotTheLoopBehindIt() {
        try (BackgroundWork work = new BackgroundWork(
                kind,
                afterRestart(0),
                (id, course) -> {
                    if (id.equals("heavy")) {
                        throw new OutOfMemoryError("made up");
                    }
                    done.add(id);
                },
                (id, why) -> {})) {
            work.soon("heavy");
            work.soon("after it");
            await().atMost(Duration.ofSeconds(5)).until(() -> done.contains("after it"));
        }
    }
}
