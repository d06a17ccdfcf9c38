package prolalia.app.lesson;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import prolalia.app.account.SignedInTeacher;

/** An admin gives one teacher's lessons to another, as when somebody leaves the school. */
@Controller
class HandOverController {
    private final LessonSharing sharing;

    HandOverController(LessonSharing sharing) {
        this.sharing = sharing;
    }

    @PostMapping("/school/people/{id}/hand-over")
    String handOver(
            @AuthenticationPrincipal SignedInTeacher admin,
            @PathVariable String id,
            @RequestParam(defaultValue = "") String to,
            RedirectAttributes said) {
        said.addFlashAttribute("handedOver", sharing.handOver(admin.actor(), id, to));
        return "redirect:/school/people";
    }
}
