package prolalia.app.classroom;

import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.account.Actor.Student;
import prolalia.app.classroom.DoorStore.Door;
import prolalia.app.classroom.DoorTries.From;
import prolalia.app.platform.NotFoundException;
import prolalia.core.classroom.Guesses;
import prolalia.core.classroom.PictureKey;

/** How a child comes in: through her class's door, by her own picture, and then by her picture key or her card. */
@Service
class DoorService {
    private final DoorStore doors;
    private final StudentService studentService;
    private final ClassAccess classAccess;
    private final StudentStore students;
    private final DoorTries tries;
    private final TransactionTemplate transaction;
    private final Clock clock;

    DoorService(
            DoorStore doors,
            StudentService studentService,
            ClassAccess classAccess,
            StudentStore students,
            DoorTries tries,
            TransactionTemplate transaction,
            Clock clock) {
        this.doors = doors;
        this.studentService = studentService;
        this.classAccess = classAccess;
        this.students = students;
        this.tries = tries;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** What a child meets at a door. */
    record Opened(Door door, SchoolClass schoolClass, List<ClassStudent> students) {}

    /** What became of a key. */
    enum Tried {
        RIGHT,
        WRONG,
        /** Too often wrong: the teacher lets her in. */
        SHUT,
        /** So many were wrong before that this one wasn't looked at. */
        SLOWER
    }

    Opened open(String token) {
        Door door = doors.ofToken(token).orElseThrow(() -> new NotFoundException("door"));
        SchoolClass behind = classAccess.find(door.classId()).orElseThrow(() -> new NotFoundException("class"));
        return new Opened(door, behind, students.of(behind.id()));
    }

    /** The door that a word opens. */
    Optional<Door> ofWord(String word) {
        String plain = word.strip().toLowerCase(Locale.ROOT).replaceAll("[\\s_.]+", "-");
        return doors.ofWord(plain)
                .filter(each -> classAccess.find(each.classId()).isPresent());
    }

    ClassStudent student(Opened opened, String studentId) {
        return opened.students().stream()
                .filter(each -> each.id().equals(studentId))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("student"));
    }

    ClassStudent ofCard(Opened opened, String card) {
        return students.ofCard(opened.schoolClass().id(), card).orElseThrow(() -> new NotFoundException("card"));
    }

    static Student actor(Opened opened, ClassStudent student) {
        return new Student(student.id(), opened.schoolClass().id());
    }

    /** Looks at a key; wrong ones are counted before it is said that they are. */
    Tried tryKey(ClassStudent student, String pressed, From from) {
        if (tries.isShut(from, student)) {
            return Tried.SHUT;
        }
        if (!tries.mayTry(from, student.id())) {
            return Tried.SLOWER;
        }
        boolean right = PictureKey.read(pressed)
                .map(key -> key.equals(studentService.key(student)))
                .orElse(false);
        if (!right) {
            tries.wrong(from, student.id());
        }
        transaction.executeWithoutResult(status -> {
            Guesses guesses = students.guesses(student.id());
            if (right) {
                tries.right(from, student.id(), clock.millis());
                if (guesses.wrong() > 0 && !tries.isShutSomewhere(student.id())) {
                    students.setGuesses(student.id(), new Guesses(0));
                }
            } else {
                students.setGuesses(student.id(), guesses.another());
            }
        });
        return right ? Tried.RIGHT : tries.isShut(from, student) ? Tried.SHUT : Tried.WRONG;
    }

    boolean isShut(ClassStudent student, From from) {
        return tries.isShut(from, student);
    }
}
