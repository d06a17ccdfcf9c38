package prolalia.app.response;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import prolalia.app.account.Actor.Student;
import prolalia.app.classroom.DoorWay;
import prolalia.app.papers.PictureReader;
import prolalia.app.platform.IncomingFiles;
import prolalia.app.platform.LimitedStream;
import prolalia.app.platform.MediaResponses;
import prolalia.app.platform.NotFoundException;
import prolalia.app.platform.TooLargeException;
import prolalia.app.response.HandInService.HandedIn;
import prolalia.app.response.ResponseService.Heard;
import prolalia.app.response.ResponseService.Piece;
import prolalia.app.response.ResponseService.State;
import prolalia.app.response.ResponseService.Taken;
import prolalia.app.sound.AnswerRecordings;
import prolalia.app.sound.AnswerRecordings.Ended;
import prolalia.core.answer.Given;
import prolalia.core.sound.Refusal;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** What a child's page sends of her answers, and asks of them. Answers are JSON: no page is opened here. */
@RestController
@RequestMapping("/my/{id}")
class ResponseController {
    private static final long LARGEST_ANSWER_BYTES = 2L << 20;

    private final DoorWay door;
    private final ResponseService responses;
    private final HandInService handing;
    private final AnswerRecordings recordings;
    private final AnswerPictures pictures;
    private final IncomingFiles files;
    private final MediaResponses media;
    private final JsonMapper json;

    ResponseController(
            DoorWay door,
            ResponseService responses,
            HandInService handing,
            AnswerRecordings recordings,
            AnswerPictures pictures,
            IncomingFiles files,
            MediaResponses media,
            JsonMapper json) {
        this.door = door;
        this.responses = responses;
        this.handing = handing;
        this.recordings = recordings;
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
        Given given;
        try {
            given = json.readValue(new LimitedStream(request.getInputStream(), LARGEST_ANSWER_BYTES), Given.class);
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

    /** Answers when the chunk is on the disk. */
    @PutMapping("/recordings/{recordingId}/chunks/{number}")
    Map<String, Integer> chunk(
            @PathVariable String id,
            @PathVariable String recordingId,
            @PathVariable int number,
            @RequestParam("line") String questionId,
            @RequestHeader(name = HttpHeaders.CONTENT_TYPE, defaultValue = "application/octet-stream") String type,
            HttpServletRequest request)
            throws IOException {
        recordings.receive(
                responses.place(door.ofPage(request), id, questionId),
                recordingId,
                type,
                number,
                request.getInputStream());
        return Map.of("stored", number);
    }

    @PostMapping("/recordings/{recordingId}/end")
    ResponseEntity<Said> end(
            @PathVariable String id,
            @PathVariable String recordingId,
            @RequestParam("line") String questionId,
            @RequestParam(required = false) Integer chunks,
            HttpServletRequest request)
            throws IOException {
        Student student = door.ofPage(request);
        Ended ended = recordings.end(
                responses.place(student, id, questionId),
                recordingId,
                chunks,
                responses.longestMs(student, id, questionId));
        if (ended instanceof Ended.Made) {
            return ResponseEntity.ok(new Said(responses.piece(student, id, recordingId), null, List.of()));
        }
        return ended instanceof Ended.Incomplete incomplete
                ? ResponseEntity.ok(new Said(null, null, incomplete.missing()))
                : ResponseEntity.ok(new Said(null, ((Ended.Refused) ended).reason(), List.of()));
    }

    /**
     * What became of something that was said.
     *
     * @param piece as it is heard; null: there is none
     * @param refusal why nothing of it can be heard; null: it can, or some of it hasn't come in
     * @param missing chunks that haven't come in
     */
    record Said(Piece piece, Refusal.Reason refusal, List<Integer> missing) {}

    @DeleteMapping("/recordings/{recordingId}")
    ResponseEntity<Void> discard(
            @PathVariable String id, @PathVariable String recordingId, HttpServletRequest request) {
        Student student = door.ofPage(request);
        responses.require(student, id);
        recordings.discard(student.id(), recordingId);
        return ResponseEntity.noContent().build();
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

    @ExceptionHandler(DoorWay.OutsideException.class)
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
