package prolalia.app.station;

import java.util.List;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.platform.Messages;
import prolalia.app.station.RotationService.GroupsOfClass;
import prolalia.app.station.RotationService.Now;
import prolalia.app.station.RotationService.Press;
import prolalia.app.station.RotationService.View;

/** The rotation of groups among the stations of a lesson: its plan, and the board that shows it. */
@Controller
class RotationController {
    private final RotationService rotations;
    private final Messages messages;

    RotationController(RotationService rotations, Messages messages) {
        this.rotations = rotations;
        this.messages = messages;
    }

    @GetMapping("/lessons/{id}/rotation")
    String plan(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "") String of,
            Model model) {
        View view = rotations.view(teacher.actor(), id);
        show(view, model);
        List<GroupsOfClass> there = rotations.groups(teacher.actor());
        model.addAttribute("there", there);
        // Those of a class are shown, and hold when they are kept.
        model.addAttribute(
                "names",
                there.stream()
                        .filter(each -> each.classId().equals(of))
                        .map(GroupsOfClass::names)
                        .findFirst()
                        .orElse(view.plan().groups()));
        return "station/rotation";
    }

    private static void show(View view, Model model) {
        model.addAttribute("view", view);
        model.addAttribute("lesson", view.lesson());
        model.addAttribute("plan", view.plan());
        model.addAttribute("rotation", view.rotation());
    }

    @PostMapping("/lessons/{id}/rotation")
    String make(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "") String names,
            @RequestParam(defaultValue = "0") int groups,
            @RequestParam(defaultValue = "10") int minutes,
            @RequestParam(defaultValue = "0") int rounds,
            @RequestParam(defaultValue = "") String signal,
            RedirectAttributes said) {
        try {
            rotations.plan(teacher.actor(), id, names, groups, minutes, rounds, signal);
        } catch (IllegalArgumentException impossible) {
            said.addFlashAttribute("fault", messages.say("rotation.impossible"));
        }
        return "redirect:/lessons/" + id + "/rotation";
    }

    @GetMapping("/lessons/{id}/rotation/board")
    String board(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        View view = rotations.view(teacher.actor(), id);
        if (view.rotation() == null) {
            return "redirect:/lessons/" + id + "/rotation";
        }
        show(view, model);
        model.addAttribute("presses", List.of(Press.values()));
        model.addAttribute("words", messages.forBrowser("rotation"));
        return "station/board";
    }

    /** How far it is: a second screen shows the same. */
    @GetMapping("/lessons/{id}/rotation/now")
    @ResponseBody
    Now now(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        return rotations.now(teacher.actor(), id);
    }

    @PostMapping("/lessons/{id}/rotation/press")
    @ResponseBody
    Now press(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @RequestParam Press press) {
        rotations.press(teacher.actor(), id, press);
        return rotations.now(teacher.actor(), id);
    }
}
