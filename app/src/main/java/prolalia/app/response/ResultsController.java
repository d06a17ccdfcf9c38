package prolalia.app.response;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.springframework.core.io.Resource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.classroom.ClassAccess;
import prolalia.app.platform.MediaResponses;
import prolalia.app.platform.Messages;
import prolalia.app.response.ResultsService.Line;
import prolalia.app.response.ResultsService.PointsRefusedException;
import prolalia.app.response.ResultsService.Results;
import prolalia.app.school.SchoolAddress;
import prolalia.core.marking.QuestionKind;
import prolalia.formats.results.ResultSheet;
import prolalia.formats.results.ResultSheet.Value;

/** A class's answers to something that was given: a picture of all, each opened, and tables to take along. */
@Controller
@RequestMapping("/assignments/{id}")
class ResultsController {
    private static final MediaType XLSX =
            MediaType.parseMediaType("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet");
    private static final MediaType CSV = new MediaType("text", "csv", StandardCharsets.UTF_8);

    private final ResultsService results;
    private final ClassAccess classes;
    private final SchoolAddress address;
    private final MediaResponses media;
    private final Messages messages;

    ResultsController(
            ResultsService results,
            ClassAccess classes,
            SchoolAddress address,
            MediaResponses media,
            Messages messages) {
        this.results = results;
        this.classes = classes;
        this.address = address;
        this.media = media;
        this.messages = messages;
    }

    @GetMapping("/answers")
    String table(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        show(teacher, results.results(teacher.actor(), id), model);
        return "response/results";
    }

    private void show(SignedInTeacher teacher, Results all, Model model) {
        model.addAttribute("results", all);
        model.addAttribute(
                "schoolClass", classes.require(teacher.actor(), all.assignment().classId()));
        model.addAttribute("mayChange", teacher.role().teaches());
    }

    /** The same, without what is around it: asked for again and again while it is looked at. */
    @GetMapping("/answers/now")
    String now(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            HttpServletResponse response,
            Model model) {
        response.setHeader("Cache-Control", "no-store");
        show(teacher, results.results(teacher.actor(), id), model);
        return "response/results :: table";
    }

    @GetMapping("/answers/{studentId}/{questionId}")
    String open(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String studentId,
            @PathVariable String questionId,
            Model model) {
        var opened = results.open(teacher.actor(), id, studentId, questionId);
        model.addAttribute("opened", opened);
        model.addAttribute("key", QuestionKind.keyOf(opened.question().asked().question()));
        model.addAttribute("mayChange", teacher.role().teaches());
        return "response/answer";
    }

    /** @param points empty: what the rule says holds again */
    @PostMapping("/answers/{studentId}/{questionId}/points")
    String overrule(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String studentId,
            @PathVariable String questionId,
            @RequestParam(defaultValue = "") String points,
            @RequestParam(defaultValue = "") String reason,
            Model model) {
        try {
            results.overrule(teacher.actor(), id, studentId, questionId, number(points), reason);
        } catch (PointsRefusedException refused) {
            model.addAttribute("pointsUpTo", refused.most());
        }
        return open(teacher, id, studentId, questionId, model);
    }

    @PostMapping("/answers/{studentId}/reopen")
    String reopen(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @PathVariable String studentId) {
        results.reopen(teacher.actor(), id, studentId);
        return "redirect:/assignments/" + id + "/answers";
    }

    /** Null: nothing; what is no number is none that can be given. */
    private static Double number(String typed) {
        try {
            return typed.isBlank()
                    ? null
                    : (Double) Double.parseDouble(typed.strip().replace(',', '.'));
        } catch (NumberFormatException none) {
            return Double.NaN;
        }
    }

    @GetMapping("/answers.csv")
    ResponseEntity<byte[]> csv(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, HttpServletRequest request) {
        Results all = results.results(teacher.actor(), id);
        return file(all, "csv", CSV, sheet(teacher, all, request).csv());
    }

    @GetMapping("/answers.xlsx")
    ResponseEntity<byte[]> xlsx(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, HttpServletRequest request) {
        Results all = results.results(teacher.actor(), id);
        return file(all, "xlsx", XLSX, sheet(teacher, all, request).xlsx());
    }

    private static ResponseEntity<byte[]> file(Results all, String ending, MediaType type, byte[] content) {
        String name =
                all.assignment().title().replaceAll("[^\\p{L}\\p{N} -]", "").strip();
        return ResponseEntity.ok()
                .contentType(type)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename((name.isEmpty() ? "answers" : name) + "." + ending, StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(content);
    }

    private ResultSheet sheet(SignedInTeacher teacher, Results all, HttpServletRequest request) {
        List<String> head = new ArrayList<>(List.of(messages.say("results.child"), messages.say("results.points")));
        all.questions().forEach(question -> head.add(question.number() + ". " + question.words()));
        String base = address.address(request).base() + "/assignments/"
                + all.assignment().id() + "/spoken/";
        List<List<Value>> rows = new ArrayList<>();
        for (Line line : results.lines(teacher.actor(), all)) {
            List<Value> row = new ArrayList<>();
            row.add(Value.of(line.student().name()));
            row.add(Value.of(line.points()));
            for (int i = 0; i < line.words().size(); i++) {
                List<String> said = line.recordings().getOrDefault(i, List.of());
                String words = line.words().get(i);
                row.add(
                        said.isEmpty()
                                ? Value.of(words)
                                : new Value(
                                        (words + " " + messages.say("results.spoken")).strip(),
                                        null,
                                        base + said.get(0) + ".mp3"));
            }
            rows.add(row);
        }
        return new ResultSheet(all.assignment().title(), head, rows);
    }

    /** What a child said; only the teachers and aides of her class hear it. */
    @GetMapping("/spoken/{recordingId}.mp3")
    ResponseEntity<Resource> spoken(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String recordingId,
            HttpServletRequest request)
            throws IOException {
        return media.serveCurrent(results.sound(teacher.actor(), id, recordingId), MediaResponses.MP3, request);
    }

    @GetMapping("/answer-picture/{hash}")
    ResponseEntity<Resource> picture(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String hash,
            HttpServletRequest request)
            throws IOException {
        String type = results.pictureType(teacher.actor(), id, hash);
        return media.serveCurrent(hash, MediaType.parseMediaType(type), request);
    }
}
