package prolalia.app.classroom;

import java.time.Clock;
import java.util.List;
import org.springframework.stereotype.Component;
import prolalia.app.lesson.LessonPage;
import prolalia.app.lesson.LessonStore;
import prolalia.app.lesson.LineStore;
import prolalia.app.lesson.MemberStore;
import prolalia.app.lesson.Membership;
import prolalia.app.lesson.PageStore;
import prolalia.app.platform.Ids;
import prolalia.core.lesson.LineKind;

/**
 * What is said in a class: the lines of a lesson of its own, so that names, titles and directions are read through, checked and
 * levelled like everything else that is said.
 */
@Component
public class ClassLines {
    private static final int COVER = 2;

    private final LessonStore lessons;
    private final PageStore pages;
    private final LineStore lines;
    private final MemberStore members;
    private final Clock clock;

    ClassLines(LessonStore lessons, PageStore pages, LineStore lines, MemberStore members, Clock clock) {
        this.lessons = lessons;
        this.pages = pages;
        this.lines = lines;
        this.members = members;
        this.clock = clock;
    }

    /** The pages of such a lesson. */
    public enum Part {
        NAMES,
        GIVEN
    }

    /** Makes the lesson of a class that is about to be made; answers its id. */
    String begin(String teacherId, String title) {
        String id = Ids.newId();
        lessons.addLesson(id, teacherId, title, COVER, clock.millis());
        for (Part part : Part.values()) {
            pages.add(id, clock.millis());
        }
        return id;
    }

    void belongsTo(String lessonId, String classId) {
        lessons.makeOfClass(lessonId, classId);
    }

    /** Another teacher or aide of the class reads it through as well. */
    void sharedWith(String lessonId, String teacherId) {
        members.set(lessonId, teacherId, Membership.EDIT);
    }

    void notSharedWith(String lessonId, String teacherId) {
        members.remove(lessonId, teacherId);
    }

    void rename(String lessonId, String title) {
        lessons.rename(lessonId, title, clock.millis());
    }

    /** A line at the end of a part; answers its id. */
    public String add(String lessonId, Part part, LineKind kind, String words) {
        List<LessonPage> there = pages.of(lessonId);
        String page = there.size() > part.ordinal()
                ? there.get(part.ordinal()).id()
                : there.isEmpty()
                        ? pages.add(lessonId, clock.millis())
                        : there.get(there.size() - 1).id();
        String line = lines.add(page, kind, words);
        lessons.touch(lessonId, clock.millis());
        return line;
    }

    public void setWords(String lineId, String words) {
        lines.setWords(lineId, words);
    }
}
