package prolalia.app.stage;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.concurrent.Semaphore;
import org.springframework.stereotype.Service;
import org.springframework.util.FileSystemUtils;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.papers.OpenedPages;
import prolalia.app.papers.PaperRun;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.LimitedStream;
import prolalia.app.platform.TooLargeException;
import prolalia.app.stage.StageService.Stage;
import prolalia.formats.paper.PaperPage;
import prolalia.formats.paper.PaperRefusedException;

/** Pictures that are placed on pages. Each is read by a process of its own, as papers are. */
@Service
class PictureService {
    private static final long LARGEST_BYTES = 20L << 20;

    /** Each process has memory of its own: one after another. */
    private final Semaphore room = new Semaphore(1, true);

    private final OpenedPages opened;
    private final StageEditor stages;
    private final DataFolder folder;

    PictureService(OpenedPages opened, StageEditor stages, DataFolder folder) {
        this.opened = opened;
        this.stages = stages;
        this.folder = folder;
    }

    /** @throws StageRefusedException if it is no picture that can be taken; nothing was changed */
    Stage place(Teacher teacher, String lessonId, String ownerId, InputStream content) throws IOException {
        stages.needsOwner(teacher, lessonId, ownerId);
        Path file = folder.newTemporaryFile();
        Path place = folder.newTemporaryFolder();
        try {
            Files.copy(new LimitedStream(content, LARGEST_BYTES), file, StandardCopyOption.REPLACE_EXISTING);
            PaperPage picture = read(file, place);
            return stages.addPicture(
                    teacher,
                    lessonId,
                    ownerId,
                    picture.picture(),
                    picture.mediaType(),
                    (double) picture.width() / picture.height());
        } catch (PaperRefusedException | TooLargeException | IOException refused) {
            throw new StageRefusedException(StageRefusal.PICTURE);
        } finally {
            Files.deleteIfExists(file);
            FileSystemUtils.deleteRecursively(place);
        }
    }

    private PaperPage read(Path file, Path place) throws IOException, PaperRefusedException {
        room.acquireUninterruptibly();
        try (PaperRun run = new PaperRun(file, place)) {
            run.await((page, pages) -> {});
        } finally {
            room.release();
        }
        List<PaperPage> pages = opened.kept(place);
        // Slides and worksheets are brought in as pages; here only a picture is meant.
        boolean isPicture = pages.size() == 1
                && pages.get(0).lines().isEmpty()
                && pages.get(0).picture() != null;
        if (!isPicture) {
            throw new StageRefusedException(StageRefusal.PICTURE);
        }
        return pages.get(0);
    }
}
