package prolalia.app.listening;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import prolalia.app.listening.RemarkService.At;
import prolalia.app.platform.NotFoundException;
import prolalia.app.spoken.AnswerPlace;
import prolalia.app.spoken.Ended;
import prolalia.app.spoken.RecordingEndpoint;
import prolalia.app.spoken.RecordingRight;
import prolalia.core.sound.Refusal;

/** Where a teacher speaks back to an answer. */
@Component
class RemarkRecordingEndpoint implements RecordingEndpoint {
    private static final String ASSIGNMENT = "id";

    private final ListeningService desk;
    private final RemarkService remarks;
    private final RemarkPlaces places;

    RemarkRecordingEndpoint(ListeningService desk, RemarkService remarks, RemarkPlaces places) {
        this.desk = desk;
        this.remarks = remarks;
        this.places = places;
    }

    /**
     * What became of something that was said.
     *
     * @param refusal why nothing of it can be heard; null: it can
     * @param missing chunks that haven't come in
     */
    record Said(boolean made, Refusal.Reason refusal, List<Integer> missing) {}

    @Override
    public String path() {
        return "/assignments/{id}/remarks";
    }

    /** Where what is said belongs, as a recorder names it: the child and the question. */
    private static At at(Call call) {
        String[] parts = call.parameter("line").split("\\.", 2);
        if (parts.length < 2) {
            throw new NotFoundException("answer");
        }
        return new At(call.part(ASSIGNMENT), parts[0], parts[1]);
    }

    @Override
    public RecordingRight mayRecord(Call call) {
        return remarks.place(call.teacher().actor(), at(call));
    }

    @Override
    public RecordingRight mayDiscard(Call call) {
        desk.require(call.teacher().actor(), call.part(ASSIGNMENT));
        return AnswerPlace.saidBy(call.teacher().actor().id());
    }

    @Override
    public Object end(Call call, Integer chunks, HttpServletResponse response, Model model) throws IOException {
        desk.require(call.teacher().actor(), call.part(ASSIGNMENT));
        Ended ended = remarks.end(
                call.teacher().actor(),
                at(call),
                call.recordingId(),
                chunks,
                places.read(call.optional("place").orElse("")));
        return ResponseEntity.ok(new Said(ended.isMade(), ended.refusal(), ended.missing()));
    }
}
