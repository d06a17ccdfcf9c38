package prolalia.app.classroom;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.stereotype.Service;
import org.thymeleaf.TemplateEngine;
import org.thymeleaf.context.Context;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.classroom.StudentFileStore.AnswerFile;
import prolalia.app.classroom.StudentFileStore.Answered;
import prolalia.app.classroom.StudentFileStore.SaidBack;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.MediaStore;
import prolalia.app.school.AuditLog;
import prolalia.app.school.AuditLog.Deed;
import prolalia.app.storage.StorageSweeper;
import prolalia.core.classroom.Names;
import prolalia.formats.lesson.ZipOut;

/**
 * All that is kept of one student. Who was deleted is remembered by her id alone, in a list beside the database: when a backup of
 * before comes back, she is deleted again as the server starts.
 */
@Service
class StudentFile implements SmartInitializingSingleton {
    private static final Logger LOG = LoggerFactory.getLogger(StudentFile.class);
    private static final String LIST = "deleted-students";

    private final StudentService studentService;
    private final ClassAccess classAccess;
    private final AccommodationService accommodations;
    private final StudentStore students;
    private final StudentFileStore store;
    private final StorageSweeper sweeper;
    private final MediaStore media;
    private final AuditLog audit;
    private final TemplateEngine templates;
    private final Path list;

    StudentFile(
            StudentService studentService,
            ClassAccess classAccess,
            AccommodationService accommodations,
            StudentStore students,
            StudentFileStore store,
            StorageSweeper sweeper,
            MediaStore media,
            AuditLog audit,
            TemplateEngine templates,
            DataFolder folder) {
        this.studentService = studentService;
        this.classAccess = classAccess;
        this.accommodations = accommodations;
        this.students = students;
        this.store = store;
        this.sweeper = sweeper;
        this.media = media;
        this.audit = audit;
        this.templates = templates;
        list = folder.root().resolve(LIST);
    }

    /** A file that is written as it is sent. */
    interface Content {
        void writeTo(OutputStream out) throws IOException;
    }

    record TakenOut(String fileName, Content zip) {}

    /** A ZIP with a page that can be read, and what is said of her. */
    TakenOut takeOut(Teacher teacher, String classId, String studentId) {
        classAccess.toChange(teacher, classId);
        ClassStudent student = studentService.student(teacher, classId, studentId);
        Context context = new Context(Locale.ENGLISH);
        context.setVariable("student", student);
        context.setVariable("classes", students.classesOf(studentId).values());
        context.setVariable("accommodation", accommodations.of(studentId));
        context.setVariable("here", accommodations.whole(studentId).here().values());
        context.setVariable("opened", store.opened(studentId));
        context.setVariable("heard", store.heard(studentId));
        List<Answered> answered = store.answered(studentId);
        context.setVariable("answered", answered);
        List<SaidBack> saidBack = store.saidBack(studentId);
        context.setVariable("saidBack", saidBack);
        byte[] page = templates.process("classroom/student-file", context).getBytes(StandardCharsets.UTF_8);
        List<AnswerFile> files = new ArrayList<>();
        if (student.isNameSaid()) {
            files.add(new AnswerFile(student.nameSound(), "name.mp3"));
        }
        answered.forEach(each -> files.addAll(each.files()));
        saidBack.stream().map(SaidBack::file).filter(Objects::nonNull).forEach(files::add);
        audit.note(teacher.id(), Deed.STUDENT_EXPORTED, student.name());
        String name = student.name().replaceAll("[^\\p{L}\\p{N} -]", "").strip();
        return new TakenOut((name.isEmpty() ? "student" : name) + ".zip", out -> {
            ZipOut zip = new ZipOut(out);
            zip.put("index.html", page);
            zip.compressNoMore();
            for (AnswerFile file : files) {
                zip.put(file.name(), media.file(file.hash()));
            }
            zip.finish();
        });
    }

    /**
     * Deletes all of her, for good.
     *
     * @param sure her name, typed by somebody who is sure; otherwise nothing is done
     */
    boolean delete(Teacher teacher, String classId, String studentId, String sure) {
        classAccess.toChange(teacher, classId);
        ClassStudent student = studentService.student(teacher, classId, studentId);
        if (!Names.likeness(sure).equals(Names.likeness(student.name())) || sure.isBlank()) {
            return false;
        }
        remember(studentId);
        SchoolClass of = classAccess.require(teacher, classId);
        sweeper.letGoOfStudent(studentId, () -> {
            // What is written down of her doesn't name her any more.
            audit.rename(student.name(), "…");
            audit.note(teacher.id(), Deed.STUDENT_REMOVED, of.name());
            return store.delete(studentId);
        });
        return true;
    }

    /** All of her goes, as her class did. */
    void forget(String studentId) {
        remember(studentId);
        delete(studentId);
    }

    private void delete(String studentId) {
        sweeper.letGoOfStudent(studentId, () -> {
            store.name(studentId).ifPresent(name -> audit.rename(name, "…"));
            return store.delete(studentId);
        });
    }

    private void remember(String studentId) {
        try {
            Files.writeString(
                    list,
                    studentId + System.lineSeparator(),
                    StandardOpenOption.CREATE,
                    StandardOpenOption.APPEND,
                    StandardOpenOption.SYNC);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    @Override
    public void afterSingletonsInstantiated() {
        if (!Files.exists(list)) {
            return;
        }
        try {
            List<String> back = store.present(Files.readAllLines(list));
            back.forEach(this::delete);
            if (!back.isEmpty()) {
                LOG.info("Deleted again, as they came back with an older copy of the data: {} students", back.size());
            }
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
