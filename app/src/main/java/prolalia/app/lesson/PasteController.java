package prolalia.app.lesson;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import prolalia.app.account.SignedInTeacher;
import prolalia.core.script.PastedScript;
import prolalia.core.script.PastedScript.ReadLine;

/** Many lines at once: pasted, shown as they were understood, and only then taken. */
@Controller
class PasteController {
    /** More is shown as a number: nobody looks through thousands of lines before taking them. */
    private static final int MOST_SHOWN = 300;

    private final LessonService lessons;

    PasteController(LessonService lessons) {
        this.lessons = lessons;
    }

    @GetMapping("/lessons/{id}/paste")
    String paste(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        model.addAttribute("lesson", lessons.lesson(teacher.id(), id));
        return read("", model, "lesson/paste");
    }

    /** What is understood of the text up to now, as a fragment. */
    @PostMapping("/lessons/{id}/paste/reading")
    String reading(@RequestParam String text, Model model) {
        return read(text, model, "lesson/pasted");
    }

    @PostMapping("/lessons/{id}/paste")
    String take(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam String text,
            @RequestParam(defaultValue = "0") int page,
            HttpServletResponse response,
            Model model) {
        List<ReadLine> lines = PastedScript.read(text);
        if (lines.isEmpty() || lines.size() > LessonService.MOST_LINES_AT_ONCE) {
            response.setStatus(422);
            model.addAttribute("lesson", lessons.lesson(teacher.id(), id));
            model.addAttribute("text", text);
            model.addAttribute("fault", lines.isEmpty() ? "EMPTY" : "TOO_MANY");
            return read(text, model, "lesson/paste");
        }
        int number = lessons.addLines(teacher.id(), id, page, lines);
        return "redirect:/lessons/" + id + "#page-" + number;
    }

    private static String read(String text, Model model, String view) {
        List<ReadLine> lines = PastedScript.read(text);
        model.addAttribute("count", lines.size());
        model.addAttribute("lines", lines.subList(0, Math.min(MOST_SHOWN, lines.size())));
        return view;
    }
}
