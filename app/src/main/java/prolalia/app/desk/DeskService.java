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
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.access.LessonSummary;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.desk.OnDeskStore.Folder;
import prolalia.app.desk.OnDeskStore.Place;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.Said;
import prolalia.app.lesson.LessonSharing;
import prolalia.app.pages.Binned;
import prolalia.app.platform.Ids;
import prolalia.app.platform.NotFoundException;
import prolalia.app.spoken.LineRecordings;
import prolalia.app.spoken.LineRecordings.Unfinished;
import prolalia.app.spoken.StoredTake;
import prolalia.app.storage.StorageSweeper;
import prolalia.core.classroom.SchoolYear;
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
    private static final int MOST_SAID = 40;
    private static final int MOST_FOLDERS = 60;
    private static final int LONGEST_FOLDER = 60;
    private static final Place NOWHERE = new Place(0, null);
    private static final Facts NOTHING = Facts.of(List.of());

    private final LessonService lessonService;
    private final LineRecordings recordings;
    private final LessonSharing sharing;
    private final OnDeskStore onDesk;
    private final Clock clock;
    private final Cache<Key, Facts> known =
            Caffeine.newBuilder().maximumSize(LESSONS_KNOWN).build();

    DeskService(
            LessonService lessonService,
            LineRecordings recordings,
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
     * @param putAway those of earlier school years, when nothing is looked for
     * @param said lines that say what is looked for
     * @param steps of a first visit; null: she isn't led
     * @param lastTake the newest take, null before the first
     */
    record Desk(
            PartOfDay partOfDay,
            List<Book> books,
            List<Book> shown,
            int found,
            List<Book> putAway,
            List<Said> said,
            FirstSteps steps,
            List<Folder> folders,
            List<Unfinished> unfinished,
            StoredTake lastTake) {
        public long booksWithSilence() {
            return books.stream()
                    .filter(book -> book.coverage().linesToRead() > 0)
                    .count();
        }

        /** Those that were changed last; what is put away waits for nobody. */
        public List<Book> toRead() {
            return books.stream()
                    .filter(book -> book.thisYear() && book.coverage().linesToRead() > 0)
                    .limit(MOST_WAITING)
                    .toList();
        }
    }

    /**
     * What somebody did of her first lesson.
     *
     * @param lessonId with which she goes on; null: she has none
     */
    record FirstSteps(String lessonId, boolean hasWords, boolean voiced, boolean given) {}

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
     * @param thisYear whether something was done with it in this school year
     */
    record Book(
            LessonSummary lesson,
            Coverage coverage,
            List<LineState> marks,
            long toReadMs,
            LocalDate changed,
            String sharedBy,
            String folderId,
            long openedAt,
            boolean thisYear) {}

    Desk deskOf(Teacher teacher, Arrangement arrangement) {
        Pace pace = lessonService.pace(teacher);
        List<LessonSummary> lessons = lessonService.lessonsOf(teacher);
        learn(lessons.stream()
                .filter(lesson -> known.getIfPresent(Key.of(lesson)) == null)
                .toList());
        Map<String, String> owners = sharing.ownersOfShared(
                teacher, lessons.stream().map(LessonSummary::id).toList());
        Map<String, Place> places = onDesk.places(teacher.id());
        long year = SchoolYear.of(LocalDate.ofInstant(clock.instant(), ZoneId.systemDefault()))
                .firstDay()
                .atStartOfDay(ZoneId.systemDefault())
                .toInstant()
                .toEpochMilli();
        List<Book> books = lessons.stream()
                .map(lesson -> book(
                        lesson,
                        known.get(Key.of(lesson), unseen -> NOTHING),
                        pace,
                        owners.get(lesson.id()),
                        places.getOrDefault(lesson.id(), NOWHERE),
                        year))
                .toList();
        Map<Boolean, List<Book>> found = books.stream()
                .filter(arrangement::shows)
                .sorted(arrangement.comparator())
                .collect(Collectors.partitioningBy(arrangement::isOfNow));
        List<Book> now = found.get(true);
        int most = arrangement.all() ? now.size() : Math.min(now.size(), Arrangement.MOST_AT_ONCE);
        Optional<StoredTake> last = recordings.lastTakeOf(teacher);
        return new Desk(
                partOfDay(),
                books,
                now.subList(0, most),
                now.size(),
                found.get(false),
                arrangement.words().isBlank()
                        ? List.of()
                        : lessonService.saying(lessons, arrangement.words(), MOST_SAID),
                steps(teacher, books, last.isPresent()),
                onDesk.folders(teacher.id()),
                recordings.unfinished(teacher),
                last.orElse(null));
    }

    private FirstSteps steps(Teacher teacher, List<Book> books, boolean voiced) {
        if (!teacher.role().teaches() || !onDesk.isLed(teacher.id())) {
            return null;
        }
        Optional<Book> begun =
                books.stream().filter(book -> book.sharedBy() == null).findFirst();
        return new FirstSteps(
                begun.map(book -> book.lesson().id()).orElse(null),
                begun.filter(book -> book.coverage().lines() > 0).isPresent(),
                voiced,
                onDesk.gaveSomething(teacher.id()));
    }

    @Transactional
    void isLedNoMore(Teacher teacher) {
        onDesk.isLedNoMore(teacher.id());
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

    private static Book book(
            LessonSummary lesson, Facts facts, Pace pace, String sharedBy, Place place, long yearBegins) {
        return new Book(
                lesson,
                facts.coverage(),
                facts.marks(),
                pace.ofReadingMs(facts.toReadMs()),
                LocalDate.ofInstant(Instant.ofEpochMilli(lesson.changedAt()), ZoneId.systemDefault()),
                sharedBy,
                place.folderId(),
                place.openedAt(),
                Math.max(place.openedAt(), lesson.changedAt()) >= yearBegins);
    }

    private PartOfDay partOfDay() {
        int hour =
                ZonedDateTime.ofInstant(clock.instant(), ZoneId.systemDefault()).getHour();
        return hour < NOON ? PartOfDay.MORNING : hour < EVENING ? PartOfDay.AFTERNOON : PartOfDay.EVENING;
    }
}
