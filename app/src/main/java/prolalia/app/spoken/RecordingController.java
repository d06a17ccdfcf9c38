package prolalia.app.spoken;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import org.springframework.core.io.Resource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestParam;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.lesson.LessonService;
import prolalia.app.platform.IncomingFiles;
import prolalia.app.platform.MediaResponses;
import prolalia.app.platform.NotFoundException;
import prolalia.app.platform.TooLargeException;

/** What the recorder in the browser talks to. */
@Controller
class RecordingController {
    private final LineRecordings recordings;
    private final TakeService takes;
    private final MediaResponses media;
    private final VerdictPage verdicts;
    private final IncomingFiles files;
    private final LessonService lessons;

    RecordingController(
            LineRecordings recordings,
            TakeService takes,
            MediaResponses media,
            VerdictPage verdicts,
            IncomingFiles files,
            LessonService lessons) {
        this.recordings = recordings;
        this.takes = takes;
        this.media = media;
        this.verdicts = verdicts;
        this.files = files;
        this.lessons = lessons;
    }

    @PutMapping("/recordings/{id}/file")
    String file(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam("line") String lineId,
            @RequestParam String name,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model)
            throws IOException {
        InputStream file = files.open(request, RecordingPurpose.LINE.largestBytes());
        return verdicts.show(recordings.receiveFile(teacher.actor(), id, lineId, name, null, file), response, model);
    }

    @PostMapping("/recordings/{id}/take-whole")
    String takeWhole(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            HttpServletResponse response,
            Model model)
            throws IOException {
        return verdicts.show(recordings.takeWhole(teacher.actor(), id), response, model);
    }

    /** The recordings that nobody ended, as a fragment for any page. */
    @GetMapping("/recordings/unfinished")
    String unfinished(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @RequestParam(required = false) String lesson,
            @RequestParam(required = false) String line,
            @RequestParam(defaultValue = "") List<String> left,
            Model model) {
        if (line != null) {
            model.addAttribute(
                    "ofLine",
                    recordings.unfinishedOf(teacher.actor(), line, left).orElse(null));
            return "reading/left-behind";
        }
        return showUnfinished(teacher, lesson, List.of(), left, model);
    }

    /** @param lesson those of this one alone; null: of all */
    private String showUnfinished(
            SignedInTeacher teacher, String lesson, List<String> discarded, List<String> left, Model model) {
        model.addAttribute(
                "unfinished",
                recordings.unfinished(teacher.actor(), left).stream()
                        .filter(each -> lesson == null || each.lessonId().equals(lesson))
                        .toList());
        model.addAttribute("discarded", discarded);
        model.addAttribute("discardedOf", lesson);
        return "reading/unfinished";
    }

    /** Puts all together that was begun in a lesson. */
    @PostMapping("/lessons/{id}/unfinished/finish")
    String finishAll(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) throws IOException {
        lessons.summary(teacher.actor(), id);
        recordings.finishAll(teacher.actor(), id);
        return "redirect:/lessons/" + id;
    }

    /** Throws away what was begun in a lesson; answers what is left, and a way back. */
    @DeleteMapping("/lessons/{id}/unfinished")
    String discardAll(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        lessons.summary(teacher.actor(), id);
        List<String> discarded = recordings.unfinished(teacher.actor(), id).stream()
                .map(StoredRecording::id)
                .toList();
        discarded.forEach(each -> recordings.discard(teacher.actor(), each));
        return showUnfinished(teacher, id, discarded, List.of(), model);
    }

    @PostMapping("/lessons/{id}/unfinished/reopen")
    String reopen(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam List<String> recording,
            Model model) {
        lessons.summary(teacher.actor(), id);
        recording.forEach(each -> recordings.reopen(teacher.actor(), each));
        return showUnfinished(teacher, id, List.of(), List.of(), model);
    }

    @GetMapping("/recordings/{id}/raw")
    ResponseEntity<Resource> raw(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, HttpServletRequest request)
            throws IOException {
        StoredRecording recording = recordings.recording(teacher.actor(), id);
        if (recording.rawHash() == null) {
            throw new NotFoundException("raw recording");
        }
        String name = recording.fileName() == null ? "recording.webm" : recording.fileName();
        ResponseEntity<Resource> response =
                media.serve(recording.rawHash(), MediaType.APPLICATION_OCTET_STREAM, request);
        return ResponseEntity.ok()
                .headers(response.getHeaders())
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(name, java.nio.charset.StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(response.getBody());
    }

    @GetMapping("/takes/{id}/sound.mp3")
    ResponseEntity<Resource> sound(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, HttpServletRequest request)
            throws IOException {
        return media.serveCurrent(takes.heard(teacher.actor(), id).soundHash(), MediaResponses.MP3, request);
    }

    @ExceptionHandler(TooLargeException.class)
    String tooLarge(HttpServletResponse response) {
        response.setStatus(HttpStatus.CONTENT_TOO_LARGE.value());
        return "reading/too-large";
    }
}
