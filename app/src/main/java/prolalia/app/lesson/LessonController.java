package prolalia.app.lesson;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.Map;
import org.springframework.core.io.Resource;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.pages.PagePictures;
import prolalia.app.platform.Messages;

@Controller
class LessonController {
    private final LessonService lessons;
    private final PagePictures pictures;
    private final Messages messages;

    LessonController(LessonService lessons, PagePictures pictures, Messages messages) {
        this.lessons = lessons;
        this.pictures = pictures;
        this.messages = messages;
    }

    @PostMapping("/lessons")
    String begin(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @RequestParam(defaultValue = "") String title,
            @RequestParam(defaultValue = "false") boolean bring,
            @RequestParam(defaultValue = "false") boolean paste) {
        String named = title.isBlank() ? messages.say("lesson.untitled") : title;
        return "redirect:/lessons/" + lessons.begin(teacher.actor(), named)
                + (bring ? "/bring-in" : paste ? "/paste" : "");
    }

    @PutMapping("/lessons/{id}/title")
    @ResponseBody
    Map<String, Boolean> rename(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @RequestParam String title) {
        lessons.rename(teacher.actor(), id, title.isBlank() ? messages.say("lesson.untitled") : title);
        return Map.of("saved", true);
    }

    @PostMapping("/lessons/{id}/remove")
    String remove(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        lessons.remove(teacher.actor(), id);
        return "redirect:/?removed=" + id;
    }

    @PostMapping("/lessons/{id}/put-back")
    String putBack(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        lessons.putBack(teacher.actor(), id);
        return "redirect:/";
    }

    @GetMapping("/lessons/{id}/pictures/{hash}")
    ResponseEntity<Resource> picture(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String hash,
            HttpServletRequest request)
            throws IOException {
        return pictures.serve(lessons.seen(teacher.actor(), id), hash, request);
    }

    @GetMapping("/lessons/{id}/thumbnails/{hash}")
    ResponseEntity<Resource> thumbnail(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String hash,
            HttpServletRequest request)
            throws IOException {
        return pictures.thumbnail(lessons.seen(teacher.actor(), id), hash, request);
    }
}
