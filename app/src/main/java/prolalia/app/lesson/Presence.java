package prolalia.app.lesson;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;
import prolalia.app.access.LessonAccess;
import prolalia.app.access.LessonRef;
import prolalia.app.access.Right;
import prolalia.app.account.SignedInTeacher;

/** Who is in which lesson now: in memory, and forgotten some seconds after she was last heard of. */
@Component
class Presence {
    private static final long GONE_AFTER_NS = Duration.ofSeconds(25).toNanos();
    private static final int LESSONS = 5_000;

    private final Cache<String, Map<String, Seen>> lessons = Caffeine.newBuilder()
            .maximumSize(LESSONS)
            .expireAfterAccess(Duration.ofMinutes(2))
            .build();

    private final LessonAccess access;
    private final OpenedStore opened;
    private final Clock clock;

    Presence(LessonAccess access, OpenedStore opened, Clock clock) {
        this.access = access;
        this.opened = opened;
        this.clock = clock;
    }

    private record Seen(String name, long atNs) {}

    /** Somebody is here; answers the names of the others who are. When she comes, the lesson is the one she opened last. */
    List<String> here(SignedInTeacher teacher, String lessonId) {
        LessonRef lesson = access.require(teacher.actor(), lessonId, Right.READ);
        String teacherId = teacher.id();
        long now = System.nanoTime();
        Map<String, Seen> seen = lessons.get(lesson.id(), unseen -> new ConcurrentHashMap<>());
        seen.values().removeIf(each -> now - each.atNs() > GONE_AFTER_NS);
        if (seen.put(teacherId, new Seen(teacher.fullName(), now)) == null) {
            opened.add(teacherId, lesson, clock.millis());
        }
        return seen.entrySet().stream()
                .filter(each -> !each.getKey().equals(teacherId))
                .map(each -> each.getValue().name())
                .sorted()
                .toList();
    }
}
