package prolalia.app.intake;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.intake.PaperImporter.TooManyPagesException;
import prolalia.app.intake.StoredPaper.State;
import prolalia.app.lesson.LessonService;
import prolalia.app.platform.IncomingFiles;
import prolalia.app.platform.Messages;
import prolalia.app.platform.TooLargeException;

/** Papers that come in, up to where they can be looked over. */
@Controller
class IntakeController {
    private final IntakeService intake;
    private final PaperImporter taker;
    private final LessonService lessons;
    private final Messages messages;
    private final IncomingFiles files;

    IntakeController(
            IntakeService intake, PaperImporter taker, LessonService lessons, Messages messages, IncomingFiles files) {
        this.intake = intake;
        this.taker = taker;
        this.lessons = lessons;
        this.messages = messages;
        this.files = files;
    }

    @GetMapping("/lessons/{id}/bring-in")
    String page(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        model.addAttribute("lesson", lessons.head(teacher.actor(), id));
        model.addAttribute("papers", intake.ofLesson(teacher.actor(), id));
        model.addAttribute("words", messages.forBrowser("arriving", "intake"));
        return "intake/bring-in";
    }

    /** Answers when the file is on the disk. */
    @PutMapping("/lessons/{lessonId}/papers/{id}")
    @ResponseBody
    Map<String, String> receive(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String lessonId,
            @PathVariable String id,
            @RequestParam String name,
            HttpServletRequest request)
            throws IOException {
        intake.receive(teacher.actor(), lessonId, id, name, files.open(request, IntakeService.LARGEST_BYTES));
        return Map.of("at", "/papers/" + id);
    }

    /** Where a paper stands: its first page to be looked over, once it is read. */
    @GetMapping("/papers/{id}")
    String paper(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        StoredPaper paper = intake.paper(teacher.actor(), id);
        if (paper.state() == State.READ) {
            return "redirect:/papers/" + id + "/pages/1";
        }
        put(paper, model);
        model.addAttribute("lesson", lessons.head(teacher.actor(), paper.lessonId()));
        return "intake/reading";
    }

    /** How far reading it has come, as a fragment; when it is over, the page is asked for again. */
    @GetMapping("/papers/{id}/progress")
    String progress(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            HttpServletResponse response,
            Model model) {
        StoredPaper paper = intake.paper(teacher.actor(), id);
        if (paper.state() != State.ARRIVED) {
            response.setHeader("HX-Refresh", "true");
        }
        put(paper, model);
        return "intake/progress";
    }

    private void put(StoredPaper paper, Model model) {
        model.addAttribute("paper", paper);
        model.addAttribute("progress", intake.progress(paper.id()));
        model.addAttribute("before", intake.before(paper.id()));
    }

    @PostMapping("/papers/{id}/cancel")
    String cancel(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        intake.cancel(teacher.actor(), id);
        return "redirect:/lessons/" + intake.paper(teacher.actor(), id).lessonId() + "/bring-in";
    }

    @PostMapping("/papers/{id}/put-away")
    String putAway(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        intake.putAway(teacher.actor(), id);
        return "redirect:/lessons/" + intake.paper(teacher.actor(), id).lessonId() + "/bring-in";
    }

    /** Its pages become pages of the lesson. */
    @PostMapping("/papers/{id}/take")
    String take(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        StoredPaper paper = intake.paper(teacher.actor(), id);
        try {
            taker.take(paper);
        } catch (TooManyPagesException tooMany) {
            return "redirect:/papers/" + id + "/pages/1?over=" + tooMany.over();
        }
        taker.takeSoundsSoon(id);
        return "redirect:/lessons/" + paper.lessonId();
    }

    @ExceptionHandler(TooLargeException.class)
    @ResponseBody
    ResponseEntity<Map<String, String>> tooLarge() {
        return ResponseEntity.status(HttpStatus.CONTENT_TOO_LARGE)
                .body(Map.of("why", messages.say("intake.tooLarge", IntakeService.LARGEST_BYTES >> 20)));
    }
}
