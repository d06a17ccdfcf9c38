package prolalia.app.link;

import java.time.Clock;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/** What codes were used for, by the hour: counted in memory, and written down every few seconds, all at once. */
@Service
public class LinkUse implements DisposableBean {
    private static final Logger LOG = LoggerFactory.getLogger(LinkUse.class);
    private static final long HOUR_MS = 3_600_000;
    private static final int REMEMBERED = 20_000;

    private final LinkUseStore store;
    private final Clock clock;
    private final Map<Key, Count> counted = new ConcurrentHashMap<>();

    LinkUse(LinkUseStore store, Clock clock) {
        this.store = store;
        this.clock = clock;
    }

    private record Key(String token, int hour) {}

    /**
     * What a code was used for.
     *
     * @param scans how often it was opened
     * @param plays how often something was listened to
     * @param heardPercent the sum of how far each was heard, of a hundred
     */
    public record Count(int scans, int plays, int heardPercent) {
        public static final Count NONE = new Count(0, 0, 0);

        public Count plus(Count other) {
            return new Count(scans + other.scans, plays + other.plays, heardPercent + other.heardPercent);
        }

        /** How far a play was heard, of a hundred, on average. */
        public int heardOnAverage() {
            return plays == 0 ? 0 : heardPercent / plays;
        }
    }

    /** @param hour since 1970 */
    public record Hour(String token, int hour, Count count) {
        public long ms() {
            return hour * HOUR_MS;
        }
    }

    public void scanned(String token) {
        count(token, new Count(1, 0, 0));
    }

    /** @param percent how far, 0 to 100 */
    public void heard(String token, int percent) {
        count(token, new Count(0, 1, Math.max(0, Math.min(100, percent))));
    }

    private void count(String token, Count one) {
        if (counted.size() < REMEMBERED) {
            counted.merge(new Key(token, (int) (clock.millis() / HOUR_MS)), one, Count::plus);
        }
    }

    @Scheduled(fixedDelay = 10_000)
    void writeDown() {
        Map<Key, Count> now = new HashMap<>();
        for (Key key : counted.keySet()) {
            Count count = counted.remove(key);
            if (count != null) {
                now.put(key, count);
            }
        }
        if (now.isEmpty()) {
            return;
        }
        try {
            store.add(now.entrySet().stream()
                    .map(each -> new Hour(each.getKey().token(), each.getKey().hour(), each.getValue()))
                    .toList());
        } catch (RuntimeException fullDisk) {
            LOG.warn("What codes were used for could not be written down as yet: {}", fullDisk.getMessage());
            now.forEach((key, count) -> counted.merge(key, count, Count::plus));
        }
    }

    /** In order of time. */
    public List<Hour> of(Collection<String> tokens) {
        writeDown();
        return store.of(tokens);
    }

    @Override
    public void destroy() {
        writeDown();
    }
}
