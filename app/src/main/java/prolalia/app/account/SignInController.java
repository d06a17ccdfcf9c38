package prolalia.app.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import prolalia.app.platform.HouseProperties;
import prolalia.app.school.SchoolService;

@Controller
class SignInController {
    private final AccountService accounts;
    private final FirstAccountGuard guard;
    private final HouseProperties house;
    private final ProgrammaticSignIn entrance;
    private final SchoolService school;

    SignInController(
            AccountService accounts,
            FirstAccountGuard guard,
            HouseProperties house,
            ProgrammaticSignIn entrance,
            SchoolService school) {
        this.school = school;
        this.accounts = accounts;
        this.guard = guard;
        this.house = house;
        this.entrance = entrance;
    }

    @GetMapping("/sign-in")
    String signIn(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @RequestParam(defaultValue = "") String to,
            @RequestParam(defaultValue = "0") int wait,
            Model model) {
        if (teacher != null) {
            return "redirect:/";
        }
        if (accounts.needsFirstAccount()) {
            return "redirect:/first-account";
        }
        model.addAttribute("demo", house.demo());
        model.addAttribute("to", to);
        model.addAttribute("wait", wait);
        return "account/sign-in";
    }

    @GetMapping("/first-account")
    String firstAccount() {
        if (!accounts.needsFirstAccount()) {
            return "redirect:/sign-in";
        }
        return "account/first-account";
    }

    @PostMapping("/first-account")
    String makeFirstAccount(
            @RequestParam String fullName,
            @RequestParam String name,
            @RequestParam String password,
            @RequestParam(defaultValue = "") String word,
            @RequestParam(defaultValue = "") String zone,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        if (!accounts.needsFirstAccount()) {
            return "redirect:/sign-in";
        }
        // Also on this machine: a proxy on it makes everybody look so.
        String fault = !guard.knows(word)
                ? "WRONG_WORD"
                : accounts.addFirst(fullName, name, password).map(Enum::name).orElse(null);
        if (fault == null) {
            school.beginIn(zone);
            entrance.enter(accounts.teacher(name).orElseThrow(), request, response);
            return "redirect:/";
        }
        response.setStatus(422);
        model.addAttribute("fault", fault);
        model.addAttribute("fullName", fullName);
        model.addAttribute("name", name);
        return "account/first-account";
    }
}
