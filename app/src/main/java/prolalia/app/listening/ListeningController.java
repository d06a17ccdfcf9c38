package prolalia.app.listening;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.server.ResponseStatusException;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.classroom.ClassAccess;
import prolalia.app.listening.ListeningService.Checked;
import prolalia.app.listening.ListeningService.Heard;
import prolalia.app.listening.ListeningService.Order;
import prolalia.app.listening.ListeningService.Queue;
import prolalia.app.listening.ListeningService.Which;
import prolalia.app.listening.RemarkService.At;
import prolalia.app.listening.RemarkService.Counted;
import prolalia.app.platform.MediaResponses;
import prolalia.app.platform.Messages;
import prolalia.app.platform.NotFoundException;
import prolalia.app.response.ResultsService.Opened;
import prolalia.app.response.ResultsService.PointsRefusedException;
import prolalia.app.response.StoredAnswer;
import prolalia.app.rubric.RubricService;
import prolalia.app.rubric.RubricService.Level;
import prolalia.core.marking.QuestionKind;
import prolalia.core.remark.Stamp;

/** The listening desk of something that was given. */
@Controller
class ListeningController {
    /** So many points are given by one key. */
    private static final int MOST_BY_KEY = 9;

    private final ListeningService desk;
    private final RemarkService remarks;
    private final RubricService rubrics;
    private final ClassAccess classes;
    private final MediaResponses media;
    private final Messages messages;

    ListeningController(
            ListeningService desk,
            RemarkService remarks,
            RubricService rubrics,
            ClassAccess classes,
            MediaResponses media,
            Messages messages) {
        this.desk = desk;
        this.remarks = remarks;
        this.rubrics = rubrics;
        this.classes = classes;
        this.media = media;
        this.messages = messages;
    }

