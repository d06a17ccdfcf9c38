package prolalia.app.listening;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.listening.RemarkService.At;
import prolalia.app.platform.MediaResponses;
import prolalia.core.remark.Stamp;

/** Remarks as a teacher makes them and gives them back. */
@Controller
@RequestMapping("/assignments/{id}")
class RemarkController {
    private final RemarkService remarks;
    private final ListeningService desk;
    private final MediaResponses media;
    private final RemarkPlaces places;

    RemarkController(RemarkService remarks, ListeningService desk, MediaResponses media, RemarkPlaces places) {
        this.remarks = remarks;
        this.desk = desk;
        this.media = media;
        this.places = places;
    }

    private String shown(SignedInTeacher teacher, At at, Model model) {
        var heard = desk.hear(teacher.actor(), at.assignmentId(), at.studentId(), at.questionId());
        model.addAttribute("opened", heard.opened());
        model.addAttribute("remarks", remarks.of(heard.opened(), at));
        model.addAttribute("counted", remarks.counted(teacher.actor(), at.assignmentId()));
        model.addAttribute("mayChange", teacher.role().teaches());
        return "listening/remarks :: list";
    }

    /** What was said back to an answer. */
    @GetMapping("/listen/{studentId}/{questionId}/remarks")
    String list(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String studentId,
            @PathVariable String questionId,
            Model model) {
        return shown(teacher, new At(id, studentId, questionId), model);
    }

    /** @param words typed; or with {@code line}, a standing line; or a {@code stamp} @param place JSON; empty: the whole answer */
    /** What the child said back was heard, or seen: it is told when it is shown, not when it is fetched before its turn. */
    @PostMapping("/listen/{studentId}/{questionId}/replies/met")
    ResponseEntity<Void> met(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String studentId,
            @PathVariable String questionId) {
        remarks.met(teacher.actor(), new At(id, studentId, questionId));
        return ResponseEntity.noContent().build();
    }

    @PostMapping("/listen/{studentId}/{questionId}/remarks")
    String add(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String studentId,
            @PathVariable String questionId,
            @RequestParam(defaultValue = "") String words,
            @RequestParam(name = "standing", defaultValue = "") String line,
            @RequestParam(required = false) Stamp stamp,
            @RequestParam(defaultValue = "") String place,
            Model model) {
        desk.require(teacher.actor(), id);
        At at = new At(id, studentId, questionId);
        if (stamp != null) {
            remarks.stamp(teacher.actor(), at, stamp, places.read(place));
        } else if (line.isEmpty()) {
            remarks.type(teacher.actor(), at, words, places.read(place));
        } else {
            remarks.standing(teacher.actor(), at, line, places.read(place));
        }
        return shown(teacher, at, model);
    }

    @PostMapping("/remarks/{remarkId}/remove")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @PathVariable String remarkId) {
        remarks.remove(teacher.actor(), id, remarkId);
    }

    /** The same to others. */
    @PostMapping("/remarks/{remarkId}/copy")
    @ResponseBody
    Map<String, Integer> copy(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String remarkId,
            @RequestParam(defaultValue = "") List<String> students) {
        return Map.of("copied", remarks.copy(teacher.actor(), id, remarkId, students));
    }

    /** @param student null: to all @param remark null: all of them */
    @PostMapping("/remarks/give")
    @ResponseBody
    Map<String, Integer> give(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(required = false) String student,
            @RequestParam(required = false) String remark) {
        int given = remarks.give(teacher.actor(), id, student, remark);
        return Map.of(
                "given", given, "waiting", remarks.counted(teacher.actor(), id).waiting());
    }

    @GetMapping("/remarks/{remarkId}.mp3")
    ResponseEntity<Resource> sound(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String remarkId,
            HttpServletRequest request)
            throws IOException {
        return media.serveCurrent(remarks.sound(teacher.actor(), id, remarkId), MediaResponses.MP3, request);
    }
}
