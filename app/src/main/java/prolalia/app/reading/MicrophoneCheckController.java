package prolalia.app.reading;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import prolalia.app.platform.Messages;
import prolalia.app.workers.MicrophoneCheck;

/** Three seconds of the microphone, and what can be said of them. Nothing is kept. */
@Controller
class MicrophoneCheckController {
    private final MicrophoneCheck check;
    private final Messages messages;

    MicrophoneCheckController(MicrophoneCheck check, Messages messages) {
        this.check = check;
        this.messages = messages;
    }

    @GetMapping("/microphone")
    String page(Model model) {
        model.addAttribute("words", messages.forBrowser("noMicrophone", "microphone"));
        return "reading/microphone";
    }

    @PostMapping("/microphone")
    String check(HttpServletRequest request, Model model) throws IOException {
        model.addAttribute("report", check.check(request.getInputStream()).orElse(null));
        return "reading/microphone-report";
    }
}
