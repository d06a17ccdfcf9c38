package prolalia.app.script;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import prolalia.app.access.Right;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.LessonSharing;

/** A script to be heard and printed, where nothing can be changed: also for who teaches a class that works on it. */
@Controller
class PrintedScriptController {
    private final LessonService lessons;
    private final LessonSharing sharing;

    PrintedScriptController(LessonService lessons, LessonSharing sharing) {
        this.lessons = lessons;
        this.sharing = sharing;
    }

    @GetMapping("/lessons/{id}/to-print")
    String toPrint(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        LessonView lesson = lessons.lesson(teacher.actor(), id);
        model.addAttribute("lesson", lesson);
        model.addAttribute("settings", lessons.settings(lesson.ref()));
        model.addAttribute("works", lessons.may(teacher.actor(), id, Right.RECORD));
        model.addAttribute("gives", lessons.may(teacher.actor(), id, Right.GIVE));
        model.addAttribute("whose", sharing.members(teacher.actor(), id).get(0).fullName());
        return "script/to-print";
    }
}
