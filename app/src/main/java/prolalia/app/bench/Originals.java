package prolalia.app.bench;

import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;
import prolalia.app.house.BackgroundWork;
import prolalia.app.house.MediaStore;
import prolalia.core.sound.Sound;
import prolalia.media.SoundReader;
import prolalia.media.UnreadableSoundException;

/** The originals that are being worked on, decoded; a few of them stay in memory. */
@Component
class Originals implements DisposableBean {
    /** Ten minutes take 115 MB. */
    private static final int KEPT = 2;

    private final BackgroundWork work = new BackgroundWork("bench-decoder", this::of);
    private final MediaStore media;
    private final Map<String, Sound> decoded = new LinkedHashMap<>(4, 0.75f, true);

    Originals(MediaStore media) {
        this.media = media;
    }

    /** Decodes an original for whoever asks for it next. */
    void decodeSoon(String originalHash) {
        work.soon(originalHash);
    }

    @Override
    public void destroy() {
        work.close();
    }

    synchronized Sound of(String originalHash) {
        Sound sound = decoded.get(originalHash);
        if (sound == null) {
            try {
                sound = SoundReader.decode(media.file(originalHash), Long.MAX_VALUE / 1_000_000)
                        .sound();
            } catch (IOException | UnreadableSoundException failure) {
                throw new IllegalStateException("The original " + originalHash + " can't be read", failure);
            }
            decoded.put(originalHash, sound);
            if (decoded.size() > KEPT) {
                decoded.remove(decoded.keySet().iterator().next());
            }
        }
        return sound;
    }
}
