package prolalia.app.desk;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.desk.OnDeskStore.Folder;
import prolalia.app.desk.OnDeskStore.Place;
import prolalia.app.lesson.Binned;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonSharing;
import prolalia.app.lesson.LessonSummary;
import prolalia.app.platform.Ids;
import prolalia.app.platform.NotFoundException;
import prolalia.app.sound.RecordingService;
import prolalia.app.sound.RecordingService.Unfinished;
import prolalia.app.sound.StoredTake;
import prolalia.app.storage.StorageSweeper;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.LineState;
import prolalia.core.script.Coverage;
import prolalia.core.script.Pace;
import prolalia.core.script.ReadingTime;

@Service
class DeskService {
    private static final int NOON = 12;
    private static final int EVENING = 18;

    /** More marks than this are too narrow to be told apart on a cover. */
    private static final int MOST_MARKS = 28;

    private static final int LESSONS_KNOWN = 20_000;
    private static final int MOST_WAITING = 8;
    private static final int MOST_FOLDERS = 60;
    private static final int LONGEST_FOLDER = 60;
    private static final Place NOWHERE = new Place(0, null);
    private static final Facts NOTHING = Facts.of(List.of());

    private final LessonService lessonService;
    private final RecordingService recordings;
    private final LessonSharing sharing;
    private final OnDeskStore onDesk;
    private final Clock clock;
    private final Cache<Key, Facts> known =
            Caffeine.newBuilder().maximumSize(LESSONS_KNOWN).build();

    DeskService(
            LessonService lessonService,
            RecordingService recordings,
            LessonSharing sharing,
            OnDeskStore onDesk,
            Clock clock) {
        this.sharing = sharing;
        this.onDesk = onDesk;
        this.lessonService = lessonService;
        this.recordings = recordings;
        this.clock = clock;
    }

    /**
     * What lies on a teacher's desk.
     *
     * @param partOfDay for the greeting
     * @param shown those of them that are looked for, in order
     * @param found how many are, shown or not
     * @param lastTake the newest take, null before the first
     */
    record Desk(
            PartOfDay partOfDay,
            List<Book> books,
            List<Book> shown,
            int found,
            List<Folder> folders,
            List<Unfinished> unfinished,
            StoredTake lastTake) {
        public long booksWithSilence() {
            return books.stream()
                    .filter(book -> book.coverage().linesToRead() > 0)
                    .count();
        }

        /** Those that were changed last. */
        public List<Book> toRead() {
            return books.stream()
                    .filter(book -> book.coverage().linesToRead() > 0)
                    .limit(MOST_WAITING)
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
     * @param sharedBy who made it; null: it is her own
     * @param folderId null: it lies in none
     */
    record Book(
            LessonSummary lesson,
            Coverage coverage,
            List<LineState> marks,
            long toReadMs,
            LocalDate changed,
            String sharedBy,
            String folderId,
            long openedAt) {}

    Desk deskOf(Teacher teacher, Arrangement arrangement) {
        Pace pace = lessonService.pace(teacher);
        List<LessonSummary> lessons = lessonService.lessonsOf(teacher);
        learn(lessons.stream()
                .filter(lesson -> known.getIfPresent(Key.of(lesson)) == null)
                .toList());
        Map<String, String> owners = sharing.ownersOfShared(
                teacher, lessons.stream().map(LessonSummary::id).toList());
        Map<String, Place> places = onDesk.places(teacher.id());
        List<Book> books = lessons.stream()
                .map(lesson -> book(
                        lesson,
                        known.get(Key.of(lesson), unseen -> NOTHING),
                        pace,
                        owners.get(lesson.id()),
                        places.getOrDefault(lesson.id(), NOWHERE)))
                .toList();
        List<Book> found = books.stream()
                .filter(arrangement::shows)
                .sorted(arrangement.comparator())
                .toList();
        int most = arrangement.all() ? found.size() : Math.min(found.size(), Arrangement.MOST_AT_ONCE);
        Optional<StoredTake> last = recordings.lastTakeOf(teacher);
        return new Desk(
                partOfDay(),
                books,
                found.subList(0, most),
                found.size(),
                onDesk.folders(teacher.id()),
                recordings.unfinished(teacher),
                last.orElse(null));
    }

    @Transactional
    String addFolder(Teacher teacher, String name) {
        String id = Ids.newId();
        String tidy = name.strip();
        if (!tidy.isEmpty() && onDesk.folders(teacher.id()).size() < MOST_FOLDERS) {
            onDesk.addFolder(id, teacher.id(), tidy.substring(0, Math.min(LONGEST_FOLDER, tidy.length())));
        }
        return id;
    }

    @Transactional
    void removeFolder(Teacher teacher, String folderId) {
        onDesk.removeFolder(folder(teacher, folderId));
    }

    /** @param folderId blank: into none */
    @Transactional
    void put(Teacher teacher, String lessonId, String folderId) {
        onDesk.put(
                teacher.id(),
                lessonService.seen(teacher, lessonId),
                folderId.isBlank() ? null : folder(teacher, folderId));
    }

    private String folder(Teacher teacher, String folderId) {
        return onDesk.folders(teacher.id()).stream()
                .map(Folder::id)
                .filter(folderId::equals)
                .findFirst()
                .orElseThrow(() -> new NotFoundException("folder"));
    }

    /** @param daysLeft until it is gone */
    record InBin(Binned what, LocalDate removed, long daysLeft) {}

    List<InBin> bin(Teacher teacher) {
        Instant now = clock.instant();
        return lessonService.bin(teacher).stream()
                .map(each -> {
                    Instant removed = Instant.ofEpochMilli(each.removedAt());
                    // A day that has begun counts.
                    long left = StorageSweeper.BIN
                            .minus(Duration.between(removed, now))
                            .plusDays(1)
                            .minusMillis(1)
                            .toDays();
                    return new InBin(each, LocalDate.ofInstant(removed, ZoneId.systemDefault()), Math.max(0, left));
                })
                .toList();
    }

    /** What a cover shows of a lesson's script; the same as long as the lesson's revision is. */
    private record Facts(Coverage coverage, List<LineState> marks, double toReadMs) {
        static Facts of(List<Line> script) {
            return new Facts(
                    Coverage.of(script), Coverage.marks(script, MOST_MARKS), ReadingTime.ofLinesToReadMs(script));
        }
    }

    private record Key(String lessonId, long revision) {
        static Key of(LessonSummary lesson) {
            return new Key(lesson.id(), lesson.revision());
        }
    }

    private void learn(List<LessonSummary> lessons) {
        Map<String, List<Line>> lines = lessonService.linesOf(lessons);
        lessons.forEach(lesson -> known.put(Key.of(lesson), Facts.of(lines.getOrDefault(lesson.id(), List.of()))));
    }

    private static Book book(LessonSummary lesson, Facts facts, Pace pace, String sharedBy, Place place) {
        return new Book(
                lesson,
                facts.coverage(),
                facts.marks(),
                pace.ofReadingMs(facts.toReadMs()),
                LocalDate.ofInstant(Instant.ofEpochMilli(lesson.changedAt()), ZoneId.systemDefault()),
                sharedBy,
                place.folderId(),
                place.openedAt());
    }

    private PartOfDay partOfDay() {
        int hour =
                ZonedDateTime.ofInstant(clock.instant(), ZoneId.systemDefault()).getHour();
        return hour < NOON ? PartOfDay.MORNING : hour < EVENING ? PartOfDay.AFTERNOON : PartOfDay.EVENING;
    }
}
