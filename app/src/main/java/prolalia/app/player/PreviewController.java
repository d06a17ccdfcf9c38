package prolalia.app.player;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import org.springframework.core.io.Resource;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.house.NotHereException;
import prolalia.app.house.SecurityConfiguration;
import prolalia.app.house.Words;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.LessonService.PageView;
import prolalia.core.align.WordTimes.Word;

/** A lesson as its students meet it, shown to its teacher: no link is needed, and nothing is counted. */
@Controller
class PreviewController {
    private final LessonService lessons;
    private final StudentPages pages;
    private final StudentFiles files;
    private final Words words;

    PreviewController(LessonService lessons, StudentPages pages, StudentFiles files, Words words) {
        this.lessons = lessons;
        this.pages = pages;
        this.files = files;
        this.words = words;
    }

    /** @param page of the lesson, from 1, at which it opens; the nearest one after it that students see */
    @GetMapping("/lessons/{id}/as-student")
    String frame(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "1") int page,
            Model model) {
        LessonView lesson = lessons.lesson(teacher.id(), id);
        if (lesson.summary().shelf()) {
            throw new NotHereException("page");
        }
        List<PageView> shown = StudentPages.shown(lesson);
        long before = shown.stream().filter(each -> each.number() < page).count();
        model.addAttribute("lesson", lesson);
        model.addAttribute("from", page);
        model.addAttribute("number", Math.max(1, Math.min(shown.size(), before + 1)));
        return "player/as-student";
    }

    @GetMapping("/lessons/{id}/student/{number:[0-9]{1,4}}")
    String page(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable int number,
            HttpServletResponse response,
            Model model) {
        response.setHeader("Cache-Control", "no-store");
        response.setHeader("Content-Security-Policy", SecurityConfiguration.IN_OUR_OWN_FRAME);
        model.addAttribute("counted", false);
        model.addAttribute("base", "/lessons/" + id + "/student");
        model.addAttribute("student", pages.page(lessons.lesson(teacher.id(), id), number));
        model.addAttribute("words", words.forBrowser("player"));
        return "player/page";
    }

    @GetMapping("/lessons/{id}/student/sound/{hash}.mp3")
    ResponseEntity<Resource> sound(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String hash,
            HttpServletRequest request)
            throws IOException {
        return files.sound(lessons.summary(teacher.id(), id).id(), hash, request);
    }

    @GetMapping("/lessons/{id}/student/picture/{hash}")
    ResponseEntity<Resource> picture(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String hash,
            HttpServletRequest request)
            throws IOException {
        return files.picture(lessons.summary(teacher.id(), id).id(), hash, request);
    }

    @GetMapping("/lessons/{id}/student/words/{lineId}")
    @ResponseBody
    List<Word> words(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @PathVariable String lineId) {
        return files.words(lessons.summary(teacher.id(), id).id(), lineId);
    }

    @GetMapping("/lessons/{id}/student/thing/{hash}")
    ResponseEntity<Resource> thing(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String hash,
            HttpServletRequest request)
            throws IOException {
        return files.thing(lessons.summary(teacher.id(), id).id(), hash, request);
    }
}
