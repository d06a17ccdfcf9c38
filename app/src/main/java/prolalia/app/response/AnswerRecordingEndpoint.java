package prolalia.app.response;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import prolalia.app.account.Actor.Student;
import prolalia.app.classroom.StudentSession;
import prolalia.app.response.ResponseService.Piece;
import prolalia.app.spoken.AnswerPlace;
import prolalia.app.spoken.ChunkedRecordings;
import prolalia.app.spoken.Ended;
import prolalia.app.spoken.Ending;
import prolalia.app.spoken.RecordingEndpoint;
import prolalia.app.spoken.RecordingRight;
import prolalia.core.sound.Refusal;

/** Where a child speaks her answers. */
@Component
class AnswerRecordingEndpoint implements RecordingEndpoint {
    private static final String ASSIGNMENT = "id";
    private static final String QUESTION = "line";

    private final StudentSession door;
    private final ResponseService responses;
    private final ChunkedRecordings recordings;

    AnswerRecordingEndpoint(StudentSession door, ResponseService responses, ChunkedRecordings recordings) {
        this.door = door;
        this.responses = responses;
        this.recordings = recordings;
    }

    /**
     * What became of something that was said.
     *
     * @param piece as it is heard; null: there is none
     * @param refusal why nothing of it can be heard; null: it can, or some of it hasn't come in
     * @param missing chunks that haven't come in
     */
    record Said(Piece piece, Refusal.Reason refusal, List<Integer> missing) {}

    @Override
    public String path() {
        return "/my/{id}";
    }

    @Override
    public RecordingRight mayRecord(Call call) {
        return responses.place(door.ofPage(call.request()), call.part(ASSIGNMENT), call.parameter(QUESTION));
    }

    @Override
    public RecordingRight mayDiscard(Call call) {
        Student student = door.ofPage(call.request());
        responses.require(student, call.part(ASSIGNMENT));
        return AnswerPlace.saidBy(student.id());
    }

    @Override
    public Object end(Call call, Integer chunks, HttpServletResponse response, Model model) throws IOException {
        Student student = door.ofPage(call.request());
        String assignment = call.part(ASSIGNMENT);
        String question = call.parameter(QUESTION);
        Ended ended = recordings.end(
                responses.place(student, assignment, question),
                call.recordingId(),
                Ending.after(chunks).atMost(responses.longestMs(student, assignment, question)));
        Piece piece = ended.isMade() ? responses.piece(student, assignment, call.recordingId()) : null;
        return ResponseEntity.ok(new Said(piece, ended.refusal(), ended.missing()));
    }
}
