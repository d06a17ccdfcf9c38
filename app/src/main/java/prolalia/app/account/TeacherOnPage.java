package prolalia.app.account;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;
import prolalia.app.platform.DataFolder;
import prolalia.app.school.SchoolService;

/** What the head of every teacher's page shows. */
@ControllerAdvice
class TeacherOnPage {
    private final SchoolService school;

    private final DataFolder folder;

    TeacherOnPage(SchoolService school, DataFolder folder) {
        this.school = school;
        this.folder = folder;
    }

    @ModelAttribute("teacher")
    SignedInTeacher teacher(@AuthenticationPrincipal SignedInTeacher teacher) {
        return teacher;
    }

    /** What is to be said of the disk; null: nothing. */
    @ModelAttribute("disk")
    String disk(@AuthenticationPrincipal SignedInTeacher teacher) {
        if (teacher == null) {
            return null;
        }
        return folder.isFull() ? "full" : folder.isNearlyFull() ? "nearly" : null;
    }

    @ModelAttribute("schoolName")
    String schoolName(@AuthenticationPrincipal SignedInTeacher teacher) {
        return teacher == null ? "" : school.settings().name();
    }
}
