package prolalia.app.classroom;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.access.LessonRef;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.account.StaffMember;
import prolalia.app.account.StaffService;
import prolalia.app.classroom.ClassStore.ClassTeacher;
import prolalia.app.classroom.DoorStore.Door;
import prolalia.app.platform.Ids;
import prolalia.app.platform.NotFoundException;
import prolalia.app.school.AuditLog;
import prolalia.app.school.AuditLog.Deed;
import prolalia.core.classroom.Animal;
import prolalia.core.classroom.KeyPicture;
import prolalia.core.classroom.Names;
import prolalia.core.classroom.PictureKey;
import prolalia.core.classroom.SchoolYear;

/** Classes, their students and groups. What somebody may not see isn't there for her; aides look and listen, and change nothing. */
@Service
public class ClassService {
    private static final int LONGEST_CLASS_NAME = 80;
    private static final int LONGEST_YEAR = 20;
    private static final int IDLE_MINUTES = 5;
    private static final int MOST_IDLE_MINUTES = 120;
    private static final int WORD_PARTS = 3;
    private static final int LOWEST_NUMBER = 10;
    private static final int NUMBERS = 90;

    private final ClassAccess access;
    private final ClassStore classes;
    private final StudentStore students;
    private final DoorStore doors;
    private final ClassLines lines;
    private final StudentService entering;
    private final StaffService staff;
    private final AuditLog audit;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    ClassService(
            ClassAccess access,
            ClassStore classes,
            StudentStore students,
            DoorStore doors,
            ClassLines lines,
            StudentService entering,
            StaffService staff,
            AuditLog audit,
            Clock clock) {
        this.access = access;
        this.classes = classes;
        this.students = students;
        this.doors = doors;
        this.lines = lines;
        this.entering = entering;
        this.staff = staff;
        this.audit = audit;
        this.clock = clock;
    }

    /** Why something isn't done; the words stand in the message bundle under {@code class.refused.} and the name. */
    public enum Refusal {
        NO_NAME,
        TOO_MANY,
        TOO_MANY_GROUPS,
        /** A class needs somebody who teaches it. */
        LAST_TEACHER,
        /** She is in the other class already. */
        IS_THERE,
        /** The name that was typed to be sure is another one. */
        NOT_SURE
    }

    public static final class RefusedException extends RuntimeException {
        private static final long serialVersionUID = 1;

        private final Refusal why;

        RefusedException(Refusal why) {
            super(why.name());
            this.why = why;
        }

        public Refusal why() {
            return why;
        }
    }

    /** A class in a list. */
    public record Shown(SchoolClass schoolClass, int size) {}

    /** All of a class that its page shows. */
    record ClassView(
            SchoolClass schoolClass,
            List<ClassTeacher> teachers,
            List<ClassStudent> students,
            List<Group> groups,
            Door door) {
        /** The children of a group, in the order of the class. */
        public List<ClassStudent> of(Group group) {
            return students.stream()
                    .filter(student -> group.studentIds().contains(student.id()))
                    .toList();
        }

        /** The children who are in no group. */
        public List<ClassStudent> ungrouped() {
            return students.stream()
                    .filter(student -> groups.stream()
                            .noneMatch(group -> group.studentIds().contains(student.id())))
                    .toList();
        }

        public boolean namesAreSilent() {
            return students.stream().anyMatch(student -> !student.isNameSaid());
        }
    }

    public List<SchoolClass> of(Teacher teacher) {
        return classes.of(teacher);
    }

    public List<Shown> classesOf(Teacher teacher) {
        Map<String, Integer> sizes = classes.sizes();
        return of(teacher).stream()
                .map(each -> new Shown(each, sizes.getOrDefault(each.id(), 0)))
                .toList();
    }

    SchoolYear schoolYear() {
        return SchoolYear.of(LocalDate.ofInstant(clock.instant(), java.time.ZoneId.systemDefault()));
    }

    /** Makes a class with a door; answers its id. */
    @Transactional
    public String begin(Teacher teacher, String name, String schoolYear) {
        String named = limited(Names.tidy(name), LONGEST_CLASS_NAME);
        if (named.isEmpty()) {
            throw new RefusedException(Refusal.NO_NAME);
        }
        String id = Ids.newId();
        String year = schoolYear.isBlank() ? schoolYear().toString() : limited(Names.tidy(schoolYear), LONGEST_YEAR);
        LessonRef lesson = lines.begin(teacher.id(), named);
        Animal[] animals = Animal.values();
        Animal picture = animals[random.nextInt(animals.length)];
        classes.add(new SchoolClass(id, named, year, picture, lesson.id(), true, IDLE_MINUTES), clock.millis());
        classes.addTeacher(id, teacher.id());
        lines.belongsTo(lesson, id);
        makeDoor(id);
        audit.note(teacher.id(), Deed.CLASS_MADE, named);
        return id;
    }

    private static String limited(String text, int most) {
        return text.length() <= most ? text : text.substring(0, most).strip();
    }

    ClassView view(Teacher teacher, String classId) {
        SchoolClass found = access.require(teacher, classId);
        return new ClassView(
                found,
                classes.teachers(classId, clock.millis()),
                students.of(classId),
                students.groups(classId),
                doors.ofClass(classId).orElse(null));
    }

