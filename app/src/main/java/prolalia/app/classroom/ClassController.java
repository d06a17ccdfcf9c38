package prolalia.app.classroom;

import jakarta.servlet.http.HttpServletResponse;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.classroom.ClassService.ClassView;
import prolalia.app.classroom.ClassService.RefusedException;
import prolalia.app.platform.Messages;
import prolalia.core.classroom.Animal;
import prolalia.core.classroom.Names;
import prolalia.core.classroom.SchoolYear;

/** Classes as their teachers see them: who is in them, their groups, and what holds for them. */
@Controller
@RequestMapping("/classes")
class ClassController {
    private final ClassService classes;
    private final StudentService studentService;
    private final ClassAccess classAccess;
    private final Replies replies;
    private final Messages messages;

    ClassController(
            ClassService classes,
            StudentService studentService,
            ClassAccess classAccess,
            Replies replies,
            Messages messages) {
        this.classes = classes;
        this.studentService = studentService;
        this.classAccess = classAccess;
        this.replies = replies;
        this.messages = messages;
    }

    @GetMapping
    String all(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @RequestParam(required = false) String removed,
            @RequestParam(required = false) String refused,
            Model model) {
        SchoolYear year = classes.schoolYear();
        // Those of earlier years are put away.
        Map<Boolean, List<ClassService.Shown>> hers = classes.classesOf(teacher.actor()).stream()
                .collect(Collectors.partitioningBy(
                        each -> year.isAfter(each.schoolClass().schoolYear())));
        model.addAttribute("classes", hers.get(false));
        model.addAttribute("earlier", hers.get(true));
        model.addAttribute("year", year);
        model.addAttribute("removed", removed);
        model.addAttribute("binned", classes.removed(teacher.actor()));
        model.addAttribute("refused", refused);
        return "classroom/classes";
    }

    /**
     * Who waits to be let in, or to be heard: asked for again and again where a teacher would see it.
     *
     * @param of the class in which somebody waits to be heard; null: in all of hers
     */
    @GetMapping("/who-waits")
    String whoWaits(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @RequestParam(required = false) String of,
            HttpServletResponse response,
            Model model) {
        response.setHeader("Cache-Control", "no-store");
        model.addAttribute("waiting", studentService.shutOut(teacher.actor()));
        List<SchoolClass> hers = classes.of(teacher.actor()).stream()
                .filter(each -> of == null || each.id().equals(of))
                .toList();
        model.addAttribute("classes", hers);
        model.addAttribute(
                "replies", replies.byClass(hers.stream().map(SchoolClass::id).toList()));
        return "classroom/who-waits";
    }

    /** All who wait at doors of hers, by one press. */
    @PostMapping("/let-all-in")
    String letAllIn(@AuthenticationPrincipal SignedInTeacher teacher, @RequestParam(defaultValue = "") String back) {
        studentService.letAllIn(teacher.actor());
        return back.matches("/classes/[\\w-]{1,60}|/") ? "redirect:" + back : "redirect:/classes";
    }

    @PostMapping
    String begin(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String year,
            @RequestParam(defaultValue = "") String back) {
        String made = classes.begin(
                teacher.actor(),
                name,
                year.isBlank() && !back.isEmpty() ? classes.schoolYear().toString() : year);
        // Who made it to give something to it goes on giving.
        return back.matches("/lessons/[\\w-]{1,60}/give")
                ? "redirect:" + back + "?to=" + made
                : "redirect:/classes/" + made;
    }

    @GetMapping("/{id}")
    String children(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(required = false) String refused,
            @RequestParam(required = false) Integer added,
            Model model) {
        ClassView view = show(teacher, id, model);
        // Two children of the same name are told apart by more than their names.
        Set<String> twice = view.students().stream()
                .collect(Collectors.groupingBy(
                        student -> student.name().toLowerCase(Locale.ROOT), Collectors.counting()))
                .entrySet()
                .stream()
                .filter(name -> name.getValue() > 1)
                .map(Map.Entry::getKey)
                .collect(Collectors.toSet());
        model.addAttribute("twice", twice);
        model.addAttribute("refused", refused);
        model.addAttribute("added", added);
        return "classroom/children";
    }

    private ClassView show(SignedInTeacher teacher, String id, Model model) {
        ClassView view = classes.view(teacher.actor(), id);
        model.addAttribute("view", view);
        model.addAttribute("mayChange", teacher.role().teaches());
        return view;
    }

