package prolalia.app.reading;

import java.util.List;
import java.util.Optional;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.LessonService.PageView;
import prolalia.app.lines.ScriptLine;

/**
 * Where a line stands in its script.
 *
 * @param index of the line in the whole script, from 0
 */
record LinePlace(LessonView lesson, PageView page, int index) {
    static LinePlace of(LessonView lesson, ScriptLine line) {
        List<ScriptLine> script = lesson.script();
        int index = 0;
        while (!script.get(index).line().id().equals(line.line().id())) {
            index++;
        }
        PageView page = lesson.pages().stream()
                .filter(each -> each.page().id().equals(line.pageId()))
                .findFirst()
                .orElseThrow();
        return new LinePlace(lesson, page, index);
    }

    /** About how long the line takes to say. */
    public long expectedMs() {
        return lesson.pace().ofWordsMs(lesson.script().get(index).line().words());
    }

    /** The line before, for its words. */
    public Optional<ScriptLine> previous() {
        return index == 0 ? Optional.empty() : Optional.of(lesson.script().get(index - 1));
    }

    public Optional<ScriptLine> following() {
        List<ScriptLine> script = lesson.script();
        return index + 1 < script.size() ? Optional.of(script.get(index + 1)) : Optional.empty();
    }

    /** The next line that is silent or outdated, after this one first, then from the beginning. */
    public Optional<ScriptLine> nextToRead() {
        List<ScriptLine> script = lesson.script();
        for (int step = 1; step < script.size(); step++) {
            ScriptLine line = script.get((index + step) % script.size());
            if (line.isToBeRead()) {
                return Optional.of(line);
            }
        }
        return Optional.empty();
    }
}
