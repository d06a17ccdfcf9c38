package prolalia.app.stage;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import org.springframework.core.io.Resource;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.history.LessonHistory.Outcome;
import prolalia.app.history.LessonHistory.Reshaped;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.LessonService.PageView;
import prolalia.app.pages.LessonPage;
import prolalia.app.platform.MediaResponses;
import prolalia.app.platform.Messages;
import prolalia.app.platform.NotFoundException;
import prolalia.app.stage.StageEditor.Copied;
import prolalia.app.stage.StageEditor.Stepped;
import prolalia.app.stage.StageService.Stage;
import prolalia.core.page.PathPicture;
import prolalia.core.page.Paths;
import prolalia.core.page.Placed;
import prolalia.core.script.LessonChange.Deed;

/** A page and what is placed on it. */
@Controller
class StageController {
    private static final int PAGES_IN_A_ROW = 6;

    private final StageService stages;
    private final StageEditor editor;
    private final LessonService lessons;
    private final MediaResponses media;
    private final Messages messages;

    StageController(
            StageService stages, StageEditor editor, LessonService lessons, MediaResponses media, Messages messages) {
        this.stages = stages;
        this.editor = editor;
        this.lessons = lessons;
        this.media = media;
        this.messages = messages;
    }

    @GetMapping("/lessons/{id}/pages")
    String first(@PathVariable String id) {
        return "redirect:/lessons/" + id + "/pages/1";
    }

    @GetMapping("/lessons/{id}/pages/{number:[0-9]{1,4}}")
    String page(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable int number,
            Model model) {
        LessonView lesson = lessons.lesson(teacher.actor(), id);
        if (number < 1 || number > lesson.pages().size() || lesson.summary().shelf()) {
            throw new NotFoundException("page");
        }
        PageView page = lesson.pages().get(number - 1);
        model.addAttribute("page", page);
        model.addAttribute("asked", stages.hintsAsked(page));
        return stage(lesson, page.page().id(), page.page(), model);
    }

    /** What stands on every page, shown on the first one that has a picture. */
    @GetMapping("/lessons/{id}/pages/every")
    String everyPage(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        LessonView lesson = lessons.lesson(teacher.actor(), id);
        if (lesson.summary().shelf()) {
            throw new NotFoundException("page");
        }
        LessonPage shown = lesson.pages().stream()
                .map(PageView::page)
                .filter(page -> page.pictureHash() != null)
                .findFirst()
                .or(() -> lesson.pages().stream().map(PageView::page).findFirst())
                .orElseThrow(() -> new NotFoundException("page"));
        return stage(lesson, id, shown, model);
    }

    private String stage(LessonView lesson, String ownerId, LessonPage shown, Model model) {
        model.addAttribute("lesson", lesson);
        model.addAttribute("owner", ownerId);
        model.addAttribute("shown", shown);
        model.addAttribute("words", messages.forBrowser("stage"));
        return "stage/stage";
    }

    /** The picture of the ways through a lesson, and what is wrong with them. */
    @GetMapping("/lessons/{id}/paths")
    String paths(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        LessonView lesson = lessons.lesson(teacher.actor(), id);
        Paths paths = stages.paths(lesson);
        model.addAttribute("lesson", lesson);
        model.addAttribute("paths", paths);
        model.addAttribute("picture", PathPicture.of(paths, PAGES_IN_A_ROW));
        return "stage/paths";
    }

    @GetMapping("/lessons/{id}/stages/{ownerId}")
    @ResponseBody
    Stage stage(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @PathVariable String ownerId) {
        return stages.stage(lessons.lesson(teacher.actor(), id), ownerId);
    }

    /** @param version that the change was made on */
    @PutMapping("/lessons/{id}/stages/{ownerId}")
    @ResponseBody
    Stage save(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String ownerId,
            @RequestParam int version,
            @RequestBody Placed placed) {
        return editor.save(teacher.actor(), id, ownerId, version, placed);
    }

    /**
     * What became of going a step back or forth in what was done to the lesson.
     *
     * @param stage null: its page is out of the lesson
     * @param done said of it
     * @param elsewhere whether lines or pages are not as this page shows them
     */
    record Step(Stage stage, String done, boolean elsewhere) {}

    @PostMapping("/lessons/{id}/stages/{ownerId}/undo")
    @ResponseBody
    Step undo(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @PathVariable String ownerId) {
        return step(ownerId, editor.undo(teacher.actor(), id, ownerId));
    }

    @PostMapping("/lessons/{id}/stages/{ownerId}/redo")
    @ResponseBody
    Step redo(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @PathVariable String ownerId) {
        return step(ownerId, editor.redo(teacher.actor(), id, ownerId));
    }

    private Step step(String ownerId, Stepped stepped) {
        Reshaped change = stepped.change();
        boolean placed = change.done() != null && change.done().deed() == Deed.STAGE;
        boolean shown = placed || change.done() != null && change.done().deed() == Deed.WORD_PLACES;
        String said = change.done() == null
                ? messages.say("slip." + change.outcome())
                : messages.say("deed." + change.done().deed(), change.done().size());
        String done = change.outcome() == Outcome.REDONE || change.done() == null
                ? said
                : messages.say("slip." + (change.outcome() == Outcome.UNDONE ? "undone" : change.outcome()), said);
        String where = placed && !ownerId.equals(change.page()) ? " " + messages.say("stage.elsewhere") : "";
        return new Step(
                stepped.stage().orElse(null),
                done + where,
                !shown && (change.outcome() == Outcome.UNDONE || change.outcome() == Outcome.REDONE));
    }

    /**
     * Places spots of these lines: on their words, else where there is room.
     *
     * @param anew whether spots that are there already are placed as the lines were found
     */
    @PostMapping("/lessons/{id}/stages/{ownerId}/place")
    @ResponseBody
    Stage place(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String ownerId,
            @RequestParam(defaultValue = "") List<String> line,
            @RequestParam(defaultValue = "false") boolean anew) {
        return editor.place(teacher.actor(), id, ownerId, line, anew);
    }

    /** @param pages that the things are copied to, as a teacher writes them */
    @PostMapping("/lessons/{id}/stages/{ownerId}/copy")
    @ResponseBody
    Map<String, String> copy(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String ownerId,
            @RequestParam List<String> thing,
            @RequestParam String pages) {
        Copied copied = editor.copy(teacher.actor(), id, ownerId, thing, pages);
        return Map.of("done", messages.say("stage.copied", copied.placed(), copied.leftOut()));
    }

    /** A picture that stands on a page. */
    @GetMapping("/lessons/{id}/things/{hash}")
    ResponseEntity<Resource> picture(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String hash,
            HttpServletRequest request)
            throws IOException {
        return media.serve(hash, stages.pictureType(lessons.seen(teacher.actor(), id), hash), request);
    }
}
