package prolalia.app.papers;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.concurrent.Semaphore;
import org.springframework.stereotype.Service;
import org.springframework.util.FileSystemUtils;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.LimitedStream;
import prolalia.formats.paper.PaperPage;
import prolalia.formats.paper.PaperRefusedException;

/** Reads pictures that somebody sent, each by a process of its own, as papers are; what is shown of them is kept. */
@Service
public class PictureReader {
    public static final long LARGEST_BYTES = 20L << 20;

    /** Each process has memory of its own: one after another. */
    private final Semaphore room = new Semaphore(1, true);

    private final OpenedPages opened;
    private final DataFolder folder;

    PictureReader(OpenedPages opened, DataFolder folder) {
        this.opened = opened;
        this.folder = folder;
    }

    /**
     * The pages of the file: a picture has one.
     *
     * @throws prolalia.app.platform.TooLargeException when it is larger than any picture
     */
    public List<PaperPage> read(InputStream content) throws IOException, PaperRefusedException {
        Path file = folder.newTemporaryFile();
        Path place = folder.newTemporaryFolder();
        try {
            Files.copy(new LimitedStream(content, LARGEST_BYTES), file, StandardCopyOption.REPLACE_EXISTING);
            room.acquireUninterruptibly();
            try (PaperRun run = new PaperRun(file, place)) {
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
