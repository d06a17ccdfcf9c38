package prolalia.app.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import prolalia.app.account.StaffService.Fault;
import prolalia.app.account.StaffService.Invited;
import prolalia.app.school.SchoolAddress;

/** Who works at the school, for admins. */
@Controller
@RequestMapping("/school/people")
class StaffController {
    private final StaffService staff;
    private final SchoolAddress addresses;

    StaffController(StaffService staff, SchoolAddress addresses) {
        this.staff = staff;
        this.addresses = addresses;
    }

    @GetMapping
    String people(@RequestParam(required = false) String fault, Model model) {
        model.addAttribute("people", staff.all());
        model.addAttribute("roles", Role.values());
        model.addAttribute("fault", fault);
        return "account/people";
    }

    @PostMapping
    String add(
            @AuthenticationPrincipal SignedInTeacher admin,
            @RequestParam(defaultValue = "") String fullName,
            @RequestParam(defaultValue = "TEACHER") Role role,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        Optional<Fault> fault = staff.faultOfName(fullName);
        if (fault.isPresent()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            model.addAttribute("fullName", fullName);
            return people(fault.get().name(), model);
        }
        return invited(staff.add(admin.actor(), fullName, role), request, model);
    }

    @PostMapping("/{id}/link")
    String link(
            @AuthenticationPrincipal SignedInTeacher admin,
            @PathVariable String id,
            HttpServletRequest request,
            Model model) {
        return invited(staff.inviteAgain(admin.actor(), id), request, model);
    }

    /** The link stands in this answer and nowhere else. */
    private String invited(Invited invited, HttpServletRequest request, Model model) {
        model.addAttribute("invited", invited.member());
        model.addAttribute("link", addresses.address(request).base() + "/password/" + invited.secret());
        model.addAttribute("days", StaffService.LINK_HOLDS.toDays());
        return people(null, model);
    }

    @PostMapping("/{id}/role")
    String role(@AuthenticationPrincipal SignedInTeacher admin, @PathVariable String id, @RequestParam Role role) {
        return back(staff.setRole(admin.actor(), id, role));
    }

    @PostMapping("/{id}/disable")
    String disable(@AuthenticationPrincipal SignedInTeacher admin, @PathVariable String id) {
        return back(staff.disable(admin.actor(), id));
    }

    @PostMapping("/{id}/enable")
    String enable(@AuthenticationPrincipal SignedInTeacher admin, @PathVariable String id) {
        staff.enable(admin.actor(), id);
        return back(Optional.empty());
    }

    private static String back(Optional<Fault> fault) {
        return "redirect:/school/people" + fault.map(each -> "?fault=" + each).orElse("");
    }
}
