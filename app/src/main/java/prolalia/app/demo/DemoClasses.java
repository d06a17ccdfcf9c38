package prolalia.app.demo;

import java.io.IOException;
import java.time.LocalTime;
import java.util.List;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import prolalia.app.access.LessonSummary;
import prolalia.app.access.Membership;
import prolalia.app.account.Actor.Student;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.assignment.AssignmentService;
import prolalia.app.assignment.AssignmentService.Giving;
import prolalia.app.classroom.ClassAccess;
import prolalia.app.classroom.ClassService;
import prolalia.app.classroom.ClassStudent;
import prolalia.app.classroom.StudentService;
import prolalia.app.lesson.LessonSharing;
import prolalia.app.lesson.Lessons;
import prolalia.app.lines.ScriptLine;
import prolalia.core.lesson.LineKind;

/** The classes of Tern Lane School: the Terns, whose names are said, and the Plovers, whose names are to be read aloud. */
@Component
@ConditionalOnProperty("prolalia.demo")
class DemoClasses {
    static final String TERNS = "Terns";

    private static final LocalTime AFTERNOON = LocalTime.of(14, 40);

    private static final List<String> OF_TERNS = List.of(
            "Mara", "Ole", "Yusuf", "Agnes", "Bo", "Finn", "Pia", "Tom", "Leila", "Noah", "Zoë", "Ivan", "Ruth",
            "Kofi");
    private static final List<String> OF_PLOVERS = List.of("Ada", "Jonas", "Mina", "Sami", "Tilda", "Wim");
    private static final String BEAN_DIRECTION = "Listen to each page. Then draw what the bean needs.";

    private final ClassService classes;
    private final StudentService studentService;
    private final ClassAccess classAccess;
    private final AssignmentService assignments;
    private final Lessons lessons;
    private final LessonSharing sharing;
    private final DemoVoices voices;
    private final DemoAnswers answers;
    private final DemoRemarks remarks;
    private final DemoClock clock;

    DemoClasses(
            ClassService classes,
            StudentService studentService,
            ClassAccess classAccess,
            AssignmentService assignments,
            Lessons lessons,
            LessonSharing sharing,
            DemoVoices voices,
            DemoAnswers answers,
            DemoRemarks remarks,
            DemoClock clock) {
        this.clock = clock;
        this.answers = answers;
        this.remarks = remarks;
        this.sharing = sharing;
        this.classes = classes;
        this.studentService = studentService;
        this.classAccess = classAccess;
        this.assignments = assignments;
        this.lessons = lessons;
        this.voices = voices;
    }

    /** The Terns, with two groups, and two lessons given to them. */
    void terns(Teacher ines, String aideId, LessonSummary bean, LessonSummary bakery, LessonSummary weather)
            throws IOException {
        clock.putBack(11, AFTERNOON);
        String id = classes.begin(ines, TERNS, "");
        classes.addTeacher(ines, id, aideId);
        List<ClassStudent> students = studentService.addStudents(ines, id, OF_TERNS);
        for (int i = 0; i < students.size(); i++) {
            voices.keep(ines, students.get(i).nameLineId(), "terns/name-" + (i + 1));
        }
        List<String> ids = students.stream().map(ClassStudent::id).toList();
        studentService.addGroup(ines, id, "Sand", ids.subList(0, 7));
        studentService.addGroup(ines, id, "Shells", ids.subList(7, ids.size()));
        String form = give(ines, id, weather, "");
        answers.make(form, id, ids, 9);
        clock.putBack(8, AFTERNOON);
        remarks.make(ines, form);
        remarks.reply(ids.stream().map(child -> new Student(child, id)).toList(), form);
        clock.putBack(5, AFTERNOON);
        String counter = give(ines, id, bakery, "");
        // Some of them were away.
        answers.make(counter, id, ids.subList(0, ids.size() - 4), 4);
        remarks.praise(ines, counter);
        clock.putBack(1, AFTERNOON);
        give(ines, id, bean, BEAN_DIRECTION);
        clock.putRight();
        String said = classAccess.require(ines, id).lessonId();
        for (ScriptLine line : lessons.script(lessons.ofHouse(said).orElseThrow())) {
            String words = line.line().words();
            if (words.equals(bean.title())) {
                voices.keep(ines, line.line().id(), "terns/title-bean");
            } else if (words.equals(bakery.title())) {
                voices.keep(ines, line.line().id(), "terns/title-bakery");
            } else if (line.line().kind() == LineKind.DIRECTION) {
                voices.keep(ines, line.line().id(), "terns/direction-bean");
            }
        }
    }

    /** @param bean made by Ines, who lets him use it */
    void plovers(Teacher ines, Teacher tobi, LessonSummary bean) {
        String id = classes.begin(tobi, "Plovers", "");
        studentService.addStudents(tobi, id, OF_PLOVERS);
        sharing.share(ines, bean.id(), tobi.id(), Membership.USE);
        give(tobi, id, bean, "");
    }

    private String give(Teacher teacher, String classId, LessonSummary lesson, String direction) {
        return assignments.give(
                teacher, lesson.id(), new Giving(classId, List.of(), List.of(), direction, "", null, null));
    }
}
