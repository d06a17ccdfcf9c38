package prolalia.app.classroom;

import java.security.SecureRandom;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.classroom.ClassService.Refusal;
import prolalia.app.classroom.ClassService.RefusedException;
import prolalia.app.classroom.StudentStore.ShutOut;
import prolalia.app.platform.Ids;
import prolalia.app.platform.NotFoundException;
import prolalia.app.school.AuditLog;
import prolalia.app.school.AuditLog.Deed;
import prolalia.core.classroom.Animal;
import prolalia.core.classroom.Animals;
import prolalia.core.classroom.GroupsByChance;
import prolalia.core.classroom.Guesses;
import prolalia.core.classroom.Names;
import prolalia.core.classroom.PictureKey;
import prolalia.core.lesson.LineKind;

/** The students of classes, their pictures and keys, and their groups. */
@Service
public class StudentService {
    public static final int MOST_STUDENTS = 200;
    static final int MOST_GROUPS = 40;

    private final ClassAccess access;
    private final ClassStore classes;
    private final StudentStore students;
    private final DoorStore doors;
    private final DoorTries tries;
    private final ClassLines lines;
    private final KeySeal seal;
    private final AuditLog audit;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    StudentService(
            ClassAccess access,
            ClassStore classes,
            StudentStore students,
            DoorStore doors,
            DoorTries tries,
            ClassLines lines,
            KeySeal seal,
            AuditLog audit,
            Clock clock) {
        this.access = access;
        this.classes = classes;
        this.students = students;
        this.doors = doors;
        this.tries = tries;
        this.lines = lines;
        this.seal = seal;
        this.audit = audit;
        this.clock = clock;
    }

    public List<ClassStudent> students(Teacher teacher, String classId) {
        return students.of(access.require(teacher, classId).id());
    }

    public List<Group> groups(Teacher teacher, String classId) {
        return students.groups(access.require(teacher, classId).id());
    }

    public ClassStudent student(Teacher teacher, String classId, String studentId) {
        access.require(teacher, classId);
        return needs(classId, studentId);
    }

    private ClassStudent needs(String classId, String studentId) {
        return students.find(classId, studentId).orElseThrow(() -> new NotFoundException("student"));
    }

    public PictureKey key(ClassStudent student) {
        return seal.open(student.sealedKey());
    }

    /** Adds students by their names, each with an animal, a key, a card, and a line for her name. */
    @Transactional
    public List<ClassStudent> addStudents(Teacher teacher, String classId, List<String> names) {
        SchoolClass to = access.toChange(teacher, classId);
        List<ClassStudent> added = new ArrayList<>();
        for (String name : names) {
            added.add(add(to, Names.tidy(name), null));
        }
        if (!added.isEmpty()) {
            audit.note(teacher.id(), Deed.STUDENTS_ADDED, to.name() + ": " + added.size());
        }
        return added;
    }

    /** @param rosterId null: from no roster */
    ClassStudent add(SchoolClass to, String name, String rosterId) {
        if (name.isEmpty()) {
            throw new RefusedException(Refusal.NO_NAME);
        }
        List<ClassStudent> there = students.of(to.id());
        if (there.size() >= MOST_STUDENTS) {
            throw new RefusedException(Refusal.TOO_MANY);
        }
        String id = Ids.newId();
        Animals.Picture picture = Animals.another(
                there.stream()
                        .map(each -> new Animals.Picture(each.animal(), each.tint()))
                        .toList(),
                random);
        String key = seal.close(PictureKey.byChance(random));
        students.add(id, name, picture.animal(), picture.tint(), key, rosterId, clock.millis());
        enter(to, id, name);
        return needs(to.id(), id);
    }

    void enter(SchoolClass to, String studentId, String name) {
        String line = lines.add(to.lessonId(), ClassLines.Part.NAMES, LineKind.LABEL, name);
        students.enter(to.id(), studentId, line, Ids.newToken(), classes.lastPosition(to.id()) + 1);
    }

