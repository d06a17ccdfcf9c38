package prolalia.app.listening;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.server.ResponseStatusException;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.listening.RemarkService.At;
import prolalia.app.platform.MediaResponses;
import prolalia.app.platform.NotFoundException;
import prolalia.app.sound.AnswerRecordings.Ended;
import prolalia.core.remark.RemarkPlace;
import prolalia.core.remark.Stamp;
import prolalia.core.sound.Refusal;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** Remarks as a teacher makes them and gives them back. */
@Controller
@RequestMapping("/assignments/{id}")
class RemarkController {
    private final RemarkService remarks;
    private final ListeningService desk;
    private final MediaResponses media;
    private final JsonMapper json;

    RemarkController(RemarkService remarks, ListeningService desk, MediaResponses media, JsonMapper json) {
        this.remarks = remarks;
        this.desk = desk;
        this.media = media;
        this.json = json;
    }

    private RemarkPlace place(String written) {
        if (written.isBlank()) {
            return RemarkPlace.WHOLE;
        }
        try {
            return json.readValue(written, RemarkPlace.class);
        } catch (JacksonException | IllegalArgumentException senseless) {
            throw new ResponseStatusException(HttpStatus.BAD_REQUEST, "place", senseless);
        }
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
            remarks.stamp(teacher.actor(), at, stamp, place(place));
        } else if (line.isEmpty()) {
            remarks.type(teacher.actor(), at, words, place(place));
        } else {
            remarks.standing(teacher.actor(), at, line, place(place));
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

    /** Where what is said belongs, as a recorder names it: the child and the question. */
    private static At at(String assignmentId, String line) {
        String[] parts = line.split("\\.", 2);
        if (parts.length < 2) {
            throw new NotFoundException("answer");
        }
        return new At(assignmentId, parts[0], parts[1]);
    }

    /** Answers when the chunk is on the disk. */
    @PutMapping("/remarks/recordings/{recordingId}/chunks/{number}")
    @ResponseBody
    Map<String, Integer> chunk(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String recordingId,
            @PathVariable int number,
            @RequestParam("line") String line,
            @RequestHeader(name = HttpHeaders.CONTENT_TYPE, defaultValue = "application/octet-stream") String type,
            HttpServletRequest request)
            throws IOException {
        remarks.receive(teacher.actor(), at(id, line), recordingId, type, number, request.getInputStream());
        return Map.of("stored", number);
    }

    /**
     * What became of something that was said.
     *
     * @param refusal why nothing of it can be heard; null: it can
     * @param missing chunks that haven't come in
     */
    record Said(boolean made, Refusal.Reason refusal, List<Integer> missing) {}

    @PostMapping("/remarks/recordings/{recordingId}/end")
    @ResponseBody
    Said end(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String recordingId,
            @RequestParam("line") String line,
            @RequestParam(required = false) Integer chunks,
            @RequestParam(defaultValue = "") String place)
            throws IOException {
        desk.require(teacher.actor(), id);
        Ended ended = remarks.end(teacher.actor(), at(id, line), recordingId, chunks, place(place));
        if (ended instanceof Ended.Incomplete incomplete) {
            return new Said(false, null, incomplete.missing());
        }
        return ended instanceof Ended.Refused refused
                ? new Said(false, refused.reason(), List.of())
                : new Said(true, null, List.of());
    }

    @DeleteMapping("/remarks/recordings/{recordingId}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void discard(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String recordingId) {
        desk.require(teacher.actor(), id);
        remarks.discard(teacher.actor(), recordingId);
    }
}
