package prolalia.app.elsewhere;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.lesson.LessonService;
import prolalia.app.platform.Messages;

/** Where recordings made elsewhere come in: one that holds the script, or many files. */
@Controller
class ElsewhereController {
    private final LongRecordingService recordings;
    private final FileBatchService batches;
    private final LessonService lessons;
    private final Messages messages;

    ElsewhereController(
            LongRecordingService recordings, FileBatchService batches, LessonService lessons, Messages messages) {
        this.recordings = recordings;
        this.batches = batches;
        this.lessons = lessons;
        this.messages = messages;
    }

    @GetMapping("/lessons/{id}/elsewhere")
    String page(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        model.addAttribute("lesson", lessons.head(teacher.actor(), id));
        model.addAttribute("recordings", recordings.ofLesson(teacher.actor(), id));
        model.addAttribute("batches", batches.ofLesson(teacher.actor(), id));
        model.addAttribute("words", messages.forBrowser("arriving", "elsewhere"));
        return "elsewhere/elsewhere";
    }
}
