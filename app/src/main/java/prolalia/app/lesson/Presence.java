package prolalia.app.lesson;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
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

    private record Seen(String name, long atNs) {}

    /** Somebody is here; answers the names of the others who are. */
    List<String> here(String lessonId, String teacherId, String name) {
        long now = System.nanoTime();
        Map<String, Seen> seen = lessons.get(lessonId, unseen -> new ConcurrentHashMap<>());
        seen.put(teacherId, new Seen(name, now));
        seen.values().removeIf(each -> now - each.atNs() > GONE_AFTER_NS);
        return seen.entrySet().stream()
                .filter(each -> !each.getKey().equals(teacherId))
                .map(each -> each.getValue().name())
                .sorted()
                .toList();
    }
}
