package prolalia.app.platform;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.UUID;
import org.apache.catalina.connector.ClientAbortException;
import org.apache.tomcat.util.http.InvalidParameterException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.TypeMismatchException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.ui.Model;
import org.springframework.web.ErrorResponse;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;

/** What a person sees when something can't be done: what happened, what was kept, what to do. */
@ControllerAdvice
class ErrorAdvice {
    private static final Logger LOG = LoggerFactory.getLogger(ErrorAdvice.class);
    private static final RareWarning FULL_DISK =
            new RareWarning(LOG, "The disk is full: something could not be kept, and was not taken");

    private final Messages messages;

    ErrorAdvice(Messages messages) {
        this.messages = messages;
    }

    @ExceptionHandler(NotFoundException.class)
    String notHere(HttpServletResponse response) {
        response.setStatus(HttpStatus.NOT_FOUND.value());
        return "platform/not-here";
    }

    /** What came in isn't what any of our own pages sends. */
    @ExceptionHandler({
        EmptyBodyException.class,
        HttpMessageNotReadableException.class,
        TypeMismatchException.class,
        InvalidParameterException.class
    })
    String notUnderstood(HttpServletResponse response) {
        response.setStatus(HttpStatus.BAD_REQUEST.value());
        return "platform/not-here";
    }

    /** Refused before any of it was kept. */
    @ExceptionHandler(TooLargeException.class)
    Object tooLarge(HttpServletRequest request, HttpServletResponse response) {
        if (request.getMethod().equals("PUT")) {
            return ResponseEntity.status(HttpStatus.CONTENT_TOO_LARGE)
                    .contentType(MediaType.APPLICATION_JSON)
                    .body(Map.of("why", messages.say("house.note.tooLarge")));
        }
        response.setStatus(HttpStatus.CONTENT_TOO_LARGE.value());
        return "platform/not-here";
    }

    /** What came in could not be kept; the browser keeps it and tries again. */
    @ExceptionHandler(FullDiskException.class)
    Object fullDisk(HttpServletRequest request, HttpServletResponse response) {
        FULL_DISK.happened();
        if (request.getMethod().equals("PUT")) {
            // A file that a script sends; it says why.
            return ResponseEntity.status(HttpStatus.INSUFFICIENT_STORAGE)
                    .contentType(MediaType.APPLICATION_JSON)
                    .body(Map.of("why", messages.say("fullDisk.why")));
        }
        response.setStatus(HttpStatus.INSUFFICIENT_STORAGE.value());
        boolean ofChild = request.getServletPath().startsWith("/door")
                || request.getServletPath().startsWith("/my");
        return ofChild ? "classroom/not-now" : "platform/full-disk";
    }

    /** A body that dripped was given up; what came of it wasn't kept, and what is kept in a browser is sent again. */
    @ExceptionHandler(TooSlowException.class)
    String tooSlow(HttpServletResponse response) {
        response.setStatus(HttpStatus.REQUEST_TIMEOUT.value());
        response.setHeader(HttpHeaders.CONNECTION, "close");
        return "platform/not-here";
    }

    /** Whoever sent something was gone before all of it had come. */
    @ExceptionHandler(ClientAbortException.class)
    String gone(HttpServletResponse response) {
        response.setStatus(HttpStatus.BAD_REQUEST.value());
        return "platform/not-here";
    }

    @ExceptionHandler(Exception.class)
    Object unexpected(Exception failure, HttpServletRequest request, HttpServletResponse response, Model model)
            throws Exception {
        if (response.isCommitted() || failure instanceof org.springframework.security.access.AccessDeniedException) {
            throw failure;
        }
        if (failure instanceof ErrorResponse known && known.getStatusCode().is4xxClientError()) {
            response.setStatus(known.getStatusCode().value());
            return "platform/not-here";
        }
        if (FullDisk.isWhy(failure)) {
            return fullDisk(request, response);
        }
        // The address may be a student's link, which is never logged; the mark ties the log to what the person reports.
        String mark = UUID.randomUUID().toString().substring(0, 8);
        LOG.error("Failure {} in {}", mark, request.getMethod(), failure);
        response.setStatus(HttpStatus.INTERNAL_SERVER_ERROR.value());
        model.addAttribute("mark", mark);
        return "platform/failure";
    }
}
