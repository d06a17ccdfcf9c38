package prolalia.app.classroom;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.platform.FileReading;
import prolalia.app.platform.FileReading.Read;
import prolalia.app.platform.Ids;
import prolalia.app.platform.NotFoundException;
import prolalia.app.school.AuditLog;
import prolalia.app.school.AuditLog.Deed;
import prolalia.core.classroom.RosterPlan;
import prolalia.core.classroom.RosterPlan.Entry;
import prolalia.core.classroom.RosterPlan.Kind;
import prolalia.core.classroom.RosterPlan.Known;
import prolalia.formats.roster.Roster;
import prolalia.formats.roster.RosterException;
import prolalia.formats.roster.RosterException.Fault;
import prolalia.formats.roster.RosterProcess;

/** A class from a list: looked over before anything is kept. What was read stays in memory for an hour. */
@Service
class RosterService {
    /** Of all lists that are being looked over. */
    private static final int MOST_ROWS_WAITING = 200_000;

    private final FileReading files;
    private final StudentService studentService;
    private final ClassAccess classAccess;
    private final StudentStore students;
    private final AuditLog audit;
    private final Cache<String, Waiting> waiting = Caffeine.newBuilder()
            .maximumWeight(MOST_ROWS_WAITING)
            .weigher((String token, Waiting each) -> 1 + each.roster().rows())
            .expireAfterAccess(Duration.ofHours(1))
            .build();

    RosterService(
            FileReading files,
            StudentService studentService,
            ClassAccess classAccess,
            StudentStore students,
            AuditLog audit) {
        this.files = files;
        this.studentService = studentService;
        this.classAccess = classAccess;
        this.students = students;
        this.audit = audit;
    }

    private record Waiting(String teacherId, String classId, Roster roster) {}

    /**
     * What a list would change.
     *
     * @param chosen the class of the list that is looked at
     * @param entries empty while there are several classes and none is chosen
     */
    record Preview(String token, Roster roster, String chosen, List<Entry> entries) {
        public long count(Kind kind) {
            return entries.stream().filter(entry -> entry.kind() == kind).count();
        }
    }

    /** Reads a list; answers by what it is asked for again. */
    String read(Teacher teacher, String classId, byte[] file) throws IOException, RosterException {
        classAccess.toChange(teacher, classId);
        Read read = files.read(RosterProcess.class, file);
        if (!read.isDone()) {
            throw new RosterException(Fault.valueOf(read.refusal(Fault.TOO_LARGE.name())));
        }
        String token = Ids.newToken();
        waiting.put(token, new Waiting(teacher.id(), classId, RosterProcess.read(read.answer())));
        return token;
    }

    /** @param chosen blank: the one that is called as the class is, or the only one */
    Preview preview(Teacher teacher, String classId, String token, String chosen) {
        SchoolClass to = classAccess.toChange(teacher, classId);
        Roster roster = roster(teacher, classId, token);
        List<String> names = List.copyOf(roster.byClass().keySet());
        String which = chosen != null && names.contains(chosen)
                ? chosen
                : names.stream()
                        .filter(name -> name.equalsIgnoreCase(to.name()))
                        .findFirst()
                        .orElse(names.size() == 1 ? names.get(0) : null);
        List<Entry> entries =
                which == null ? List.of() : plan(classId, roster.byClass().get(which));
        return new Preview(token, roster, which, entries);
    }

    private Roster roster(Teacher teacher, String classId, String token) {
        Waiting found = waiting.getIfPresent(token);
        if (found == null
                || !found.teacherId().equals(teacher.id())
                || !found.classId().equals(classId)) {
            throw new NotFoundException("roster");
        }
        return found.roster();
    }

    private List<Entry> plan(String classId, List<RosterPlan.Row> rows) {
        return RosterPlan.of(
                rows,
                students.of(classId).stream()
                        .map(student -> new Known(student.id(), student.rosterId(), student.name()))
                        .toList());
    }

    /** How many children came in, were renamed, and went. */
    record Taken(int added, int renamed, int gone) {}

    /**
     * Makes the changes that were chosen.
     *
     * @param wanted the numbers of rows, from 0, and the ids of students who are gone
     * @param whom for doubtful ones by their numbers, the student that it is; blank: a new one
     */
    @Transactional
    Taken take(
            Teacher teacher,
            String classId,
            String token,
            String chosen,
            Set<String> wanted,
            Map<Integer, String> whom) {
        SchoolClass to = classAccess.toChange(teacher, classId);
        List<Entry> entries = preview(teacher, classId, token, chosen).entries();
        Map<String, ClassStudent> there = new HashMap<>();
        students.of(classId).forEach(student -> there.put(student.id(), student));
        int added = 0;
        int renamed = 0;
        List<String> gone = new ArrayList<>();
        for (int number = 0; number < entries.size(); number++) {
            Entry entry = entries.get(number);
            // By her id: the class may have changed since it was looked over.
            String name = entry.kind() == Kind.GONE ? entry.known().studentId() : "" + number;
            if (!wanted.contains(name)) {
                continue;
            }
            ClassStudent known = entry.kind() == Kind.DOUBTFUL
                    ? there.get(whom.getOrDefault(number, ""))
                    : entry.known() == null ? null : there.get(entry.known().studentId());
            switch (entry.kind()) {
                case NEW, DOUBTFUL -> {
                    if (known == null) {
                        studentService.add(to, entry.row().name(), entry.row().id());
                        added++;
                    } else {
                        renamed += rename(known, entry.row()) ? 1 : 0;
                    }
                }
                case RENAMED, SAME -> renamed += rename(known, entry.row()) ? 1 : 0;
                case GONE -> {
                    studentService.leave(classId, known);
                    gone.add(known.name());
                }
                case NO_NAME -> {}
            }
        }
        audit.note(teacher.id(), Deed.STUDENTS_ADDED, to.name() + ": +" + added + " ~" + renamed + " −" + gone.size());
        waiting.invalidate(token);
        return new Taken(added, renamed, gone.size());
    }

    private boolean rename(ClassStudent known, RosterPlan.Row row) {
        if (row.id() != null && !row.id().equals(known.rosterId())) {
            students.setRosterId(known.id(), row.id());
        }
        if (known.name().equals(row.name())) {
            return false;
        }
        studentService.rename(known, row.name());
        return true;
    }
}
