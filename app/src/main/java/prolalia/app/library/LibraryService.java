package prolalia.app.library;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.access.LessonRef;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.Lessons;
import prolalia.app.library.LibraryStore.NamedTake;
import prolalia.app.library.LibraryStore.Place;
import prolalia.app.lines.LessonLines;
import prolalia.app.lines.ScriptLine;
import prolalia.app.pages.LessonPages;
import prolalia.app.platform.Messages;
import prolalia.app.spoken.StoredTake;
import prolalia.app.spoken.TakeService;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.SpokenWords;
import prolalia.core.script.WordSearch;

/** All takes of a teacher and her standing lines: found by their words, used again by reference. */
@Service
public class LibraryService {
    /** More isn't looked through but searched. */
    static final int SHOWN_AT_ONCE = 40;

    private final LibraryStore store;
    private final LessonService lessons;
    private final Lessons lessonStore;
    private final LessonPages pageStore;
    private final LessonLines lines;
    private final TakeService takes;
    private final Messages messages;
    private final TransactionTemplate transaction;

    LibraryService(
            LibraryStore store,
            LessonService lessons,
            Lessons lessonStore,
            LessonPages pageStore,
            LessonLines lines,
            TakeService takes,
            Messages messages,
            TransactionTemplate transaction) {
        this.store = store;
        this.lessons = lessons;
        this.lessonStore = lessonStore;
        this.pageStore = pageStore;
        this.lines = lines;
        this.takes = takes;
        this.messages = messages;
        this.transaction = transaction;
    }

    /**
     * What is found.
     *
     * @param all how many takes are found
     * @param more whether there are more of them than these
     */
    record Found(List<StandingLine> standing, List<LibraryTake> takes, int all, boolean more) {}

    /**
     * A standing line.
     *
     * @param folder null when it lies in none that has a name
     * @param places the lines that follow it
     * @param fits whether it says the words that are looked for
     */
    record StandingLine(ScriptLine line, String folder, List<Place> places, boolean fits) {}

    /**
     * A take.
     *
     * @param uses the lines on which it is heard
     * @param fits whether it says the words that are looked for
     */
    record LibraryTake(StoredTake take, Place place, List<Place> uses, boolean fits) {}

    /**
     * @param query words that are in the take, its lesson or its folder
     * @param wanted what is to be said; what says just that comes first; null: nothing
     * @param shown how many takes were shown before
     */
    Found find(Teacher teacher, String query, String wanted, int shown) {
        WordSearch search = new WordSearch(query);
        List<StandingLine> standing = shown > 0 ? List.of() : standing(teacher, search, wanted);
        List<NamedTake> found = store.takes(teacher.id()).stream()
                .filter(take -> search.finds(take.words(), take.place().lesson()))
                .toList();
        List<NamedTake> ordered = wanted == null
                ? found
                : found.stream()
                        .sorted((one, other) -> Boolean.compare(
                                SpokenWords.areTheSame(other.words(), wanted),
                                SpokenWords.areTheSame(one.words(), wanted)))
                        .toList();
        List<NamedTake> part = ordered.stream().skip(shown).limit(SHOWN_AT_ONCE).toList();
        Map<String, List<Place>> uses =
                store.usesOf(part.stream().map(NamedTake::id).toList());
        Map<String, StoredTake> whole =
                takes.takes(part.stream().map(NamedTake::id).toList());
        List<LibraryTake> takesShown = part.stream()
                .map(each -> new LibraryTake(
                        whole.get(each.id()),
                        each.place(),
                        uses.getOrDefault(each.id(), List.of()),
                        wanted != null && SpokenWords.areTheSame(each.words(), wanted)))
                .toList();
        return new Found(standing, takesShown, found.size(), shown + part.size() < found.size());
    }

    private List<StandingLine> standing(Teacher teacher, WordSearch search, String wanted) {
        Optional<LessonRef> shelf = lessonStore.shelf(teacher.id());
        if (shelf.isEmpty()) {
            return List.of();
        }
        LessonView lesson = lessons.lesson(teacher, shelf.get().id());
        Map<String, List<Place>> places = store.placesOf(
                lesson.script().stream().map(line -> line.line().id()).toList());
        return lesson.pages().stream()
                .flatMap(page -> page.lines().stream()
                        .filter(line -> line.line().isSayable())
                        .filter(line -> search.finds(
                                line.line().words(),
                                page.page().title() == null ? "" : page.page().title()))
                        .map(line -> new StandingLine(
                                line,
                                page.page().title(),
                                places.getOrDefault(line.line().id(), List.of()),
                                wanted != null
                                        && SpokenWords.areTheSame(line.line().words(), wanted))))
                .sorted((one, other) -> Boolean.compare(other.fits(), one.fits()))
                .toList();
    }

    /** The shelf of standing lines, to be worked on like any script. */
    LessonRef shelf(Teacher teacher) {
        return lessons.shelf(teacher, messages.say("library.shelf"));
    }

    /** Makes a line a standing one: its words and its take go to the shelf, and it is their first place. */
    void makeStanding(Teacher teacher, String lineId) {
        // The shelf is there before the transaction, which doesn't see what isn't committed on its looking side.
        LessonRef shelf = shelf(teacher);
        String page = pageStore.of(shelf).get(0).id();
        transaction.executeWithoutResult(status -> {
            ScriptLine line = lessons.line(teacher, lineId);
            if (line.standingLineId() == null && !line.lessonId().equals(shelf.id())) {
                String home = lines.add(page, line.line().kind(), line.line().words());
                line.line().kept().ifPresent(take -> lines.keep(home, take.id()));
                lines.setStanding(lineId, home);
            }
        });
    }

    /** The id of the standing line that says this; it comes onto the shelf unless it is there. */
    public String standingLine(Teacher teacher, LineKind kind, String words) {
        LessonRef shelf = shelf(teacher);
        return lessonStore.script(shelf).stream()
                .filter(line -> SpokenWords.areTheSame(line.line().words(), words))
                .map(line -> line.line().id())
                .findFirst()
                .orElseGet(() -> lines.add(pageStore.of(shelf).get(0).id(), kind, words));
    }
}
