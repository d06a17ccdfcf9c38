package prolalia.app.reading;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import prolalia.app.spoken.LineRecordings;
import prolalia.app.spoken.RecordingEndpoint;
import prolalia.app.spoken.RecordingRight;
import prolalia.app.spoken.VerdictPage;

/**
 * Where a phone that is the microphone of a read-through records, by the secret in its address and by nothing else: lines of that
 * read-through, begun as long as it is open. What was begun may come in later: a phone that lost its network loses nothing.
 */
@Component
class PhoneRecordingEndpoint implements RecordingEndpoint {
    private static final String TOKEN = "token";

    private final PhoneRights rights;
    private final LineRecordings recordings;
    private final VerdictPage verdicts;

    PhoneRecordingEndpoint(PhoneRights rights, LineRecordings recordings, VerdictPage verdicts) {
        this.rights = rights;
        this.recordings = recordings;
        this.verdicts = verdicts;
    }

    @Override
    public String path() {
        return "/phone/{token}";
    }

    @Override
    public RecordingRight mayRecord(Call call) {
        String line = call.parameter("line");
        return recordings.of(rights.toRecord(call.part(TOKEN), call.recordingId(), line), line);
    }

    @Override
    public RecordingRight mayDiscard(Call call) {
        return recordings.begun(rights.toGoOn(call.part(TOKEN), call.recordingId()));
    }

    @Override
    public Object end(Call call, Integer chunks, HttpServletResponse response, Model model) throws IOException {
        return verdicts.end(
                recordings, rights.toGoOn(call.part(TOKEN), call.recordingId()), call, chunks, response, model);
    }
}
