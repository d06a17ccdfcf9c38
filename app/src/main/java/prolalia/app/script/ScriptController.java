package prolalia.app.script;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import prolalia.app.access.LessonRef;
import prolalia.app.access.Right;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.history.Done;
import prolalia.app.history.LessonHistory;
import prolalia.app.history.LessonHistory.Outcome;
import prolalia.app.lesson.Languages;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lines.ScriptLine;
import prolalia.app.platform.Messages;
import prolalia.app.spoken.TakeService;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineState;
import tools.jackson.databind.json.JsonMapper;

/** The script of a lesson, to be looked at. */
@Controller
class ScriptController {
    /** Some screenfuls come with all their buttons and traces; the other lines get theirs as they are scrolled to. */
    private static final int FULL_ROWS = 24;

    /** A change just made, such as pasting, can be undone on the page that comes after it. */
    private static final long JUST_MADE_MS = 120_000;

    private final LessonService lessons;
    private final LessonHistory history;
    private final TakeService takes;
    private final Messages messages;
    private final FormView forms;
    private final JsonMapper json;

    ScriptController(
            LessonService lessons,
            LessonHistory history,
            TakeService takes,
            FormView forms,
            Messages messages,
            JsonMapper json) {
        this.forms = forms;
        this.lessons = lessons;
        this.history = history;
        this.takes = takes;
        this.messages = messages;
        this.json = json;
    }

    @GetMapping("/lessons/{id}")
    String script(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(required = false) Long accepted,
            @RequestParam(required = false) Outcome slip,
            @RequestParam(defaultValue = "0") int prompts,
            Model model) {
        LessonView lesson = lessons.lesson(teacher.actor(), id);
        if (!lessons.may(teacher.actor(), id, Right.RECORD)) {
            return "redirect:/lessons/" + id + "/to-print";
        }
        putLesson(lesson, model);
        model.addAttribute("accepted", accepted);
        model.addAttribute("prompts", prompts);
        model.addAttribute(
                "fullRows",
                lesson.script().stream().limit(FULL_ROWS).collect(Collectors.groupingBy(ScriptLine::pageId)));
        model.addAttribute("lightLines", lightLines(lesson));
        model.addAttribute("kinds", LineKind.values());
        model.addAttribute("languages", Languages.offered(null));
        model.addAttribute("states", LineState.values());
        putSlip(lesson.ref(), slip, model);
        model.addAttribute("words", messages.forBrowser("script"));
        return "script/script";
    }

    /** All takes that the sound check found something in are fine. */
    @PostMapping("/lessons/{id}/accept")
    String acceptAll(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        return "redirect:/lessons/" + id + "?accepted=" + takes.acceptAll(teacher.actor(), id);
    }

    @PostMapping("/lessons/{id}/accept/undo")
    String unaccept(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @RequestParam long at) {
        takes.unaccept(teacher.actor(), id, at);
        return "redirect:/lessons/" + id;
    }

    /** Coverage, rail and dock, as they are now: fetched after every change of a line; after typing also what undo takes back. */
    @GetMapping("/lessons/{id}/coverage")
    String coverage(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "false") boolean typed,
            Model model) {
        LessonView lesson = lessons.lesson(teacher.actor(), id);
        putLesson(lesson, model);
        if (typed) {
            putSlip(lesson.ref(), null, model);
        }
        return "script/coverage";
    }

    /** Some lines with all that belongs to them. */
    @GetMapping("/lessons/{id}/rows")
    String rows(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam List<String> line,
            Model model) {
        model.addAttribute("lines", lessons.lines(teacher.actor(), id, line));
        putSettings(lessons.seen(teacher.actor(), id), model);
        return "script/rows";
    }

    /** A line without its buttons and its trace. */
    record LightLine(String id, String page, LineKind kind, LineState state, String words) {}

    private String lightLines(LessonView lesson) {
        List<LightLine> light = lesson.script().stream()
                .skip(FULL_ROWS)
                .map(line -> new LightLine(
                        line.line().id(),
                        line.pageId(),
                        line.line().kind(),
                        line.line().state(),
                        line.line().words()))
                .toList();
        // Within a page no word of a teacher's may end the script.
        return json.writeValueAsString(light).replace("<", "\\u003c");
    }

    /** @param slip what became of the last step, where that isn't known from the history itself */
    private void putSlip(LessonRef lesson, Outcome slip, Model model) {
        Optional<Done> undone = slip == Outcome.UNDONE ? history.undone(lesson) : Optional.empty();
        model.addAttribute("moreToUndo", history.canUndo(lesson));
        model.addAttribute("outcome", undone.isPresent() ? Outcome.UNDONE : Outcome.MADE);
        model.addAttribute(
                "done",
                undone.or(() -> history.doneWithin(lesson, JUST_MADE_MS)).orElse(null));
    }

    private void putSettings(LessonRef lesson, Model model) {
        model.addAttribute("settings", lessons.settings(lesson));
    }

    private void putLesson(LessonView lesson, Model model) {
        putSettings(lesson.ref(), model);
        model.addAttribute("lesson", lesson);
        model.addAttribute("form", forms.of(lesson));
        model.addAttribute("next", lesson.nextToRead().orElse(null));
    }
}
