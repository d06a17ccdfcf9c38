package prolalia.app.lesson;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import prolalia.app.access.Membership;
import prolalia.app.account.SignedInTeacher;

/** With whom a lesson is shared, who is in it now, and copies of it. */
@Controller
@RequestMapping("/lessons/{id}")
class PeopleController {
    private final LessonService lessons;
    private final LessonSharing sharing;
    private final Presence presence;

    PeopleController(LessonService lessons, LessonSharing sharing, Presence presence) {
        this.lessons = lessons;
        this.sharing = sharing;
        this.presence = presence;
    }

    @GetMapping("/people")
    String people(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        model.addAttribute("lesson", lessons.lesson(teacher.actor(), id));
        model.addAttribute("members", sharing.members(teacher.actor(), id));
        model.addAttribute("others", sharing.others(teacher.actor(), id));
        model.addAttribute("isOwner", sharing.isOwner(teacher.actor(), id));
        return "lesson/people";
    }

    @PostMapping("/people")
    String share(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "") String who,
            @RequestParam(defaultValue = "USE") Membership how) {
        sharing.share(teacher.actor(), id, who, how);
        return "redirect:/lessons/" + id + "/people";
    }

    @PostMapping("/people/{teacherId}/remove")
    String unshare(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @PathVariable String teacherId) {
        sharing.unshare(teacher.actor(), id, teacherId);
        return teacherId.equals(teacher.id()) ? "redirect:/" : "redirect:/lessons/" + id + "/people";
    }

    /** A lesson of her own, with the takes. */
    @PostMapping("/copy")
    String copy(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        return "redirect:/lessons/" + lessons.copy(teacher.actor(), id);
    }

    /** Asked for again and again by whoever is in a lesson: says so, and answers who else is. */
    @GetMapping("/here")
    String here(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        model.addAttribute("here", presence.here(teacher, id));
        return "lesson/here";
    }
}
