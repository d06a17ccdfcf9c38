package prolalia.app.lines;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import prolalia.app.access.LessonAccess;
import prolalia.app.access.LessonRef;
import prolalia.app.access.Right;
import prolalia.app.account.Actor;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.platform.NotFoundException;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.StepIcon;
import prolalia.core.script.LessonChange.LineStep;
import prolalia.core.script.LineShape;
import prolalia.core.script.Pace;
import prolalia.core.script.PastedScript.ReadLine;
import prolalia.core.script.ScriptEdits.PlacedLine;
import prolalia.core.script.WordSearch;

/** The lines of lessons, for the rooms that write them. */
@Component
public class LessonLines {
    /** A school year of takes says no more about today's pace than these. */
    private static final int TAKES_FOR_PACE = 200;

    private final LineStore lines;
    private final KeptTakeStore kept;
    private final ScriptStore scripts;
    private final LessonAccess access;

    LessonLines(LineStore lines, KeptTakeStore kept, ScriptStore scripts, LessonAccess access) {
        this.lines = lines;
        this.kept = kept;
        this.scripts = scripts;
        this.access = access;
    }

    /** How many lines a lesson has. */
    public int count(LessonRef lesson) {
        return lines.count(lesson);
    }

    /** All lines of a lesson in reading order, with what is heard of them. */
    public List<ScriptLine> heard(LessonRef lesson) {
        return scripts.script(lesson);
    }

    /** All lines of a lesson in reading order, without their takes. */
    public List<Line> words(LessonRef lesson) {
        return scripts.words(lesson);
    }

    /** One line, if this one may do that with it. */
    public ScriptLine line(Actor actor, String lineId, Right right) {
        return scripts.line(access.mayWithLine(actor, right), lineId).orElseThrow(() -> new NotFoundException("line"));
    }

    /** The lines of lessons, without their sound, by lesson. */
    public Map<String, List<Line>> byLesson(Collection<String> lessonIds) {
        return scripts.linesByLesson(lessonIds);
    }

    /** The lines of lessons in which something is said, at most so many. */
    public List<LineWords> saying(Collection<String> lessonIds, WordSearch search, int most) {
        return lines.words(lessonIds).stream()
                .filter(line -> search.finds(line.words()))
                .limit(most)
                .toList();
    }

    /** How fast a teacher reads, from what she has recorded. */
    public Pace pace(Teacher teacher) {
        return Pace.of(scripts.newestKeptTakes(teacher.id(), TAKES_FOR_PACE));
    }

    /** Some lines of a lesson in reading order. */
    public List<ScriptLine> some(LessonRef lesson, Collection<String> lineIds) {
        return scripts.lines(lesson, lineIds);
    }

    /** The lines that stand in the script, in reading order. */
    public List<PlacedLine> script(LessonRef lesson) {
        return lines.script(lesson);
    }

    /** All lines that the pages of a lesson have or had, removed ones too, in reading order. */
    public Map<String, LineShape> shapes(LessonRef lesson) {
        return lines.shapes(lesson);
    }

    /** Those of removed pages as well. */
    public Map<String, LineShape> shapesEver(LessonRef lesson) {
        return lines.shapesEver(lesson);
    }

    /** One line alone: which one it comes after isn't known. */
    public LineShape shape(String lineId) {
        return lines.shape(lineId);
    }

    /** The lesson of a line, for what the house does with it by itself. */
    public LessonRef lessonOf(String lineId) {
        return access.ofHouseByLine(lineId);
    }

    /** Adds a line at the end of a page; answers its id. */
    public String add(String pageId, LineKind kind, String words) {
        return lines.add(pageId, kind, words);
    }

    /** Adds lines at the end of a page; answers them. */
    public List<PlacedLine> addAll(String pageId, List<ReadLine> read) {
        return lines.addAll(pageId, read);
    }

    /** Puts lines in that a change brings; its steps make them be there. */
    public void insertRemoved(List<LineStep> steps, long now) {
        lines.insertRemoved(steps, now);
    }

    /** Makes one step of a change; what the step doesn't change is left as it is. */
    public void make(LineStep step, long now) {
        lines.make(step, now);
    }

    /** Takes a line out; it can be put back for 30 days. */
    public void remove(String lineId, long now) {
        lines.remove(lineId, now);
    }

    public void setWords(String lineId, String words) {
        lines.setWords(lineId, words);
    }

    /** Changes the words unless somebody changed them since {@code revision}; answers whether it did. */
    public boolean changeWords(String lineId, int revision, String words) {
        return lines.changeWords(lineId, revision, words);
    }

    /** @param icon null: none any more */
    public void setIcon(String lineId, StepIcon icon) {
        lines.setIcon(lineId, icon);
    }

    /** Makes a take the one that students hear: of the line, or of the standing line whose place it is; null: silence. */
    public void keep(String lineId, String takeId) {
        lines.keep(lineId, takeId);
    }

    /** Whether nothing sounds for a line in a voice. */
    public boolean isSilent(String lineId, String voice) {
        return kept.isSilent(lineId, voice);
    }

    /** Nothing is heard any more wherever a take was. */
    public void silence(String takeId) {
        kept.silence(takeId);
    }

    /** From now on a line is a place of a standing line that says the same. */
    public void setStanding(String lineId, String standingLineId) {
        lines.setStanding(lineId, standingLineId);
    }
}
