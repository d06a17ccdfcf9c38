package prolalia.app.lesson;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.StepIcon;
import prolalia.core.script.LessonChange.LineStep;
import prolalia.core.script.LineShape;
import prolalia.core.script.PastedScript.ReadLine;
import prolalia.core.script.ScriptEdits.PlacedLine;

/** The lines of lessons, for the rooms that write them. */
@Component
public class LessonLines {
    private final LineStore lines;
    private final KeptTakeStore kept;
    private final LessonStore lessons;

    LessonLines(LineStore lines, KeptTakeStore kept, LessonStore lessons) {
        this.lines = lines;
        this.kept = kept;
        this.lessons = lessons;
    }

    /** How many lines a lesson has. */
    public int count(LessonRef lesson) {
        return lines.count(lesson);
    }

    /** Some lines of a lesson in reading order. */
    public List<ScriptLine> some(LessonRef lesson, Collection<String> lineIds) {
        return lessons.lines(lesson, lineIds);
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
        return new LessonRef(lessons.lessonOf(lineId));
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
