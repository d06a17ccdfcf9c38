package prolalia.app.script;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.platform.Messages;
import prolalia.core.answer.AnswerKind;

/** How lines are answered: kind, points and key beside the line, and the right choices. */
@Controller
@RequestMapping("/lines/{id}")
class QuestionController {
    private final QuestionService questions;
    private final ReshapedPage reshaped;
    private final Messages messages;

    QuestionController(QuestionService questions, ReshapedPage reshaped, Messages messages) {
        this.questions = questions;
        this.reshaped = reshaped;
        this.messages = messages;
    }

    /** @param by how it is answered; empty: it is heard, and not answered */
    @PutMapping("/question/kind")
    String kind(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(required = false) AnswerKind by,
            Model model) {
        return reshaped.show(questions.changeKind(teacher.actor(), id, Optional.ofNullable(by)), model);
    }

    @PutMapping("/question/points")
    String points(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "0") int points,
            Model model) {
        return reshaped.show(questions.change(teacher.actor(), id, question -> question.withPoints(points)), model);
    }

    @PutMapping("/question/required")
    String required(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam boolean required,
            Model model) {
        return reshaped.show(questions.change(teacher.actor(), id, question -> question.withRequired(required)), model);
    }

    /** @param ways other ways in which a free answer may be given */
    @PutMapping("/question/ways")
    String ways(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "") Set<AnswerKind> ways,
            Model model) {
        return reshaped.show(questions.change(teacher.actor(), id, question -> question.withWays(ways)), model);
    }

    /** @param key what is right, as a teacher types it */
    @PutMapping("/question/key")
    @ResponseBody
    ResponseEntity<List<String>> key(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @RequestParam String key) {
        return questions
                .changeKey(teacher.actor(), id, key)
                .map(written -> ResponseEntity.ok(List.of(written)))
                .orElseGet(() -> ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT)
                        .body(List.of(messages.say("question.noNumber"))));
    }

    /** A choice is right from now on, or not any more. */
    @PutMapping("/right")
    String right(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        return reshaped.show(questions.turnRight(teacher.actor(), id), model);
    }

    /** @param pair the number of its pair; 0: none */
    @PutMapping("/pair")
    String pair(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "0") int pair,
            Model model) {
        return reshaped.show(questions.pair(teacher.actor(), id, pair), model);
    }
}
