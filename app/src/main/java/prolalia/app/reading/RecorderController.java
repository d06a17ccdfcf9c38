package prolalia.app.reading;

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
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lines.ScriptLine;
import prolalia.app.platform.Messages;
import prolalia.app.school.SchoolService;
import prolalia.app.spoken.LineRecordings;
import prolalia.app.spoken.TakeService;

@Controller
class RecorderController {
    private final LessonService lessons;
    private final LineRecordings recordings;
    private final TakeService takes;
    private final SchoolService school;
    private final Messages messages;

    RecorderController(
            LessonService lessons,
            LineRecordings recordings,
            TakeService takes,
            SchoolService school,
            Messages messages) {
        this.lessons = lessons;
        this.recordings = recordings;
        this.takes = takes;
        this.school = school;
        this.messages = messages;
    }

    @GetMapping("/lines/{id}/recorder")
    String recorder(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(required = false) String finish,
            Model model) {
        ScriptLine line = lessons.line(teacher.actor(), id);
        LessonView lesson = lessons.lesson(teacher.actor(), line.lessonId());
        model.addAttribute("line", line);
        model.addAttribute("place", LinePlace.of(lesson, line));
        model.addAttribute("longestMs", school.settings().longestRecordingMs());
        model.addAttribute("words", messages.forBrowser("noMicrophone", "recorder"));
        model.addAttribute("finish", finish);
        putTakes(line, model);
        return "reading/recorder";
    }

    /** The takes of a line, and what was kept of refused recordings, as a fragment. */
    @GetMapping("/lines/{id}/takes")
    String takes(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        putTakes(lessons.line(teacher.actor(), id), model);
        return "reading/takes";
    }

    @PostMapping("/takes/{id}/keep")
    String keep(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        ScriptLine line = takes.keep(teacher.actor(), id);
        LessonView lesson = lessons.lesson(teacher.actor(), line.lessonId());
        Optional<ScriptLine> next = LinePlace.of(lesson, line).nextToRead();
        model.addAttribute("line", line);
        model.addAttribute("next", next.orElse(null));
        return "reading/kept";
    }

    /** The take is fine as it is; answers the takes of its line. */
    @PostMapping("/takes/{id}/accept")
    String accept(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        takes.accept(teacher.actor(), id);
        putTakes(lessons.line(teacher.actor(), takes.take(teacher.actor(), id).lineId()), model);
        return "reading/takes";
    }

    /** Throws a take away; answers those that are left, and a way back. */
    @PostMapping("/takes/{id}/remove")
    String remove(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        String lineId = takes.remove(teacher.actor(), id).lineId();
        model.addAttribute("removed", id);
        putTakes(lessons.line(teacher.actor(), lineId), model);
        return "reading/takes";
    }

    @PostMapping("/takes/{id}/put-back")
    String putBack(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        putTakes(
                lessons.line(teacher.actor(), takes.putBack(teacher.actor(), id).lineId()), model);
        return "reading/takes";
    }

    private void putTakes(ScriptLine line, Model model) {
        model.addAttribute("takes", recordings.takesOf(line.line().id()));
        model.addAttribute("refusedOnes", recordings.refusedOf(line.line().id()));
    }
}
