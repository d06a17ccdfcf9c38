package prolalia.app.stage;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.Map;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RestController;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.stage.StageService.Stage;

/** A picture that comes in as a thing on a page, or as that of a page. */
@RestController
class PictureController {
    private final PictureService pictures;

    PictureController(PictureService pictures) {
        this.pictures = pictures;
    }

    @PostMapping("/lessons/{id}/stages/{ownerId}/picture")
    Stage receive(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String ownerId,
            HttpServletRequest request)
            throws IOException {
        return pictures.place(teacher.actor(), id, ownerId, request.getInputStream());
    }

    @PutMapping("/pages/{id}/picture")
    Map<String, Boolean> replace(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, HttpServletRequest request)
            throws IOException {
        pictures.replace(teacher.actor(), id, request.getInputStream());
        return Map.of("elsewhere", true);
    }
}
