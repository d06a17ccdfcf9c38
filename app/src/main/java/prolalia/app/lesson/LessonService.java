package prolalia.app.lesson;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.house.Ids;
import prolalia.app.house.NotHereException;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.LineKind;
import prolalia.core.script.Coverage;
import prolalia.core.script.PastedScript.ReadLine;
import prolalia.core.script.ReadingTime;

@Service
public class LessonService {
    /** As long as a chapter; more on one line is a mistake of pasting. */
    static final int LONGEST_WORDS = 40_000;

    static final int LONGEST_TITLE = 200;
    static final int MOST_LINES_AT_ONCE = 10_000;
    static final int COVERS = 6;

    private final LessonStore lessons;
    private final LineStore lines;
    private final Clock clock;

    LessonService(LessonStore lessons, LineStore lines, Clock clock) {
        this.lessons = lessons;
        this.lines = lines;
        this.clock = clock;
    }

    /**
     * A lesson as its teacher sees it.
     *
     * @param toReadMs about how long the silent and outdated lines take to say
     */
    public record LessonView(LessonSummary summary, List<PageView> pages, Coverage coverage, long toReadMs) {
        public List<ScriptLine> script() {
            return pages.stream().flatMap(page -> page.lines().stream()).toList();
        }

        /** The first line that is silent or outdated. */
        public Optional<ScriptLine> nextToRead() {
            return script().stream().filter(ScriptLine::isToBeRead).findFirst();
        }
    }

    /**
     * A page with its lines.
     *
     * @param number from 1
     */
    public record PageView(int number, LessonPage page, List<ScriptLine> lines, Coverage coverage) {}

    /**
     * What became of a change of words.
     *
     * @param saved false when they had been changed elsewhere meanwhile
     * @param line as it is now
     */
    public record WordsChange(boolean saved, ScriptLine line) {}

    public List<LessonSummary> lessonsOf(String teacherId) {
        return lessons.lessonsOf(teacherId);
    }

    public LessonView lesson(String teacherId, String lessonId) {
        return view(summary(teacherId, lessonId));
    }

    public LessonView view(LessonSummary summary) {
        List<ScriptLine> script = lessons.script(summary.id());
        Map<String, List<ScriptLine>> byPage = script.stream().collect(Collectors.groupingBy(ScriptLine::pageId));
        List<PageView> pages = new ArrayList<>();
        for (LessonPage page : lessons.pages(summary.id())) {
            List<ScriptLine> onPage = byPage.getOrDefault(page.id(), List.of());
            pages.add(new PageView(pages.size() + 1, page, onPage, Coverage.of(plain(onPage))));
        }
        return new LessonView(summary, pages, Coverage.of(plain(script)), ReadingTime.ofLinesToReadMs(plain(script)));
    }

    private static List<Line> plain(List<ScriptLine> script) {
        return script.stream().map(ScriptLine::line).toList();
    }

    public ScriptLine line(String teacherId, String lineId) {
        return lessons.line(teacherId, lineId).orElseThrow(() -> new NotHereException("line"));
    }

    /** Makes a lesson with one page and one empty direction on it; answers its id. */
    @Transactional
    public String begin(String teacherId, String title) {
        String id = Ids.newId();
        long now = clock.millis();
        int cover = lessons.lessonsOf(teacherId).size() % COVERS;
        lessons.addLesson(id, teacherId, shortened(title.strip()), cover, now);
        String pageId = lessons.addPage(id, now);
        lines.add(pageId, null, LineKind.DIRECTION, "");
        return id;
    }

    @Transactional
    public void rename(String teacherId, String lessonId, String title) {
        summary(teacherId, lessonId);
        lessons.rename(lessonId, shortened(title.strip()), clock.millis());
    }

    @Transactional
    public void remove(String teacherId, String lessonId) {
        lessons.setRemoved(teacherId, lessonId, clock.millis());
    }

    @Transactional
    public void putBack(String teacherId, String lessonId) {
        lessons.setRemoved(teacherId, lessonId, null);
    }

    /** Adds a page with one empty line. */
    @Transactional
    public void addPage(String teacherId, String lessonId) {
        summary(teacherId, lessonId);
        String pageId = lessons.addPage(lessonId, clock.millis());
        lines.add(pageId, null, LineKind.DIRECTION, "");
    }

    /**
     * Adds lines at the end of a page.
     *
     * @param pageNumber from 1; anything else: a new page
     * @return the number of the page that they are on
     */
    @Transactional
    public int addLines(String teacherId, String lessonId, int pageNumber, List<ReadLine> read) {
        summary(teacherId, lessonId);
        List<LessonPage> pages = lessons.pages(lessonId);
        boolean there = pageNumber >= 1 && pageNumber <= pages.size();
        String pageId = there ? pages.get(pageNumber - 1).id() : lessons.addPage(lessonId, clock.millis());
        lines.removeEmpty(pageId);
        lines.addAll(pageId, read);
        lessons.touch(lessonId, clock.millis());
        return there ? pageNumber : pages.size() + 1;
    }

    /** Adds an empty line after another one, of the same kind; answers it. */
    @Transactional
    public ScriptLine addLineAfter(String teacherId, String lineId) {
        ScriptLine before = line(teacherId, lineId);
        String id = lines.add(before.pageId(), lineId, before.line().kind(), "");
        lessons.touch(before.lessonId(), clock.millis());
        return line(teacherId, id);
    }

    /** Adds an empty line at the end of a page; answers it. */
    @Transactional
    public ScriptLine addLineAtEnd(String teacherId, String lessonId, String pageId) {
        summary(teacherId, lessonId);
        if (lessons.pages(lessonId).stream().noneMatch(page -> page.id().equals(pageId))) {
            throw new NotHereException("page");
        }
        String id = lines.add(pageId, null, LineKind.DIRECTION, "");
        lessons.touch(lessonId, clock.millis());
        return line(teacherId, id);
    }

    /**
     * Saves words as they are typed.
     *
     * @param revision that the typing began with
     */
    @Transactional
    public WordsChange changeWords(String teacherId, String lineId, int revision, String words) {
        ScriptLine before = line(teacherId, lineId);
        if (before.line().words().equals(words)) {
            return new WordsChange(true, before);
        }
        boolean saved = words.length() <= LONGEST_WORDS && lines.changeWords(lineId, revision, words);
        if (saved) {
            lessons.touch(before.lessonId(), clock.millis());
        }
        return new WordsChange(saved, line(teacherId, lineId));
    }

    @Transactional
    public ScriptLine changeKind(String teacherId, String lineId, LineKind kind) {
        line(teacherId, lineId);
        lines.changeKind(lineId, kind);
        return line(teacherId, lineId);
    }

    @Transactional
    public void removeLine(String teacherId, String lineId) {
        ScriptLine line = line(teacherId, lineId);
        lines.setRemoved(lineId, clock.millis());
        lessons.touch(line.lessonId(), clock.millis());
    }

    /** Puts a removed line back where it was. */
    @Transactional
    public ScriptLine putBackLine(String teacherId, String lineId) {
        lines.setRemoved(lineId, null);
        // Throws, and with that takes the change back, when the line isn't this teacher's.
        return line(teacherId, lineId);
    }

    private LessonSummary summary(String teacherId, String lessonId) {
        return lessons.lesson(teacherId, lessonId).orElseThrow(() -> new NotHereException("lesson"));
    }

    private static String shortened(String title) {
        return title.length() <= LONGEST_TITLE ? title : title.substring(0, LONGEST_TITLE);
    }
}
