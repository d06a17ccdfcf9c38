package prolalia.app.platform;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.RequestMapping;

/** What is shown of a failure that happened before or after a page was made; asked for by itself, it isn't here. */
@Controller
class ErrorPage implements ErrorController {
    /** Refusals that have words of their own. */
    private static final Set<Integer> SAID = Set.of(408, 413, 429, 503);

    private static final Logger LOG = LoggerFactory.getLogger(ErrorPage.class);

    @RequestMapping("/error")
    String show(HttpServletRequest request, HttpServletResponse response, Model model) {
        Object status = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
        Object failure = request.getAttribute(RequestDispatcher.ERROR_EXCEPTION);
        if (failure instanceof Throwable thrown && FullDisk.isWhy(thrown)) {
            response.setStatus(HttpStatus.INSUFFICIENT_STORAGE.value());
            return "platform/full-disk";
        }
        int code = status instanceof Integer known ? known : HttpStatus.NOT_FOUND.value();
        response.setStatus(code);
        if (code >= HttpStatus.INTERNAL_SERVER_ERROR.value() && failure instanceof Throwable thrown) {
            LOG.error("Failure outside of a page in {}", request.getMethod(), thrown);
        }
        String words = SAID.contains(code)
                ? "refused"
                : code == HttpStatus.FORBIDDEN.value() ? "forbidden" : code < 500 ? "notHere" : "failure";
        model.addAttribute("what", words + ".title");
        model.addAttribute("why", words + (words.equals("refused") ? "." + code : ".text"));
        return "error";
    }
}
