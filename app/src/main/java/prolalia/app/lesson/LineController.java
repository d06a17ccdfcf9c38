package prolalia.app.lesson;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.lesson.LessonService.WordsChange;
import prolalia.core.lesson.LineKind;
import prolalia.core.script.WordChanges;

/** Changes to single lines; answers with the line's row as it is now. */
@Controller
class LineController {
    private static final String ROW = "lesson/row";

    private final LessonService lessons;

    LineController(LessonService lessons) {
        this.lessons = lessons;
    }

    /**
     * What the browser needs after saving words.
     *
     * @param words as they stand on the server
     * @param changes since the take, when the line is outdated
     */
    record SavedWords(boolean saved, int revision, String words, String state, List<WordChanges.Part> changes) {}

    @PutMapping("/lines/{id}/words")
    @ResponseBody
    SavedWords words(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam int revision,
            @RequestParam String words,
            HttpServletResponse response) {
        WordsChange change = lessons.changeWords(teacher.id(), id, revision, words);
        if (!change.saved()) {
            response.setStatus(HttpStatus.CONFLICT.value());
        }
        ScriptLine now = change.line();
        return new SavedWords(
                change.saved(),
                now.revision(),
                now.line().words(),
                now.line().state().name(),
                now.changes());
    }

    @PutMapping("/lines/{id}/kind")
    String kind(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam LineKind kind,
            Model model) {
        return row(lessons.changeKind(teacher.id(), id, kind), model);
    }

    @PostMapping("/lines/{id}/after")
    String addAfter(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        return row(lessons.addLineAfter(teacher.id(), id), model);
    }

    @PostMapping("/lessons/{lessonId}/pages/{pageId}/lines")
    String addAtEnd(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String lessonId,
            @PathVariable String pageId,
            Model model) {
        return row(lessons.addLineAtEnd(teacher.id(), lessonId, pageId), model);
    }

    @DeleteMapping("/lines/{id}")
    String remove(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        model.addAttribute("line", lessons.line(teacher.id(), id));
        lessons.removeLine(teacher.id(), id);
        return "lesson/removed";
    }

    @PostMapping("/lines/{id}/put-back")
    String putBack(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        return row(lessons.putBackLine(teacher.id(), id), model);
    }

    private static String row(ScriptLine line, Model model) {
        model.addAttribute("line", line);
        model.addAttribute("kinds", LineKind.values());
        return ROW;
    }
}
