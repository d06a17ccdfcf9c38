package prolalia.app.spoken;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** Where a teacher records the lines of her lessons. */
@Component
class LineRecordingEndpoint implements RecordingEndpoint {
    private final LineRecordings recordings;
    private final VerdictPage verdicts;

    LineRecordingEndpoint(LineRecordings recordings, VerdictPage verdicts) {
        this.recordings = recordings;
        this.verdicts = verdicts;
    }

    @Override
    public String path() {
        return "";
    }

    @Override
    public RecordingRight mayRecord(Call call) {
        return recordings.of(call.teacher().actor(), call.parameter("line"));
    }

    @Override
    public RecordingRight mayDiscard(Call call) {
        return recordings.begun(call.teacher().actor());
    }

    @Override
    public Object end(Call call, Integer chunks, HttpServletResponse response, Model model) throws IOException {
        return verdicts.end(recordings, call.teacher().actor(), call, chunks, response, model);
    }
}
