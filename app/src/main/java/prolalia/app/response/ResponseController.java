package prolalia.app.response;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.Map;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import prolalia.app.account.Actor.Student;
import prolalia.app.classroom.StudentSession;
import prolalia.app.platform.IncomingFiles;
import prolalia.app.platform.LimitedStream;
import prolalia.app.platform.MediaResponses;
import prolalia.app.platform.NotFoundException;
import prolalia.app.platform.TooLargeException;
import prolalia.app.response.HandInService.HandedIn;
import prolalia.app.response.ResponseService.Heard;
import prolalia.app.response.ResponseService.State;
import prolalia.app.response.ResponseService.Taken;
import prolalia.app.workers.PictureReader;
import prolalia.core.answer.AnswerContent;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** What a child's page sends of her answers, and asks of them. Answers are JSON: no page is opened here. */
@RestController
@RequestMapping("/my/{id}")
class ResponseController {
    private static final long LARGEST_ANSWER_BYTES = 2L << 20;

    private final StudentSession door;
    private final ResponseService responses;
    private final HandInService handing;
    private final AnswerPictures pictures;
    private final IncomingFiles files;
    private final MediaResponses media;
    private final JsonMapper json;

    ResponseController(
            StudentSession door,
            ResponseService responses,
            HandInService handing,
            AnswerPictures pictures,
            IncomingFiles files,
            MediaResponses media,
            JsonMapper json) {
        this.door = door;
        this.responses = responses;
        this.handing = handing;
        this.pictures = pictures;
        this.files = files;
        this.media = media;
        this.json = json;
    }

    @GetMapping("/answers")
    ResponseEntity<State> state(@PathVariable String id, HttpServletRequest request) {
        return ResponseEntity.ok().cacheControl(CacheControl.noStore()).body(responses.state(door.ofPage(request), id));
    }

    /** Answers when it is on the disk. @param answerId made by the device: sent twice, it is one answer */
    @PutMapping("/answers/{questionId}/{answerId}")
    ResponseEntity<Map<String, Taken>> give(
            @PathVariable String id,
            @PathVariable String questionId,
            @PathVariable String answerId,
            HttpServletRequest request)
            throws IOException {
        Student student = door.ofPage(request);
        AnswerContent given;
        try {
            given = json.readValue(
                    new LimitedStream(request.getInputStream(), LARGEST_ANSWER_BYTES), AnswerContent.class);
        } catch (JacksonException senseless) {
            return ResponseEntity.badRequest().build();
        }
        if (given == null) {
            return ResponseEntity.badRequest().build();
        }
        return ResponseEntity.ok(Map.of("taken", responses.give(student, id, questionId, answerId, given)));
    }

    @PostMapping("/answers/{questionId}/check")
    Heard check(@PathVariable String id, @PathVariable String questionId, HttpServletRequest request) {
        return responses.check(door.ofPage(request), id, questionId);
    }

    @PostMapping("/hand-in")
    HandedIn handIn(@PathVariable String id, HttpServletRequest request) {
        return handing.handIn(door.ofPage(request), id);
    }

    @GetMapping("/spoken/{recordingId}.mp3")
    ResponseEntity<Resource> sound(
            @PathVariable String id, @PathVariable String recordingId, HttpServletRequest request) throws IOException {
        return media.serveOwn(responses.sound(door.ofPage(request), id, recordingId), MediaResponses.MP3, request);
    }

    @PutMapping("/answer-picture")
    ResponseEntity<Map<String, String>> bringPicture(
            @PathVariable String id, @RequestParam("line") String questionId, HttpServletRequest request)
            throws IOException {
        String response = responses.place(door.ofPage(request), id, questionId).responseId();
        return pictures.keep(response, files.open(request, PictureReader.LARGEST_BYTES))
                .map(hash -> ResponseEntity.ok(Map.of("hash", hash)))
                .orElseGet(() -> ResponseEntity.unprocessableContent().build());
    }

    @GetMapping("/answer-picture/{hash}")
    ResponseEntity<Resource> picture(@PathVariable String id, @PathVariable String hash, HttpServletRequest request)
            throws IOException {
        String type = responses
                .responseOf(door.ofPage(request), id)
                .flatMap(response -> pictures.type(response, hash))
                .orElseThrow(() -> new NotFoundException("picture"));
        return media.serveOwn(hash, MediaType.parseMediaType(type), request);
    }

    @ExceptionHandler(StudentSession.OutsideException.class)
    ResponseEntity<Void> outside() {
        return ResponseEntity.status(HttpStatus.UNAUTHORIZED).build();
    }

    @ExceptionHandler(NotFoundException.class)
    ResponseEntity<Void> notHere() {
        return ResponseEntity.notFound().build();
    }

    @ExceptionHandler(TooLargeException.class)
    ResponseEntity<Void> tooLarge() {
        return ResponseEntity.status(HttpStatus.CONTENT_TOO_LARGE).build();
    }
}
