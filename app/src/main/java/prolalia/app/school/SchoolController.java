package prolalia.app.school;

import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.validation.BindingResult;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
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

    @ModelAttribute("zones")
    Set<String> zones() {
        return SchoolTime.zones();
    }

    @GetMapping("/school")
    String settings(@RequestParam(required = false) String saved, Model model) {
        model.addAttribute("form", SchoolForm.of(school.settings()));
        model.addAttribute("saved", saved != null);
        return "school/settings";
    }

    @PostMapping("/school")
    String save(
            @AuthenticationPrincipal UserDetails admin,
            @Valid @ModelAttribute("form") SchoolForm form,
            BindingResult faults,
            HttpServletResponse response) {
        if (faults.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return "school/settings";
        }
        school.save(admin.getUsername(), form.settings());
        return "redirect:/school?saved";
    }
}
