package prolalia.app.account;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import prolalia.app.account.StaffService.Fault;

/** What everybody changes of her own: name, password, and what holds on the device that she is at. */
@Controller
@RequestMapping("/you")
class OwnAccountController {
    private final StaffService staff;

    OwnAccountController(StaffService staff) {
        this.staff = staff;
    }

    @GetMapping
    String you(
            @RequestParam(required = false) String fault, @RequestParam(required = false) String saved, Model model) {
        model.addAttribute("fault", fault);
        model.addAttribute("saved", saved != null);
        return "account/you";
    }

    @PostMapping("/name")
    String rename(@AuthenticationPrincipal SignedInTeacher teacher, @RequestParam(defaultValue = "") String fullName) {
        return back(staff.rename(teacher.actor(), fullName));
    }

    @PostMapping("/password")
    String changePassword(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @RequestParam(defaultValue = "") String old,
            @RequestParam(defaultValue = "") String password,
            HttpServletRequest request) {
        String secret = CookieSignIns.secret(request).orElseThrow();
        return back(staff.changePassword(teacher.actor(), old, password, secret));
    }

    private static String back(Optional<Fault> fault) {
        return "redirect:/you?" + fault.map(each -> "fault=" + each).orElse("saved");
    }
}
