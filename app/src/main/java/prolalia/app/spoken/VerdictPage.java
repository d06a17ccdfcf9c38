package prolalia.app.spoken;

import jakarta.servlet.http.HttpServletResponse;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** What a browser is told of a recording that it ended. */
@Component
public class VerdictPage {
    private static final int MISSING_NAMED = 100;

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