    @GetMapping("/assignments/{id}/listen")
    String desk(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "QUESTION") Order order,
            @RequestParam(defaultValue = "OPEN") Which which,
            @RequestParam(defaultValue = "AS_THEY_COME") Checked checked,
            Model model) {
        Queue queue = desk.queue(teacher.actor(), id, order, which, checked);
        model.addAttribute("only", queue.assignments().get(0));
        model.addAttribute(
                "others", desk.others(teacher.actor(), queue.assignments().get(0)));
        model.addAttribute("orders", List.of(Order.QUESTION, Order.CHILD));
        return show(teacher, queue, order, which, checked, model);
    }

    /** What a class answered to all its lessons, in one queue. */
    @GetMapping("/classes/{id}/listen")
    String deskOfClass(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "LESSON") Order order,
            @RequestParam(defaultValue = "OPEN") Which which,
            @RequestParam(defaultValue = "AS_THEY_COME") Checked checked,
            Model model) {
        Queue queue = desk.queueOfClass(teacher.actor(), id, order, which, checked);
        model.addAttribute("only", null);
        model.addAttribute("others", List.of());
        model.addAttribute("orders", List.of(Order.LESSON, Order.QUESTION, Order.CHILD));
        return show(teacher, queue, order, which, checked, model);
    }

    private String show(SignedInTeacher teacher, Queue queue, Order order, Which which, Checked checked, Model model) {
        model.addAttribute("queue", queue);
        model.addAttribute("order", order);
        model.addAttribute("which", which);
        model.addAttribute("checked", checked);
        List<Counted> counts = queue.assignments().stream()
                .map(each -> remarks.counted(teacher.actor(), each.id()))
                .toList();
        model.addAttribute("counts", counts);
        model.addAttribute(
                "toBeRead",
                counts.stream()
                        .flatMap(each -> each.toBeRead().stream())
                        .distinct()
                        .toList());
        model.addAttribute("whichOnes", Which.values());
        model.addAttribute("checkedOnes", Checked.values());
        model.addAttribute("schoolClass", classes.require(teacher.actor(), queue.classId()));
        model.addAttribute("mayChange", teacher.role().teaches());
        model.addAttribute("words", messages.forBrowser("listening"));
        return "listening/desk";
    }

    /** One answer. */
    @GetMapping("/assignments/{id}/listen/{studentId}/{questionId}")
    String stop(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String studentId,
            @PathVariable String questionId,
            HttpServletResponse response,
            Model model) {
        response.setHeader("Cache-Control", "no-store");
        Heard heard = desk.hear(teacher.actor(), id, studentId, questionId);
        int most = heard.opened().mark().most();
        model.addAttribute("remarks", remarks.of(heard.opened(), new At(id, studentId, questionId)));
        model.addAttribute("counted", remarks.counted(teacher.actor(), id));
        model.addAttribute("standing", teacher.role().teaches() ? remarks.standing(teacher.actor()) : List.of());
        model.addAttribute("rubrics", teacher.role().teaches() ? rubrics.of(teacher.actor()) : List.of());
        model.addAttribute("rubric", rubrics.ofQuestion(questionId).orElse(null));
        model.addAttribute(
                "levels",
                heard.opened().answer() == null
                        ? Map.of()
                        : rubrics.levels(heard.opened().answer().id()).stream()
                                .collect(Collectors.toMap(Level::criterion, Level::level)));
        model.addAttribute("heard", heard);
        model.addAttribute("stamps", Stamp.values());
        model.addAttribute("opened", heard.opened());
        model.addAttribute(
                "key", QuestionKind.keyOf(heard.opened().question().asked().question()));
        model.addAttribute(
                "keys",
                most > MOST_BY_KEY
                        ? List.of()
                        : IntStream.rangeClosed(0, most).boxed().toList());
        model.addAttribute("mayChange", teacher.role().teaches());
        return "listening/stop";
    }

    /**
     * Says what an answer is worth.
     *
     * @param answer that was heard
     * @param seen when what was seen of its points was said; 0: nobody had said it
     */
    @PostMapping("/assignments/{id}/listen/{studentId}/{questionId}/points")
    @ResponseBody
    ResponseEntity<Map<String, Object>> give(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String studentId,
            @PathVariable String questionId,
            @RequestParam double points,
            @RequestParam String answer,
            @RequestParam(defaultValue = "0") long seen) {
        var stands = desk.give(teacher.actor(), id, studentId, questionId, points, answer, seen);
        if (stands.isPresent()) {
            return meanwhile(stands.get(), answer);
        }
        var mark =
                desk.hear(teacher.actor(), id, studentId, questionId).opened().mark();
        return ResponseEntity.ok(Map.of("outcome", mark.outcome()));
    }

    @ExceptionHandler
    ResponseEntity<Map<String, Object>> refused(PointsRefusedException refused) {
        return ResponseEntity.status(HttpStatus.CONFLICT)
                .body(Map.of("why", messages.say("results.pointsUpTo", refused.most())));
    }

    private ResponseEntity<Map<String, Object>> meanwhile(Opened stands, String answer) {
        StoredAnswer other = stands.answer();
        String name = stands.student().name();
        String why = other.id().equals(answer) && other.overruled() != null
                ? messages.say(
                        "listening.saidMeanwhile",
                        other.overruled().by(),
                        name,
                        other.overruled().points())
                : messages.say("listening.answeredMeanwhile", name);
        return ResponseEntity.status(HttpStatus.CONFLICT).body(Map.of("why", why));
    }

    /** @param levels for each criterion the index of its level, or -1; separated by spaces */
    @PostMapping("/assignments/{id}/listen/{studentId}/{questionId}/rubric")
    @ResponseBody
    ResponseEntity<Map<String, Object>> byRubric(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String studentId,
            @PathVariable String questionId,
            @RequestParam(defaultValue = "") String levels,
            @RequestParam String answer,
            @RequestParam(defaultValue = "0") long seen) {
        desk.require(teacher.actor(), id);
        try {
            List<Integer> given = Arrays.stream(levels.split(" "))
                    .filter(each -> !each.isEmpty())
                    .map(Integer::valueOf)
                    .toList();
            var judged = desk.byRubric(teacher.actor(), id, studentId, questionId, given, answer, seen);
            return judged.instead()
                    .map(stands -> meanwhile(stands, answer))
                    .orElseGet(() -> ResponseEntity.ok(Map.of("outcome", judged.outcome())));
        } catch (IllegalArgumentException | IndexOutOfBoundsException noSuchLevel) {
            throw new ResponseStatusException(HttpStatus.BAD_REQUEST, "levels", noSuchLevel);
        }
    }

    /** By which rubric answers to a question are judged, here and wherever it is asked. */
    @PostMapping("/assignments/{id}/listen/{studentId}/{questionId}/rubric/use")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void useRubric(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String questionId,
            @RequestParam(defaultValue = "") String rubric) {
        desk.useRubric(teacher.actor(), id, questionId, rubric);
    }

    @PostMapping("/assignments/{id}/listen/{studentId}/{questionId}/note")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void note(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String studentId,
            @PathVariable String questionId,
            @RequestParam(defaultValue = "false") boolean flagged,
            @RequestParam(defaultValue = "") String note) {
        desk.note(teacher.actor(), id, studentId, questionId, flagged, note);
    }

    /** A child's name, as it is said between two answers. */
    @GetMapping("/assignments/{id}/listen/{studentId}/name.mp3")
    ResponseEntity<Resource> name(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String studentId,
            HttpServletRequest request)
            throws IOException {
        String sound = desk.nameSound(teacher.actor(), id, studentId);
        if (sound == null) {
            throw new NotFoundException("name");
        }
        return media.serve(sound, MediaResponses.MP3, request);
    }
}
