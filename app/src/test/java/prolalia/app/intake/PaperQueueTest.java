package prolalia.app.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import prolalia.app.intake.PaperQueue.Waiting;

/** Whose paper is read next. */
class PaperQueueTest {
    private final PaperQueue queue = new PaperQueue();
    private final List<Waiting> waiting = new ArrayList<>();

    private void arrives(String id, String teacher) {
        waiting.add(new Waiting(id, teacher, false));
    }

    private String reads() {
        return queue.begin(waiting).map(Waiting::id).orElse("nothing");
    }

    private void done(String id) {
        queue.end(id);
        waiting.removeIf(each -> each.id().equals(id));
    }

    @Test
    void oneWhoBringsManyKeepsNobodyWaitingForMoreThanTheOneThatIsRead() {
        for (int i = 1; i <= 20; i++) {
            arrives("ines " + i, "Ines");
        }
        assertThat(reads()).isEqualTo("ines 1");
        arrives("tobi 1", "Tobi");
        arrives("mara 1", "Mara");
        assertThat(queue.before(waiting, "tobi 1"))
                .as("the one that is being read")
                .isEqualTo(1);
        assertThat(queue.before(waiting, "mara 1")).isEqualTo(2);
        assertThat(queue.before(waiting, "ines 2")).isEqualTo(3);
        assertThat(queue.before(waiting, "ines 1")).isZero();
        // A second lane takes somebody else's.
        assertThat(reads()).isEqualTo("tobi 1");
        done("ines 1");
        assertThat(reads()).isEqualTo("mara 1");
        done("tobi 1");
        done("mara 1");
        assertThat(reads()).isEqualTo("ines 2");
        assertThat(reads()).as("nobody else waits").isEqualTo("ines 3");
    }

    @Test
    void whatTheServerDiedOnComesLast() {
        waiting.add(new Waiting("deadly", "Ines", true));
        arrives("tobi 1", "Tobi");
        arrives("tobi 2", "Tobi");
        for (String next : List.of("tobi 1", "tobi 2", "deadly")) {
            assertThat(reads()).isEqualTo(next);
            done(next);
        }
        assertThat(reads()).isEqualTo("nothing");
    }
}
