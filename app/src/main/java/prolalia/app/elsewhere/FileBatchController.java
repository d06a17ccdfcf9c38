package prolalia.app.elsewhere;

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
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.platform.IncomingFiles;
import prolalia.app.platform.MediaResponses;
import prolalia.app.platform.Messages;
import prolalia.app.platform.TooLargeException;

/** Many files and their match with the script. */
@Controller
class FileBatchController {
    private final FileBatchService batches;
    private final MediaResponses media;
    private final Messages messages;
    private final IncomingFiles files;

    FileBatchController(FileBatchService batches, MediaResponses media, Messages messages, IncomingFiles files) {
        this.batches = batches;
        this.media = media;
        this.messages = messages;
        this.files = files;
    }

    /** Answers when the file is on the disk, or when it is clear that it is no sound. */
    @PutMapping("/lessons/{lessonId}/batches/{id}/files/{number}")
    @ResponseBody
    Map<String, String> receive(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String lessonId,
            @PathVariable String id,
            @PathVariable int number,
            @RequestParam String name,
            HttpServletRequest request)
            throws IOException {
        batches.receive(
                teacher.actor(), lessonId, id, number, name, files.open(request, LongRecordingService.LARGEST_BYTES));
        return Map.of("at", "/batches/" + id);
    }

    @GetMapping("/batches/{id}")
    String page(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        put(batches.matched(teacher.actor(), id), model);
        return "elsewhere/batch";
    }

    /** How the files stand, as a fragment. */
    @GetMapping("/batches/{id}/files")
    String files(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        return show(batches.matched(teacher.actor(), id), model);
    }

    @PostMapping("/batches/{id}/files/{number}/place")
    String place(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable int number,
            @RequestParam String place,
            Model model) {
        return show(batches.place(teacher.actor(), id, number, place), model);
    }

    @PostMapping("/batches/{id}/take")
    String take(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        return show(batches.take(teacher.actor(), id), model);
    }

    @GetMapping("/batches/{id}/files/{number}/sound")
    ResponseEntity<Resource> sound(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable int number,
            HttpServletRequest request)
            throws IOException {
        String hash = batches.file(teacher.actor(), id, number).rawHash();
        return media.serve(hash, MediaType.APPLICATION_OCTET_STREAM, request);
    }

    @PostMapping("/batches/{id}/put-away")
    String putAway(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        String lessonId =
                batches.matched(teacher.actor(), id).lesson().summary().id();
        batches.putAway(teacher.actor(), id);
        return "redirect:/lessons/" + lessonId + "/elsewhere";
    }

    private static String show(FileBatch batch, Model model) {
        put(batch, model);
        return "elsewhere/matched";
    }

    private static void put(FileBatch batch, Model model) {
        model.addAttribute("batch", batch);
        model.addAttribute("lesson", batch.lesson());
    }

    @ExceptionHandler(TooLargeException.class)
    @ResponseBody
    ResponseEntity<Map<String, String>> tooLarge() {
        return ResponseEntity.status(HttpStatus.CONTENT_TOO_LARGE)
                .body(Map.of("why", messages.say("elsewhere.tooLarge", LongRecordingService.LARGEST_BYTES >> 30)));
    }
}
