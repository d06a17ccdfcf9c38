package prolalia.app.assignment;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.assignment.AssignmentService.Giving;
import prolalia.app.assignment.AssignmentService.GivingRefusedException;
import prolalia.app.classroom.ClassAccess;
import prolalia.app.classroom.ClassService;
import prolalia.app.classroom.Replies;
import prolalia.app.classroom.SchoolClass;
import prolalia.app.classroom.StudentService;
import prolalia.app.lesson.LessonService;
import prolalia.core.classroom.Accommodated;
import prolalia.core.classroom.Accommodation;

/** Giving lessons to people, and how far they came with them. */
@Controller
class AssignmentController {
    private final AssignmentService assignments;
    private final ClassService classes;
    private final StudentService studentService;
    private final ClassAccess classAccess;
    private final LessonService lessons;
    private final Replies replies;

    AssignmentController(
            AssignmentService assignments,
            ClassService classes,
            StudentService studentService,
            ClassAccess classAccess,
            LessonService lessons,
            Replies replies) {
        this.assignments = assignments;
        this.classes = classes;
        this.studentService = studentService;
        this.classAccess = classAccess;
        this.lessons = lessons;
        this.replies = replies;
    }

    /** To whom a lesson is given, and a form to give it to others. @param to the class that is looked at */
    @GetMapping("/lessons/{id}/give")
    String give(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "") String to,
            @RequestParam(required = false) String refused,
            @RequestParam(required = false) String given,
            Model model) {
        List<SchoolClass> there = classes.classesOf(teacher.actor()).stream()
                .map(ClassService.Shown::schoolClass)
                .toList();
        SchoolClass chosen = there.stream()
                .filter(each -> each.id().equals(to))
                .findFirst()
                .orElse(there.isEmpty() ? null : there.get(0));
        Map<String, String> names = there.stream()
                .collect(Collectors.toMap(SchoolClass::id, each -> each.name() + " " + each.schoolYear()));
        model.addAttribute("lesson", lessons.lesson(teacher.actor(), id));
        List<Assignment> made = assignments.ofLesson(teacher.actor(), id);
        model.addAttribute("assignments", made);
        model.addAttribute(
                "unread",
                made.stream()
                        .filter(each -> each.id().equals(given))
                        .flatMap(each -> each.silentLines().stream())
                        .toList());
        model.addAttribute("classes", there);
        model.addAttribute("classNames", names);
        model.addAttribute("chosen", chosen);
        if (chosen != null) {
            model.addAttribute("students", studentService.students(teacher.actor(), chosen.id()));
            model.addAttribute("groups", studentService.groups(teacher.actor(), chosen.id()));
        }
        model.addAttribute("refused", refused);
        model.addAttribute("given", given);
        return "assignment/give";
    }

    /** @param student chosen ones; with no group and no student, all of the class */
    @PostMapping("/lessons/{id}/give")
    String give(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "") String to,
            @RequestParam(defaultValue = "") List<String> group,
            @RequestParam(defaultValue = "") List<String> student,
            @RequestParam(defaultValue = "") String direction,
            @RequestParam(defaultValue = "") String pages,
            @RequestParam(required = false) @DateTimeFormat(iso = DateTimeFormat.ISO.DATE_TIME) LocalDateTime starts,
            @RequestParam(required = false) @DateTimeFormat(iso = DateTimeFormat.ISO.DATE_TIME) LocalDateTime ends) {
        String made =
                assignments.give(teacher.actor(), id, new Giving(to, group, student, direction, pages, starts, ends));
        return "redirect:/lessons/" + id + "/give?to=" + to + "&given=" + made;
    }

    @ExceptionHandler
    String refused(GivingRefusedException refused, HttpServletRequest request) {
        return "redirect:" + request.getServletPath() + "?refused=" + refused.why();
    }

    @PostMapping("/assignments/{id}/take-back")
    String takeBack(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "false") boolean fromLesson) {
        assignments.takeBack(teacher.actor(), id);
        return "redirect:" + where(teacher, id, fromLesson) + "back=" + id;
    }

    @PostMapping("/assignments/{id}/give-again")
    String giveAgain(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(defaultValue = "false") boolean fromLesson) {
        assignments.giveAgain(teacher.actor(), id);
        return "redirect:" + where(teacher, id, fromLesson);
    }

    @PostMapping("/assignments/{id}/first")
    String first(@AuthenticationPrincipal SignedInTeacher teacher, @PathVariable String id) {
        assignments.toTheTop(teacher.actor(), id);
        return "redirect:" + where(teacher, id, false);
    }

    private String where(SignedInTeacher teacher, String id, boolean fromLesson) {
        Assignment assignment = assignments.toChange(teacher.actor(), id);
        return fromLesson
                ? "/lessons/" + assignment.lessonId() + "/give?"
                : "/classes/" + assignment.classId() + "/given?";
    }

    /** A class's picture: who came how far with what. */
    @GetMapping("/classes/{id}/given")
    String overview(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @RequestParam(required = false) String back,
            Model model) {
        model.addAttribute("schoolClass", classAccess.require(teacher.actor(), id));
        model.addAttribute("overview", assignments.overview(teacher.actor(), id));
        model.addAttribute("replies", replies.byAssignment(id));
        model.addAttribute("goesSoon", assignments.goesSoon(teacher.actor(), id));
        model.addAttribute("mayChange", teacher.role().teaches());
        model.addAttribute("back", back);
        return "assignment/overview";
    }

    /** What one child hears of all that is given to her. */
    @GetMapping("/classes/{id}/students/{studentId}/given")
    String whatSheHears(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String studentId,
            Model model) {
        model.addAttribute("hers", assignments.whatSheHears(teacher.actor(), id, studentId));
        model.addAttribute("mayChange", teacher.role().teaches());
        model.addAttribute("hearings", Accommodation.Hears.values());
        model.addAttribute("wordings", Accommodation.Words.values());
        model.addAttribute("studentId", studentId);
        return "assignment/what-she-hears";
    }

    /** @param of LESSON or GIVING; else what holds always holds here, too @param tries blank: as many as the lesson says */
    @PostMapping("/assignments/{id}/different/{studentId}")
    String different(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String studentId,
            @RequestParam(defaultValue = "ALWAYS") String of,
            @RequestParam(defaultValue = "EVERYTHING") Accommodation.Hears hears,
            @RequestParam(defaultValue = "100") int speed,
            @RequestParam(defaultValue = "AS_GIVEN") Accommodation.Words seen,
            @RequestParam(defaultValue = "false") boolean moreTime,
            @RequestParam(defaultValue = "false") boolean unlimited,
            @RequestParam(required = false) Integer tries,
            Model model) {
        boolean lesson = of.equals("LESSON");
        Accommodated.Here here = lesson || of.equals("GIVING")
                ? new Accommodated.Here(new Accommodation(hears, speed, seen, moreTime, unlimited, 0), tries)
                : null;
        assignments.different(teacher.actor(), id, studentId, here, lesson);
        String classId = assignments.seen(teacher.actor(), id).classId();
        model.addAttribute("opened", id);
        return whatSheHears(teacher, classId, studentId, model);
    }

    /** The same, without what is around it: asked for again and again while it is looked at. */
    @GetMapping("/classes/{id}/given/now")
    String now(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            HttpServletResponse response,
            Model model) {
        response.setHeader("Cache-Control", "no-store");
        model.addAttribute("schoolClass", classAccess.require(teacher.actor(), id));
        model.addAttribute("replies", replies.byAssignment(id));
        model.addAttribute("overview", assignments.overview(teacher.actor(), id));
        model.addAttribute("mayChange", teacher.role().teaches());
        return "assignment/overview :: picture";
    }
}
