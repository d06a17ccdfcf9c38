package prolalia.app.library;

import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.lesson.LessonService;
import prolalia.app.lines.ScriptLine;

/** The library, to look through or to choose from for a line. */
@Controller
class LibraryController {
    private final LibraryService library;
    private final PromptService prompts;
    private final LessonService lessons;

    LibraryController(LibraryService library, PromptService prompts, LessonService lessons) {
        this.library = library;
        this.prompts = prompts;
        this.lessons = lessons;
    }

    /** @param lineId the line that something is chosen for; none: to look through it */
    @GetMapping("/library")
    String page(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @RequestParam(name = "for", required = false) String lineId,
            @RequestParam(defaultValue = "") String words,
            Model model) {
        find(teacher.actor(), lineId, words, 0, model);
        model.addAttribute("prompts", prompts.ofTeacher(teacher.actor()));
        return "library/library";
    }

    /** What is found, as a fragment. */
    @GetMapping("/library/found")
    String found(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @RequestParam(name = "for", required = false) String lineId,
            @RequestParam(defaultValue = "") String words,
            @RequestParam(defaultValue = "0") int shown,
            Model model) {
        find(teacher.actor(), lineId, words, Math.max(0, shown), model);
        return shown > 0 ? "library/more" : "library/found";
    }

    private void find(Teacher teacher, String lineId, String words, int shown, Model model) {
        ScriptLine line = lineId == null || lineId.isEmpty() ? null : lessons.line(teacher, lineId);
        model.addAttribute("line", line);
        model.addAttribute(
                "found",
                library.find(teacher, words, line == null ? null : line.line().words(), shown));
        model.addAttribute("query", words);
        model.addAttribute("shown", shown + LibraryService.SHOWN_AT_ONCE);
    }

    /** The script of the standing lines. */
    @GetMapping("/library/standing")
    String standing(@AuthenticationPrincipal SignedInTeacher teacher) {
        return "redirect:/lessons/" + library.shelf(teacher.actor()).id();
    }

    /** The prompts as lines of the shelf, for a teacher who wants to say them herself. */
    @PostMapping("/library/prompts")
    String prompts(@AuthenticationPrincipal SignedInTeacher teacher) {
        return "redirect:/lessons/" + prompts.toTheShelf(teacher.actor()) + "#last-page";
    }

    @PostMapping("/lines/{id}/standing")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void makeStanding(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        library.makeStanding(teacher.actor(), id);
    }
}