    @Transactional
    public void rename(Teacher teacher, String classId, String studentId, String name) {
        access.toChange(teacher, classId);
        ClassStudent before = needs(classId, studentId);
        String tidy = Names.tidy(name);
        if (tidy.isEmpty()) {
            throw new RefusedException(Refusal.NO_NAME);
        }
        rename(before, tidy);
        audit.note(teacher.id(), Deed.STUDENT_RENAMED, tidy);
    }

    void rename(ClassStudent student, String name) {
        // What was noted under her old name is found by the new one, when she is to be forgotten.
        audit.rename(student.name(), name);
        students.rename(student.id(), name);
        students.nameLines(student.id()).values().forEach(line -> lines.setWords(line, name));
    }

    @Transactional
    public void setAnimal(Teacher teacher, String classId, String studentId, Animal animal, Animal.Tint tint) {
        access.toChange(teacher, classId);
        students.setAnimal(needs(classId, studentId).id(), animal, tint);
    }

    /** She leaves one class for another, or is in both from now on. */
    @Transactional
    public void move(Teacher teacher, String classId, String studentId, String toClassId, boolean stays) {
        access.toChange(teacher, classId);
        SchoolClass to = access.toChange(teacher, toClassId);
        ClassStudent student = needs(classId, studentId);
        if (students.find(toClassId, studentId).isPresent()) {
            throw new RefusedException(Refusal.IS_THERE);
        }
        if (students.of(toClassId).size() >= MOST_STUDENTS) {
            throw new RefusedException(Refusal.TOO_MANY);
        }
        enter(to, studentId, student.name());
        if (!stays) {
            leave(classId, student);
        }
        audit.note(teacher.id(), Deed.STUDENT_MOVED, student.name() + " → " + to.name());
    }

    /** Only from this class: what she made stays. */
    @Transactional
    public void removeFromClass(Teacher teacher, String classId, String studentId) {
        SchoolClass from = access.toChange(teacher, classId);
        ClassStudent student = needs(classId, studentId);
        leave(classId, student);
        audit.note(teacher.id(), Deed.STUDENT_MOVED, student.name() + " ← " + from.name());
    }

    /** Nobody says her name there any more. */
    void leave(String classId, ClassStudent student) {
        students.leave(classId, student.id());
        lines.remove(student.nameLineId());
    }

    /** Who waits to be let in, of all classes of somebody. */
    List<ShutOut> shutOut(Teacher teacher) {
        Map<String, ShutOut> once = new LinkedHashMap<>();
        students.shutOut(classes.of(teacher).stream().map(SchoolClass::id).toList())
                .forEach(each -> once.merge(each.id(), each, ShutOut::alsoOf));
        return List.copyOf(once.values());
    }

    /** She may guess again. */
    @Transactional
    public void letIn(Teacher teacher, String classId, String studentId) {
        access.require(teacher, classId);
        ClassStudent student = needs(classId, studentId);
        letIn(student);
        audit.note(teacher.id(), Deed.STUDENT_LET_IN, student.name());
    }

    private void letIn(ClassStudent student) {
        students.setGuesses(student.id(), new Guesses(0));
        tries.letIn(student.id());
    }

    /** All who wait at the doors of somebody's classes may guess again. */
    @Transactional
    public void letAllIn(Teacher teacher) {
        for (ShutOut each : shutOut(teacher)) {
            letIn(needs(each.classId(), each.id()));
            audit.note(teacher.id(), Deed.STUDENT_LET_IN, each.name());
        }
    }

