package prolalia.app.classroom;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Optional;
import org.springframework.stereotype.Component;
import prolalia.app.account.Actor.Student;
import prolalia.app.classroom.DoorStore.Door;

/** Who is inside, and the way out. */
@Component
public class DoorWay {
    private final StudentSignIns signIns;
    private final ClassStore classes;
    private final StudentStore students;
    private final DoorStore doors;

    DoorWay(StudentSignIns signIns, ClassStore classes, StudentStore students, DoorStore doors) {
        this.signIns = signIns;
        this.classes = classes;
        this.students = students;
        this.doors = doors;
    }

    /** A child who came in. */
    public record Inside(Student actor, ClassStudent student, SchoolClass schoolClass) {}

    /** Nobody came in from here. */
    public static final class OutsideException extends RuntimeException {
        private static final long serialVersionUID = 1;
    }

    public Inside inside(HttpServletRequest request) {
        Student actor = signIns.student(request).orElseThrow(OutsideException::new);
        SchoolClass in = classes.find(actor.classId()).orElseThrow(OutsideException::new);
        return new Inside(actor, students.find(in.id(), actor.id()).orElseThrow(OutsideException::new), in);
    }

    /** Answers the door that she came in by, if it is still there. */
    public Optional<String> leave(HttpServletRequest request, HttpServletResponse response) {
        Optional<String> token = signIns.student(request)
                .flatMap(student -> doors.ofClass(student.classId()))
                .map(Door::token);
        signIns.leave(request, response);
        return token;
    }
}
