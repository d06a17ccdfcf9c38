package prolalia.app.classroom;

import jakarta.servlet.http.HttpServletRequest;
import java.net.URI;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import prolalia.app.classroom.ClassService.RefusedException;

/** Goes back to the page where something was asked for that can't be, which says why. */
@ControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
class ClassRefusals {
    @ExceptionHandler
    String refused(RefusedException refused, HttpServletRequest request) {
        return "redirect:" + cameFrom(request) + "?refused=" + refused.why();
    }

    /** For what pages send; what is opened leads back to the door. */
    @ExceptionHandler
    ResponseEntity<Void> outside(StudentSession.OutsideException outside) {
        return ResponseEntity.status(HttpStatus.UNAUTHORIZED).build();
    }

    /** Only a page of classes, whatever the browser says. */
    private static String cameFrom(HttpServletRequest request) {
        try {
            String path = URI.create(request.getHeader("Referer"))
                    .getPath()
                    .substring(request.getContextPath().length());
            return path.matches("/classes[/\\w-]*") ? path : "/classes";
        } catch (RuntimeException noneThatCanBeRead) {
            return "/classes";
        }
    }
}
