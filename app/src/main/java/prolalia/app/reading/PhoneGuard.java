package prolalia.app.reading;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.util.Map;
import java.util.Optional;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import prolalia.app.account.SignedInTeacher;

/**
 * A phone begins recordings as long as its read-through is open, and only for its lines. What it began then may come in
 * later: a phone that lost its network loses nothing.
 */
@Configuration
class PhoneGuard implements HandlerInterceptor, WebMvcConfigurer {
    private final PhoneLinks links;

    PhoneGuard(PhoneLinks links) {
        this.links = links;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this).addPathPatterns("/recordings/**");
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        if (who == null || !(who.getPrincipal() instanceof SignedInTeacher teacher) || !teacher.isPhone()) {
            return true;
        }
        HttpSession session = request.getSession(false);
        String token = session == null ? null : (String) session.getAttribute(PhoneController.LINK);
        String recording = recordingId(request);
        Optional<PhoneLink> link = links.find(token);
        boolean known =
                recording != null && link.map(each -> each.knows(recording)).orElse(false);
        if (known) {
            return true;
        }
        String line = request.getParameter("line");
        boolean begins = recording != null
                && line != null
                && links.findOpen(token)
                        .map(open -> open.lineIds().contains(line))
                        .orElse(false);
        if (begins) {
            link.orElseThrow().begins(recording);
            return true;
        }
        response.setStatus(HttpStatus.FORBIDDEN.value());
        return false;
    }

    @SuppressWarnings("unchecked")
    private static String recordingId(HttpServletRequest request) {
        Object variables = request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE);
        return variables instanceof Map<?, ?> map ? ((Map<String, String>) map).get("id") : null;
    }
}
