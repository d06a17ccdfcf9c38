package prolalia.app.demo;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import prolalia.app.account.AccountService;
import prolalia.app.account.ProgrammaticSignIn;
import prolalia.app.platform.NotFoundException;

@Controller
@ConditionalOnProperty("prolalia.demo")
class EnterDemoController {
    private final AccountService accounts;
    private final ProgrammaticSignIn entrance;
    private final DemoChild child;

    EnterDemoController(AccountService accounts, ProgrammaticSignIn entrance, DemoChild child) {
        this.child = child;
        this.accounts = accounts;
        this.entrance = entrance;
    }

    @PostMapping("/enter-demo")
    String enter(
            @RequestParam(defaultValue = DemoTeacher.SIGN_IN_NAME) String as,
            HttpServletRequest request,
            HttpServletResponse response) {
        // Whoever else there is has an account of her own.
        boolean second = as.equals(DemoTeacher.SECOND_SIGN_IN_NAME);
        entrance.enter(
                accounts.teacher(second ? DemoTeacher.SECOND_SIGN_IN_NAME : DemoTeacher.SIGN_IN_NAME)
                        .orElseThrow(() -> new NotFoundException("demo teacher")),
                request,
                response);
        return "redirect:/";
    }

    /** As a child: which door, and the key of one of them. */
    @GetMapping("/enter-demo/child")
    String child(Model model) {
        model.addAttribute("child", child.any());
        return "demo/child";
    }
}
