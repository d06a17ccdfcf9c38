package prolalia.app.desk;

import java.util.Optional;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.desk.Arrangement.Order;
import prolalia.app.listening.ToHear;
import prolalia.app.substitute.SubstituteService;

@Controller
class DeskController {
    private final DeskService desk;
    private final ToHear toHear;
    private final SubstituteService substitutes;

    DeskController(DeskService desk, ToHear toHear, SubstituteService substitutes) {
        this.desk = desk;
        this.toHear = toHear;
        this.substitutes = substitutes;
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
            @RequestParam(defaultValue = "") String words,
            @RequestParam(defaultValue = "OPENED") Order order,
            @RequestParam(defaultValue = "") String folder,
            @RequestParam(defaultValue = "false") boolean all,
            Model model) {
        Optional<String> standsIn = substitutes.classOf(teacher.actor());
        if (standsIn.isPresent()) {
            return "redirect:/classes/" + standsIn.get() + "/today";
        }
        Arrangement arrangement = new Arrangement(words, order, folder, all);
        model.addAttribute("desk", desk.deskOf(teacher.actor(), arrangement));
        model.addAttribute("arrangement", arrangement);
        model.addAttribute("toHear", toHear.of(teacher.actor()));
        model.addAttribute("orders", Order.values());
        model.addAttribute("removed", removed);
        return "desk/desk";
    }

    @PostMapping("/folders")
    String addFolder(@AuthenticationPrincipal SignedInTeacher teacher, @RequestParam(defaultValue = "") String name) {
        desk.addFolder(teacher.actor(), name);
        return "redirect:/";
    }

    @PostMapping("/first-steps/end")
    String isLedNoMore(@AuthenticationPrincipal SignedInTeacher teacher) {
        desk.isLedNoMore(teacher.actor());
        return "redirect:/";
    }

    @PostMapping("/folders/{id}/remove")
    String removeFolder(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        desk.removeFolder(teacher.actor(), id);
        return "redirect:/";
    }

    /** @param folder blank: into none */
    @PostMapping("/lessons/{id}/folder")
    String put(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "") String folder) {
        desk.put(teacher.actor(), id, folder);
        return "redirect:/" + (folder.isBlank() ? "" : "?folder=" + folder);
    }
}
