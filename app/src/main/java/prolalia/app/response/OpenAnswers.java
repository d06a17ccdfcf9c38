package prolalia.app.response;

import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.assignment.Assignment;
import prolalia.app.assignment.AssignmentService;
import prolalia.app.classroom.SchoolClass;

/** How many answers nobody has marked as yet; where there is none, nothing is told. */
@Service
public class OpenAnswers {
    private final AssignmentService assignments;
    private final OpenAnswerStore store;

    OpenAnswers(AssignmentService assignments, OpenAnswerStore store) {
        this.assignments = assignments;
        this.store = store;
    }

    /** By what was given to a class. */
    public Map<String, Integer> byAssignment(Teacher teacher, String classId) {
        return store.byAssignment(assignments.ofClass(teacher, classId).stream()
                .map(Assignment::id)
                .toList());
    }

    /** By class, and in it by the child's name, who waits longest first; of classes that somebody may see. */
    public Map<String, Map<String, Integer>> byClass(List<SchoolClass> classes) {
        return store.byClass(classes.stream().map(SchoolClass::id).toList());
    }
}
