package prolalia.app.classroom;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import prolalia.app.account.SignedInTeacher;
import prolalia.core.classroom.Accommodation;
import prolalia.core.classroom.Animal;

/** One student, as her teachers see her. */
@Controller
@RequestMapping("/classes/{id}/students/{studentId}")
class StudentController {
    private final ClassService classes;
    private final StudentService studentService;
    private final AccommodationService accommodations;

    StudentController(ClassService classes, StudentService studentService, AccommodationService accommodations) {
        this.classes = classes;
        this.studentService = studentService;
        this.accommodations = accommodations;
    }

    @GetMapping
    String student(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String studentId,
            @RequestParam(required = false) String refused,
            @RequestParam(required = false) String saved,
            Model model) {
        ClassStudent student = studentService.student(teacher.actor(), id, studentId);
        model.addAttribute("view", classes.view(teacher.actor(), id));
        model.addAttribute("student", student);
        model.addAttribute("key", studentService.key(student).pictures());
        model.addAttribute("mayChange", teacher.role().teaches());
        model.addAttribute("animals", Animal.values());
        model.addAttribute("tints", Animal.Tint.values());
        model.addAttribute("accommodation", accommodations.of(studentId));
        model.addAttribute("hearings", Accommodation.Hears.values());
        model.addAttribute("wordings", Accommodation.Words.values());
        model.addAttribute(
                "elsewhere",
                classes.classesOf(teacher.actor()).stream()
                        .map(ClassService.Shown::schoolClass)
                        .filter(each -> !each.id().equals(id))
                        .toList());
        model.addAttribute("refused", refused);
        model.addAttribute("saved", saved != null);
        return "classroom/student";
    }

    private static String back(String id, String studentId) {
        return "redirect:/classes/" + id + "/students/" + studentId + "?saved";
    }

    @PostMapping("/name")
    String rename(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String studentId,
            @RequestParam(defaultValue = "") String name) {
        studentService.rename(teacher.actor(), id, studentId, name);
        return back(id, studentId);
    }

    @PostMapping("/animal")
    String setAnimal(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String studentId,
            @RequestParam(defaultValue = "BIRD") Animal animal,
            @RequestParam(defaultValue = "SEA") Animal.Tint tint) {
        studentService.setAnimal(teacher.actor(), id, studentId, animal, tint);
        return back(id, studentId);
    }

    @PostMapping("/accommodation")
    String accommodate(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String studentId,
            @RequestParam(defaultValue = "EVERYTHING") Accommodation.Hears hears,
            @RequestParam(defaultValue = "100") int speed,
            @RequestParam(defaultValue = "AS_GIVEN") Accommodation.Words seen,
            @RequestParam(defaultValue = "false") boolean moreTime,
            @RequestParam(defaultValue = "false") boolean unlimited,
            @RequestParam(defaultValue = "0") int buttons) {
        accommodations.set(
                teacher.actor(), id, studentId, new Accommodation(hears, speed, seen, moreTime, unlimited, buttons));
        return back(id, studentId);
    }

    @PostMapping("/let-in")
    String letIn(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @PathVariable String studentId) {
        studentService.letIn(teacher.actor(), id, studentId);
        return back(id, studentId);
    }

    @PostMapping("/move")
    String move(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String studentId,
            @RequestParam(defaultValue = "") String target,
            @RequestParam(defaultValue = "false") boolean stays) {
        studentService.move(teacher.actor(), id, studentId, target, stays);
        return stays ? back(id, studentId) : "redirect:/classes/" + target + "/students/" + studentId;
    }

    @PostMapping("/leave")
    String leave(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @PathVariable String studentId) {
        studentService.removeFromClass(teacher.actor(), id, studentId);
        return "redirect:/classes/" + id;
    }
}
