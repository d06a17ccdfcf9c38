package prolalia.app.response;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Semaphore;
import org.springframework.stereotype.Service;
import org.springframework.util.FileSystemUtils;
import prolalia.app.papers.OpenedPages;
import prolalia.app.papers.PaperRun;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.TooLargeException;
import prolalia.formats.paper.PaperPage;
import prolalia.formats.paper.PaperRefusedException;

/** Pictures that children answer with. Each is read by a process of its own, as papers are. */
@Service
class AnswerPictures {
    static final long LARGEST_BYTES = 20L << 20;

    private final Semaphore room = new Semaphore(1, true);
    private final OpenedPages opened;
    private final ResponseStore store;
    private final DataFolder folder;
    private final Clock clock;

    AnswerPictures(OpenedPages opened, ResponseStore store, DataFolder folder, Clock clock) {
        this.opened = opened;
        this.store = store;
        this.folder = folder;
        this.clock = clock;
    }

    /** Keeps a picture; answers its hash, or nothing when it is none that can be shown. */
    Optional<String> keep(String responseId, InputStream content) throws IOException {
        Path file = folder.newTemporaryFile();
        Path place = folder.newTemporaryFolder();
        try {
            Files.copy(content, file, StandardCopyOption.REPLACE_EXISTING);
            List<PaperPage> pages = read(file, place);
            if (pages.size() != 1 || pages.get(0).picture() == null) {
                return Optional.empty();
            }
            PaperPage page = pages.get(0);
            store.addPicture(responseId, page.picture(), page.mediaType(), clock.millis());
            return Optional.of(page.picture());
        } catch (PaperRefusedException | TooLargeException refused) {
            return Optional.empty();
        } finally {
            Files.deleteIfExists(file);
            FileSystemUtils.deleteRecursively(place);
        }
    }

    private List<PaperPage> read(Path file, Path place) throws IOException, PaperRefusedException {
        room.acquireUninterruptibly();
        try (PaperRun run = new PaperRun(file, place)) {
            run.await((page, pages) -> {});
        } finally {
            room.release();
        }
        return opened.kept(place);
    }

    Optional<String> type(String responseId, String hash) {
        return store.pictureType(responseId, hash);
    }
}
