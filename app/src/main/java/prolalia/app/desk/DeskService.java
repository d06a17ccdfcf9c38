package prolalia.app.desk;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonSummary;
import prolalia.app.sound.RecordingService;
import prolalia.app.sound.StoredRecording;
import prolalia.app.sound.StoredTake;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.LineState;
import prolalia.core.script.Coverage;
import prolalia.core.script.Pace;

@Service
class DeskService {
    private static final int NOON = 12;
    private static final int EVENING = 18;

    /** More marks than this are too narrow to be told apart on a cover. */
    private static final int MOST_MARKS = 28;

    private final LessonService lessonService;
    private final RecordingService recordings;
    private final Clock clock;

    DeskService(LessonService lessonService, RecordingService recordings, Clock clock) {
        this.lessonService = lessonService;
        this.recordings = recordings;
        this.clock = clock;
    }

    /**
     * What lies on a teacher's desk.
     *
     * @param partOfDay for the greeting
     * @param lastTake the newest take, null before the first
     */
    record Desk(PartOfDay partOfDay, List<Book> books, List<StoredRecording> unfinished, StoredTake lastTake) {
        public long booksWithSilence() {
            return books.stream()
                    .filter(book -> book.coverage().linesToRead() > 0)
                    .count();
        }

        public List<Book> toRead() {
            return books.stream()
                    .filter(book -> book.coverage().linesToRead() > 0)
                    .toList();
        }
    }

    enum PartOfDay {
        MORNING,
        AFTERNOON,
        EVENING
    }

    /**
     * A lesson on the desk.
     *
     * @param marks the state of each line, or of stretches of a long script
     * @param changed the day of the last change
     */
    record Book(LessonSummary lesson, Coverage coverage, List<LineState> marks, long toReadMs, LocalDate changed) {}

    Desk deskOf(Teacher teacher) {
        Map<String, List<Line>> lines = lessonService.linesByLesson(teacher);
        Pace pace = lessonService.pace(teacher);
        List<Book> books = lessonService.lessonsOf(teacher).stream()
                .map(lesson -> book(lesson, lines.getOrDefault(lesson.id(), List.of()), pace))
                .toList();
        Optional<StoredTake> last = recordings.lastTakeOf(teacher);
        return new Desk(partOfDay(), books, recordings.unfinished(teacher), last.orElse(null));
    }

    private static Book book(LessonSummary lesson, List<Line> script, Pace pace) {
        return new Book(
                lesson,
                Coverage.of(script),
                Coverage.marks(script, MOST_MARKS),
                pace.ofLinesToReadMs(script),
                LocalDate.ofInstant(Instant.ofEpochMilli(lesson.changedAt()), ZoneId.systemDefault()));
    }

    private PartOfDay partOfDay() {
        int hour =
                ZonedDateTime.ofInstant(clock.instant(), ZoneId.systemDefault()).getHour();
        return hour < NOON ? PartOfDay.MORNING : hour < EVENING ? PartOfDay.AFTERNOON : PartOfDay.EVENING;
    }
}
