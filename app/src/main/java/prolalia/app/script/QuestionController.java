package prolalia.app.script;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.history.LessonHistory.Reshaped;
import prolalia.app.lesson.LessonService;
import prolalia.app.platform.IncomingFiles;
import prolalia.app.platform.Messages;
import prolalia.app.workers.PictureReader;
import prolalia.core.answer.AnswerKind;
import prolalia.core.answer.AnswerManner;

/** How lines are answered: kind, points and key beside the line, and the right choices. */
@Controller
class QuestionController {
    private final QuestionService questions;
    private final FreeAnswers free;
    private final ReshapedPage reshaped;
    private final LessonService lessons;
    private final IncomingFiles files;
    private final Messages messages;

    QuestionController(
            QuestionService questions,
            FreeAnswers free,
            ReshapedPage reshaped,
            LessonService lessons,
            IncomingFiles files,
            Messages messages) {
        this.files = files;
        this.lessons = lessons;
        this.questions = questions;
        this.free = free;
        this.reshaped = reshaped;
        this.messages = messages;
    }

    /** @param by how it is answered; empty: it is heard, and not answered */
    @PutMapping("/lines/{id}/question/kind")
    String kind(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(required = false) AnswerKind by,
            Model model) {
        return reshaped.show(questions.changeKind(teacher.actor(), id, Optional.ofNullable(by)), model);
    }

    @PutMapping("/lines/{id}/question/points")
    String points(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "0") int points,
            Model model) {
        return reshaped.show(questions.change(teacher.actor(), id, question -> question.withPoints(points)), model);
    }

    @PutMapping("/lines/{id}/question/required")
    String required(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam boolean required,
            Model model) {
        return reshaped.show(questions.change(teacher.actor(), id, question -> question.withRequired(required)), model);
    }

    /** @param ways other ways in which a free answer may be given */
    @PutMapping("/lines/{id}/question/ways")
    String ways(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "") Set<AnswerKind> ways,
            Model model) {
        return reshaped.show(questions.change(teacher.actor(), id, question -> question.withWays(ways)), model);
    }

    /** @param key what is right, as a teacher types it */
    @PutMapping("/lines/{id}/question/key")
    @ResponseBody
    ResponseEntity<List<String>> key(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @RequestParam String key) {
        return questions
                .changeKey(teacher.actor(), id, key)
                .map(written -> ResponseEntity.ok(List.of(written)))
                .orElseGet(() -> ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT)
                        .body(List.of(messages.say("question.noNumber"))));
    }

    @PostMapping("/lessons/{id}/free-answers/page")
    String freePage(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        return "redirect:/lessons/" + id + "#page-" + free.addPage(teacher.actor(), id);
    }

    @PostMapping("/lessons/{id}/free-answers")
    String freeOnEveryPage(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        free.addToEveryPage(teacher.actor(), id);
        return "redirect:/lessons/" + id;
    }

    /** How all questions of a lesson are asked. */
    @PutMapping("/lessons/{id}/answering")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void manner(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam AnswerManner.Layout layout,
            @RequestParam AnswerManner.Feedback feedback,
            @RequestParam AnswerManner.Points reward,
            @RequestParam(defaultValue = "0") int tries,
            @RequestParam(defaultValue = "0") int seconds,
            @RequestParam(defaultValue = "false") boolean closes) {
        AnswerManner manner = new AnswerManner(layout, feedback, tries, reward, seconds, closes);
        lessons.change(teacher.actor(), id, settings -> settings.withAnswering(manner));
    }

    /** A choice is right from now on, or not any more. */
    @PutMapping("/lines/{id}/right")
    String right(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        return reshaped.show(questions.turnRight(teacher.actor(), id), model);
    }

    @PutMapping("/lines/{id}/picture")
    String picture(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model)
            throws IOException {
        Optional<Reshaped> changed =
                questions.bringPicture(teacher.actor(), id, files.open(request, PictureReader.LARGEST_BYTES));
        if (changed.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return "platform/not-here";
        }
        return reshaped.show(changed.get(), model);
    }

    @DeleteMapping("/lines/{id}/picture")
    String removePicture(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        return reshaped.show(questions.removePicture(teacher.actor(), id), model);
    }

    /** @param pair the number of its pair; 0: none */
    @PutMapping("/lines/{id}/pair")
    String pair(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "0") int pair,
            Model model) {
        return reshaped.show(questions.pair(teacher.actor(), id, pair), model);
    }
}
