package prolalia.app.account;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;
import prolalia.app.school.SchoolService;

/** What the head of every teacher's page shows. */
@ControllerAdvice
class TeacherOnPage {
    private final SchoolService school;

    TeacherOnPage(SchoolService school) {
        this.school = school;
    }

    @ModelAttribute("teacher")
    SignedInTeacher teacher(@AuthenticationPrincipal SignedInTeacher teacher) {
        return teacher;
    }

    @ModelAttribute("schoolName")
    String schoolName(@AuthenticationPrincipal SignedInTeacher teacher) {
        return teacher == null ? "" : school.settings().name();
    }
}
