package prolalia.app.script;

import java.util.Map;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import prolalia.app.access.LessonRef;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.lesson.LessonService;

/** Changes of the pages of a lesson. */
@Controller
class PageController {
    private final PageService pages;
    private final LessonService lessons;

    PageController(PageService pages, LessonService lessons) {
        this.pages = pages;
        this.lessons = lessons;
    }

    @PutMapping("/pages/{id}/title")
    @ResponseBody
    Map<String, Boolean> name(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @RequestParam String title) {
        pages.name(teacher.actor(), id, title);
        return Map.of("saved", true);
    }

    /** @param shows what its picture shows, for those who don't see it */
    @PutMapping("/pages/{id}/shows")
    @ResponseBody
    Map<String, Boolean> describe(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @RequestParam String shows) {
        pages.describe(teacher.actor(), id, shows);
        return Map.of("saved", true);
    }

    @PostMapping("/lessons/{id}/pages")
    String add(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        pages.add(teacher.actor(), id);
        return "redirect:/lessons/" + id + "#last-page";
    }

    @PostMapping("/pages/{id}/remove")
    String remove(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        return "redirect:/lessons/" + pages.remove(teacher.actor(), id).lesson().id();
    }

    @PostMapping("/pages/{id}/put-back")
    String putBack(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        LessonRef lesson = pages.putBack(teacher.actor(), id).lesson();
        return "redirect:/lessons/" + lesson.id() + "#page-" + lessons.numberOf(lesson, id);
    }

    /** @param later otherwise earlier */
    @PostMapping("/pages/{id}/move")
    String move(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @RequestParam boolean later) {
        LessonRef lesson = pages.move(teacher.actor(), id, later).lesson();
        return "redirect:/lessons/" + lesson.id() + "/pages/" + lessons.numberOf(lesson, id);
    }
}
