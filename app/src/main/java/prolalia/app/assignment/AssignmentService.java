package prolalia.app.assignment;

import java.time.Clock;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.access.LessonAccess;
import prolalia.app.access.LessonRef;
import prolalia.app.access.Right;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.assignment.AssignmentStore.Done;
import prolalia.app.assignment.RetentionPolicy.GoesSoon;
import prolalia.app.classroom.AccommodationService;
import prolalia.app.classroom.ClassAccess;
import prolalia.app.classroom.ClassLines;
import prolalia.app.classroom.ClassService;
import prolalia.app.classroom.ClassStudent;
import prolalia.app.classroom.SchoolClass;
import prolalia.app.classroom.StudentService;
import prolalia.app.lesson.LessonService;
import prolalia.app.pages.LessonPage;
import prolalia.app.platform.Ids;
import prolalia.app.platform.NotFoundException;
import prolalia.app.school.AuditLog;
import prolalia.app.school.AuditLog.Deed;
import prolalia.core.classroom.Accommodated;
import prolalia.core.classroom.Accommodation;
import prolalia.core.classroom.Due;
import prolalia.core.classroom.Names;
import prolalia.core.classroom.Progress;
import prolalia.core.lesson.LineKind;
import prolalia.core.marking.QuestionWithLines;
import prolalia.core.page.PageNumbers;
import prolalia.core.published.PublishedLesson;

/** Gives lessons to classes, groups and students; what a child meets follows from the lesson, from what was given, and from her. */
@Service
public class AssignmentService {
    private static final int LONGEST_DIRECTION = 1_000;
    private static final int LAST_YEAR = 9_999;

    private final AssignmentStore store;
    private final RetentionPolicy keeping;
    private final ClassService classes;
    private final StudentService studentService;
    private final ClassAccess classAccess;
    private final ClassLines lines;
    private final AccommodationService accommodations;
    private final LessonAccess access;
    private final LessonService lessons;
    private final AssignedLessons met;
    private final AuditLog audit;
    private final Clock clock;

    AssignmentService(
            AssignmentStore store,
            RetentionPolicy keeping,
            ClassService classes,
            StudentService studentService,
            ClassAccess classAccess,
            ClassLines lines,
            AccommodationService accommodations,
            LessonAccess access,
            LessonService lessons,
            AssignedLessons met,
            AuditLog audit,
            Clock clock) {
        this.store = store;
        this.keeping = keeping;
        this.classes = classes;
        this.studentService = studentService;
        this.classAccess = classAccess;
        this.lines = lines;
        this.accommodations = accommodations;
        this.access = access;
        this.lessons = lessons;
        this.met = met;
        this.audit = audit;
        this.clock = clock;
    }

    /**
     * What is to be given.
     *
     * @param direction what is to be done with it; blank: nothing is said
     * @param pages as a teacher writes them; blank: all
     * @param starts null: at once
     * @param ends null: never
     */
    public record Giving(
            String classId,
            List<String> groups,
            List<String> students,
            String direction,
            String pages,
            LocalDateTime starts,
            LocalDateTime ends) {}

    /** A row of a class's picture. */
    public record Row(ClassStudent student, Accommodation accommodation, List<Cell> cells) {}

    /** @param given whether it was given to her at all */
    public record Cell(boolean given, Progress progress) {}

    /** How far a class came with all that is given to it. */
    public record Overview(List<Assignment> assignments, List<Row> rows) {}

    /** Why something can't be given; the words stand in the message bundle under {@code assign.refused.} and the name. */
    enum Refusal {
        PAGES,
        /** It would end before it begins. */
        DATES
    }

    /** Gives a lesson; answers its id. */
    @Transactional
    public String give(Teacher teacher, String lessonId, Giving giving) {
        LessonRef lesson = access.require(teacher, lessonId, Right.GIVE);
        SchoolClass to = classAccess.toChange(teacher, giving.classId());
        List<String> pageIds = pages(lesson, giving.pages());
        Due due = new Due(millis(giving.starts(), false), millis(giving.ends(), true));
        if (due.startsAt() != null && due.endsAt() != null && due.endsAt() <= due.startsAt()) {
            throw new GivingRefusedException(Refusal.DATES);
        }
        String words = Names.tidy(giving.direction()
                .substring(0, Math.min(LONGEST_DIRECTION, giving.direction().length())));
        String title = lesson.summary().title();
        Assignment made = new Assignment(
                Ids.newId(),
                lessonId,
                title,
                lesson.summary().revision(),
                to.id(),
                teacher.id(),
                lines.add(to.lessonId(), ClassLines.Part.GIVEN, LineKind.LABEL, title),
                null,
                words.isEmpty() ? null : lines.add(to.lessonId(), ClassLines.Part.GIVEN, LineKind.DIRECTION, words),
                words,
                null,
                pageIds,
                due,
                giving.groups().isEmpty() && giving.students().isEmpty(),
                ofClass(
                        studentService.groups(teacher, to.id()).stream()
                                .map(group -> group.id())
                                .toList(),
                        giving.groups()),
                ofClass(
                        studentService.students(teacher, to.id()).stream()
                                .map(ClassStudent::id)
                                .toList(),
                        giving.students()),
                clock.millis(),
                false);
        store.add(made);
        audit.note(teacher.id(), Deed.GIVEN, title + " → " + to.name());
        return made.id();
    }

