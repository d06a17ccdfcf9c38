package prolalia.app.substitute;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.LocalDate;
import java.util.Optional;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import prolalia.app.account.ProgrammaticSignIn;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.platform.Messages;
import prolalia.app.school.SchoolAddress;
import prolalia.app.school.SchoolAddress.Address;
import prolalia.app.substitute.SubstituteService.Asked;
import prolalia.app.substitute.SubstituteService.Expected;
import prolalia.formats.code.CodeImage;

/** A substitute is asked by a link, comes in by it, and sees what there is to do. */
@Controller
class SubstituteController {
    private final SubstituteService substitutes;
    private final ProgrammaticSignIn signIn;
    private final SchoolAddress addresses;
    private final Messages messages;

    SubstituteController(
            SubstituteService substitutes, ProgrammaticSignIn signIn, SchoolAddress addresses, Messages messages) {
        this.substitutes = substitutes;
        this.signIn = signIn;
        this.addresses = addresses;
        this.messages = messages;
    }

    /** Her link is shown once. */
    @PostMapping("/classes/{id}/substitutes")
    String ask(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(required = false) @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate until,
            @RequestParam(defaultValue = "") String note,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        Asked asked = substitutes.ask(teacher.actor(), id, until, note, messages.say("substitute.unnamed"));
        Address address = addresses.address(request);
        String link = address.base() + "/substitute/" + asked.secret();
        response.setHeader("Cache-Control", "no-store");
        model.addAttribute("asked", asked);
        model.addAttribute("link", link);
        model.addAttribute("code", CodeImage.of(link));
        model.addAttribute("thisMachineOnly", address.thisMachineOnly());
        return "substitute/asked";
    }

    @GetMapping("/substitute/{token}")
    String door(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String token,
            HttpServletResponse response,
            Model model) {
        Optional<Expected> expected = substitutes.expected(token);
        if (expected.isEmpty()) {
            response.setStatus(HttpStatus.NOT_FOUND.value());
        }
        model.addAttribute("expected", expected.orElse(null));
        model.addAttribute("token", token);
        model.addAttribute("inAs", teacher == null ? null : teacher.fullName());
        return "substitute/come-in";
    }

    @PostMapping("/substitute/{token}")
    String comeIn(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String token,
            @RequestParam(defaultValue = "") String name,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        Optional<Expected> expected = substitutes.expected(token);
        if (expected.isEmpty() || !substitutes.isName(name)) {
            model.addAttribute("noName", true);
            model.addAttribute("name", name);
            String view = door(teacher, token, response, model);
            if (expected.isPresent()) {
                response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            }
            return view;
        }
        signIn.enter(substitutes.comeIn(expected.get(), name), request, response);
        return "redirect:/classes/" + expected.get().schoolClass().id() + "/today";
    }

    @GetMapping("/classes/{id}/today")
    String today(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, Model model) {
        model.addAttribute("today", substitutes.today(teacher.actor(), id));
        model.addAttribute("mayChange", teacher.role().teaches());
        return "substitute/today";
    }
}
