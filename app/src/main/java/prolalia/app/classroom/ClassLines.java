package prolalia.app.classroom;

import java.time.Clock;
import org.springframework.stereotype.Component;
import prolalia.app.access.LessonRef;
import prolalia.app.access.Membership;
import prolalia.app.lesson.Lessons;
import prolalia.app.lines.LessonLines;
import prolalia.app.pages.LessonPages;
import prolalia.app.platform.NotFoundException;
import prolalia.core.lesson.LineKind;

/**
 * What is said in a class: the lines of a lesson of its own, so that names, titles and directions are read through, checked and
 * levelled like everything else that is said.
 */
@Component
public class ClassLines {
    private static final int COVER = 2;

    private final Lessons lessons;
    private final LessonPages pages;
    private final LessonLines lines;
    private final Clock clock;

    ClassLines(Lessons lessons, LessonPages pages, LessonLines lines, Clock clock) {
        this.lessons = lessons;
        this.pages = pages;
        this.lines = lines;
        this.clock = clock;
    }

    /** The pages of such a lesson. */
    public enum Part {
        NAMES,
        GIVEN,
        REMARKS
    }

    /** Makes the lesson of a class that is about to be made; answers it. */
    LessonRef begin(String teacherId, String title) {
        LessonRef lesson = lessons.make(teacherId, title, COVER, clock.millis());
        for (Part part : Part.values()) {
            pages.add(lesson, clock.millis());
        }
        return lesson;
    }

    void belongsTo(LessonRef lesson, String classId) {
        lessons.makeOfClass(lesson, classId);
    }

    /** Another teacher or aide of the class reads it through as well. */
    void sharedWith(String lessonId, String teacherId) {
        lessons.addMember(ofHouse(lessonId), teacherId, Membership.EDIT);
    }

    void notSharedWith(String lessonId, String teacherId) {
        lessons.removeMember(ofHouse(lessonId), teacherId);
    }

    void rename(String lessonId, String title) {
        lessons.rename(ofHouse(lessonId), title, clock.millis());
    }

    /** A line at the end of a part; answers its id. */
    public String add(String lessonId, Part part, LineKind kind, String words) {
        LessonRef lesson = ofHouse(lessonId);
        // One may have been taken out, or not have been there when the class was made.
        while (pages.count(lesson) <= part.ordinal()) {
            pages.add(lesson, clock.millis());
        }
        String line = lines.add(pages.of(lesson).get(part.ordinal()).id(), kind, words);
        lessons.touch(lesson, clock.millis());
        return line;
    }

    private LessonRef ofHouse(String lessonId) {
        return lessons.ofHouse(lessonId).orElseThrow(() -> new NotFoundException("lesson of a class"));
    }

    /** It isn't said any more. */
    public void remove(String lineId) {
        lines.remove(lineId, clock.millis());
    }

    public void setWords(String lineId, String words) {
        lines.setWords(lineId, words);
    }
}
