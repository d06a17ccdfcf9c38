package prolalia.app.sound;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Optional;
import org.springframework.stereotype.Service;
import prolalia.app.house.DataFolder;
import prolalia.core.sound.MicrophoneReport;
import prolalia.media.SoundReader;
import prolalia.media.UnreadableSoundException;

/** Judges a few seconds of sound and keeps nothing of it. */
@Service
public class MicrophoneCheck {
    private static final long LONGEST_MS = 15_000;
    private static final long MOST_BYTES = 8 << 20;

    private final DataFolder folder;

    MicrophoneCheck(DataFolder folder) {
        this.folder = folder;
    }

    /** Nothing when what came in isn't sound. */
    public Optional<MicrophoneReport> check(InputStream content) throws IOException {
        Path file = folder.newTemporaryFile();
        try {
            Files.copy(new LimitedStream(content, MOST_BYTES), file, StandardCopyOption.REPLACE_EXISTING);
            return Optional.of(
                    MicrophoneReport.of(SoundReader.decode(file, LONGEST_MS).sound()));
        } catch (UnreadableSoundException nothing) {
            return Optional.empty();
        } finally {
            Files.delete(file);
        }
    }
}
