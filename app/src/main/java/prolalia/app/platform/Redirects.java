package prolalia.app.platform;

import java.util.Locale;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.View;
import org.springframework.web.servlet.ViewResolver;
import org.springframework.web.servlet.view.RedirectView;

/** Leads on to an address as it stands: what somebody sent that is in it is no template, whatever braces it has. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class Redirects implements ViewResolver {
    private static final String REDIRECT = "redirect:";

    @Override
    public View resolveViewName(String name, Locale locale) {
        if (!name.startsWith(REDIRECT)) {
            return null;
        }
        RedirectView view = new RedirectView(name.substring(REDIRECT.length()), true);
        view.setExpandUriTemplateVariables(false);
        view.setExposeModelAttributes(false);
        return view;
    }
}
