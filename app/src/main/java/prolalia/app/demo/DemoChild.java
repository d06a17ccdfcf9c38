package prolalia.app.demo;

import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import prolalia.app.account.AccountService;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.classroom.ClassService;
import prolalia.app.classroom.ClassService.Shown;
import prolalia.app.classroom.ClassStudent;
import prolalia.app.classroom.StudentService;
import prolalia.app.platform.NotFoundException;
import prolalia.core.classroom.PictureKey;

/** A child of the Terns, as a visitor of the demo comes in. */
@Component
@ConditionalOnProperty("prolalia.demo")
class DemoChild {
    private final AccountService accounts;
    private final ClassService classes;
    private final StudentService studentService;

    DemoChild(AccountService accounts, ClassService classes, StudentService studentService) {
        this.accounts = accounts;
        this.classes = classes;
        this.studentService = studentService;
    }

    /** @param door the secret of the door of her class */
    record Child(ClassStudent student, PictureKey key, String door) {}

    /** The first of the class, as long as a visitor hasn't changed all of it. */
    Child any() {
        Teacher ines = accounts.teacher(DemoTeacher.SIGN_IN_NAME)
                .orElseThrow(() -> new NotFoundException("demo teacher"))
                .actor();
        for (Shown shown : classes.classesOf(ines)) {
            String id = shown.schoolClass().id();
            if (shown.size() > 0) {
                ClassStudent first = studentService.students(ines, id).get(0);
                return new Child(first, studentService.key(first), classes.doorOf(ines, id));
            }
        }
        throw new NotFoundException("demo child");
    }
}
