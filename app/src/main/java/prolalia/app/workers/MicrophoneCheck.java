package prolalia.app.workers;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Optional;
import org.springframework.stereotype.Service;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.LimitedStream;
import prolalia.core.sound.MicrophoneReport;
import prolalia.media.UnreadableSoundException;
import prolalia.media.process.SoundRequest;

/** Judges a few seconds of sound and keeps nothing of it. */
@Service
public class MicrophoneCheck {
    private static final long LONGEST_MS = 15_000;
    private static final long MOST_BYTES = 8 << 20;

    private final DataFolder folder;
    private final SoundWorkers workers;

    MicrophoneCheck(DataFolder folder, SoundWorkers workers) {
        this.folder = folder;
        this.workers = workers;
    }

    /** Nothing when what came in isn't sound. */
    public Optional<MicrophoneReport> check(InputStream content) throws IOException {
        Path file = folder.newTemporaryFile();
        try {
            Files.copy(new LimitedStream(content, MOST_BYTES), file, StandardCopyOption.REPLACE_EXISTING);
            return Optional.of(workers.ask(new SoundRequest.Microphone(file, LONGEST_MS)));
        } catch (UnreadableSoundException nothing) {
            return Optional.empty();
        } finally {
            Files.delete(file);
        }
    }
}
