package prolalia.app.demo;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import prolalia.app.account.AccountService;
import prolalia.app.account.ProgrammaticSignIn;
import prolalia.app.platform.NotFoundException;

@Controller
@ConditionalOnProperty("prolalia.demo")
class EnterDemoController {
    private final AccountService accounts;
    private final ProgrammaticSignIn entrance;

    EnterDemoController(AccountService accounts, ProgrammaticSignIn entrance) {
        this.accounts = accounts;
        this.entrance = entrance;
    }

    @PostMapping("/enter-demo")
    String enter(HttpServletRequest request, HttpServletResponse response) {
        entrance.enter(
                accounts.teacher(DemoTeacher.SIGN_IN_NAME).orElseThrow(() -> new NotFoundException("demo teacher")),
                request,
                response);
        return "redirect:/";
    }
}
