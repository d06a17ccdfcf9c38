package prolalia.app.storage;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.MediaStore;
import prolalia.app.web.RunningHouse;
import prolalia.app.web.Visitor;

/** What is removed can be put back for 30 days; then it goes, with its files, and with nothing that anybody still uses. */
class StorageSweeperTest extends RunningHouse {
    @Autowired
    private StorageStore store;

    @Autowired
    private MediaStore media;

    @Autowired
    private DataFolder folder;

    @Autowired
    private TransactionTemplate transaction;

    private void sweepIn(int days) throws Exception {
        new StorageSweeper(store, media, folder, transaction, Clock.offset(Clock.systemUTC(), Duration.ofDays(days)))
                .sweep();
    }

    private Set<String> files() throws Exception {
        return Set.copyOf(media.keptBefore(Clock.systemUTC().instant().plusSeconds(60)));
    }

    @Test
    void whatWasRemovedGoesAfterThirtyDaysAndNothingElseDoes() throws Exception {
        Visitor ines = Visitor.ines(base());
        Path voice = voice("bean-2c");
        String stays = ines.newLine("the root");
        String shared = Visitor.first(ines.record(stays, "a.wav", Files.readAllBytes(voice)), "data-take=\"([^\"]+)\"");
        ines.form("/takes/" + shared + "/keep");
        String line = ines.newLine("A bean sleeps.");
        byte[] own = Files.readAllBytes(voice("bean-1b"));
        own[own.length - 2] ^= 1;
        ines.form("/takes/" + Visitor.first(ines.record(line, "b.wav", own), "data-take=\"([^\"]+)\"") + "/keep");
        // The same sound as in the lesson that stays.
        ines.record(line, "a.wav", Files.readAllBytes(voice));
        String lesson = ines.lessonOf(line);
        Path file = Files.createTempFile("own", ".wav");
        String raw = MediaStore.hashOf(Files.write(file, own));
        ines.form("/lessons/" + lesson + "/remove");

        sweepIn(0);
        sweepIn(29);
        assertThat(files()).contains(raw);
        assertThat(store.removed()).isPositive();

        sweepIn(31);
        assertThat(files()).doesNotContain(raw);
        assertThat(store.faults()).isEmpty();
        assertThat(store.removed()).isZero();
        Set<String> used = store.used();
        assertThat(files()).as("nothing that is used is gone").containsAll(used);
        assertThat(ines.get("/takes/" + shared + "/sound.mp3").statusCode()).isEqualTo(200);
        assertThat(ines.page("/lessons/" + ines.lessonOf(stays))).contains("1 of 1 voiced");
    }
}
