package prolalia.app.response;

import java.io.IOException;
import java.io.InputStream;
import java.time.Clock;
import java.util.Optional;
import org.springframework.stereotype.Service;
import prolalia.app.workers.PictureReader;
import prolalia.formats.paper.PaperPage;

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
        Optional<PaperPage> read = pictures.readAnswer(content);
        read.ifPresent(page -> store.addPicture(responseId, page.picture(), page.mediaType(), clock.millis()));
        return read.map(PaperPage::picture);
    }

    Optional<String> type(String responseId, String hash) {
        return store.pictureType(responseId, hash);
    }
}
