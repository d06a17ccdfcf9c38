package prolalia.app.rubric;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
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
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.platform.IncomingFiles;
import prolalia.app.platform.Messages;
import prolalia.app.platform.TooLargeException;
import prolalia.app.rubric.RubricService.Held;
import prolalia.app.rubric.RubricService.ToRead;
import prolalia.core.lesson.SpeakingName;
import prolalia.core.marking.RubricText;
import prolalia.core.marking.RubricText.Reading;
import prolalia.formats.results.ResultSheet;
import prolalia.formats.results.ResultSheet.Value;
import prolalia.formats.table.Table;
import prolalia.formats.table.Table.TooManyRowsException;

/** The rubrics of a teacher: pasted, or brought and taken as tables. */
@Controller
class RubricController {
    private static final int LARGEST_BYTES = 1 << 20;
    private static final int MOST_ROWS = 500;
    private static final MediaType CSV = new MediaType("text", "csv", StandardCharsets.UTF_8);

    private final RubricService rubrics;
    private final IncomingFiles files;
    private final Messages messages;

    RubricController(RubricService rubrics, IncomingFiles files, Messages messages) {
        this.rubrics = rubrics;
        this.files = files;
        this.messages = messages;
    }

    @GetMapping("/rubrics")
    String page(@AuthenticationPrincipal SignedInTeacher teacher, Model model) {
        model.addAttribute("rubrics", rubrics.of(teacher.actor()));
        model.addAttribute("unread", rubrics.unread(teacher.actor()));
        model.addAttribute("words", messages.forBrowser("arriving"));
        return "rubric/rubrics";
    }

    /** @param text as it was pasted; with faults it is shown again */
    @PostMapping("/rubrics")
    String make(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String text,
            RedirectAttributes said) {
        Reading reading = rubrics.make(teacher.actor(), named(name), RubricText.rows(text));
        if (reading.rubric() == null) {
            said.addFlashAttribute("findings", reading.findings());
            said.addFlashAttribute("text", text);
            said.addFlashAttribute("name", name);
        } else {
            said.addFlashAttribute(
                    "said", messages.say("rubric.made", reading.rubric().name()));
        }
        return "redirect:/rubrics";
    }

    private String named(String name) {
        return name.isBlank() ? messages.say("rubric.unnamed") : name;
    }

    /** A table as a file; answers what became of it. */
    @PutMapping("/rubrics/file")
    @ResponseBody
    ResponseEntity<Map<String, String>> bring(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @RequestParam(defaultValue = "") String name,
            HttpServletRequest request)
            throws IOException {
        Reading reading;
        try {
            byte[] file = files.open(request, LARGEST_BYTES).readAllBytes();
            String plain = name.replaceAll("\\.[A-Za-z]{1,4}$", "");
            reading = rubrics.make(
                    teacher.actor(), named(plain), Table.read(file, MOST_ROWS).rows());
        } catch (TooManyRowsException many) {
            return refused(messages.say("rubric.tooLong", MOST_ROWS));
        }
        if (reading.rubric() == null) {
            var first = reading.findings().get(0);
            return refused(messages.say(first.problem().messageKey(), first.row(), first.detail()));
        }
        return ResponseEntity.ok(Map.of("at", "/rubrics"));
    }

    private static ResponseEntity<Map<String, String>> refused(String why) {
        return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT).body(Map.of("why", why));
    }

    @ExceptionHandler(TooLargeException.class)
    @ResponseBody
    ResponseEntity<Map<String, String>> tooLarge() {
        return refused(messages.say("rubric.tooLong", MOST_ROWS));
    }

    /** Its words are read through as standing lines. */
    @PostMapping("/rubrics/{id}/read")
    String read(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        ToRead toRead = rubrics.toTheShelf(teacher.actor(), id);
        return toRead.lines().isEmpty()
                ? "redirect:/rubrics"
                : "redirect:/lessons/" + toRead.shelf() + "/read?line=" + String.join("&line=", toRead.lines());
    }

    @PostMapping("/rubrics/{id}/remove")
    String remove(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        rubrics.remove(teacher.actor(), id);
        return "redirect:/rubrics";
    }

    @GetMapping("/rubrics/{id}.csv")
    ResponseEntity<byte[]> csv(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        Held held = rubrics.own(teacher.actor(), id);
        List<List<String>> table = RubricText.table(held.rubric());
        ResultSheet sheet = new ResultSheet(
                held.rubric().name(),
                table.get(0),
                table.subList(1, table.size()).stream()
                        .map(row -> row.stream().map(Value::of).toList())
                        .toList());
        return ResponseEntity.ok()
                .contentType(CSV)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(SpeakingName.of(held.rubric().name()) + ".csv", StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(sheet.csv());
    }
}
