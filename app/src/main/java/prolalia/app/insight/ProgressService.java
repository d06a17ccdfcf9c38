package prolalia.app.insight;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.thymeleaf.TemplateEngine;
import org.thymeleaf.context.Context;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.assignment.Assignment;
import prolalia.app.assignment.AssignmentService;
import prolalia.app.classroom.ClassAccess;
import prolalia.app.classroom.ClassStudent;
import prolalia.app.classroom.SchoolClass;
import prolalia.app.classroom.StudentService;
import prolalia.app.platform.MediaStore;
import prolalia.app.response.ResultsService;
import prolalia.app.response.ResultsService.Answered;
import prolalia.app.school.AuditLog;
import prolalia.app.school.AuditLog.Deed;
import prolalia.core.lesson.SpeakingName;
import prolalia.core.marking.Mark.Outcome;
import prolalia.formats.lesson.ZipOut;

/** How far a child came, lesson after lesson, in her own words and voice. */
@Service
class ProgressService {
    private final AssignmentService assignments;
    private final ResultsService results;
    private final StudentService students;
    private final ClassAccess classes;
    private final MediaStore media;
    private final AuditLog audit;
    private final TemplateEngine templates;

    ProgressService(
            AssignmentService assignments,
            ResultsService results,
            StudentService students,
            ClassAccess classes,
            MediaStore media,
            AuditLog audit,
            TemplateEngine templates) {
        this.assignments = assignments;
        this.results = results;
        this.students = students;
        this.classes = classes;
        this.media = media;
        this.audit = audit;
        this.templates = templates;
    }

    /**
     * A lesson that she answered to.
     *
     * @param most that could be got for what is marked
     * @param open how many answers nobody has marked as yet
     */
    record Done(String title, double points, double most, int answered, int open, long lastAt) {
        public int percent() {
            return most == 0 ? 0 : (int) Math.round(points / most * 100);
        }
    }

    /** Something that she said or wrote. @param recordings ids of what she said; none: she wrote it */
    record Work(String assignmentId, String lesson, String question, String words, List<String> recordings, long at) {}

    /** @param spoken the oldest first @param written the oldest first */
    record Progress(SchoolClass in, ClassStudent student, List<Done> lessons, List<Work> spoken, List<Work> written) {}

    Progress of(Teacher teacher, String classId, String studentId) {
        SchoolClass in = classes.require(teacher, classId);
        ClassStudent student = students.student(teacher, classId, studentId);
        List<Done> lessons = new ArrayList<>();
        List<Work> works = new ArrayList<>();
        for (Assignment assignment : assignments.ofClass(teacher, classId)) {
            List<Answered> hers = results.answered(teacher, assignment.id()).stream()
                    .filter(each -> each.student().id().equals(studentId))
                    .toList();
            if (hers.isEmpty()) {
                continue;
            }
            lessons.add(done(assignment, hers));
            hers.forEach(each -> works.add(new Work(
                    assignment.id(),
                    assignment.title(),
                    each.question().words(),
                    each.question().asked().question().kind().isMarkedByRule()
                            ? ""
                            : each.answer().given().typed(),
                    each.answer().given().spoken(),
                    each.answer().at())));
        }
        lessons.sort(Comparator.comparing(Done::lastAt));
        works.sort(Comparator.comparing(Work::at));
        return new Progress(
                in,
                student,
                lessons,
                works.stream().filter(work -> !work.recordings().isEmpty()).toList(),
                works.stream().filter(work -> !work.words().isBlank()).toList());
    }

    private static Done done(Assignment assignment, List<Answered> hers) {
        List<Answered> marked = hers.stream()
                .filter(each -> each.mark().outcome() != Outcome.OPEN)
                .toList();
        return new Done(
                assignment.title(),
                marked.stream().mapToDouble(each -> each.mark().points()).sum(),
                marked.stream().mapToDouble(each -> each.mark().most()).sum(),
                hers.size(),
                hers.size() - marked.size(),
                hers.stream().mapToLong(each -> each.answer().at()).max().orElse(0));
    }

    /** A file that is written as it is sent. */
    interface Content {
        void writeTo(OutputStream out) throws IOException;
    }

    record Folder(String name, Content zip) {}

    /** To show at home: a page that plays anywhere, with nothing in it but hers. */
    Folder folder(Teacher teacher, String classId, String studentId) {
        Progress progress = of(teacher, classId, studentId);
        Map<String, String> files = new LinkedHashMap<>();
        Map<String, Path> sounds = new LinkedHashMap<>();
        for (Work work : progress.spoken()) {
            for (String recording : work.recordings()) {
                String hash = results.sound(teacher, work.assignmentId(), recording);
                String name =
                        String.format(Locale.ROOT, "%02d %s.mp3", files.size() + 1, SpeakingName.of(work.lesson()));
                sounds.put(name, media.file(hash));
                files.put(recording, name);
            }
        }
        Context context = new Context(Locale.ENGLISH);
        context.setVariable("progress", progress);
        context.setVariable("files", files);
        byte[] page = templates.process("insight/progress-folder", context).getBytes(StandardCharsets.UTF_8);
        audit.note(teacher.id(), Deed.STUDENT_EXPORTED, progress.student().name());
        return new Folder(SpeakingName.of(progress.student().name()) + " (progress).zip", out -> {
            ZipOut zip = new ZipOut(out);
            zip.put("index.html", page);
            zip.compressNoMore();
            for (Map.Entry<String, Path> sound : sounds.entrySet()) {
                zip.put(sound.getKey(), sound.getValue());
            }
            zip.finish();
        });
    }
}
