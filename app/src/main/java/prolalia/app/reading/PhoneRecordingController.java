package prolalia.app.reading;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Map;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import prolalia.app.account.Actor.Phone;
import prolalia.app.lesson.PagePictures;
import prolalia.app.platform.TooLargeException;
import prolalia.app.sound.RecordingService;
import prolalia.app.sound.VerdictPage;

/**
 * What a phone that is the microphone of a read-through records, by the secret in its address and by nothing else: lines of that
 * read-through, begun as long as it is open. What was begun may come in later: a phone that lost its network loses nothing.
 */
@Controller
class PhoneRecordingController {
    private final PhoneRights rights;
    private final RecordingService recordings;
    private final PagePictures pictures;
    private final VerdictPage verdicts;

    PhoneRecordingController(
            PhoneRights rights, RecordingService recordings, PagePictures pictures, VerdictPage verdicts) {
        this.rights = rights;
        this.recordings = recordings;
        this.pictures = pictures;
        this.verdicts = verdicts;
    }

    /** Answers when the chunk is on the disk. */
    @PutMapping("/phone/{token}/recordings/{id}/chunks/{number}")
    @ResponseBody
    Map<String, Integer> chunk(
            @PathVariable String token,
            @PathVariable String id,
            @PathVariable int number,
            @RequestParam("line") String lineId,
            @RequestHeader(name = HttpHeaders.CONTENT_TYPE, defaultValue = "application/octet-stream") String type,
            HttpServletRequest request)
            throws IOException {
        Phone phone = rights.toRecord(token, id, lineId);
        recordings.receive(phone, id, lineId, type, number, request.getInputStream());
        return Map.of("stored", number);
    }

    @PostMapping("/phone/{token}/recordings/{id}/end")
    String end(
            @PathVariable String token,
            @PathVariable String id,
            @RequestParam(required = false) Integer chunks,
            @RequestParam(required = false) String words,
            @RequestParam(defaultValue = "false") boolean keep,
            HttpServletResponse response,
            Model model)
            throws IOException {
        return verdicts.show(recordings.end(rights.toGoOn(token, id), id, chunks, words, keep), response, model);
    }

    @DeleteMapping("/phone/{token}/recordings/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void discard(@PathVariable String token, @PathVariable String id) {
        recordings.discard(rights.toGoOn(token, id), id);
    }

    /** The picture of a page that has lines of the read-through. */
    @GetMapping("/phone/{token}/pictures/{hash}")
    ResponseEntity<Resource> picture(@PathVariable String token, @PathVariable String hash, HttpServletRequest request)
            throws IOException {
        return pictures.serve(rights.toSee(token, hash), hash, request);
    }

    @ExceptionHandler(TooLargeException.class)
    String tooLarge(HttpServletResponse response) {
        response.setStatus(HttpStatus.CONTENT_TOO_LARGE.value());
        return "reading/too-large";
    }
}
