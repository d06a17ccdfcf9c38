package prolalia.app.classroom;

import java.util.Optional;
import org.springframework.stereotype.Component;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.platform.NotFoundException;

/** Who may do what with which class. What somebody may not see isn't there for her; aides look and listen, and change nothing. */
@Component
public class ClassAccess {
    private final ClassStore store;

    ClassAccess(ClassStore store) {
        this.store = store;
    }

    /** The class, if she may see it. */
    public SchoolClass require(Teacher teacher, String classId) {
        return store.require(teacher, classId);
    }

    /** The class, if she may change it. */
    public SchoolClass toChange(Teacher teacher, String classId) {
        SchoolClass found = store.require(teacher, classId);
        if (!teacher.role().teaches()) {
            throw new NotFoundException("class to change");
        }
        return found;
    }

    /** The class, whoever asks. */
    public Optional<SchoolClass> find(String classId) {
        return store.find(classId);
    }
}
