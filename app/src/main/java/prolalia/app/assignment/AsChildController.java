package prolalia.app.assignment;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseBody;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.player.PlayerService;
import prolalia.app.player.StudentFiles;
import prolalia.core.align.WordTimes.Word;
import prolalia.formats.web.Answering;

/** What one child hears of something that was given to her, shown to her teacher: nothing is counted. */
@Controller
@RequestMapping("/assignments/{id}/as/{studentId}")
class AsChildController {
    private final AssignmentService assignments;
    private final PlayerService player;
    private final StudentFiles files;

    AsChildController(AssignmentService assignments, PlayerService player, StudentFiles files) {
        this.assignments = assignments;
        this.player = player;
        this.files = files;
    }

    private AssignedLesson met(SignedInTeacher teacher, String id, String studentId) {
        return assignments.asSheMeetsIt(teacher.actor(), id, studentId);
    }

    @GetMapping("/{number:[0-9]{1,4}}")
    ResponseEntity<String> page(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String studentId,
            @PathVariable int number,
            HttpServletRequest request) {
        AssignedLesson met = met(teacher, id, studentId);
        String under = request.getContextPath();
        String back = under + "/classes/" + met.assignment().classId() + "/students/" + studentId;
        String base = "/assignments/" + id + "/as/" + studentId;
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noStore())
                .contentType(ChildController.HTML)
                .body(player.page(
                        met.lesson(),
                        number,
                        base,
                        ChildController.behindDoor(met, under, under + base).lookedAtFrom(back),
                        Answering.TRIED));
    }

    @GetMapping("/sound/{hash}.mp3")
    ResponseEntity<Resource> sound(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String studentId,
            @PathVariable String hash,
            HttpServletRequest request)
            throws IOException {
        return files.sound(met(teacher, id, studentId).lesson(), hash, request);
    }

    @GetMapping("/picture/{hash}")
    ResponseEntity<Resource> picture(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String studentId,
            @PathVariable String hash,
            HttpServletRequest request)
            throws IOException {
        return files.picture(met(teacher, id, studentId).lesson(), hash, request);
    }

    @GetMapping("/thing/{hash}")
    ResponseEntity<Resource> thing(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String studentId,
            @PathVariable String hash,
            HttpServletRequest request)
            throws IOException {
        return files.thing(met(teacher, id, studentId).assignment().lessonId(), hash, request);
    }

    @GetMapping("/words/{lineId}")
    @ResponseBody
    List<Word> words(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String studentId,
            @PathVariable String lineId) {
        return files.words(met(teacher, id, studentId).lesson(), lineId);
    }
}
