package prolalia.app.limits;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.github.bucket4j.Bandwidth;
import io.github.bucket4j.Bucket;
import java.time.Duration;
import java.util.HashMap;
import java.util.Map;

/** How many bodies of people who aren't signed in are read at a time, and how often an address may send one. */
final class AnonymousBodySlots {
    private static final int AT_A_TIME = 24;
    private static final int OF_AN_ADDRESS = 8;

    /** A whole class may come from one address, and every child may ask for a hint. */
    private static final int WRITES_AT_ONCE = 200;

    private static final int WRITES_A_SECOND = 30;
    private static final int ADDRESSES = 20_000;

    private final Map<String, Integer> reading = new HashMap<>();
    private int all;
    private final Cache<String, Bucket> writes = Caffeine.newBuilder()
            .maximumSize(ADDRESSES)
            .expireAfterAccess(Duration.ofMinutes(10))
            .build();

    synchronized boolean enter(String address) {
        int own = reading.getOrDefault(address, 0);
        if (all >= AT_A_TIME || own >= OF_AN_ADDRESS) {
            return false;
        }
        all++;
        reading.put(address, own + 1);
        return true;
    }

    synchronized void leave(String address) {
        all--;
        reading.computeIfPresent(address, (key, own) -> own == 1 ? null : own - 1);
    }

    boolean mayWrite(String address) {
        return writes.get(
                        address,
                        unseen -> Bucket.builder()
                                .addLimit(Bandwidth.builder()
                                        .capacity(WRITES_AT_ONCE)
                                        .refillGreedy(WRITES_A_SECOND, Duration.ofSeconds(1))
                                        .build())
                                .build())
                .tryConsume(1);
    }
}
