package prolalia.app.classroom;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.account.Actor.Student;
import prolalia.app.account.CookieSignIns;
import prolalia.app.classroom.DoorStore.Door;
import prolalia.core.classroom.Animal;
import prolalia.core.classroom.Animals;

/** Who is inside, and the way out. */
@Component
public class StudentSession {
    /** Whose page it is that a request comes from. */
    private static final String OWNER = "X-Owner";

    private static final String DOOR = "prolalia-door";
    private static final Duration REMEMBERED = Duration.ofDays(365);

    private final StudentSignIns signIns;
    private final ClassStore classes;
    private final StudentStore students;
    private final DoorStore doors;

    StudentSession(StudentSignIns signIns, ClassStore classes, StudentStore students, DoorStore doors) {
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

    /** Who is in; a page that was opened by another child on this device is told that she isn't. */
    public Student ofPage(HttpServletRequest request) {
        Student student = inside(request).actor();
        String pageOf = request.getHeader(OWNER);
        if (pageOf != null && !pageOf.equals(student.id())) {
            throw new OutsideException();
        }
        return student;
    }

    /** The pictures that nobody else in her class has; her own is among them. */
    public List<Animals.Picture> pictures(Inside inside) {
        Set<Animals.Picture> taken = students.of(inside.schoolClass().id()).stream()
                .filter(each -> !each.id().equals(inside.student().id()))
                .map(each -> new Animals.Picture(each.animal(), each.tint()))
                .collect(Collectors.toSet());
        return Arrays.stream(Animal.values())
                .flatMap(animal -> Arrays.stream(Animal.Tint.values()).map(tint -> new Animals.Picture(animal, tint)))
                .filter(picture -> !taken.contains(picture))
                .toList();
    }

    /** She chose another picture, unless somebody was quicker. */
    @Transactional
    public void choose(Inside inside, Animal animal, Animal.Tint tint) {
        if (pictures(inside).contains(new Animals.Picture(animal, tint))) {
            students.setAnimal(inside.student().id(), animal, tint);
        }
    }

    /** This device stands at a door: whoever isn't inside any more is led back to it. */
    void remember(String token, HttpServletRequest request, HttpServletResponse response) {
        response.addHeader(
                HttpHeaders.SET_COOKIE,
                CookieSignIns.cookie(DOOR, token, request)
                        .maxAge(REMEMBERED)
                        .build()
                        .toString());
    }

    /** The door at which this device was last, if it is still there. */
    public Optional<String> lastDoor(HttpServletRequest request) {
        return CookieSignIns.value(DOOR, request).flatMap(doors::ofToken).map(Door::token);
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
