package prolalia.app.insight;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
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
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.assignment.AssignmentService;
import prolalia.app.assignment.AssignmentService.Giving;
import prolalia.app.classroom.ClassAccess;
import prolalia.app.insight.InsightService.Insight;
import prolalia.app.insight.InsightService.Told;
import prolalia.app.lesson.LessonService;
import prolalia.app.platform.Messages;
import prolalia.app.response.ResultsService.Answered;
import prolalia.core.insight.QuestionStatistics;
import prolalia.core.lesson.SpeakingName;
import prolalia.formats.results.ResultSheet;
import prolalia.formats.results.ResultSheet.Value;

/** What the answers to something that was given tell. */
@Controller
@RequestMapping("/assignments/{id}/insight")
class InsightController {
    private static final MediaType XLSX =
            MediaType.parseMediaType("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet");
    private static final MediaType CSV = new MediaType("text", "csv", StandardCharsets.UTF_8);
    private static final double THOUSAND = 1_000;

    private final InsightService insight;
    private final AssignmentService assignments;
    private final LessonService lessons;
    private final ClassAccess classes;
    private final Messages messages;

    InsightController(
            InsightService insight,
            AssignmentService assignments,
            LessonService lessons,
            ClassAccess classes,
            Messages messages) {
        this.insight = insight;
        this.assignments = assignments;
        this.lessons = lessons;
        this.classes = classes;
        this.messages = messages;
    }

    @GetMapping
    String page(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        Insight of = insight.of(teacher.actor(), id);
        model.addAttribute("insight", of);
        model.addAttribute(
                "schoolClass", classes.require(teacher.actor(), of.assignment().classId()));
        model.addAttribute("mayChange", teacher.role().teaches());
        model.addAttribute("lessons", teacher.role().teaches() ? lessons.lessonsOf(teacher.actor()) : List.of());
        return "insight/insight";
    }

    /** Gives a lesson to those who need the same. */
    @PostMapping("/give")
    String give(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam String lesson,
            @RequestParam(defaultValue = "") List<String> students,
            RedirectAttributes said) {
        String classId = assignments.toChange(teacher.actor(), id).classId();
        if (!students.isEmpty()) {
            assignments.give(teacher.actor(), lesson, new Giving(classId, List.of(), students, "", "", null, null));
            said.addFlashAttribute("said", messages.say("insight.given", students.size()));
        }
        return "redirect:/assignments/" + id + "/insight";
    }

    /** All answers, with what was heard before each. */
    @GetMapping("/answers.{type:csv|xlsx}")
    ResponseEntity<byte[]> answers(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @PathVariable String type) {
        Insight of = insight.of(teacher.actor(), id);
        List<List<Value>> rows = new ArrayList<>();
        for (Answered each : of.answered()) {
            Integer percent = of.heardPercent(each);
            rows.add(List.of(
                    Value.of(each.student().name()),
                    Value.of(each.question().number()),
                    Value.of(each.question().words()),
                    Value.of(String.join("; ", each.answer().words())),
                    Value.of(messages.say("outcome." + each.mark().outcome())),
                    Value.of(each.mark().points()),
                    Value.of(each.mark().most()),
                    percent == null ? Value.of("") : Value.of(percent),
                    Value.of(DateTimeFormatter.ISO_LOCAL_DATE_TIME.format(
                            Instant.ofEpochMilli(each.answer().at() / 1000 * 1000)
                                    .atZone(ZoneId.systemDefault())))));
        }
        return file(
                of,
                type,
                "answers",
                heads("child", "number", "question", "answer", "outcome", "points", "most", "heardPercent", "at"),
                rows);
    }

    /** What the answers say of each question. */
    @GetMapping("/questions.{type:csv|xlsx}")
    ResponseEntity<byte[]> questions(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @PathVariable String type) {
        Insight of = insight.of(teacher.actor(), id);
        List<List<Value>> rows = new ArrayList<>();
        for (Told told : of.questions()) {
            QuestionStatistics statistics = told.statistics();
            rows.add(List.of(
                    Value.of(told.number()),
                    Value.of(told.asked().line().words()),
                    statistics == null ? Value.of("") : Value.of(statistics.answered()),
                    number(statistics == null ? null : statistics.facility()),
                    number(statistics == null ? null : statistics.discrimination()),
                    number(statistics == null ? null : statistics.pointBiserial()),
                    number(told.heard() == null ? null : told.heard().heard()),
                    Value.of(told.heard() == null ? 0 : told.heard().unheard().size()),
                    Value.of(
                            statistics == null
                                    ? ""
                                    : String.join(
                                            "; ",
                                            statistics.choices().stream()
                                                    .map(choice -> choice.answer() + ": " + choice.count())
                                                    .toList()))));
        }
        return file(
                of,
                type,
                "questions",
                heads(
                        "number",
                        "question",
                        "answered",
                        "facility",
                        "discrimination",
                        "pointBiserial",
                        "heardShare",
                        "unheard",
                        "choices"),
                rows);
    }

    private static Value number(Double value) {
        return value == null ? Value.of("") : Value.of(Math.round(value * THOUSAND) / THOUSAND);
    }

    private List<String> heads(String... keys) {
        return Arrays.stream(keys)
                .map(key -> messages.say("insight.head." + key))
                .toList();
    }

    private static ResponseEntity<byte[]> file(
            Insight of, String type, String what, List<String> head, List<List<Value>> rows) {
        ResultSheet sheet = new ResultSheet(of.assignment().title(), head, rows);
        boolean csv = type.equals("csv");
        return ResponseEntity.ok()
                .contentType(csv ? CSV : XLSX)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(
                                        SpeakingName.of(of.assignment().title()) + " (" + what + ")." + type,
                                        StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(csv ? sheet.csv() : sheet.xlsx());
    }
}
