package prolalia.app.intake;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Semaphore;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.util.FileSystemUtils;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseBody;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.house.DataFolder;
import prolalia.app.house.Words;
import prolalia.app.intake.StoredPaper.StoredPage;
import prolalia.app.sound.LimitedStream;
import prolalia.app.sound.RecordingService;
import prolalia.app.stage.StageService;
import prolalia.app.stage.StageService.Stage;
import prolalia.app.stage.StageService.StageRefusedException;
import prolalia.formats.paper.PaperRefusedException;

/** A picture that comes in as a thing on a page. It is read by a process of its own, as papers are. */
@Controller
class StagePictureController {
    private static final long LARGEST_BYTES = 20L << 20;

    /** Each is read by a process with memory of its own: one after another. */
    private final Semaphore room = new Semaphore(1, true);

    private final PaperReader reader;
    private final StageService stages;
    private final DataFolder folder;
    private final Words words;

    StagePictureController(PaperReader reader, StageService stages, DataFolder folder, Words words) {
        this.reader = reader;
        this.stages = stages;
        this.folder = folder;
        this.words = words;
    }

    @PostMapping("/lessons/{id}/stages/{ownerId}/picture")
    @ResponseBody
    Stage receive(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String ownerId,
            HttpServletRequest request)
            throws IOException {
        stages.needsOwner(teacher.id(), id, ownerId);
        Path file = folder.newTemporaryFile();
        Path place = folder.newTemporaryFolder();
        try {
            Files.copy(
                    new LimitedStream(request.getInputStream(), LARGEST_BYTES),
                    file,
                    StandardCopyOption.REPLACE_EXISTING);
            room.acquireUninterruptibly();
            try (PaperRun run = new PaperRun(file, place)) {
                run.await((page, pages) -> {});
            } finally {
                room.release();
            }
            List<StoredPage> pages = reader.pages(place);
            StoredPage picture =
                    pages.size() == 1 && pages.get(0).proposal().lines().isEmpty() ? pages.get(0) : null;
            if (picture == null || picture.pictureHash() == null) {
                throw new StageRefusedException("PICTURE");
            }
            return stages.addPicture(
                    teacher.id(), id, ownerId, picture.pictureHash(), picture.pictureType(), picture.aspect());
        } catch (PaperRefusedException | RecordingService.TooLargeException | IOException refused) {
            throw new StageRefusedException("PICTURE");
        } finally {
            Files.deleteIfExists(file);
            FileSystemUtils.deleteRecursively(place);
        }
    }

    @ExceptionHandler(StageRefusedException.class)
    @ResponseBody
    ResponseEntity<Map<String, String>> refused(StageRefusedException refused) {
        return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT)
                .body(Map.of("why", words.say("stage.refused." + refused.getMessage(), refused.detail())));
    }
}
