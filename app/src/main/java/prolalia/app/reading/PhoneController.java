package prolalia.app.reading;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.context.request.async.DeferredResult;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.lesson.LessonService;
import prolalia.app.platform.Ids;
import prolalia.app.platform.Messages;
import prolalia.app.platform.NotFoundException;
import prolalia.app.reading.PhoneLink.Message;
import prolalia.app.reading.PhoneLink.Side;
import prolalia.app.reading.ReadThroughService.Selection;
import prolalia.app.school.SchoolAddress;
import prolalia.app.school.SchoolService;
import prolalia.formats.code.CodeImage;

/** A phone as the microphone of a read-through: the code, the phone's page, and what both sides say to each other. */
@Controller
class PhoneController {
    /** A request waits so long for a message; what is between may cut off one that waits half a minute. */
    private static final Pattern PHONE_ID = Pattern.compile("[0-9a-f-]{36}");

    private static final long LONGEST_WAIT_MS = 15_000;

    private final PhoneLinks links;
    private final ReadThroughService readThrough;
    private final LessonService lessons;
    private final SchoolService school;
    private final SchoolAddress addresses;
    private final Messages messages;

    PhoneController(
            PhoneLinks links,
            ReadThroughService readThrough,
            LessonService lessons,
            SchoolService school,
            SchoolAddress addresses,
            Messages messages) {
        this.links = links;
        this.readThrough = readThrough;
        this.lessons = lessons;
        this.school = school;
        this.addresses = addresses;
        this.messages = messages;
    }

    /** Opens the read-through for a phone; answers its code as a fragment. */
    @PostMapping("/lessons/{id}/read/phone")
    String open(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam List<String> line,
            HttpServletRequest request,
            Model model) {
        lessons.summary(teacher.actor(), id);
        String token = links.open(teacher.actor(), id, line);
        SchoolAddress.Address address = addresses.address(request);
        String link = addresses.secure(request).orElse(address.base()) + "/phone/" + token;
        model.addAttribute("token", token);
        model.addAttribute("link", link);
        model.addAttribute("code", CodeImage.of(link));
        model.addAttribute("thisMachineOnly", address.thisMachineOnly());
        model.addAttribute("secure", link.startsWith("https:"));
        return "reading/phone-code";
    }

    /** What the code leads to: the secret in the address is all the right that the phone has, and it signs nobody in. */
    @GetMapping("/phone/{token}")
    String phone(@PathVariable String token, HttpServletResponse response, Model model) {
        PhoneLink link = links.findOpen(token).orElse(null);
        if (link == null) {
            response.setStatus(HttpStatus.GONE.value());
            return "reading/phone-over";
        }
        model.addAttribute(
                "reading", readThrough.begin(link.teacher(), link.lessonId(), Selection.ALL, null, link.lineIds()));
        model.addAttribute("what", Selection.ALL);
        model.addAttribute("longestMs", school.settings().longestRecordingMs());
        model.addAttribute("words", messages.forBrowser("noMicrophone", "prompter", "phone"));
        model.addAttribute("phone", token);
        model.addAttribute("phoneId", Ids.newId());
        return "reading/prompter";
    }

    @GetMapping("/read-throughs/{token}/messages")
    @ResponseBody
    DeferredResult<List<Message>> toComputer(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String token,
            @RequestParam(defaultValue = "0") long after) {
        PhoneLink link = ofTeacher(teacher, token);
        links.computerIsThere(link);
        return heard(link, Side.COMPUTER, after);
    }

    @PostMapping("/read-throughs/{token}/messages")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void fromComputer(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String token,
            @RequestBody Map<String, String> says) {
        PhoneLink link = ofTeacher(teacher, token);
        links.computerIsThere(link);
        link.say(Side.PHONE, says);
    }

    /** The read-through is over, or the computer is its own microphone again. */
    @PostMapping("/read-throughs/{token}/end")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String token) {
        ofTeacher(teacher, token).end();
    }

    private PhoneLink ofTeacher(SignedInTeacher teacher, String token) {
        return links.find(token)
                .filter(link -> link.teacher().equals(teacher.actor()))
                .orElseThrow(() -> new NotFoundException("read-through"));
    }

    /** The page is open on a phone, and asks for the microphone: looking at its address alone takes nothing over. */
    @PostMapping("/phone/{token}/join")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void join(@PathVariable String token, @RequestParam String phone) {
        links.findOpen(token)
                .filter(link -> PHONE_ID.matcher(phone).matches())
                .orElseThrow(() -> new NotFoundException("read-through"))
                .join(phone);
    }

    @GetMapping("/phone/{token}/messages")
    @ResponseBody
    DeferredResult<List<Message>> toPhone(@PathVariable String token, @RequestParam(defaultValue = "0") long after) {
        return heard(ofPhone(token), Side.PHONE, after);
    }

    /** What comes next, or nothing after a while; no thread is held by whoever waits. */
    private static DeferredResult<List<Message>> heard(PhoneLink link, Side side, long after) {
        DeferredResult<List<Message>> result = new DeferredResult<>(LONGEST_WAIT_MS, List.of());
        result.onCompletion(link.listen(side, after, result::setResult));
        return result;
    }

    /** @param phone which of the phones that came by this code speaks: only the last one is the microphone */
    @PostMapping("/phone/{token}/messages")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void fromPhone(@PathVariable String token, @RequestParam String phone, @RequestBody Map<String, String> says) {
        PhoneLink link = ofPhone(token);
        if (link.isMicrophone(phone)) {
            link.say(Side.COMPUTER, says);
        }
    }

    private PhoneLink ofPhone(String token) {
        return links.find(token).orElseThrow(() -> new NotFoundException("read-through"));
    }
}
