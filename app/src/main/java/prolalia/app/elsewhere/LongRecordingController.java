package prolalia.app.elsewhere;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
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
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.elsewhere.LongRecording.State;
import prolalia.app.lesson.LessonService;
import prolalia.app.platform.IncomingFiles;
import prolalia.app.platform.MediaResponses;
import prolalia.app.platform.Messages;
import prolalia.app.platform.NotFoundException;
import prolalia.app.platform.TooLargeException;

/** A long recording and its lines. */
@Controller
class LongRecordingController {
    private final LongRecordingService recordings;
    private final LessonService lessons;
    private final MediaResponses media;
    private final Messages messages;
    private final IncomingFiles files;

    LongRecordingController(
            LongRecordingService recordings,
            LessonService lessons,
            MediaResponses media,
            Messages messages,
            IncomingFiles files) {
        this.recordings = recordings;
        this.lessons = lessons;
        this.media = media;
        this.messages = messages;
        this.files = files;
    }

    /** Answers when the file is on the disk. */
    @PutMapping("/lessons/{lessonId}/long-recordings/{id}")
    @ResponseBody
    Map<String, String> receive(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String lessonId,
            @PathVariable String id,
            @RequestParam String name,
            HttpServletRequest request)
            throws IOException {
        recordings.receive(
                teacher.actor(), lessonId, id, name, files.open(request, LongRecordingService.LARGEST_BYTES));
        return Map.of("at", "/long-recordings/" + id);
    }

    @GetMapping("/long-recordings/{id}")
    String page(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        LongRecording recording = recordings.recording(teacher.actor(), id);
        put(recording, model);
        model.addAttribute("lesson", lessons.head(teacher.actor(), recording.lessonId()));
        model.addAttribute("outlineMs", prolalia.media.LongRecording.OUTLINE_MS);
        model.addAttribute("words", messages.forBrowser("split"));
        return recording.state() == State.SPLIT ? "elsewhere/split" : "elsewhere/listening";
    }

    /** How far listening to it has come, as a fragment; when it is over, the page is asked for again. */
    @GetMapping("/long-recordings/{id}/progress")
    String progress(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            HttpServletResponse response,
            Model model) {
        LongRecording recording = recordings.recording(teacher.actor(), id);
        if (recording.state() != State.ARRIVED) {
            response.setHeader("HX-Refresh", "true");
        }
        put(recording, model);
        return "elsewhere/progress";
    }

    @GetMapping("/long-recordings/{id}/outline")
    ResponseEntity<byte[]> outline(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .body(recordings.outline(teacher.actor(), id));
    }

    @GetMapping("/long-recordings/{id}/sound.flac")
    ResponseEntity<Resource> sound(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, HttpServletRequest request)
            throws IOException {
        LongRecording recording = recordings.recording(teacher.actor(), id);
        if (recording.flacHash() == null) {
            throw new NotFoundException("sound of the long recording");
        }
        return media.serve(recording.flacHash(), MediaType.valueOf("audio/flac"), request);
    }

    private void put(LongRecording recording, Model model) {
        model.addAttribute("recording", recording);
        model.addAttribute("percent", recordings.percentHeard(recording.id()));
    }

    @ExceptionHandler(TooLargeException.class)
    @ResponseBody
    ResponseEntity<Map<String, String>> tooLarge() {
        return ResponseEntity.status(HttpStatus.CONTENT_TOO_LARGE)
                .body(Map.of("why", messages.say("elsewhere.tooLarge", LongRecordingService.LARGEST_BYTES >> 30)));
    }
}
