package prolalia.app.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import prolalia.app.platform.NotFoundException;

/** Somebody sets her password by the link that an admin gave her. */
@Controller
@RequestMapping("/password/{token}")
class PasswordLinkController {
    private final StaffService staff;
    private final ProgrammaticSignIn signIn;

    PasswordLinkController(StaffService staff, ProgrammaticSignIn signIn) {
        this.staff = staff;
        this.signIn = signIn;
    }

    @GetMapping
    String ask(@PathVariable String token, HttpServletResponse response, Model model) {
        Optional<StaffMember> member = staff.ofPasswordLink(token);
        if (member.isEmpty()) {
            response.setStatus(HttpStatus.NOT_FOUND.value());
        }
        model.addAttribute("member", member.orElse(null));
        model.addAttribute("token", token);
        return "account/password";
    }

    @PostMapping
    String set(
            @PathVariable String token,
            @RequestParam(defaultValue = "") String password,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        StaffMember member = staff.ofPasswordLink(token).orElseThrow(() -> new NotFoundException("password link"));
        var fault = staff.setPassword(token, password);
        model.addAttribute("member", member);
        model.addAttribute("token", token);
        if (fault.isPresent()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            model.addAttribute("fault", fault.get().name());
        } else {
            model.addAttribute("done", true);
            signIn.enter(staff.asSignedIn(member), request, response);
        }
        return "account/password";
    }
}
