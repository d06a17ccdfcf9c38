package prolalia.app.elsewhere;

import java.util.List;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import prolalia.app.account.SignedInTeacher;

/** Where the lines of a long recording are, and which of them are taken; answers fragments. */
@Controller
@RequestMapping("/long-recordings/{id}")
class SplitLineController {
    private final LongRecordingService recordings;

    SplitLineController(LongRecordingService recordings) {
        this.recordings = recordings;
    }

    @PostMapping("/lines/{lineId}/place")
    String place(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String lineId,
            @RequestParam long startMs,
            @RequestParam long endMs,
            Model model) {
        return line(recordings.place(teacher.actor(), id, lineId, startMs, endMs), lineId, model);
    }

    @PostMapping("/lines/{lineId}/as-found")
    String asFound(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String lineId,
            Model model) {
        return line(recordings.placeAsFound(teacher.actor(), id, lineId), lineId, model);
    }

    @PostMapping("/lines/{lineId}/leave-out")
    String leaveOut(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String lineId,
            Model model) {
        return line(recordings.leaveOut(teacher.actor(), id, lineId), lineId, model);
    }

    private static String line(LongRecording recording, String lineId, Model model) {
        put(recording, model);
        model.addAttribute("line", LongRecordingService.line(recording, lineId));
        return "elsewhere/placed";
    }

    @PostMapping("/take")
    String take(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam List<String> line,
            Model model) {
        put(recordings.take(teacher.actor(), id, line), model);
        return "elsewhere/taking";
    }

    /** How far taking has come. */
    @GetMapping("/taking")
    String taking(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        put(recordings.recording(teacher.actor(), id), model);
        return "elsewhere/taking";
    }

    @PostMapping("/put-away")
    String putAway(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "true") boolean away) {
        recordings.putAway(teacher.actor(), id, away);
        return "redirect:/lessons/" + recordings.recording(teacher.actor(), id).lessonId() + "/elsewhere";
    }

    private static void put(LongRecording recording, Model model) {
        model.addAttribute("recording", recording);
    }
}
