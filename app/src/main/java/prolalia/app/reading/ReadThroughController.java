package prolalia.app.reading;

import java.util.List;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.platform.Messages;
import prolalia.app.reading.ReadThroughService.Selection;
import prolalia.app.school.SchoolService;

/** Reading many lines in one go. */
@Controller
class ReadThroughController {
    private final ReadThroughService readThrough;
    private final SchoolService school;
    private final Messages messages;

    ReadThroughController(ReadThroughService readThrough, SchoolService school, Messages messages) {
        this.readThrough = readThrough;
        this.school = school;
        this.messages = messages;
    }

    @GetMapping("/lessons/{id}/read")
    String prompter(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "TO_READ") Selection what,
            @RequestParam(required = false) Integer page,
            @RequestParam(required = false) List<String> line,
            Model model) {
        model.addAttribute("reading", readThrough.begin(teacher.actor(), id, what, page, line));
        model.addAttribute("what", what);
        model.addAttribute("longestMs", school.settings().longestRecordingMs());
        model.addAttribute("words", messages.forBrowser("noMicrophone", "prompter"));
        return "reading/prompter";
    }

    /** Keeps a take in place of another one of its line; answers the line as the end of a read-through shows it. */
    @PostMapping("/takes/{id}/keep-instead")
    String keepInstead(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam String other,
            Model model) {
        model.addAttribute("read", readThrough.keepInstead(teacher.actor(), id, other));
        return "reading/read-line";
    }

    /** The end of a read-through: the takes of the lines that were shown, and how it went. */
    @PostMapping("/lessons/{id}/read/summary")
    String summary(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam List<String> lines,
            @RequestParam long readingMs,
            @RequestParam(defaultValue = "0") long since,
            Model model) {
        model.addAttribute("summary", readThrough.summary(teacher.actor(), id, lines, readingMs, since));
        return "reading/summary";
    }
}
