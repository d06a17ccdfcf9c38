package prolalia.app.reading;

import java.time.Clock;
import java.util.List;
import org.springframework.stereotype.Service;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.LessonService.PageView;
import prolalia.app.lines.ScriptLine;
import prolalia.app.spoken.LineRecordings;
import prolalia.app.spoken.StoredTake;
import prolalia.app.spoken.TakeService;
import prolalia.core.lesson.LineState;

@Service
class ReadThroughService {
    private final LessonService lessons;
    private final LineRecordings recordings;
    private final TakeService takes;
    private final Clock clock;

    ReadThroughService(LessonService lessons, LineRecordings recordings, TakeService takes, Clock clock) {
        this.lessons = lessons;
        this.recordings = recordings;
        this.takes = takes;
        this.clock = clock;
    }

    /** Which lines are read. */
    enum Selection {
        ALL,
        TO_READ,
        SILENT,
        /** Outdated or doubtful. */
        FLAGGED;

        boolean takesIn(LineState state) {
            return switch (this) {
                case ALL -> true;
                case TO_READ -> state != LineState.VOICED;
                case SILENT -> state == LineState.SILENT;
                case FLAGGED -> state == LineState.OUTDATED || state == LineState.DOUBTFUL;
            };
        }
    }

    /**
     * The lines of a read-through in order.
     *
     * @param openedAt on this server's clock: takes made since are this read-through's
     */
    record Reading(LessonView lesson, List<LineToRead> lines, long openedAt) {
        public long expectedMs() {
            return lines.stream().mapToLong(LineToRead::expectedMs).sum();
        }
    }

    /**
     * A line to read.
     *
     * @param expectedMs about how long it takes
     */
    record LineToRead(PageView page, ScriptLine line, long expectedMs) {}

    /**
     * How a read-through went.
     *
     * @param lines each with its newest take, if one was made
     * @param readingMs from the first key press to the last
     * @param speakingMs of the takes that were made
     */
    record Summary(LessonView lesson, List<LineRead> lines, long readingMs, long speakingMs) {
        public long voiced() {
            return lines.size() - flagged();
        }

        public long flagged() {
            return flaggedLines().size();
        }

        /** The lines that nothing came of, or whose take is doubtful. */
        public List<String> flaggedLines() {
            return lines.stream()
                    .filter(read -> read.take() == null || read.take().isDoubtful())
                    .map(read -> read.line().line().id())
                    .toList();
        }

        /** How much longer the read-through took than the speaking, in percent. */
        public long overheadPercent() {
            return speakingMs == 0 ? 0 : Math.max(0, Math.round(100.0 * (readingMs - speakingMs) / speakingMs));
        }
    }

    /**
     * A line after the read-through.
     *
     * @param take null when nothing came of it
     * @param older the take before it, which can be kept instead; null when there was none
     */
    record LineRead(ScriptLine line, StoredTake take, StoredTake older) {}

    /**
     * @param page only this page, from 1; null: all
     * @param lineIds only these lines, however they stand; null: all
     */
    Reading begin(Teacher teacher, String lessonId, Selection what, Integer page, List<String> lineIds) {
        LessonView lesson = lessons.lesson(teacher, lessonId);
        List<LineToRead> lines = lesson.pages().stream()
                .filter(each -> page == null || each.number() == page)
                .flatMap(each -> each.lines().stream()
                        .filter(line -> line.line().isSayable())
                        .filter(line -> lineIds == null
                                ? what.takesIn(line.line().state())
                                : lineIds.contains(line.line().id()))
                        .map(line -> new LineToRead(
                                each, line, lesson.pace().ofWordsMs(line.line().words()))))
                .toList();
        return new Reading(lesson, lines, clock.millis());
    }

    /** @param since when the read-through was opened, as {@link Reading} said */
    Summary summary(Teacher teacher, String lessonId, List<String> lineIds, long readingMs, long since) {
        LessonView lesson = lessons.lesson(teacher, lessonId);
        List<LineRead> lines = lesson.script().stream()
                .filter(line -> lineIds.contains(line.line().id()))
                .map(line -> read(line, since))
                .toList();
        long speaking = lines.stream()
                .filter(line -> line.take() != null)
                .mapToLong(line -> line.take().durationMs())
                .sum();
        return new Summary(lesson, lines, readingMs, speaking);
    }

    private LineRead read(ScriptLine line, long since) {
        List<StoredTake> itsTakes = recordings.takesOf(line.line().id());
        boolean came = !itsTakes.isEmpty() && itsTakes.get(0).createdAt() >= since;
        return new LineRead(line, came ? itsTakes.get(0) : null, came && itsTakes.size() > 1 ? itsTakes.get(1) : null);
    }

    /** Keeps a take in place of another one of its line. */
    LineRead keepInstead(Teacher teacher, String takeId, String otherId) {
        StoredTake other = takes.take(teacher, otherId);
        ScriptLine line = takes.keep(teacher, takeId);
        return new LineRead(line, takes.take(teacher, takeId), other);
    }
}
