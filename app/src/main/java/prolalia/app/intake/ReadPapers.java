package prolalia.app.intake;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import org.springframework.stereotype.Service;
import prolalia.app.access.LessonRef;
import prolalia.app.intake.StoredPaper.State;
import prolalia.app.intake.StoredPaper.StoredPage;
import prolalia.app.platform.Ids;
import prolalia.app.platform.MediaStore;
import prolalia.app.workers.OpenedPages;

/** Papers that were read before, such as the demo's: they come in as they were found, without being looked over. */
@Service
public class ReadPapers {
    private final PaperStore store;
    private final OpenedPages opened;
    private final PaperImporter taker;
    private final MediaStore media;
    private final Clock clock;

    ReadPapers(PaperStore store, OpenedPages opened, PaperImporter taker, MediaStore media, Clock clock) {
        this.store = store;
        this.opened = opened;
        this.taker = taker;
        this.media = media;
        this.clock = clock;
    }

    /**
     * Makes pages of a paper.
     *
     * @param file it; it is moved into the media store
     * @param read the folder into which {@link prolalia.formats.paper.PaperProcess} read it
     */
    public void take(LessonRef lesson, String fileName, Path file, Path read) throws IOException {
        String id = Ids.newId();
        store.add(id, lesson, fileName, media.keep(file), clock.millis());
        store.addPages(id, opened.kept(read).stream().map(StoredPage::of).toList());
        store.end(id, State.ARRIVED, State.READ, null);
        taker.take(store.find(id).orElseThrow());
    }
}
