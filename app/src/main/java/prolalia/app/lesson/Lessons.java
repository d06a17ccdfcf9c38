package prolalia.app.lesson;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import prolalia.app.access.LessonAccess;
import prolalia.app.access.LessonRef;
import prolalia.app.access.Membership;
import prolalia.app.lines.LessonLines;
import prolalia.app.lines.ScriptLine;
import prolalia.app.platform.Ids;
import prolalia.core.lesson.LessonSettings;

/** Lessons as wholes, for the rooms that make them or change something of them: with each comes who knows that it may be. */
@Component
public class Lessons {
    private final LessonStore lessons;
    private final MemberStore members;
    private final LessonLines lines;
    private final LessonAccess access;

    Lessons(LessonStore lessons, MemberStore members, LessonLines lines, LessonAccess access) {
        this.lines = lines;
        this.access = access;
        this.lessons = lessons;
        this.members = members;
    }

    /** Makes a lesson without a page. */
    public LessonRef make(String teacherId, String title, int cover, long now) {
        String id = Ids.newId();
        lessons.addLesson(id, teacherId, title, cover, now);
        return ofHouse(id).orElseThrow();
    }

    /** A lesson that is there, for what the house does with it by itself: nobody's right is asked. */
    public Optional<LessonRef> ofHouse(String lessonId) {
        return access.ofHouse(lessonId);
    }

    /** A lesson of what is said in a class lies on no desk. */
    public void makeOfClass(LessonRef lesson, String classId) {
        lessons.makeOfClass(lesson, classId);
    }

    /** Makes somebody a member, or another kind of one; an owner stays one. */
    public void addMember(LessonRef lesson, String teacherId, Membership membership) {
        members.set(lesson, teacherId, membership);
    }

    public void removeMember(LessonRef lesson, String teacherId) {
        members.remove(lesson, teacherId);
    }

    public void rename(LessonRef lesson, String title, long now) {
        lessons.rename(lesson, title, now);
    }

    public void setSettings(LessonRef lesson, LessonSettings settings) {
        lessons.setSettings(lesson, settings);
    }

    /** It was changed just now. */
    public void touch(LessonRef lesson, long now) {
        lessons.touch(lesson, now);
    }

    /** A teacher's shelf of standing lines, if she has one. */
    public Optional<LessonRef> shelf(String teacherId) {
        return access.shelf(teacherId);
    }

    /** All lines of a lesson in reading order, with what is heard of them. */
    public List<ScriptLine> script(LessonRef lesson) {
        return lines.heard(lesson);
    }
}
