package prolalia.app.classroom;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.classroom.ClassService.ClassView;
import prolalia.app.classroom.RosterService.Taken;
import prolalia.app.platform.Messages;
import prolalia.core.classroom.RosterPlan.Kind;
import prolalia.formats.roster.RosterException;
import prolalia.formats.roster.RosterReader;

/** Children of a class from a file. */
@Controller
@RequestMapping("/classes/{id}/roster")
class RosterController {
    private final ClassService classes;
    private final ClassAccess classAccess;
    private final RosterService rosters;
    private final Messages messages;

    RosterController(ClassService classes, ClassAccess classAccess, RosterService rosters, Messages messages) {
        this.classes = classes;
        this.classAccess = classAccess;
        this.rosters = rosters;
        this.messages = messages;
    }

    @GetMapping
    String ask(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        show(teacher, id, model);
        model.addAttribute("words", messages.forBrowser("roster"));
        return "classroom/roster";
    }

    private void show(SignedInTeacher teacher, String id, Model model) {
        classAccess.toChange(teacher.actor(), id);
        ClassView view = classes.view(teacher.actor(), id);
        model.addAttribute("view", view);
    }

    /** Takes the file; answers where it is looked over, or why it can't be. */
    @PutMapping
    @ResponseBody
    ResponseEntity<Map<String, String>> receive(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, HttpServletRequest request)
            throws IOException {
        classAccess.toChange(teacher.actor(), id);
        byte[] file = request.getInputStream().readNBytes(RosterReader.LARGEST_BYTES + 1);
        try {
            String token = rosters.read(teacher.actor(), id, file);
            return ResponseEntity.ok(Map.of("at", "/classes/" + id + "/roster/" + token));
        } catch (RosterException refused) {
            return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT)
                    .body(Map.of("why", messages.say(refused.fault().messageKey())));
        }
    }

    @GetMapping("/{token}")
    String preview(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String token,
            @RequestParam(required = false) String chosen,
            Model model) {
        model.addAttribute("preview", rosters.preview(teacher.actor(), id, token, chosen));
        model.addAttribute("kinds", Kind.values());
        show(teacher, id, model);
        return "classroom/roster-preview";
    }

    /** @param all among them {@code whom-N}: the student that a doubtful one is */
    @PostMapping("/{token}")
    String take(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String token,
            @RequestParam(required = false) String chosen,
            @RequestParam(defaultValue = "") Set<String> taking,
            @RequestParam Map<String, String> all) {
        Map<Integer, String> whom = new HashMap<>();
        all.forEach((name, value) -> {
            if (name.matches("whom-\\d{1,6}")) {
                whom.put(Integer.valueOf(name.substring("whom-".length())), value);
            }
        });
        Taken taken = rosters.take(teacher.actor(), id, token, chosen, taking, whom);
        return "redirect:/classes/" + id + "?added=" + taken.added();
    }
}
