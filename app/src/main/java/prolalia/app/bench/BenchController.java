package prolalia.app.bench;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.Map;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.bench.BenchService.Bench;
import prolalia.app.bench.BenchService.EditRefusedException;
import prolalia.app.lesson.LessonService;
import prolalia.app.platform.MediaResponses;
import prolalia.app.platform.Messages;
import prolalia.app.spoken.StoredTake;
import prolalia.app.workers.WaveformCache;

/** The sound bench of one take. */
@Controller
class BenchController {
    private static final MediaType FLAC = MediaType.valueOf("audio/flac");

    private final BenchService bench;
    private final LessonService lessons;
    private final MediaResponses media;
    private final Messages messages;

    BenchController(BenchService bench, LessonService lessons, MediaResponses media, Messages messages) {
        this.bench = bench;
        this.lessons = lessons;
        this.media = media;
        this.messages = messages;
    }

    @GetMapping("/takes/{id}/bench")
    String page(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        StoredTake take = bench.take(teacher.actor(), id);
        model.addAttribute("take", take);
        model.addAttribute("line", lessons.line(teacher.actor(), take.lineId()));
        model.addAttribute("others", bench.others(take));
        model.addAttribute("waveMs", WaveformCache.STEP_MS);
        model.addAttribute("words", messages.forBrowser("bench"));
        return "bench/bench";
    }

    /** What the sound check finds in the take as it is heard now, as a fragment. */
    @GetMapping("/takes/{id}/bench/check")
    String check(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        StoredTake take = bench.take(teacher.actor(), id);
        model.addAttribute("take", take);
        model.addAttribute("noise", bench.noise(take).orElse(null));
        return "bench/check";
    }

    @GetMapping("/takes/{id}/edits")
    @ResponseBody
    Bench edits(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        return bench.bench(teacher.actor(), id);
    }

    @PostMapping("/takes/{id}/edits")
    @ResponseBody
    Bench add(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @RequestBody StoredEdit edit) {
        return bench.add(teacher.actor(), id, edit);
    }

    @PostMapping("/takes/{id}/edits/undo")
    @ResponseBody
    Bench undo(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        return bench.step(teacher.actor(), id, -1);
    }

    @PostMapping("/takes/{id}/edits/redo")
    @ResponseBody
    Bench redo(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        return bench.step(teacher.actor(), id, 1);
    }

    @PostMapping("/takes/{id}/edits/shorten")
    @ResponseBody
    Bench shorten(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @RequestParam long atMs) {
        return bench.shortenPause(teacher.actor(), id, atMs);
    }

    @PostMapping("/takes/{id}/edits/split")
    @ResponseBody
    Bench split(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @RequestParam long atMs) {
        return bench.split(teacher.actor(), id, atMs);
    }

    /** The outline of the whole original, a byte for each step of time. */
    @GetMapping("/takes/{id}/wave")
    ResponseEntity<byte[]> wave(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .body(bench.wave(teacher.actor(), id));
    }

    @GetMapping("/takes/{id}/original.flac")
    ResponseEntity<Resource> original(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, HttpServletRequest request)
            throws IOException {
        return media.serve(bench.workedOn(teacher.actor(), id).originalHash(), FLAC, request);
    }

    /** The original with its noise reduced. */
    @GetMapping("/takes/{id}/quieter.flac")
    ResponseEntity<Resource> quieter(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, HttpServletRequest request)
            throws IOException {
        return media.serve(bench.quieter(teacher.actor(), id), FLAC, request);
    }

    @ExceptionHandler(EditRefusedException.class)
    @ResponseBody
    ResponseEntity<Map<String, String>> refused(EditRefusedException refused) {
        return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT)
                .body(Map.of("why", messages.say("bench.refused." + refused.getMessage())));
    }
}