    /** New keys and cards; what was printed opens nothing any more, and whoever came in by it is out. */
    @Transactional
    public void renewKeys(Teacher teacher, String classId, Collection<String> studentIds) {
        access.toChange(teacher, classId);
        List<ClassStudent> renewed = students.of(classId).stream()
                .filter(student -> studentIds.contains(student.id()))
                .toList();
        for (ClassStudent student : renewed) {
            students.setKey(student.id(), seal.close(PictureKey.byChance(random)));
            students.setCard(classId, student.id(), Ids.newToken());
            doors.signOutStudent(student.id());
        }
        audit.note(
                teacher.id(),
                Deed.KEYS_RENEWED,
                renewed.stream().map(ClassStudent::name).collect(Collectors.joining(", ")));
    }

    // ---- groups

    @Transactional
    public void addGroup(Teacher teacher, String classId, String name, Collection<String> studentIds) {
        access.toChange(teacher, classId);
        String tidy = Names.tidy(name);
        if (tidy.isEmpty()) {
            throw new RefusedException(Refusal.NO_NAME);
        }
        if (students.groups(classId).size() >= MOST_GROUPS) {
            throw new RefusedException(Refusal.TOO_MANY_GROUPS);
        }
        String id = Ids.newId();
        students.addGroup(id, classId, tidy);
        students.changeGroup(id, tidy, ofClass(classId, studentIds));
    }

    /**
     * All children in groups by chance, numbered; dealt again, it is the same groups with other children.
     *
     * @param named the name of a group, by its number from 1
     */
    @Transactional
    public void dealGroups(Teacher teacher, String classId, int count, IntFunction<String> named) {
        access.toChange(teacher, classId);
        List<String> children =
                students(teacher, classId).stream().map(ClassStudent::id).toList();
        int possible = Math.max(1, Math.min(count, children.size()));
        Map<String, String> there = students.groups(classId).stream()
                .collect(Collectors.toMap(Group::name, Group::id, (first, second) -> first));
        List<List<String>> dealt = GroupsByChance.of(children, possible, random);
        for (int number = 1; number <= possible; number++) {
            String name = named.apply(number);
            if (there.containsKey(name)) {
                changeGroup(teacher, classId, there.get(name), name, dealt.get(number - 1));
            } else {
                addGroup(teacher, classId, name, dealt.get(number - 1));
            }
        }
    }

    @Transactional
    public void changeGroup(
            Teacher teacher, String classId, String groupId, String name, Collection<String> studentIds) {
        access.toChange(teacher, classId);
        Group group = group(classId, groupId);
        String tidy = Names.tidy(name);
        students.changeGroup(groupId, tidy.isEmpty() ? group.name() : tidy, ofClass(classId, studentIds));
    }

    /** A child goes from a group into another one. @param from blank: from none @param to blank: into none */
    @Transactional
    public void regroup(Teacher teacher, String classId, String studentId, String from, String to) {
        access.toChange(teacher, classId);
        List<String> child = ofClass(classId, List.of(studentId));
        if (child.isEmpty()) {
            throw new NotFoundException("student of the class");
        }
        if (!to.isBlank()) {
            Group into = group(classId, to);
            students.changeGroup(
                    to,
                    into.name(),
                    Stream.concat(into.studentIds().stream(), child.stream())
                            .distinct()
                            .toList());
        }
        if (!from.isBlank() && !from.equals(to)) {
            Group outOf = group(classId, from);
            List<String> left = outOf.studentIds().stream()
                    .filter(each -> !each.equals(studentId))
                    .toList();
            students.changeGroup(from, outOf.name(), left);
        }
    }

    @Transactional
    public void removeGroup(Teacher teacher, String classId, String groupId) {
        access.toChange(teacher, classId);
        students.removeGroup(group(classId, groupId).id(), clock.millis());
    }

    private Group group(String classId, String groupId) {
        return students.groups(classId).stream()
                .filter(each -> each.id().equals(groupId))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("group"));
    }

    private List<String> ofClass(String classId, Collection<String> studentIds) {
        Set<String> there = students.of(classId).stream().map(ClassStudent::id).collect(Collectors.toSet());
        return studentIds.stream().filter(there::contains).toList();
    }
}