    private static List<String> ofClass(List<String> there, List<String> wanted) {
        return wanted.stream().filter(there::contains).distinct().toList();
    }

    /** @param late of an hour that comes twice, as summer ends, the second one */
    private static Long millis(LocalDateTime time, boolean late) {
        if (time != null && Math.abs(time.getYear()) > LAST_YEAR) {
            throw new GivingRefusedException(Refusal.DATES);
        }
        if (time == null) {
            return null;
        }
        ZonedDateTime there = time.atZone(ZoneId.systemDefault());
        return (late ? there.withLaterOffsetAtOverlap() : there).toInstant().toEpochMilli();
    }

    private List<String> pages(LessonRef lesson, String written) {
        if (written.isBlank()) {
            return List.of();
        }
        List<LessonPage> pages = lessons.pages(lesson);
        return PageNumbers.read(written, pages.size())
                .orElseThrow(() -> new GivingRefusedException(Refusal.PAGES))
                .stream()
                .map(number -> pages.get(number - 1).id())
                .toList();
    }

    static final class GivingRefusedException extends RuntimeException {
        private static final long serialVersionUID = 1;

        private final Refusal why;

        GivingRefusedException(Refusal why) {
            super(why.name());
            this.why = why;
        }

        Refusal why() {
            return why;
        }
    }

    /** All that was made of a lesson for anybody, for what the house does by itself; taken back or not. */
    public List<Assignment> ofHouse(LessonRef lesson) {
        return store.everOfLesson(lesson);
    }

    /** To whom a lesson is given, of the classes that somebody sees. */
    List<Assignment> ofLesson(Teacher teacher, String lessonId) {
        LessonRef lesson = access.require(teacher, lessonId, Right.READ);
        Set<String> seen = new HashSet<>(classes.classesOf(teacher).stream()
                .map(each -> each.schoolClass().id())
                .toList());
        return store.ofLesson(lesson).stream()
                .filter(each -> seen.contains(each.classId()))
                .toList();
    }

    public Overview overview(Teacher teacher, String classId) {
        List<ClassStudent> students = studentService.students(teacher, classId);
        List<Assignment> assignments = store.ofClass(classId);
        Map<String, Map<String, Done>> done =
                store.done(assignments.stream().map(Assignment::id).toList());
        Map<String, Accommodated> special =
                accommodations.whole(students.stream().map(ClassStudent::id).toList());
        Map<String, Set<String>> groups = groups(teacher, classId);
        List<Row> rows = new ArrayList<>();
        for (ClassStudent student : students) {
            Accommodated hers = special.getOrDefault(student.id(), Accommodated.NOT);
            List<Cell> cells = assignments.stream()
                    .map(each -> new Cell(
                            each.isTo(student.id(), groups.getOrDefault(student.id(), Set.of())),
                            met.progress(
                                    each,
                                    each.of(hers),
                                    done.getOrDefault(each.id(), Map.of()).get(student.id()))))
                    .toList();
            rows.add(new Row(student, hers.always(), cells));
        }
        return new Overview(assignments, rows);
    }

    /** What of that goes soon, as the school set it; null: nothing. */
    GoesSoon goesSoon(Teacher teacher, String classId) {
        classAccess.require(teacher, classId);
        return keeping.goesSoon(
                        store.ofClass(classId).stream().map(Assignment::id).toList())
                .orElse(null);
    }

    private Map<String, Set<String>> groups(Teacher teacher, String classId) {
        Map<String, Set<String>> groups = new java.util.HashMap<>();
        studentService
                .groups(teacher, classId)
                .forEach(group -> group.studentIds()
                        .forEach(student -> groups.computeIfAbsent(student, unseen -> new HashSet<>())
                                .add(group.id())));
        return groups;
    }

