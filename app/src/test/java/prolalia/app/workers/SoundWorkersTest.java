package prolalia.app.workers;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.HouseProperties;
import prolalia.app.school.SchoolService;
import prolalia.app.web.RunningHouse;
import prolalia.core.sound.Sound;
import prolalia.media.SoundWriter;
import prolalia.media.process.SoundRequest;

/** A server that stops in the middle of work lays that at no file's door. */
class SoundWorkersTest extends RunningHouse {
    @Autowired
    private DataFolder folder;

    @Autowired
    private SchoolService school;

    @Autowired
    private HouseProperties properties;

    @Test
    void whatTheServersStopInterruptsIsNoFaultOfTheFile() throws Exception {
        float[] noise = new float[5 * 60 * Sound.TAKE_SAMPLE_RATE];
        Random random = new Random(1);
        for (int i = 0; i < noise.length; i++) {
            noise[i] = (random.nextFloat() - 0.5f) * 0.2f;
        }
        Path file = Files.createTempFile("noise", ".wav");
        SoundWriter.writeWav(new Sound(noise, Sound.TAKE_SAMPLE_RATE), file);
        SoundWorkers workers = new SoundWorkers(folder, school, properties);
        SoundRequest.Look look = new SoundRequest.Look(file, 1_000);
        assertThat(workers.ask(look).durationMs()).isEqualTo(300_000);
        CompletableFuture<?> begun = CompletableFuture.runAsync(() -> {
            try {
                workers.ask(new SoundRequest.Check(file, "words", 600_000));
            } catch (Exception fault) {
                throw new CompletionException(fault);
            }
        });
        workers.destroy();
        assertThatThrownBy(begun::join).hasCauseInstanceOf(ServerStopsError.class);
        assertThatThrownBy(() -> workers.ask(look)).isInstanceOf(ServerStopsError.class);
    }
}
