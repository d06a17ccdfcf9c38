package prolalia.app.script;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import prolalia.app.access.LessonRef;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.platform.FileReading;
import prolalia.app.platform.FileReading.Read;
import prolalia.app.platform.IncomingFiles;
import prolalia.app.platform.TooLargeException;
import prolalia.app.script.ScriptService.PasteFault;
import prolalia.core.script.PastedScript.ReadLine;
import prolalia.core.script.ReadForm;
import prolalia.formats.questions.QuestionsProcess;

/** Questions from a table or from QTI: looked over first, then taken; the browser sends the file for each. */
@Controller
@RequestMapping("/lessons/{id}/questions")
class QuestionFileController {
    private static final long LARGEST_BYTES = 20L << 20;
    private static final int MOST_SHOWN = 200;

    private final ScriptService script;
    private final IncomingFiles files;
    private final FileReading reading;

    QuestionFileController(ScriptService script, IncomingFiles files, FileReading reading) {
        this.script = script;
        this.files = files;
        this.reading = reading;
    }

    /** What would be made of the file, with what is to be said of its rows. */
    @PutMapping("/reading")
    String reading(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam String name,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model)
            throws IOException {
        LessonRef lesson = script.requireEditable(teacher.actor(), id);
        ReadForm form = read(request, name, response, model);
        if (form == null) {
            return "script/questions-read";
        }
        show(lesson, form, model);
        return "script/questions-read";
    }

    private void show(LessonRef lesson, ReadForm form, Model model) {
        List<ReadLine> lines = form.lines();
        model.addAttribute("count", lines.size());
        model.addAttribute("lines", lines.subList(0, Math.min(MOST_SHOWN, lines.size())));
        model.addAttribute("findings", form.findings());
        model.addAttribute("fault", script.faultOf(lesson, lines).orElse(null));
    }

    /** Takes them; answers where they are. @param page its number, from 1; 0: a new one */
    @PutMapping
    String take(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam String name,
            @RequestParam(defaultValue = "0") int page,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model)
            throws IOException {
        LessonRef lesson = script.requireEditable(teacher.actor(), id);
        ReadForm form = read(request, name, response, model);
        Optional<PasteFault> fault = form == null ? Optional.empty() : script.faultOf(lesson, form.lines());
        if (form == null || fault.isPresent()) {
            if (form != null) {
                show(lesson, form, model);
                response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            }
            return "script/questions-read";
        }
        int number = script.addLines(teacher.actor(), id, page, form.lines());
        response.setHeader("X-Goes-To", "/lessons/" + id + "#page-" + number);
        show(lesson, form, model);
        model.addAttribute("fault", null);
        return "script/questions-read";
    }

    private ReadForm read(HttpServletRequest request, String name, HttpServletResponse response, Model model)
            throws IOException {
        byte[] file = files.open(request, LARGEST_BYTES).readAllBytes();
        Read read = reading.read(QuestionsProcess.class, file, name.replace('\0', ' '));
        if (read.isDone()) {
            return QuestionsProcess.read(read.answer());
        }
        model.addAttribute("refused", "qti." + read.refusal("TOO_LARGE"));
        response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
        return null;
    }

    @ExceptionHandler(TooLargeException.class)
    String tooLarge(HttpServletResponse response, Model model) {
        response.setStatus(HttpStatus.CONTENT_TOO_LARGE.value());
        model.addAttribute("refused", "qti.TOO_LARGE");
        return "script/questions-read";
    }
}
