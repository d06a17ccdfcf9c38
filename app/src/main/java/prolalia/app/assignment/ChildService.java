package prolalia.app.assignment;

import java.time.Clock;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import prolalia.app.account.Actor.Student;
import prolalia.app.assignment.AssignmentStore.Done;
import prolalia.app.classroom.AccommodationService;
import prolalia.app.classroom.ClassAccess;
import prolalia.app.classroom.SchoolClass;
import prolalia.app.platform.NotFoundException;
import prolalia.core.classroom.Accommodated;
import prolalia.core.classroom.Accommodation;
import prolalia.core.classroom.Progress;
import prolalia.core.classroom.Signs;
import prolalia.core.station.StationMark;

/** What there is to do for a child, and how she meets it. */
@Service
public class ChildService {
    private final AssignmentStore store;
    private final AssignedLessons lessons;
    private final HeardLog heard;
    private final ClassAccess classes;
    private final AccommodationService accommodations;
    private final Clock clock;

    ChildService(
            AssignmentStore store,
            AssignedLessons lessons,
            HeardLog heard,
            ClassAccess classes,
            AccommodationService accommodations,
            Clock clock) {
        this.store = store;
        this.lessons = lessons;
        this.heard = heard;
        this.classes = classes;
        this.accommodations = accommodations;
        this.clock = clock;
    }

    /**
     * Something that a child is to do.
     *
     * @param pictureHash of its first page that has one; null: none has
     * @param sign what is drawn where it has no picture; null: it has one
     */
    record Task(Assignment assignment, String pictureHash, StationMark sign, Progress progress) {}

    /** What there is for her to do, in order. */
    List<Task> tasks(Student student) {
        Accommodated hers = accommodations.whole(student.id());
        Set<String> groups = store.groupsOf(student.id());
        long now = clock.millis();
        List<Assignment> given = store.ofClass(student.classId()).stream()
                .filter(each -> each.isTo(student.id(), groups)
                        && each.due().isThere(now, each.of(hers), ZoneId.systemDefault()))
                .toList();
        Map<String, Map<String, Done>> done =
                store.done(given.stream().map(Assignment::id).toList());
        Map<String, String> pictures = new HashMap<>();
        given.forEach(each -> picture(each).ifPresent(hash -> pictures.put(each.id(), hash)));
        Map<String, StationMark> signs = Signs.of(given.stream()
                .filter(each -> !pictures.containsKey(each.id()))
                .sorted(Comparator.comparing(Assignment::madeAt).thenComparing(Assignment::id))
                .map(Assignment::id)
                .toList());
        return given.stream()
                .map(each -> new Task(
                        each,
                        pictures.get(each.id()),
                        signs.get(each.id()),
                        lessons.progress(
                                each,
                                each.of(hers),
                                done.getOrDefault(each.id(), Map.of()).get(student.id()))))
                .toList();
    }

    private Optional<String> picture(Assignment assignment) {
        return lessons.of(assignment, Accommodation.NONE).lesson().pages().stream()
                .filter(page -> page.picture() != null)
                .map(page -> page.picture().hash())
                .findFirst();
    }

    /** The lesson, if it is there for her. */
    public AssignedLesson meet(Student student, String assignmentId) {
        AssignedLesson met = meetStill(student, assignmentId);
        if (!isOpen(met)) {
            throw new NotFoundException("assignment");
        }
        return met;
    }

    /** Whether a lesson is there for a child now: it has begun, hasn't ended, and wasn't taken back. */
    public boolean isOpen(AssignedLesson met) {
        return !met.assignment().takenBack()
                && met.assignment().due().isThere(clock.millis(), met.accommodation(), ZoneId.systemDefault());
    }

    /** The lesson that was given to her, also when it is over by now: what she answered before may come in late. */
    public AssignedLesson meetStill(Student student, String assignmentId) {
        Assignment assignment = store.find(assignmentId)
                .filter(each -> each.classId().equals(student.classId())
                        && each.isTo(student.id(), store.groupsOf(student.id())))
                .orElseThrow(() -> new NotFoundException("assignment"));
        SchoolClass in = classes.find(student.classId()).orElseThrow(() -> new NotFoundException("class"));
        return AssignedLesson.of(assignment, in, accommodations.whole(student.id()), lessons);
    }

    /** A child as she comes in through the door of the class to which something was given, for what is done in her place. */
    public Optional<Student> asSheComesIn(String studentId, String assignmentId) {
        return store.find(assignmentId).map(given -> new Student(studentId, given.classId()));
    }

    public void opened(Student student, AssignedLesson met) {
        heard.opened(met.assignment().id(), student.id());
    }

    /** @param percent how much of it, 1 to 100 */
    public void heard(Student student, AssignedLesson met, String lineId, int percent) {
        if (met.lesson().line(lineId).isPresent()) {
            heard.heard(met.assignment().id(), student.id(), lineId, Math.max(1, Math.min(100, percent)));
        }
    }
}
