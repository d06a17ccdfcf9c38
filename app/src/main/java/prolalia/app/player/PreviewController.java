package prolalia.app.player;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.platform.ContentSecurityPolicy;
import prolalia.app.platform.NotFoundException;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.published.OneByOne;
import prolalia.core.published.PublishedLesson.PublishedPage;
import prolalia.core.published.StudentPages;

/** A lesson as its students meet it, shown to its teacher: no link is needed, and nothing is counted. */
@Controller
class PreviewController {
    private final LessonService lessons;
    private final PlayerService player;
    private final PublishedLessons given;
    private final StudentFiles files;

    PreviewController(LessonService lessons, PlayerService player, PublishedLessons given, StudentFiles files) {
        this.lessons = lessons;
        this.player = player;
        this.given = given;
        this.files = files;
    }

    /** @param page of the lesson, from 1, at which it opens; the nearest one after it that students see */
    @GetMapping("/lessons/{id}/as-student")
    String frame(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "1") int page,
            Model model) {
        LessonView lesson = lessons.lesson(teacher.actor(), id);
        if (lesson.summary().shelf()) {
            throw new NotFoundException("page");
        }
        List<String> shown = StudentPages.shown(OneByOne.of(given.of(lesson.ref()))).stream()
                .map(PublishedPage::id)
                .toList();
        int at = lesson.pages().stream()
                .filter(each -> each.number() >= page)
                .mapToInt(each -> shown.indexOf(each.page().id()))
                .filter(each -> each >= 0)
                .findFirst()
                .orElse(shown.size() - 1);
        model.addAttribute("lesson", lesson);
        model.addAttribute("from", page);
        model.addAttribute("number", Math.max(1, at + 1));
        return "player/as-student";
    }

    @GetMapping("/lessons/{id}/student/{number:[0-9]{1,4}}")
    ResponseEntity<String> page(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @PathVariable int number) {
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noStore())
                .header("Content-Security-Policy", ContentSecurityPolicy.IN_OUR_OWN_FRAME)
                .contentType(PlayerController.HTML)
                .body(player.preview(lessons.seen(teacher.actor(), id), number, "/lessons/" + id + "/student"));
    }

    @GetMapping("/lessons/{id}/student/sound/{hash}.mp3")
    ResponseEntity<Resource> sound(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String hash,
            HttpServletRequest request)
            throws IOException {
        return files.sound(given.of(lessons.seen(teacher.actor(), id)), hash, request);
    }

    @GetMapping("/lessons/{id}/student/picture/{hash}")
    ResponseEntity<Resource> picture(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String hash,
            HttpServletRequest request)
            throws IOException {
        return files.picture(given.of(lessons.seen(teacher.actor(), id)), hash, request);
    }

    @GetMapping("/lessons/{id}/student/words/{lineId}")
    @ResponseBody
    List<Word> words(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @PathVariable String lineId) {
        return files.words(given.of(lessons.seen(teacher.actor(), id)), lineId);
    }

    @GetMapping("/lessons/{id}/student/thing/{hash}")
    ResponseEntity<Resource> thing(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String hash,
            HttpServletRequest request)
            throws IOException {
        return files.thing(lessons.summary(teacher.actor(), id).id(), hash, request);
    }
}
