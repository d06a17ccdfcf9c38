package prolalia.app.lesson;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.access.LessonAccess;
import prolalia.app.access.LessonRef;
import prolalia.app.access.LessonSummary;
import prolalia.app.access.Right;
import prolalia.app.account.Actor;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.lines.LessonLines;
import prolalia.app.lines.ScriptLine;
import prolalia.app.pages.Binned;
import prolalia.app.pages.LessonPage;
import prolalia.app.pages.LessonPages;
import prolalia.app.platform.Messages;
import prolalia.app.platform.NotFoundException;
import prolalia.app.school.AuditLog;
import prolalia.app.school.AuditLog.Deed;
import prolalia.core.lesson.LessonLimits;
import prolalia.core.lesson.LessonSettings;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineState;
import prolalia.core.script.Coverage;
import prolalia.core.script.Pace;
import prolalia.core.script.WordSearch;

@Service
public class LessonService {
    public static final int MOST_PAGES = LessonLimits.MOST_PAGES;
    static final int LONGEST_TITLE = LessonLimits.LONGEST_TITLE;
    static final int COVERS = 6;

    /** More marks than these are too narrow to be told apart, in the bar over the script and under a page. */
    private static final int MOST_MARKS = 60;

    private static final int MOST_PAGE_MARKS = 20;

    private final LessonStore lessons;
    private final LessonPages pages;
    private final LessonAccess access;
    private final LessonLines lines;
    private final Messages messages;
    private final LessonCopyStore copies;
    private final AuditLog audit;
    private final Lessons making;
    private final Clock clock;

    LessonService(
            LessonStore lessons,
            LessonPages pages,
            LessonAccess access,
            LessonLines lines,
            Messages messages,
            LessonCopyStore copies,
            AuditLog audit,
            Lessons making,
            Clock clock) {
        this.making = making;
        this.lessons = lessons;
        this.pages = pages;
        this.access = access;
        this.lines = lines;
        this.messages = messages;
        this.copies = copies;
        this.audit = audit;
        this.clock = clock;
    }

    /**
     * A lesson as its teacher sees it.
     *
     * @param pace its teacher's
     */
    public record LessonView(LessonRef ref, List<PageView> pages, Coverage coverage, Pace pace) {
        public LessonSummary summary() {
            return ref.summary();
        }

        public int pageCount() {
            return pages.size();
        }

        public int lineCount() {
            return coverage.lines();
        }

        /** Whether it has as many pages as it may. */
        public boolean isFull() {
            return pages.size() >= MOST_PAGES;
        }

        /** About how long the lines that are still to be read take to say. */
        public long toReadMs() {
            return pace.ofLinesToReadMs(plain(script()));
        }

        public List<ScriptLine> script() {
            return pages.stream().flatMap(page -> page.lines().stream()).toList();
        }

        /** The states of the lines in reading order, drawn together when they are too many to be told apart. */
        public List<LineState> marks() {
            return Coverage.marks(plain(script()), MOST_MARKS);
        }

