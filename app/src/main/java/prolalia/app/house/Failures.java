package prolalia.app.house;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.TypeMismatchException;
import org.springframework.http.HttpStatus;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.ui.Model;
import org.springframework.web.ErrorResponse;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;

/** What a person sees when something can't be done: what happened, what was kept, what to do. */
@ControllerAdvice
class Failures {
    private static final Logger LOG = LoggerFactory.getLogger(Failures.class);

    @ExceptionHandler(NotHereException.class)
    String notHere(HttpServletResponse response) {
        response.setStatus(HttpStatus.NOT_FOUND.value());
        return "house/not-here";
    }

    /** What came in isn't what any of our own pages sends. */
    @ExceptionHandler({HttpMessageNotReadableException.class, TypeMismatchException.class})
    String notUnderstood(HttpServletResponse response) {
        response.setStatus(HttpStatus.BAD_REQUEST.value());
        return "house/not-here";
    }

    @ExceptionHandler(Exception.class)
    String unexpected(Exception failure, HttpServletRequest request, HttpServletResponse response, Model model)
            throws Exception {
        if (response.isCommitted() || failure instanceof org.springframework.security.access.AccessDeniedException) {
            throw failure;
        }
        if (failure instanceof ErrorResponse known && known.getStatusCode().is4xxClientError()) {
            response.setStatus(known.getStatusCode().value());
            return "house/not-here";
        }
        // The address may be a student's link, which is never logged; the mark ties the log to what the person reports.
        String mark = UUID.randomUUID().toString().substring(0, 8);
        LOG.error("Failure {} in {}", mark, request.getMethod(), failure);
        response.setStatus(HttpStatus.INTERNAL_SERVER_ERROR.value());
        model.addAttribute("mark", mark);
        return "house/failure";
    }
}
