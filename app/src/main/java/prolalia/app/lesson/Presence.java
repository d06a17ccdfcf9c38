package prolalia.app.lesson;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;

/** Who is in which lesson now: in memory, and forgotten some seconds after she was last heard of. */
@Component
class Presence {
    private static final long GONE_AFTER_NS = Duration.ofSeconds(25).toNanos();
    private static final int LESSONS = 5_000;

    private final Cache<String, Map<String, Seen>> lessons = Caffeine.newBuilder()
            .maximumSize(LESSONS)
            .expireAfterAccess(Duration.ofMinutes(2))
            .build();

    private final OnDeskStore onDesk;
    private final Clock clock;

    Presence(OnDeskStore onDesk, Clock clock) {
        this.onDesk = onDesk;
        this.clock = clock;
    }

    private record Seen(String name, long atNs) {}

    /** Somebody is here; answers the names of the others who are. When she comes, the lesson is the one she opened last. */
    List<String> here(String lessonId, String teacherId, String name) {
        long now = System.nanoTime();
        Map<String, Seen> seen = lessons.get(lessonId, unseen -> new ConcurrentHashMap<>());
        seen.values().removeIf(each -> now - each.atNs() > GONE_AFTER_NS);
        if (seen.put(teacherId, new Seen(name, now)) == null) {
            onDesk.opened(teacherId, lessonId, clock.millis());
        }
        return seen.entrySet().stream()
                .filter(each -> !each.getKey().equals(teacherId))
                .map(each -> each.getValue().name())
                .sorted()
                .toList();
    }
}
