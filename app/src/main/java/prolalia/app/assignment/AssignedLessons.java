package prolalia.app.assignment;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import prolalia.app.assignment.AssignmentStore.Done;
import prolalia.app.player.PlayerService;
import prolalia.core.classroom.Accommodation;
import prolalia.core.classroom.Progress;
import prolalia.core.marking.QuestionWithLines;
import prolalia.core.published.OneByOne;
import prolalia.core.published.PublishedLesson;

/**
 * Lessons as children meet them: the pages that were given, as a child's accommodation says, one question a page where that is
 * set. A class meets the same one with each of its answers, so it is kept by the lesson's revision.
 */
@Component
class AssignedLessons {
    /** Of all lessons together. */
    private static final int LINES_REMEMBERED = 20_000;

    private final PlayerService player;
    private final Cache<Key, MetLesson> known = Caffeine.newBuilder()
            .maximumWeight(LINES_REMEMBERED)
            .weigher((Key key, MetLesson met) -> 1 + (int) met.lesson().lines().count())
            .build();

    AssignedLessons(PlayerService player) {
        this.player = player;
    }

    private record Key(String lessonId, long revision, List<String> pageIds, Accommodation accommodation) {}

    /** @param asked its questions by their ids, in their order */
    record MetLesson(PublishedLesson lesson, Map<String, QuestionWithLines> asked) {}

    MetLesson of(Assignment assignment, Accommodation accommodation) {
        return known.get(
                new Key(assignment.lessonId(), assignment.revision(), assignment.pageIds(), accommodation), this::meet);
    }

    private MetLesson meet(Key key) {
        PublishedLesson whole = player.open(key.lessonId(), key.revision()).lesson();
        PublishedLesson lesson = OneByOne.of(key.accommodation().of(whole.onlyPages(key.pageIds())));
        Map<String, QuestionWithLines> asked = new LinkedHashMap<>();
        lesson.pages().forEach(page -> page.questions().forEach(each -> asked.put(each.id(), each)));
        return new MetLesson(lesson, asked);
    }

    /** @param done null: nothing yet */
    Progress progress(Assignment assignment, Accommodation accommodation, Done done) {
        PublishedLesson lesson = of(assignment, accommodation).lesson();
        return done == null
                ? Progress.of(lesson, List.of(), false, 0, false)
                : Progress.of(lesson, done.heard().keySet(), true, done.lastAt(), done.handedIn());
    }
}