    /** Nobody meets it any more, from now on; what was done with it stays. */
    @Transactional
    public void takeBack(Teacher teacher, String assignmentId) {
        Assignment assignment = toChange(teacher, assignmentId);
        store.setTakenBack(assignmentId, clock.millis());
        audit.note(teacher.id(), Deed.TAKEN_BACK, assignment.title());
    }

    @Transactional
    public void giveAgain(Teacher teacher, String assignmentId) {
        toChange(teacher, assignmentId);
        store.setTakenBack(assignmentId, null);
    }

    @Transactional
    public void toTheTop(Teacher teacher, String assignmentId) {
        store.toTheTop(toChange(teacher, assignmentId));
    }

    public Assignment toChange(Teacher teacher, String assignmentId) {
        Assignment assignment = store.find(assignmentId).orElseThrow(() -> new NotFoundException("assignment"));
        classAccess.toChange(teacher, assignment.classId());
        return assignment;
    }

    /** Something that was given to a class that somebody sees; taken back or not. */
    public Assignment seen(Teacher teacher, String assignmentId) {
        Assignment assignment = store.find(assignmentId).orElseThrow(() -> new NotFoundException("assignment"));
        classAccess.require(teacher, assignment.classId());
        return assignment;
    }

    /** The children to whom something was given. */
    public List<ClassStudent> given(Teacher teacher, Assignment assignment) {
        Map<String, Set<String>> groups = groups(teacher, assignment.classId());
        return studentService.students(teacher, assignment.classId()).stream()
                .filter(student -> assignment.isTo(student.id(), groups.getOrDefault(student.id(), Set.of())))
                .toList();
    }

    /** The questions of something that was given, as nobody in particular meets them. */
    public Collection<QuestionWithLines> questions(Assignment assignment) {
        return met.of(assignment, Accommodation.NONE).asked().values();
    }

    /** All that is given to a class, also what was taken back. */
    public List<Assignment> ofClass(Teacher teacher, String classId) {
        return store.ofClass(classAccess.require(teacher, classId).id());
    }

    /** What the children heard of something that was given. */
    public List<HeardLine> heardLines(Teacher teacher, String assignmentId) {
        return store.heardLines(seen(teacher, assignmentId).id());
    }

    /**
     * How many lines of something a child hears, of how many.
     *
     * @param here what holds there
     * @param tries if that is said; else null
     * @param said of what something different was said: LESSON, GIVING, or ALWAYS when nothing was
     */
    record Hers(Assignment assignment, long lines, long ofLines, Accommodation here, Integer tries, String said) {}

    List<Hers> whatSheHears(Teacher teacher, String classId, String studentId) {
        studentService.student(teacher, classId, studentId);
        Accommodated hers = accommodations.whole(studentId);
        Set<String> groups = store.groupsOf(studentId);
        return store.ofClass(classId).stream()
                .filter(each -> each.isTo(studentId, groups))
                .map(each -> hers(each, hers))
                .toList();
    }

    private Hers hers(Assignment given, Accommodated child) {
        Accommodated.Here here = child.at(given.id(), given.lessonId());
        return new Hers(
                given,
                heardLines(met.of(given, given.of(child)).lesson()),
                heardLines(met.of(given, Accommodation.NONE).lesson()),
                given.of(child),
                here == null ? null : here.tries(),
                here == null ? "ALWAYS" : child.here().containsKey(given.id()) ? "GIVING" : "LESSON");
    }

    /** @param here null: what holds always @param lesson whether it is said of the lesson, each time that it is given */
    @Transactional
    public void different(
            Teacher teacher, String assignmentId, String studentId, Accommodated.Here here, boolean lesson) {
        Assignment given = toChange(teacher, assignmentId);
        // Of one of them something is said: the last word holds.
        Optional<Accommodated.Here> said = Optional.ofNullable(here);
        accommodations.setHere(
                teacher,
                given.classId(),
                studentId,
                Map.of(
                        given.id(),
                        lesson ? Optional.empty() : said,
                        given.lessonId(),
                        lesson ? said : Optional.empty()));
    }

    private static long heardLines(PublishedLesson lesson) {
        return lesson.lines().filter(line -> line.isHeard()).count();
    }

    /** What a child meets, as her teacher looks at it: it need not have begun. */
    public AssignedLesson asSheMeetsIt(Teacher teacher, String assignmentId, String studentId) {
        Assignment assignment = store.find(assignmentId).orElseThrow(() -> new NotFoundException("assignment"));
        SchoolClass in = classAccess.require(teacher, assignment.classId());
        studentService.students(teacher, in.id()).stream()
                .filter(each -> each.id().equals(studentId))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("student"));
        return AssignedLesson.of(assignment, in, accommodations.whole(studentId), met);
    }
}
