package prolalia.app.stage;

import java.util.List;
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
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.house.NotHereException;
import prolalia.app.house.Words;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.LessonService.PageView;
import prolalia.app.stage.StageService.Stage;
import prolalia.app.stage.StageService.StageRefusedException;
import prolalia.core.page.PathPicture;
import prolalia.core.page.Paths;

/** A page and what is placed on it. */
@Controller
class StageController {
    private static final int PAGES_IN_A_ROW = 6;

    private final StageService stages;
    private final LessonService lessons;
    private final Words words;

    StageController(StageService stages, LessonService lessons, Words words) {
        this.stages = stages;
        this.lessons = lessons;
        this.words = words;
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
        LessonView lesson = lessons.lesson(teacher.id(), id);
        if (number < 1 || number > lesson.pages().size() || lesson.summary().shelf()) {
            throw new NotHereException("page");
        }
        model.addAttribute("lesson", lesson);
        PageView page = lesson.pages().get(number - 1);
        model.addAttribute("page", page);
        model.addAttribute("asked", stages.hintsAsked(page));
        model.addAttribute("words", words.forBrowser("stage"));
        return "stage/stage";
    }

    /** The picture of the ways through a lesson, and what is wrong with them. */
    @GetMapping("/lessons/{id}/paths")
    String paths(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        LessonView lesson = lessons.lesson(teacher.id(), id);
        Paths paths = stages.paths(lesson);
        model.addAttribute("lesson", lesson);
        model.addAttribute("paths", paths);
        model.addAttribute("picture", PathPicture.of(paths, PAGES_IN_A_ROW));
        return "stage/paths";
    }

    @GetMapping("/lessons/{id}/stages/{pageId}")
    @ResponseBody
    Stage stage(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @PathVariable String pageId) {
        return stages.stage(lessons.lesson(teacher.id(), id), pageId);
    }

    /** @param version that the change was made on */
    @PutMapping("/lessons/{id}/stages/{pageId}")
    @ResponseBody
    Stage save(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String pageId,
            @RequestParam int version,
            @RequestBody List<StoredThing> things) {
        return stages.save(teacher.id(), id, pageId, version, things);
    }

    @PostMapping("/lessons/{id}/stages/{pageId}/undo")
    @ResponseBody
    Stage undo(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @PathVariable String pageId) {
        return stages.step(teacher.id(), id, pageId, -1);
    }

    @PostMapping("/lessons/{id}/stages/{pageId}/redo")
    @ResponseBody
    Stage redo(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @PathVariable String pageId) {
        return stages.step(teacher.id(), id, pageId, 1);
    }

    /** Places spots of these lines where there is room. */
    @PostMapping("/lessons/{id}/stages/{pageId}/place")
    @ResponseBody
    Stage place(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String pageId,
            @RequestParam List<String> line) {
        return stages.place(teacher.id(), id, pageId, line);
    }

    @ExceptionHandler(StageRefusedException.class)
    @ResponseBody
    ResponseEntity<Map<String, String>> refused(StageRefusedException refused) {
        return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT)
                .body(Map.of("why", words.say("stage.refused." + refused.getMessage())));
    }
}
