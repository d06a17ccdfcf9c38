package prolalia.app.stage;

import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.function.Predicate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.access.LessonAccess;
import prolalia.app.access.LessonRef;
import prolalia.app.access.Right;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.history.LessonHistory;
import prolalia.app.pages.LessonPages;
import prolalia.app.platform.TooLargeException;
import prolalia.app.stage.StageService.Stage;
import prolalia.app.workers.PictureReader;
import prolalia.core.script.PageEdits;
import prolalia.core.script.PageShape.Picture;
import prolalia.formats.paper.PaperPage;
import prolalia.formats.paper.PaperRefusedException;

/** Pictures that are placed on pages, and pictures of pages. Each is read by a process of its own, as papers are. */
@Service
class PictureService {
    private final PictureReader pictures;
    private final StageEditor stages;
    private final StageStore store;
    private final LessonPages pages;
    private final LessonAccess access;
    private final LessonHistory history;
    private final TransactionTemplate transaction;

    PictureService(
            PictureReader pictures,
            StageEditor stages,
            StageStore store,
            LessonPages pages,
            LessonAccess access,
            LessonHistory history,
            TransactionTemplate transaction) {
        this.pictures = pictures;
        this.stages = stages;
        this.store = store;
        this.pages = pages;
        this.access = access;
        this.history = history;
        this.transaction = transaction;
    }

    /** @throws StageRefusedException if it is no picture that can be taken; nothing was changed */
    Stage place(Teacher teacher, String lessonId, String ownerId, InputStream content) throws IOException {
        stages.needsOwner(teacher, lessonId, ownerId);
        // Slides and worksheets are brought in as pages; here only a picture is meant.
        PaperPage picture = onlyOne(read(content), page -> page.lines().isEmpty());
        return stages.addPicture(
                teacher,
                lessonId,
                ownerId,
                picture.picture(),
                picture.mediaType(),
                (double) picture.width() / picture.height());
    }

    /**
     * A page has another picture; its lines and what is placed on it stay.
     *
     * @param content a picture, or a paper: then its only page, or the one of the number that the picture of now had in its own
     * @throws StageRefusedException if there is no such page; nothing was changed
     */
    void replace(Teacher teacher, String pageId, InputStream content) throws IOException {
        LessonRef lesson = access.requireOfPage(teacher, pageId, Right.EDIT);
        List<PaperPage> read = read(content);
        Picture had = pages.shapes(lesson).get(pageId).picture();
        int number = had == null || had.source() == null ? 0 : had.source().number();
        PaperPage shown = read.size() > 1 && number >= 1 && number <= read.size()
                ? onlyOne(List.of(read.get(number - 1)), page -> true)
                : onlyOne(read, page -> true);
        Picture picture = new Picture(
                shown.picture(),
                shown.mediaType(),
                had == null ? "" : had.words(),
                shown.width(),
                shown.height(),
                null);
        transaction.executeWithoutResult(status -> {
            // As long as the change can be taken back, both are needed.
            if (had != null) {
                store.addPicture(lesson, had.hash(), had.type());
            }
            store.addPicture(lesson, picture.hash(), picture.type());
            history.make(lesson, new PageEdits(pages.shapes(lesson)).show(pageId, picture));
        });
    }

    private static PaperPage onlyOne(List<PaperPage> read, Predicate<PaperPage> fits) {
        if (read.size() > 1) {
            throw new StageRefusedException(StageRefusal.MANY);
        }
        boolean isPicture = !read.isEmpty() && read.get(0).picture() != null && fits.test(read.get(0));
        if (!isPicture) {
            throw new StageRefusedException(StageRefusal.PICTURE);
        }
        return read.get(0);
    }

    private List<PaperPage> read(InputStream content) {
        try {
            return pictures.read(content);
        } catch (PaperRefusedException | TooLargeException | IOException refused) {
            throw new StageRefusedException(StageRefusal.PICTURE);
        }
    }
}
