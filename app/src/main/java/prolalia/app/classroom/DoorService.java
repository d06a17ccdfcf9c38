package prolalia.app.classroom;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.github.bucket4j.Bandwidth;
import io.github.bucket4j.Bucket;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.account.Actor.Student;
import prolalia.app.classroom.DoorStore.Door;
import prolalia.app.platform.NotFoundException;
import prolalia.core.classroom.Guesses;
import prolalia.core.classroom.PictureKey;

/** How a child comes in: through her class's door, by her own picture, and then by her picture key or her card. */
@Service
class DoorService {
    private static final int DOORS_REMEMBERED = 20_000;
    private static final int TRIES_AT_ONCE = 60;
    private static final int WORDS_AT_ONCE = 12;

    private final DoorStore doors;
    private final StudentService studentService;
    private final ClassAccess classAccess;
    private final StudentStore students;
    private final TransactionTemplate transaction;
    private final Cache<String, Bucket> tries = Caffeine.newBuilder()
            .maximumSize(DOORS_REMEMBERED)
            .expireAfterAccess(Duration.ofHours(1))
            .build();

    DoorService(
            DoorStore doors,
            StudentService studentService,
            ClassAccess classAccess,
            StudentStore students,
            TransactionTemplate transaction) {
        this.doors = doors;
        this.studentService = studentService;
        this.classAccess = classAccess;
        this.students = students;
        this.transaction = transaction;
    }

    /** What a child meets at a door. */
    record Opened(Door door, SchoolClass schoolClass, List<ClassStudent> students) {}

    /** What became of a key. */
    enum Tried {
        RIGHT,
        WRONG,
        /** Too often wrong: the teacher lets her in. */
        SHUT,
        /** So many come at once that this one wasn't looked at. */
        SLOWER
    }

    Opened open(String token) {
        Door door = doors.ofToken(token).orElseThrow(() -> new NotFoundException("door"));
        SchoolClass behind = classAccess.find(door.classId()).orElseThrow(() -> new NotFoundException("class"));
        return new Opened(door, behind, students.of(behind.id()));
    }

    /** The door that a word opens; guesses are slowed by the address that they come from. */
    Optional<Door> ofWord(String word, String address) {
        Bucket bucket = tries.get("word " + address, unseen -> bucket(WORDS_AT_ONCE, Duration.ofSeconds(5)));
        if (!bucket.tryConsume(1)) {
            return Optional.empty();
        }
        String plain = word.strip().toLowerCase(Locale.ROOT).replaceAll("[\\s_.]+", "-");
        Optional<Door> door = doors.ofWord(plain)
                .filter(each -> classAccess.find(each.classId()).isPresent());
        door.ifPresent(found -> bucket.addTokens(1));
        return door;
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
    Tried tryKey(Opened opened, ClassStudent student, String pressed) {
        Bucket bucket = tries.get(opened.door().token(), unseen -> bucket(TRIES_AT_ONCE, Duration.ofSeconds(1)));
        if (!bucket.tryConsume(1)) {
            return Tried.SLOWER;
        }
        boolean right = PictureKey.read(pressed)
                .map(key -> key.equals(studentService.key(student)))
                .orElse(false);
        return transaction.execute(status -> {
            Guesses guesses = students.guesses(student.id());
            if (guesses.isShut()) {
                return Tried.SHUT;
            }
            if (right) {
                if (guesses.wrong() > 0) {
                    students.setGuesses(student.id(), new Guesses(0));
                }
                return Tried.RIGHT;
            }
            Guesses more = guesses.another();
            students.setGuesses(student.id(), more);
            return more.isShut() ? Tried.SHUT : Tried.WRONG;
        });
    }

    private static Bucket bucket(int most, Duration another) {
        return Bucket.builder()
                .addLimit(Bandwidth.builder()
                        .capacity(most)
                        .refillGreedy(1, another)
                        .build())
                .build();
    }
}
