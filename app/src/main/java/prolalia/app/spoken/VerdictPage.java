package prolalia.app.spoken;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import prolalia.app.account.Actor;
import prolalia.app.spoken.RecordingEndpoint.Call;

/** What a browser is told of a recording that it ended. */
@Component
public class VerdictPage {
    private static final int MISSING_NAMED = 100;

    /** Ends a recording of a line as a recorder asks for it, and shows what became of it. */
    public String end(
            LineRecordings recordings,
            Actor actor,
            Call call,
            Integer chunks,
            HttpServletResponse response,
            Model model)
            throws IOException {
        String words = call.optional("words").orElse(null);
        boolean keep = call.optional("keep").map(Boolean::parseBoolean).orElse(false);
        return show(recordings.end(actor, call.recordingId(), chunks, words, keep), response, model);
    }

    public String show(Verdict verdict, HttpServletResponse response, Model model) {
        if (verdict instanceof Verdict.Incomplete incomplete) {
            response.setStatus(HttpStatus.CONFLICT.value());
            response.setHeader(
                    "Missing-Chunks",
                    String.join(
                            ",",
                            incomplete.missing().stream()
                                    .limit(MISSING_NAMED)
                                    .map(String::valueOf)
                                    .toList()));
            return "reading/incomplete";
        }
        if (verdict instanceof Verdict.Taken taken) {
            model.addAttribute("take", taken.take());
        } else if (verdict instanceof Verdict.Refused refused) {
            model.addAttribute("refused", refused.recording());
            model.addAttribute("longestMinutes", refused.longestMs() / 60_000);
        }
        return "reading/verdict";
    }
}