    @Transactional
    public void change(
            Teacher teacher, String classId, String name, String year, Animal picture, boolean keyNeeded, int idle) {
        SchoolClass before = access.toChange(teacher, classId);
        String named = limited(Names.tidy(name), LONGEST_CLASS_NAME);
        if (named.isEmpty()) {
            throw new RefusedException(Refusal.NO_NAME);
        }
        int minutes = Math.max(1, Math.min(MOST_IDLE_MINUTES, idle));
        classes.change(new SchoolClass(
                classId,
                named,
                limited(Names.tidy(year), LONGEST_YEAR),
                picture,
                before.lessonId(),
                keyNeeded,
                minutes));
        lines.rename(before.lessonId(), named);
        audit.note(teacher.id(), Deed.CLASS_CHANGED, named);
    }

    @Transactional
    public void remove(Teacher teacher, String classId) {
        SchoolClass removed = access.toChange(teacher, classId);
        classes.setRemoved(classId, clock.millis());
        audit.note(teacher.id(), Deed.CLASS_REMOVED, removed.name());
    }

    /** Classes that were removed and can be put back. */
    List<SchoolClass> removed(Teacher teacher) {
        return teacher.role().teaches() ? classes.removed(teacher) : List.of();
    }

    @Transactional
    public void putBack(Teacher teacher, String classId) {
        classes.setRemoved(classId, null);
        // Whoever may not change it sees nothing done.
        access.toChange(teacher, classId);
    }

    // ---- teachers

    /** Whom a class could have beside those that it has. */
    List<StaffMember> others(ClassView view) {
        Set<String> there = view.teachers().stream().map(ClassTeacher::id).collect(Collectors.toSet());
        return staff.all().stream()
                .filter(member -> !member.disabled() && !there.contains(member.id()))
                .toList();
    }

    @Transactional
    public void addTeacher(Teacher teacher, String classId, String teacherId) {
        SchoolClass to = access.toChange(teacher, classId);
        StaffMember added = staff.find(teacherId)
                .filter(member -> !member.disabled())
                .orElseThrow(() -> new NotFoundException("teacher"));
        classes.addTeacher(classId, added.id());
        lines.sharedWith(to.lessonId(), added.id());
        audit.note(teacher.id(), Deed.CLASS_CHANGED, to.name() + " + " + added.fullName());
    }

    @Transactional
    public void removeTeacher(Teacher teacher, String classId, String teacherId) {
        SchoolClass from = access.toChange(teacher, classId);
        List<ClassTeacher> left = classes.teachers(classId, clock.millis()).stream()
                .filter(each -> !each.id().equals(teacherId))
                .toList();
        if (left.stream().noneMatch(each -> each.role().teaches())) {
            throw new RefusedException(Refusal.LAST_TEACHER);
        }
        classes.removeTeacher(classId, teacherId);
        lines.notSharedWith(from.lessonId(), teacherId);
        staff.find(teacherId).filter(member -> member.endsAt() != null).ifPresent(member -> staff.end(member.id()));
        audit.note(teacher.id(), Deed.CLASS_CHANGED, from.name());
    }

    // ---- the door

    /** The secret of the link to the door of a class. */
    public String doorOf(Teacher teacher, String classId) {
        access.require(teacher, classId);
        return doors.ofClass(classId).map(Door::token).orElseThrow(() -> new NotFoundException("door"));
    }

    /** The old door and every card lead nowhere any more. */
    @Transactional
    public void renewDoor(Teacher teacher, String classId) {
        SchoolClass of = access.toChange(teacher, classId);
        doors.withdrawAll(classId, clock.millis());
        makeDoor(classId);
        audit.note(teacher.id(), Deed.DOOR_RENEWED, of.name());
    }

    private void makeDoor(String classId) {
        String word = wordByChance();
        while (doors.ofWord(word).isPresent()) {
            word = wordByChance();
        }
        doors.add(new Door(Ids.newToken(), word, classId), clock.millis());
    }

    /** Three pictures' names and a number, such as "moon-boat-bell-42": a million of them. */
    private String wordByChance() {
        List<KeyPicture> parts = PictureKey.byChance(random).pictures().subList(0, WORD_PARTS);
        return parts.stream().map(part -> part.name().toLowerCase(Locale.ROOT)).collect(Collectors.joining("-"))
                + "-"
                + (LOWEST_NUMBER + random.nextInt(NUMBERS));
    }

    // ---- next school year

    /** Another class with the same teachers and some of the students; this one stays as it is. Answers its id. */
    @Transactional
    public String nextYear(Teacher teacher, String classId, String name, String year, Collection<String> studentIds) {
        SchoolClass from = access.toChange(teacher, classId);
        String next = begin(teacher, name.isBlank() ? from.name() : name, year);
        SchoolClass made = access.require(teacher, next);
        for (ClassTeacher each : classes.teachers(classId, clock.millis())) {
            if (!each.id().equals(teacher.id()) && each.endsAt() == null) {
                classes.addTeacher(next, each.id());
                lines.sharedWith(made.lessonId(), each.id());
            }
        }
        students.of(classId).stream()
                .filter(student -> studentIds.contains(student.id()))
                .forEach(student -> entering.enter(made, student.id(), student.name()));
        classes.change(new SchoolClass(
                next,
                made.name(),
                made.schoolYear(),
                from.picture(),
                made.lessonId(),
                from.keyNeeded(),
                from.idleMinutes()));
        return next;
    }
}
