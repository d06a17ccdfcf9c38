package prolalia.app.school;

import jakarta.servlet.http.HttpServletResponse;
import java.util.Optional;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

@Controller
class SchoolController {
    private final SchoolService school;

    SchoolController(SchoolService school) {
        this.school = school;
    }

    /** Who did what. */
    @GetMapping("/school/log")
    String log(Model model) {
        model.addAttribute("entries", school.log());
        return "school/log";
    }

    @GetMapping("/school")
    String settings(@RequestParam(required = false) String saved, Model model) {
        SchoolSettings settings = school.settings();
        model.addAttribute("name", settings.name());
        model.addAttribute("minutes", settings.longestRecordingMinutes());
        model.addAttribute("keep", settings.keepMonths());
        model.addAttribute("address", settings.address());
        model.addAttribute("saved", saved != null);
        return "school/settings";
    }

    @PostMapping("/school")
    String save(
            @AuthenticationPrincipal UserDetails admin,
            @RequestParam String name,
            @RequestParam(defaultValue = "") String minutes,
            @RequestParam(defaultValue = "12") String keep,
            @RequestParam(defaultValue = "") String address,
            HttpServletResponse response,
            Model model) {
        Optional<SchoolService.Fault> fault =
                school.save(admin.getUsername(), name, whole(minutes), whole(keep), address);
        if (fault.isEmpty()) {
            return "redirect:/school?saved";
        }
        response.setStatus(422);
        model.addAttribute("name", name);
        model.addAttribute("minutes", minutes);
        model.addAttribute("keep", keep);
        model.addAttribute("address", address);
        model.addAttribute("fault", fault.get().name());
        model.addAttribute("saved", false);
        return "school/settings";
    }

    private static int whole(String number) {
        try {
            return Integer.parseInt(number.strip());
        } catch (NumberFormatException unreadable) {
            return 0;
        }
    }
}
