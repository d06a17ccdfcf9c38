package prolalia.app.code;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.code.CodeTrial.Tried;
import prolalia.app.platform.IncomingFiles;
import prolalia.app.platform.Messages;
import prolalia.app.platform.TooLargeException;
import prolalia.app.school.SchoolAddress;
import prolalia.formats.paper.PaperRefusedException;

/** Codes that were printed, tried before children do: a PDF, or a photo of a sheet. */
@Controller
class TryCodesController {
    private final CodeTrial trial;
    private final IncomingFiles files;
    private final SchoolAddress addresses;
    private final Messages messages;

    TryCodesController(CodeTrial trial, IncomingFiles files, SchoolAddress addresses, Messages messages) {
        this.trial = trial;
        this.files = files;
        this.addresses = addresses;
        this.messages = messages;
    }

    @GetMapping("/try-codes")
    String page(@AuthenticationPrincipal SignedInTeacher teacher, HttpServletResponse response, Model model) {
        // Here alone.
        response.setHeader("Permissions-Policy", "microphone=(self), camera=(self), geolocation=()");
        model.addAttribute("frame", CodeTrial.LONGEST_FRAME_PX);
        model.addAttribute("words", messages.forBrowser("tryCodes"));
        return "code/try";
    }

    /** What is on a file that was sent. */
    @PutMapping("/try-codes")
    String tried(@AuthenticationPrincipal SignedInTeacher teacher, HttpServletRequest request, Model model)
            throws IOException, PaperRefusedException {
        List<Tried> tried = trial.of(
                files.open(request, CodeTrial.LARGEST_BYTES),
                addresses.address(request).base());
        model.addAttribute("tried", tried);
        return "code/tried";
    }

    /** What is on a frame of a camera: the luminance of its points, a byte each. */
    @PutMapping("/try-codes/frame")
    String frame(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @RequestParam int width,
            @RequestParam int height,
            HttpServletRequest request,
            Model model)
            throws IOException {
        long most = (long) CodeTrial.LONGEST_FRAME_PX * CodeTrial.LONGEST_FRAME_PX;
        byte[] points = files.open(request, most).readAllBytes();
        try {
            model.addAttribute(
                    "tried",
                    trial.inFrame(
                            points, width, height, addresses.address(request).base()));
        } catch (IllegalArgumentException noFrame) {
            throw new ResponseStatusException(HttpStatus.BAD_REQUEST, noFrame.getMessage(), noFrame);
        }
        return "code/tried";
    }

    @ExceptionHandler(PaperRefusedException.class)
    ResponseEntity<String> refused(PaperRefusedException refused) {
        return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT)
                .body(messages.say(refused.reason().messageKey(), messages.say("tryCodes.theFile")));
    }

    @ExceptionHandler(TooLargeException.class)
    ResponseEntity<String> tooLarge() {
        return ResponseEntity.status(HttpStatus.CONTENT_TOO_LARGE).body(messages.say("tryCodes.tooLarge"));
    }
}
