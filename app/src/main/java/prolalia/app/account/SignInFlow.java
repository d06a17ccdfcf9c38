package prolalia.app.account;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.web.AuthenticationEntryPoint;
import org.springframework.security.web.authentication.AuthenticationFailureHandler;
import org.springframework.security.web.authentication.AuthenticationSuccessHandler;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.UriUtils;

/** What comes before and after a password: whether it is looked at now, and where a teacher goes then. */
@Component
public class SignInFlow
        implements AuthenticationEntryPoint, AuthenticationSuccessHandler, AuthenticationFailureHandler {
    private static final String PAGE = "/sign-in";
    private static final String NAME = "name";
    private static final String GOAL = "to";

    private final SignInThrottle throttle;
    private final KnownDevices devices;

    SignInFlow(SignInThrottle throttle, KnownDevices devices) {
        this.throttle = throttle;
        this.devices = devices;
    }

    /** Stands before the password: one that comes too soon isn't looked at. */
    public final class Gate extends OncePerRequestFilter {
        @Override
        protected boolean shouldNotFilter(HttpServletRequest request) {
            return !request.getMethod().equals("POST")
                    || !request.getServletPath().equals(PAGE);
        }

        @Override
        protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                throws ServletException, IOException {
            String name = name(request);
            long wait = throttle.waitSeconds(name, request.getRemoteAddr(), devices.knows(name, request));
            if (wait > 0) {
                response.sendRedirect(again(request, "wait=" + wait));
            } else {
                chain.doFilter(request, response);
            }
        }
    }

    /** A page that was asked for before signing in is shown after it. */
    @Override
    public void commence(HttpServletRequest request, HttpServletResponse response, AuthenticationException failure)
            throws IOException {
        String asked =
                request.getServletPath() + (request.getQueryString() == null ? "" : "?" + request.getQueryString());
        boolean worth = request.getMethod().equals("GET") && !asked.equals("/");
        response.sendRedirect(request.getContextPath() + (worth ? PAGE + "?" + GOAL + "=" + encoded(asked) : PAGE));
    }

    @Override
    public void onAuthenticationSuccess(HttpServletRequest request, HttpServletResponse response, Authentication who)
            throws IOException {
        String name = name(request);
        throttle.right(name, request.getRemoteAddr(), devices.knows(name, request));
        devices.remember((SignedInTeacher) who.getPrincipal(), request, response);
        response.sendRedirect(request.getContextPath() + goal(request));
    }

    @Override
    public void onAuthenticationFailure(
            HttpServletRequest request, HttpServletResponse response, AuthenticationException failure)
            throws IOException {
        if (failure instanceof PasswordHashing.BusyException
                || failure.getCause() instanceof PasswordHashing.BusyException) {
            response.sendRedirect(again(request, "busy"));
            return;
        }
        String name = name(request);
        throttle.wrong(name, request.getRemoteAddr(), devices.knows(name, request));
        response.sendRedirect(again(request, "wrong"));
    }

    private static String name(HttpServletRequest request) {
        String name = request.getParameter(NAME);
        return name == null ? "" : name;
    }

    private static String again(HttpServletRequest request, String why) {
        String goal = goal(request);
        return request.getContextPath() + PAGE + "?" + why + (goal.equals("/") ? "" : "&" + GOAL + "=" + encoded(goal));
    }

    /** Only a page of this server: one slash, and nothing that a browser takes for the start of another address. */
    private static String goal(HttpServletRequest request) {
        String goal = request.getParameter(GOAL);
        boolean ours = goal != null && goal.matches("/[^/\\\\\\p{Cntrl}][^\\\\\\p{Cntrl}]*");
        return ours ? goal : "/";
    }

    private static String encoded(String text) {
        return UriUtils.encode(text, StandardCharsets.UTF_8);
    }
}
