package prolalia.app.classroom;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.school.AuditLog;
import prolalia.app.school.AuditLog.Deed;
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

    /** Those of some students; whoever is missing has none. */
    public Map<String, Accommodation> of(Collection<String> studentIds) {
        return store.of(studentIds);
    }

    @Transactional
    public void set(Teacher teacher, String classId, String studentId, Accommodation accommodation) {
        classAccess.toChange(teacher, classId);
        ClassStudent student = studentService.student(teacher, classId, studentId);
        store.set(student.id(), accommodation);
        audit.note(teacher.id(), Deed.ACCOMMODATION, student.name());
    }
}
