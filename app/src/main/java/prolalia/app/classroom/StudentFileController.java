package prolalia.app.classroom;

import java.nio.charset.StandardCharsets;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.classroom.StudentFile.TakenOut;

/** All that is kept of one student: taken out, or deleted. */
@Controller
@RequestMapping("/classes/{id}/students/{studentId}")
class StudentFileController {
    private final StudentFile file;

    StudentFileController(StudentFile file) {
        this.file = file;
    }

    @GetMapping("/all.zip")
    ResponseEntity<StreamingResponseBody> takeOut(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @PathVariable String studentId) {
        TakenOut out = file.takeOut(teacher.actor(), id, studentId);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, "application/zip")
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(out.fileName(), StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(out.zip()::writeTo);
    }

    /** @param sure her name, as a teacher typed it who is sure */
    @PostMapping("/delete")
    String delete(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String studentId,
            @RequestParam(defaultValue = "") String sure) {
        boolean deleted = file.delete(teacher.actor(), id, studentId, sure);
        return deleted
                ? "redirect:/classes/" + id
                : "redirect:/classes/" + id + "/students/" + studentId + "?refused=NOT_SURE";
    }
}
