package prolalia.app.bench;

import java.io.IOException;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;
import prolalia.app.bench.BenchService.EditRefusedException;
import prolalia.app.platform.MediaStore;
import prolalia.core.sound.Sound;
import prolalia.media.SoundReader;
import prolalia.media.UnreadableSoundException;

/** The originals that are being worked on, decoded; a few of them stay in memory, as many as there is room for. */
@Component
class Originals implements DisposableBean {
    private static final Logger LOG = LoggerFactory.getLogger(Originals.class);

    /** Of the memory that this program may have. */
    private static final double SHARE_OF_MEMORY = 0.4;

    private static final int MOST = 4;

    private final ExecutorService decoder = Executors.newSingleThreadExecutor(task -> {
        Thread thread = new Thread(task, "bench-decoder");
        thread.setDaemon(true);
        return thread;
    });
    private final MediaStore media;
    private final long mostSamples = (long) (Runtime.getRuntime().maxMemory() * SHARE_OF_MEMORY / Float.BYTES);
    private final Map<String, Sound> decoded = new LinkedHashMap<>(4, 0.75f, true);

    Originals(MediaStore media) {
        this.media = media;
    }

    /** Decodes an original for whoever asks for it next. */
    void decodeSoon(String originalHash) {
        decoder.execute(() -> {
            try {
                of(originalHash);
            } catch (RuntimeException notNow) {
                LOG.debug("{} was not decoded ahead", originalHash, notNow);
            }
        });
    }

    @Override
    public void destroy() {
        decoder.shutdown();
    }

    /** @throws EditRefusedException when it is longer than there is memory for */
    synchronized Sound of(String originalHash) {
        Sound sound = decoded.get(originalHash);
        if (sound == null) {
            sound = decode(originalHash);
            decoded.put(originalHash, sound);
            Iterator<Sound> eldest = decoded.values().iterator();
            while (decoded.size() > MOST || decoded.size() > 1 && samplesHeld() > mostSamples) {
                eldest.next();
                eldest.remove();
            }
        }
        return sound;
    }

    private Sound decode(String originalHash) {
        try {
            // Originals are files that our own programs wrote; nobody else's are opened here.
            SoundReader.Decoded read =
                    SoundReader.decode(media.file(originalHash), mostSamples * 1000 / Sound.TAKE_SAMPLE_RATE);
            if (!read.complete()) {
                throw new EditRefusedException("TOO_LONG");
            }
            return read.sound();
        } catch (IOException | UnreadableSoundException failure) {
            throw new IllegalStateException("The original " + originalHash + " can't be read", failure);
        }
    }

    private long samplesHeld() {
        return decoded.values().stream()
                .mapToLong(sound -> sound.samples().length)
                .sum();
    }
}
