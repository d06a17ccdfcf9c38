package prolalia.app.classroom;

import java.util.Collection;
import java.util.Map;

/** What children said to what was said back to them, and none of their teachers heard as yet. */
public interface Replies {
    /** @return how many by class; those without any are missing */
    Map<String, Integer> byClass(Collection<String> classIds);

    /** @return how many by what was given to a class; what has none is missing */
    Map<String, Integer> byAssignment(String classId);
}
