package prolalia.app.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.stereotype.Component;

/** Lets a teacher in without asking for the password: right after making the first account, and in the demo. */
@Component
public class ProgrammaticSignIn {
    private final SecurityContextRepository contexts;

    ProgrammaticSignIn(SecurityContextRepository contexts) {
        this.contexts = contexts;
    }

    public void enter(SignedInTeacher teacher, HttpServletRequest request, HttpServletResponse response) {
        teacher.eraseCredentials();
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(
                UsernamePasswordAuthenticationToken.authenticated(teacher, null, teacher.getAuthorities()));
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
    }
}
