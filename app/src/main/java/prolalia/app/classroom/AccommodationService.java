package prolalia.app.classroom;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.school.AuditLog;
import prolalia.app.school.AuditLog.Deed;
import prolalia.core.classroom.Accommodated;
import prolalia.core.classroom.Accommodated.Here;
import prolalia.core.classroom.Accommodation;

/** What students hear, see or do differently. It goes with the student, into every class that she is in. */
@Service
public class AccommodationService {
    private final AccommodationStore store;
    private final StudentService studentService;
    private final ClassAccess classAccess;
    private final AuditLog audit;

    AccommodationService(
            AccommodationStore store, StudentService studentService, ClassAccess classAccess, AuditLog audit) {
        this.store = store;
        this.studentService = studentService;
        this.classAccess = classAccess;
        this.audit = audit;
    }

    public Accommodation of(String studentId) {
        return store.of(List.of(studentId)).getOrDefault(studentId, Accommodation.NONE);
    }

    /** What is different for a student, always and here and there. */
    public Accommodated whole(String studentId) {
        return whole(List.of(studentId)).getOrDefault(studentId, Accommodated.NOT);
    }

    /** Those of some students; whoever is missing has none. */
    public Map<String, Accommodated> whole(Collection<String> studentIds) {
        Map<String, Accommodation> always = store.of(studentIds);
        Map<String, Map<String, Here>> here = store.here(studentIds);
        return studentIds.stream()
                .distinct()
                .filter(id -> always.containsKey(id) || here.containsKey(id))
                .collect(Collectors.toMap(
                        id -> id,
                        id -> new Accommodated(
                                always.getOrDefault(id, Accommodation.NONE), here.getOrDefault(id, Map.of()))));
    }

    /** @param said by lessons and by what was given; empty: what holds always holds there, too */
    @Transactional
    public void setHere(Teacher teacher, String classId, String studentId, Map<String, Optional<Here>> said) {
        classAccess.toChange(teacher, classId);
        ClassStudent student = studentService.student(teacher, classId, studentId);
        said.forEach((of, here) -> store.setHere(student.id(), of, here.orElse(null)));
        audit.note(teacher.id(), Deed.ACCOMMODATION, student.name());
    }

    @Transactional
    public void set(Teacher teacher, String classId, String studentId, Accommodation accommodation) {
        classAccess.toChange(teacher, classId);
        ClassStudent student = studentService.student(teacher, classId, studentId);
        store.set(student.id(), accommodation);
        audit.note(teacher.id(), Deed.ACCOMMODATION, student.name());
    }
}
