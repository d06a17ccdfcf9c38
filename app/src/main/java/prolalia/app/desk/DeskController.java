package prolalia.app.desk;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import prolalia.app.account.SignedInTeacher;

@Controller
class DeskController {
    private final DeskService desk;

    DeskController(DeskService desk) {
        this.desk = desk;
    }

    /** What was removed and can be put back. */
    @GetMapping("/bin")
    String bin(@AuthenticationPrincipal SignedInTeacher teacher, Model model) {
        model.addAttribute("binned", desk.bin(teacher.actor()));
        return "desk/bin";
    }

    @GetMapping("/")
    String desk(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @RequestParam(required = false) String removed,
            Model model) {
        model.addAttribute("desk", desk.deskOf(teacher.actor()));
        model.addAttribute("removed", removed);
        return "desk/desk";
    }
}
