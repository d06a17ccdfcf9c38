package prolalia.app.workers;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.Supplier;
import org.springframework.stereotype.Component;
import prolalia.app.platform.DataFolder;
import prolalia.core.sound.Peaks;
import prolalia.core.sound.Sound;

/** The outlines of originals, kept beside them: a long take is drawn at once, without decoding it. */
@Component
public class WaveformCache {
    /** One value stands for so many ms. */
    public static final int STEP_MS = 1;

    private final DataFolder folder;

    WaveformCache(DataFolder folder) {
        this.folder = folder;
    }

    /** Keeps the outline of an original that was just made; its file is moved. */
    public void keep(String originalHash, Path outline) throws IOException {
        folder.settle(outline, place(originalHash));
    }

    private void make(String originalHash, Sound original) throws IOException {
        Path temporary = folder.newTemporaryFile();
        try {
            Files.write(temporary, Peaks.magnitudes(original, STEP_MS));
            keep(originalHash, temporary);
        } finally {
            Files.deleteIfExists(temporary);
        }
    }

    /**
     * The magnitudes of an original, one byte for each {@link #STEP_MS}.
     *
     * @param original asked for it when its outline isn't there: it can always be made again
     */
    public byte[] of(String originalHash, Supplier<Sound> original) {
        try {
            if (!Files.exists(place(originalHash))) {
                make(originalHash, original.get());
            }
            return Files.readAllBytes(place(originalHash));
        } catch (IOException failure) {
            throw new UncheckedIOException(failure);
        }
    }

    private Path place(String originalHash) {
        return folder.waves().resolve(originalHash.substring(0, 2)).resolve(originalHash);
    }
}
