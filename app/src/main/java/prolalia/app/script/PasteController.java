package prolalia.app.script;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Optional;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.lesson.LessonService;
import prolalia.app.platform.Messages;
import prolalia.app.script.ScriptService.PasteFault;
import prolalia.core.script.PastedChange;
import prolalia.core.script.PastedQuestions;
import prolalia.core.script.PastedScript.ReadLine;

/** Many lines at once: pasted, shown as they were understood, and only then taken. */
@Controller
class PasteController {
    /** More is shown as a number: nobody looks through thousands of lines before taking them. */
    private static final int MOST_SHOWN = 300;

    private final LessonService lessons;
    private final ScriptService script;
    private final Messages messages;

    PasteController(LessonService lessons, ScriptService script, Messages messages) {
        this.lessons = lessons;
        this.script = script;
        this.messages = messages;
    }

    @GetMapping("/lessons/{id}/paste")
    String paste(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        model.addAttribute("lesson", lessons.lesson(teacher.actor(), id));
        return page("", "", model);
    }

    /** What is understood of the text up to now, as a fragment. */
    @PostMapping("/lessons/{id}/paste/reading")
    String reading(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam String text,
            @RequestParam(defaultValue = "") String changes,
            Model model) {
        lessons.summary(teacher.actor(), id);
        show(text, changes, model);
        return "script/pasted";
    }

    @PostMapping("/lessons/{id}/paste")
    String take(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam String text,
            @RequestParam(defaultValue = "") String changes,
            @RequestParam(defaultValue = "0") int page,
            HttpServletResponse response,
            Model model) {
        List<ReadLine> lines = PastedQuestions.read(text, PastedChange.read(changes));
        Optional<PasteFault> fault = script.faultOf(lessons.seen(teacher.actor(), id), lines);
        if (fault.isPresent()) {
            response.setStatus(422);
            model.addAttribute("lesson", lessons.lesson(teacher.actor(), id));
            model.addAttribute("text", text);
            model.addAttribute("fault", fault.get());
            return page(text, changes, model);
        }
        int number = script.addLines(teacher.actor(), id, page, lines);
        return "redirect:/lessons/" + id + "#page-" + number;
    }

    private String page(String text, String changes, Model model) {
        model.addAttribute("changes", changes);
        model.addAttribute("words", messages.forBrowser("paste"));
        show(text, changes, model);
        return "script/paste";
    }

    private static void show(String text, String changes, Model model) {
        List<ReadLine> lines = PastedQuestions.read(text, PastedChange.read(changes));
        model.addAttribute("count", lines.size());
        model.addAttribute("lines", lines.subList(0, Math.min(MOST_SHOWN, lines.size())));
        model.addAttribute("names", PastedChange.names(lines));
        model.addAttribute("changed", !changes.isBlank());
    }
}
