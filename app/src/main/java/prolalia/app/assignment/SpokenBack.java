package prolalia.app.assignment;

import java.util.Map;
import prolalia.app.account.Actor.Student;

/** Where something was said back to a child. */
public interface SpokenBack {
    /** @return by assignment, whether there is something new; those without any are missing */
    Map<String, Boolean> of(Student student);
}
