package prolalia.app.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import prolalia.app.platform.FairQueue.Waiting;

/** What is worked on next. */
class FairQueueTest {
    private final FairQueue turns = new FairQueue();

    private void arrives(String id, String teacher) {
        turns.join(new Waiting(id, teacher, false));
    }

    private String reads() {
        return turns.begin().map(Waiting::id).orElse("nothing");
    }

    private void done(String id) {
        turns.end(id);
    }

    @Test
    void oneWhoBringsManyKeepsNobodyWaitingForMoreThanTheOneThatIsRead() {
        for (int i = 1; i <= 20; i++) {
            arrives("ines " + i, "Ines");
        }
        assertThat(reads()).isEqualTo("ines 1");
        arrives("tobi 1", "Tobi");
        arrives("mara 1", "Mara");
        assertThat(turns.before("tobi 1")).as("the one that is being read").isEqualTo(1);
        assertThat(turns.before("mara 1")).isEqualTo(2);
        assertThat(turns.before("ines 2")).isEqualTo(3);
        assertThat(turns.before("ines 1")).isZero();
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
        turns.join(new Waiting("deadly", "Ines", true));
        arrives("tobi 1", "Tobi");
        arrives("tobi 2", "Tobi");
        for (String next : List.of("tobi 1", "tobi 2", "deadly")) {
            assertThat(reads()).isEqualTo(next);
            done(next);
        }
        assertThat(reads()).isEqualTo("nothing");
    }

    @Test
    void whatIsAskedForTwiceIsDoneOnceAndAgainOnlyAfterItIsOver() {
        arrives("ines 1", "Ines");
        arrives("ines 1", "Ines");
        assertThat(reads()).isEqualTo("ines 1");
        assertThat(reads()).isEqualTo("nothing");
        arrives("ines 1", "Ines");
        assertThat(reads()).as("while it is being worked on").isEqualTo("nothing");
        done("ines 1");
        assertThat(reads()).isEqualTo("ines 1");
    }
}
