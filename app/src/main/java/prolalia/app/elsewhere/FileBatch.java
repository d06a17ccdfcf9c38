package prolalia.app.elsewhere;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.LessonService.PageView;
import prolalia.app.lines.ScriptLine;
import prolalia.core.align.FileMatch.How;
import prolalia.core.sound.Refusal;

/**
 * Files that were dropped together, each with its place in the script.
 *
 * @param files in the order in which they came in
 * @param numbers of the lines in the script, from 1, and of each page's first line; by place
 */
record FileBatch(String id, LessonView lesson, List<MatchedFile> files, Map<String, Integer> numbers, long begunAt) {
    static FileBatch of(String id, LessonView lesson, List<MatchedFile> files, long begunAt) {
        Map<String, Integer> numbers = new HashMap<>();
        int number = 0;
        for (ScriptLine line : lesson.script()) {
            numbers.put(placeOf(line), ++number);
            numbers.putIfAbsent("page:" + line.pageId(), number);
        }
        return new FileBatch(id, lesson, files, numbers, begunAt);
    }

    private static String placeOf(ScriptLine line) {
        return "line:" + line.line().id();
    }

    /** A file as it is stored; see the table. */
    record StoredFile(
            int number,
            String name,
            String rawHash,
            long durationMs,
            Refusal.Reason refusal,
            boolean chosen,
            String lineId,
            String pageId,
            boolean wanted,
            String takeId,
            String longRecordingId) {
        public boolean isDone() {
            return takeId != null || longRecordingId != null;
        }
    }

    /**
     * A file and where it belongs.
     *
     * @param how what told it; null: the teacher
     * @param line null when it isn't a line's
     * @param page null when it isn't a page's
     * @param contested whether another file claims the same place
     */
    record MatchedFile(StoredFile file, How how, ScriptLine line, PageView page, boolean contested) {
        public boolean canBeTaken() {
            return file.rawHash() != null
                    && !file.isDone()
                    && !file.wanted()
                    && !contested
                    && (line != null || page != null);
        }

        /** What its place is called in the choice of places; empty for none. */
        public String place() {
            return line != null
                    ? "line:" + line.line().id()
                    : page != null ? "page:" + page.page().id() : "";
        }
    }

    /** In the order of the script; then those that go nowhere, then those that are no sound. */
    public List<MatchedFile> shown() {
        return files.stream()
                .sorted(Comparator.comparingInt(each -> each.file().rawHash() == null
                        ? Integer.MAX_VALUE
                        : numbers.getOrDefault(each.place(), Integer.MAX_VALUE - 1)))
                .toList();
    }

    public List<MatchedFile> takeable() {
        return files.stream().filter(MatchedFile::canBeTaken).toList();
    }

    public long contested() {
        return files.stream().filter(MatchedFile::contested).count();
    }

    public long notSound() {
        return files.stream().filter(each -> each.file().rawHash() == null).count();
    }

    public long nowhere() {
        return files.stream()
                .filter(each -> each.file().rawHash() != null && each.place().isEmpty())
                .count();
    }

    public long waiting() {
        return files.stream()
                .filter(each -> each.file().wanted() && !each.file().isDone())
                .count();
    }

    public long done() {
        return files.stream().filter(each -> each.file().isDone()).count();
    }

    /** The lines that no file goes to and that are silent. */
    public List<ScriptLine> withoutFile() {
        Set<String> claimed = files.stream().map(MatchedFile::place).collect(Collectors.toSet());
        return lesson.script().stream()
                .filter(line -> line.isToBeRead()
                        && !claimed.contains(placeOf(line))
                        && !claimed.contains("page:" + line.pageId()))
                .toList();
    }

    /** The number of a line in the script, from 1. */
    public int numberOf(ScriptLine line) {
        return numbers.get(placeOf(line));
    }
}
