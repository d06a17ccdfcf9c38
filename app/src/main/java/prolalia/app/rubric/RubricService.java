package prolalia.app.rubric;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.access.LessonRef;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.Lessons;
import prolalia.app.library.LibraryService;
import prolalia.app.lines.ScriptLine;
import prolalia.app.platform.Ids;
import prolalia.app.platform.NotFoundException;
import prolalia.core.lesson.LineKind;
import prolalia.core.marking.Rubric;
import prolalia.core.marking.Rubric.Criterion;
import prolalia.core.marking.RubricText;
import prolalia.core.marking.RubricText.Reading;

/** Rubrics are made once and used for many questions. */
@Service
public class RubricService {
    /** A criterion without a level as yet. */
    public static final int NONE = -1;

    private final RubricStore store;
    private final LessonService lessons;
    private final Lessons lessonStore;
    private final LibraryService library;
    private final Clock clock;

    RubricService(RubricStore store, LessonService lessons, Lessons lessonStore, LibraryService library, Clock clock) {
        this.library = library;
        this.store = store;
        this.lessons = lessons;
        this.lessonStore = lessonStore;
        this.clock = clock;
    }

    public record Held(String id, String teacherId, Rubric rubric) {}

    /**
     * The level of an answer by one criterion.
     *
     * @param name of the criterion
     * @param words of the level
     * @param soundHash of a standing line that says them; null: they are read alone
     */
    public record Level(int criterion, int level, String name, String words, String soundHash) {}

    public List<Held> of(Teacher teacher) {
        return store.ofTeacher(teacher.id());
    }

    Held own(Teacher teacher, String id) {
        return store.find(id)
                .filter(held -> held.teacherId().equals(teacher.id()))
                .orElseThrow(() -> new NotFoundException("rubric"));
    }

    /** Keeps it, unless it has faults. */
    Reading make(Teacher teacher, String name, List<List<String>> rows) {
        Reading reading = RubricText.read(name, rows);
        if (reading.rubric() != null) {
            store.add(new Held(Ids.newId(), teacher.id(), reading.rubric()), clock.millis());
        }
        return reading;
    }

    void remove(Teacher teacher, String id) {
        store.setRemoved(own(teacher, id).id(), clock.millis());
    }

    public Optional<Held> ofQuestion(String questionId) {
        return store.ofQuestion(questionId);
    }

    /** @param rubricId empty: none */
    public void use(Teacher teacher, String questionId, String rubricId) {
        store.use(questionId, rubricId.isEmpty() ? null : own(teacher, rubricId).id());
    }

    public List<Level> levels(String answerId) {
        return store.levels(answerId);
    }

    /**
     * Sets the levels of an answer; answers what it is worth when there is one for each criterion.
     *
     * @param levels for each criterion the index of its level, or {@link #NONE}
     * @throws IllegalArgumentException if there is no such level
     */
    @Transactional
    public Optional<Double> mark(Teacher teacher, Held held, String answerId, List<Integer> levels, double most) {
        List<Criterion> criteria = held.rubric().criteria();
        if (levels.size() != criteria.size()) {
            throw new IllegalArgumentException(levels.size() + " levels");
        }
        Map<String, String> said = said(teacher);
        List<Level> kept = new ArrayList<>();
        for (int i = 0; i < levels.size(); i++) {
            if (levels.get(i) != NONE) {
                String words = criteria.get(i).levels().get(levels.get(i)).words();
                kept.add(new Level(i, levels.get(i), criteria.get(i).name(), words, said.get(likeness(words))));
            }
        }
        boolean all = kept.size() == criteria.size();
        Optional<Double> points = all ? Optional.of(held.rubric().points(levels, most)) : Optional.empty();
        store.setLevels(answerId, teacher.id(), kept, clock.millis());
        return points;
    }

    /** What a teacher's standing lines say that are read, with its sound. */
    private Map<String, String> said(Teacher teacher) {
        return lessonStore
                .shelf(teacher.id())
                .map(shelf -> lessons.lesson(teacher, shelf.id()).script().stream()
                        .filter(line -> line.soundHash() != null)
                        .collect(Collectors.toMap(
                                line -> likeness(line.line().words()), ScriptLine::soundHash, (first, same) -> first)))
                .orElse(Map.of());
    }

    private static String likeness(String words) {
        return words.strip().toLowerCase(Locale.ROOT);
    }

    /** How many words of each rubric of hers no child hears as yet, by its id. */
    Map<String, Long> unread(Teacher teacher) {
        Map<String, String> said = said(teacher);
        return of(teacher).stream()
                .collect(Collectors.toMap(
                        Held::id,
                        held -> levels(held)
                                .filter(words -> !said.containsKey(likeness(words)))
                                .count()));
    }

    private static Stream<String> levels(Held held) {
        return held.rubric().criteria().stream()
                .flatMap(criterion -> criterion.levels().stream())
                .map(Rubric.Level::words)
                .filter(words -> !words.isBlank())
                .distinct();
    }

    /** What is to be read. @param shelf the lesson of the standing lines */
    record ToRead(String shelf, List<String> lines) {}

    /** The words of a rubric that no child hears as yet stand on the shelf from now on, to be read through. */
    ToRead toTheShelf(Teacher teacher, String id) {
        Map<String, String> said = said(teacher);
        List<String> lines = levels(own(teacher, id))
                .filter(words -> !said.containsKey(likeness(words)))
                .map(words -> library.standingLine(teacher, LineKind.PASSAGE, words))
                .toList();
        return new ToRead(lessonStore.shelf(teacher.id()).map(LessonRef::id).orElse(null), lines);
    }

    /** The child can meet the levels of her answers, and hears those that were read meanwhile. @param studentId null: all of them can */
    @Transactional
    public void give(Teacher teacher, String assignmentId, String studentId) {
        Map<String, String> said = said(teacher);
        store.silent(teacher.id(), assignmentId).forEach(words -> {
            String sound = said.get(likeness(words));
            if (sound != null) {
                store.voice(teacher.id(), assignmentId, words, sound);
            }
        });
        store.give(teacher.id(), assignmentId, studentId, clock.millis());
    }

    /** How many answers she judged whose children can't meet that as yet. */
    public int waiting(Teacher teacher, String assignmentId) {
        return store.waiting(teacher.id(), assignmentId);
    }

    /** The assignments in which a child may meet levels of her answers. */
    public List<String> givenIn(String studentId) {
        return store.givenIn(studentId);
    }

    /** What a child may meet, by question. */
    public Map<String, List<Level>> given(String assignmentId, String studentId) {
        return store.given(assignmentId, studentId);
    }
}
