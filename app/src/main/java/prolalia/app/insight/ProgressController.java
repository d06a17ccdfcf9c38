package prolalia.app.insight;

import java.nio.charset.StandardCharsets;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.insight.ProgressService.Folder;

/** How far a child came. */
@Controller
@RequestMapping("/classes/{id}/students/{studentId}")
class ProgressController {
    private final ProgressService progress;

    ProgressController(ProgressService progress) {
        this.progress = progress;
    }

    @GetMapping("/progress")
    String page(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String studentId,
            Model model) {
        model.addAttribute("progress", progress.of(teacher.actor(), id, studentId));
        model.addAttribute("mayChange", teacher.role().teaches());
        return "insight/progress";
    }

    @GetMapping("/progress.zip")
    ResponseEntity<StreamingResponseBody> folder(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @PathVariable String studentId) {
        Folder folder = progress.folder(teacher.actor(), id, studentId);
        return ResponseEntity.ok()
                .contentType(MediaType.valueOf("application/zip"))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(folder.name(), StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(folder.zip()::writeTo);
    }
}