    /** @param names one a line */
    @PostMapping("/{id}/students")
    String addStudents(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "") String names,
            HttpServletResponse response,
            Model model) {
        try {
            List<ClassStudent> added = studentService.addStudents(teacher.actor(), id, Names.list(names));
            return "redirect:/classes/" + id + "?added=" + added.size();
        } catch (RefusedException refused) {
            // What was typed stays.
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            model.addAttribute("names", names);
            return children(teacher, id, refused.why().name(), null, model);
        }
    }

    @GetMapping("/{id}/groups")
    String groups(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(required = false) String refused,
            Model model) {
        show(teacher, id, model);
        model.addAttribute("refused", refused);
        return "classroom/groups";
    }

    @PostMapping("/{id}/groups")
    String addGroup(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") List<String> student) {
        studentService.addGroup(teacher.actor(), id, name, student);
        return "redirect:/classes/" + id + "/groups";
    }

    @PostMapping("/{id}/groups/by-chance")
    String dealGroups(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "4") int count) {
        studentService.dealGroups(teacher.actor(), id, count, number -> messages.say("class.groupNumber", number));
        return "redirect:/classes/" + id + "/groups";
    }

    /** A child was dragged. @param from blank: she was in none @param to blank: she is to be in none */
    @PostMapping("/{id}/groups/move")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void regroup(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "") String student,
            @RequestParam(defaultValue = "") String from,
            @RequestParam(defaultValue = "") String to) {
        studentService.regroup(teacher.actor(), id, student, from, to);
    }

    @PostMapping("/{id}/groups/{groupId}")
    String changeGroup(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String groupId,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") List<String> student) {
        studentService.changeGroup(teacher.actor(), id, groupId, name, student);
        return "redirect:/classes/" + id + "/groups";
    }

    @PostMapping("/{id}/groups/{groupId}/remove")
    String removeGroup(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @PathVariable String groupId) {
        studentService.removeGroup(teacher.actor(), id, groupId);
        return "redirect:/classes/" + id + "/groups";
    }

    @GetMapping("/{id}/settings")
    String settings(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(required = false) String saved,
            @RequestParam(required = false) String refused,
            Model model) {
        classAccess.toChange(teacher.actor(), id);
        ClassView view = show(teacher, id, model);
        model.addAttribute("others", classes.others(view));
        model.addAttribute("animals", Animal.values());
        model.addAttribute("saved", saved != null);
        model.addAttribute("refused", refused);
        model.addAttribute("year", classes.schoolYear().next());
        LocalDate today = LocalDate.now(ZoneId.systemDefault());
        model.addAttribute("today", today);
        model.addAttribute("usualEnd", today.plusWeeks(1));
        return "classroom/settings";
    }

    @PostMapping("/{id}/settings")
    String change(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String year,
            @RequestParam(defaultValue = "BIRD") Animal picture,
            @RequestParam(defaultValue = "false") boolean keyNeeded,
            @RequestParam(defaultValue = "5") int idle) {
        classes.change(teacher.actor(), id, name, year, picture, keyNeeded, idle);
        return "redirect:/classes/" + id + "/settings?saved";
    }

    @PostMapping("/{id}/teachers")
    String addTeacher(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "") String who) {
        classes.addTeacher(teacher.actor(), id, who);
        return "redirect:/classes/" + id + "/settings";
    }

    @PostMapping("/{id}/teachers/{teacherId}/remove")
    String removeTeacher(
            @AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id, @PathVariable String teacherId) {
        classes.removeTeacher(teacher.actor(), id, teacherId);
        return "redirect:/classes" + (teacherId.equals(teacher.id()) ? "" : "/" + id + "/settings");
    }

    @PostMapping("/{id}/next-year")
    String nextYear(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String year,
            @RequestParam(defaultValue = "") List<String> student) {
        return "redirect:/classes/" + classes.nextYear(teacher.actor(), id, name, year, student);
    }

    @PostMapping("/{id}/remove")
    String remove(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        classes.remove(teacher.actor(), id);
        return "redirect:/classes?removed=" + id;
    }

    @PostMapping("/{id}/put-back")
    String putBack(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        classes.putBack(teacher.actor(), id);
        return "redirect:/classes/" + id;
    }
}
