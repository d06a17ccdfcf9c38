package prolalia.app.listening;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import prolalia.app.classroom.StudentSession;
import prolalia.app.spoken.AnswerPlace;
import prolalia.app.spoken.Ended;
import prolalia.app.spoken.RecordingEndpoint;
import prolalia.app.spoken.RecordingRight;

/** Where a child speaks to what was said to her. */
@Component
class ReplyRecordingEndpoint implements RecordingEndpoint {
    private static final String ASSIGNMENT = "id";
    private static final String REMARK = "remarkId";

    private final StudentSession door;
    private final ChildRemarks remarks;

    ReplyRecordingEndpoint(StudentSession door, ChildRemarks remarks) {
        this.door = door;
        this.remarks = remarks;
    }

    /** @param missing chunks that haven't come in */
    record Said(boolean made, List<Integer> missing) {}

    @Override
    public String path() {
        return "/my/{id}/reply/{remarkId}";
    }

    @Override
    public RecordingRight mayRecord(Call call) {
        return remarks.place(door.ofPage(call.request()), call.part(ASSIGNMENT), call.part(REMARK));
    }

    @Override
    public RecordingRight mayDiscard(Call call) {
        var student = door.ofPage(call.request());
        remarks.require(student, call.part(ASSIGNMENT));
        return AnswerPlace.saidBy(student.id());
    }

    @Override
    public Object end(Call call, Integer chunks, HttpServletResponse response, Model model) throws IOException {
        Ended ended = remarks.end(
                door.ofPage(call.request()), call.part(ASSIGNMENT), call.part(REMARK), call.recordingId(), chunks);
        return ResponseEntity.ok(new Said(ended.isMade(), ended.missing()));
    }
}