        public Map<LineKind, Coverage> coverageByKind() {
            return Coverage.byKind(plain(script()));
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
    public record PageView(int number, LessonPage page, List<ScriptLine> lines, Coverage coverage) {
        public List<LineState> marks() {
            return Coverage.marks(plain(lines), MOST_PAGE_MARKS);
        }
    }

    public List<LessonSummary> lessonsOf(Teacher teacher) {
        return lessons.lessonsOf(LessonAccess.onDesk(teacher), messages.say("lesson.untitled"));
    }

    /** Whether she may do that with a lesson. */
    public boolean may(Teacher teacher, String lessonId, Right right) {
        return access.mayStill(teacher, lessonId, right);
    }

    public LessonView lesson(Teacher teacher, String lessonId) {
        return view(seen(teacher, lessonId), pace(teacher));
    }

    /** The lines of lessons, without their sound, by lesson. */
    public Map<String, List<Line>> linesOf(List<LessonSummary> some) {
        return lines.byLesson(some.stream().map(LessonSummary::id).toList());
    }

    /** A line in which something is said that was looked for. */
    public record Said(LessonSummary lesson, String lineId, String words) {}

    /** Where lessons say something, at most so often. @param query as {@link WordSearch} takes it */
    public List<Said> saying(List<LessonSummary> some, String query, int most) {
        Map<String, LessonSummary> byId = some.stream().collect(Collectors.toMap(LessonSummary::id, each -> each));
        WordSearch search = new WordSearch(query);
        if (search.isEmpty()) {
            return List.of();
        }
        return lines.saying(byId.keySet(), search, most).stream()
                .map(line -> new Said(byId.get(line.lessonId()), line.lineId(), line.words()))
                .toList();
    }

    /** What stands over the screens of a lesson; nothing else of it is read. */
    public LessonHead head(Teacher teacher, String lessonId) {
        LessonRef lesson = seen(teacher, lessonId);
        return new LessonHead(
                lesson.summary(),
                pages.count(lesson),
                Coverage.of(lines.words(lesson)).lines());
    }

    /** How fast a teacher reads, from what she has recorded. */
    public Pace pace(Teacher teacher) {
        return lines.pace(teacher);
    }

    /** A lesson as it is for anybody. */
    public LessonView view(LessonRef lesson) {
        return view(lesson, Pace.UNKNOWN);
    }

    private LessonView view(LessonRef lesson, Pace pace) {
        List<ScriptLine> script = lines.heard(lesson);
        Map<String, List<ScriptLine>> byPage = script.stream().collect(Collectors.groupingBy(ScriptLine::pageId));
        List<PageView> views = new ArrayList<>();
        for (LessonPage page : pages.of(lesson)) {
            List<ScriptLine> onPage = byPage.getOrDefault(page.id(), List.of());
            views.add(new PageView(views.size() + 1, page, onPage, Coverage.of(plain(onPage))));
        }
        return new LessonView(lesson, views, Coverage.of(plain(script)), pace);
    }

    private static List<Line> plain(List<ScriptLine> script) {
        return script.stream().map(ScriptLine::line).toList();
    }

    /** Some lines of a lesson in reading order. */
    public List<ScriptLine> lines(Teacher teacher, String lessonId, List<String> lineIds) {
        return lines.some(access.require(teacher, lessonId, Right.READ), lineIds);
    }

    public ScriptLine line(Actor actor, String lineId) {
        return line(actor, lineId, Right.READ);
    }

    public ScriptLine line(Actor actor, String lineId, Right right) {
        return lines.line(actor, lineId, right);
    }

    /** Makes a lesson with one page and one empty direction on it; answers its id. */
    @Transactional
    public String begin(Teacher teacher, String title) {
        LessonRef lesson = beginEmpty(teacher, title);
        String pageId = pages.add(lesson, clock.millis());
        lines.add(pageId, LineKind.DIRECTION, "");
        return lesson.id();
    }

    /** The lesson, if she may take it along. */
    public LessonRef toTakeAlong(Teacher teacher, String lessonId) {
        return access.requireOnDesk(teacher, lessonId);
    }

    /** A lesson of one's own with all that is in another; answers its id. */
    @Transactional
    public String copy(Teacher teacher, String lessonId) {
        LessonRef of = access.requireOnDesk(teacher, lessonId);
        if (of.isShelf() || !teacher.role().teaches()) {
            throw new NotFoundException("lesson to copy");
        }
        String title = shortened(messages.say("lesson.copyOf", of.summary().title()));
        int cover = lessonsOf(teacher).size() % COVERS;
        return copies.copy(of, teacher.id(), title, cover, clock.millis());
    }

    /** Makes a lesson without a page. */
    public LessonRef beginEmpty(Teacher teacher, String title) {
        int cover = lessonsOf(teacher).size() % COVERS;
        return making.make(teacher.id(), shortened(title.strip()), cover, clock.millis());
    }

    /** The teacher's shelf of standing lines; made when it is first asked for. */
    @Transactional
    public LessonRef shelf(Teacher teacher, String title) {
        return making.shelf(teacher.id()).orElseGet(() -> {
            LessonRef shelf = making.make(teacher.id(), title, 0, clock.millis());
            lessons.makeShelf(shelf);
            pages.add(shelf, clock.millis());
            return making.shelf(teacher.id()).orElseThrow();
        });
    }

    @Transactional
    public void rename(Teacher teacher, String lessonId, String title) {
        lessons.rename(access.require(teacher, lessonId, Right.EDIT), shortened(title.strip()), clock.millis());
    }

    @Transactional
    public void remove(Teacher teacher, String lessonId) {
        LessonSummary removed = summary(teacher, lessonId);
        setRemoved(teacher, lessonId, clock.millis());
        audit.note(teacher.id(), Deed.LESSON_REMOVED, removed.title());
    }

    @Transactional
    public void putBack(Teacher teacher, String lessonId) {
        setRemoved(teacher, lessonId, null);
    }

    private void setRemoved(Teacher teacher, String lessonId, Long removedAt) {
        if (!lessons.setRemoved(access.may(teacher, Right.REMOVE), lessonId, removedAt)) {
            throw new NotFoundException("lesson");
        }
    }

    /** What this teacher removed and can put back, newest first. */
    public List<Binned> bin(Teacher teacher) {
        List<Binned> binned = new ArrayList<>(lessons.removedLessons(access.may(teacher, Right.REMOVE)));
        binned.addAll(pages.removed(teacher, Right.EDIT));
        binned.sort(Comparator.comparingLong(Binned::removedAt).reversed());
        return binned;
    }

    /** The pages of a lesson, in order. */
    public List<LessonPage> pages(LessonRef lesson) {
        return pages.of(lesson);
    }

    /** The number of a page in its lesson, from 1; that of the last one when it isn't there. */
    public int numberOf(LessonRef lesson, String pageId) {
        List<String> ids = pages.of(lesson).stream().map(LessonPage::id).toList();
        int at = ids.indexOf(pageId);
        return at < 0 ? Math.max(1, ids.size()) : at + 1;
    }

    /** What holds for a lesson as a whole. */
    public LessonSettings settings(LessonRef lesson) {
        return lessons.settings(lesson);
    }

    @Transactional
    public void change(Teacher teacher, String lessonId, UnaryOperator<LessonSettings> change) {
        LessonRef lesson = access.require(teacher, lessonId, Right.EDIT);
        lessons.setSettings(lesson, change.apply(lessons.settings(lesson)));
        lessons.touch(lesson, clock.millis());
    }

    /** The lesson, if it is there and this teacher may see it. */
    public Optional<LessonSummary> find(Teacher teacher, String lessonId) {
        return access.find(teacher, lessonId, Right.READ).map(LessonRef::summary);
    }

    /** The lesson, if this teacher may see it: what everything else about it is asked with. */
    public LessonRef seen(Teacher teacher, String lessonId) {
        return access.require(teacher, lessonId, Right.READ);
    }

    /** The lesson, if this teacher may see it. */
    public LessonSummary summary(Teacher teacher, String lessonId) {
        return access.require(teacher, lessonId, Right.READ).summary();
    }

    /** As long as a title may be. */
    public static String shortened(String title) {
        return title.length() <= LONGEST_TITLE ? title : title.substring(0, LONGEST_TITLE);
    }
}
