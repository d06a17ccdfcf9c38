package prolalia.app.response;

import java.io.IOException;
import java.io.InputStream;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import prolalia.app.papers.PictureReader;
import prolalia.app.platform.TooLargeException;
import prolalia.formats.paper.PaperPage;
import prolalia.formats.paper.PaperRefusedException;

/** Pictures that children answer with. */
@Service
class AnswerPictures {
    private final PictureReader pictures;
    private final ResponseStore store;
    private final Clock clock;

    AnswerPictures(PictureReader pictures, ResponseStore store, Clock clock) {
        this.pictures = pictures;
        this.store = store;
        this.clock = clock;
    }

    /** Keeps a picture; answers its hash, or nothing when it is none that can be shown. */
    Optional<String> keep(String responseId, InputStream content) throws IOException {
        try {
            List<PaperPage> pages = pictures.read(content);
            if (pages.size() != 1 || pages.get(0).picture() == null) {
                return Optional.empty();
            }
            PaperPage page = pages.get(0);
            store.addPicture(responseId, page.picture(), page.mediaType(), clock.millis());
            return Optional.of(page.picture());
        } catch (PaperRefusedException | TooLargeException refused) {
            return Optional.empty();
        }
    }

    Optional<String> type(String responseId, String hash) {
        return store.pictureType(responseId, hash);
    }
}
