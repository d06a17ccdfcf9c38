package prolalia.app.workers;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Semaphore;
import org.springframework.stereotype.Service;
import org.springframework.util.FileSystemUtils;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.LimitedStream;
import prolalia.app.platform.TooLargeException;
import prolalia.app.workers.PaperRun.Bounds;
import prolalia.formats.paper.PaperPage;
import prolalia.formats.paper.PaperRefusedException;

/** Reads pictures that somebody sent, each by a process of its own, as papers are; what is shown of them is kept. */
@Service
public class PictureReader {
    public static final long LARGEST_BYTES = 20L << 20;

    /** Each process has memory of its own: one after another. */
    private final Semaphore room = new Semaphore(1, true);

    /** What children send keeps no teacher waiting. */
    private final Semaphore roomForAnswers = new Semaphore(1, true);

    private final OpenedPages opened;
    private final DataFolder folder;

    PictureReader(OpenedPages opened, DataFolder folder) {
        this.opened = opened;
        this.folder = folder;
    }

    /** The picture that the file is; nothing when it is none that can be shown, or has more pages than one. */
    public Optional<PaperPage> readOne(InputStream content) throws IOException {
        return readOne(content, Bounds.PAPER);
    }

    /** The same for what a child answers with, which may take less. */
    public Optional<PaperPage> readAnswer(InputStream content) throws IOException {
        return readOne(content, Bounds.ANSWER);
    }

    private Optional<PaperPage> readOne(InputStream content, Bounds bounds) throws IOException {
        try {
            List<PaperPage> pages = read(content, bounds);
            return pages.size() == 1 && pages.get(0).picture() != null ? Optional.of(pages.get(0)) : Optional.empty();
        } catch (PaperRefusedException | TooLargeException refused) {
            return Optional.empty();
        }
    }

    /**
     * The pages of the file: a picture has one.
     *
     * @throws TooLargeException when it is larger than any picture
     */
    public List<PaperPage> read(InputStream content) throws IOException, PaperRefusedException {
        return read(content, Bounds.PAPER);
    }

    private List<PaperPage> read(InputStream content, Bounds bounds) throws IOException, PaperRefusedException {
        Semaphore room = bounds == Bounds.ANSWER ? roomForAnswers : this.room;
        Path file = folder.newTemporaryFile();
        Path place = folder.newTemporaryFolder();
        try {
            Files.copy(new LimitedStream(content, LARGEST_BYTES), file, StandardCopyOption.REPLACE_EXISTING);
            room.acquireUninterruptibly();
            try (PaperRun run = new PaperRun(file, place, bounds)) {
                run.await((page, pages) -> {});
            } finally {
                room.release();
            }
            return opened.kept(place);
        } finally {
            Files.deleteIfExists(file);
            FileSystemUtils.deleteRecursively(place);
        }
    }
}
