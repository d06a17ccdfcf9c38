package prolalia.app.stage;

import java.util.Map;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import prolalia.app.platform.Messages;

/** Says in the teacher's words why a change of a stage was refused, whichever way it came; before it is taken for a failure of ours. */
@RestControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
class StageRefusals {
    private final Messages messages;

    StageRefusals(Messages messages) {
        this.messages = messages;
    }

    @ExceptionHandler
    ResponseEntity<Map<String, String>> refused(StageRefusedException refused) {
        return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT)
                .body(Map.of("why", messages.say("stage.refused." + refused.why(), refused.detail())));
    }
}
