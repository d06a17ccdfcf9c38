package prolalia.app.reading;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.LessonService.PageView;
import prolalia.app.lesson.ScriptLine;
import prolalia.app.sound.RecordingService;
import prolalia.app.sound.StoredTake;
import prolalia.core.lesson.LineState;
import prolalia.core.script.ReadingTime;

@Service
class ReadThroughService {
    /** A read-through and its takes' last chunks are over well within this. */
    private static final long LANDING_MS = 120_000;

    private final LessonService lessons;
    private final RecordingService recordings;
    private final Clock clock;

    ReadThroughService(LessonService lessons, RecordingService recordings, Clock clock) {
        this.lessons = lessons;
        this.recordings = recordings;
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

    /** The lines of a read-through in order. */
    record Reading(LessonView lesson, List<LineToRead> lines) {
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
            return lines.stream()
                    .filter(line -> line.take() != null && !line.take().isDoubtful())
                    .count();
        }

        public long flagged() {
            return lines.size() - voiced();
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
     */
    record LineRead(ScriptLine line, StoredTake take) {}

    /**
     * @param page only this page, from 1; null: all
     */
    Reading begin(String teacherId, String lessonId, Selection what, Integer page) {
        LessonView lesson = lessons.lesson(teacherId, lessonId);
        List<LineToRead> lines = lesson.pages().stream()
                .filter(each -> page == null || each.number() == page)
                .flatMap(each -> each.lines().stream()
                        .filter(line -> !line.line().words().isBlank()
                                && what.takesIn(line.line().state()))
                        .map(line -> new LineToRead(
                                each, line, ReadingTime.ofWordsMs(line.line().words()))))
                .toList();
        return new Reading(lesson, lines);
    }

    Summary summary(String teacherId, String lessonId, List<String> lineIds, long readingMs) {
        LessonView lesson = lessons.lesson(teacherId, lessonId);
        long since = clock.millis() - readingMs - LANDING_MS;
        List<LineRead> lines = lesson.script().stream()
                .filter(line -> lineIds.contains(line.line().id()))
                .map(line -> new LineRead(line, take(line, since).orElse(null)))
                .toList();
        long speaking = lines.stream()
                .filter(line -> line.take() != null)
                .mapToLong(line -> line.take().durationMs())
                .sum();
        return new Summary(lesson, lines, readingMs, speaking);
    }

    private Optional<StoredTake> take(ScriptLine line, long since) {
        return recordings.newestSince(line.line().id(), since);
    }
}
