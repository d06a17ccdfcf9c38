package prolalia.app.classroom;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.classroom.ClassService.ClassView;
import prolalia.app.school.SchoolAddress;
import prolalia.app.school.SchoolAddress.Address;
import prolalia.formats.card.CardSheet;
import prolalia.formats.card.CardSheet.Card;
import prolalia.formats.code.CodeImage;

/** The door of a class as its teachers give it: its link, code and word, and the cards. */
@Controller
@RequestMapping("/classes/{id}")
class DoorSheetController {
    private final ClassService classes;
    private final StudentService studentService;
    private final SchoolAddress addresses;

    DoorSheetController(ClassService classes, StudentService studentService, SchoolAddress addresses) {
        this.classes = classes;
        this.studentService = studentService;
        this.addresses = addresses;
    }

    @GetMapping("/door")
    String door(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            HttpServletRequest request,
            Model model) {
        ClassView view = classes.view(teacher.actor(), id);
        Address address = addresses.address(request);
        String link = address.base() + "/door/" + view.door().token();
        model.addAttribute("view", view);
        model.addAttribute("mayChange", teacher.role().teaches());
        model.addAttribute("link", link);
        model.addAttribute("typed", address.base() + "/door");
        model.addAttribute("code", CodeImage.of(link));
        model.addAttribute("thisMachineOnly", address.thisMachineOnly());
        return "classroom/door-sheet";
    }

    @PostMapping("/door/renew")
    String renew(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        classes.renewDoor(teacher.actor(), id);
        return "redirect:/classes/" + id + "/door";
    }

    /** @param student whose keys are new; none: everybody's */
    @PostMapping("/keys")
    String renewKeys(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "") List<String> student) {
        List<String> all = studentService.students(teacher.actor(), id).stream()
                .map(ClassStudent::id)
                .toList();
        studentService.renewKeys(teacher.actor(), id, student.isEmpty() ? all : student);
        return student.size() == 1
                ? "redirect:/classes/" + id + "/students/" + student.get(0) + "?saved"
                : "redirect:/classes/" + id + "/door";
    }

    /** @param student whose cards; none: everybody's */
    @GetMapping("/cards.pdf")
    ResponseEntity<byte[]> cards(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "") List<String> student,
            HttpServletRequest request) {
        ClassView view = classes.view(teacher.actor(), id);
        String door = addresses.address(request).base() + "/door/" + view.door().token();
        List<Card> cards = view.students().stream()
                .filter(each -> student.isEmpty() || student.contains(each.id()))
                .map(each -> new Card(
                        each.name(),
                        view.schoolClass().name(),
                        each.animal(),
                        each.tint(),
                        studentService.key(each),
                        door + "/card/" + each.card(),
                        view.door().word()))
                .toList();
        String name =
                view.schoolClass().name().replaceAll("[^\\p{L}\\p{N} -]", "").strip() + " cards.pdf";
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(name, java.nio.charset.StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(CardSheet.of(cards));
    }
}
