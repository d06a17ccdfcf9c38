package prolalia.app.account;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.github.bucket4j.Bandwidth;
import io.github.bucket4j.Bucket;
import java.time.Duration;
import java.util.Locale;
import org.springframework.stereotype.Component;

/**
 * Slows down guessing (OWASP ASVS 6.3.1): by a name and an address together, so that nobody can keep a teacher out from another
 * device, and by an address for all names. Only wrong tries count. A device from which a teacher signed in before isn't slowed for
 * her name by what others do: it has a measure of its own.
 */
@Component
class SignInThrottle {
    private static final int REMEMBERED = 50_000;

    private final Cache<String, Bucket> tries = Caffeine.newBuilder()
            .maximumSize(REMEMBERED)
            .expireAfterAccess(Duration.ofHours(1))
            .build();

    /** Seconds until a password is looked at; 0: now. */
    long waitSeconds(String name, String address, boolean knownDevice) {
        long own = waitSeconds(ofName(name, address, knownDevice));
        return knownDevice ? own : Math.max(own, waitSeconds(ofAddress(address)));
    }

    void wrong(String name, String address, boolean knownDevice) {
        ofName(name, address, knownDevice).tryConsume(1);
        if (!knownDevice) {
            ofAddress(address).tryConsume(1);
        }
    }

    void right(String name, String address, boolean knownDevice) {
        tries.invalidate(key(name, address, knownDevice));
    }

    private static long waitSeconds(Bucket bucket) {
        var estimate = bucket.estimateAbilityToConsume(1);
        return estimate.canBeConsumed()
                ? 0
                : Math.max(
                        1, Duration.ofNanos(estimate.getNanosToWaitForRefill()).toSeconds() + 1);
    }

    private Bucket ofName(String name, String address, boolean knownDevice) {
        return tries.get(key(name, address, knownDevice), unseen -> bucket(8, Duration.ofSeconds(20)));
    }

    /** A whole school may come from one address. */
    private Bucket ofAddress(String address) {
        return tries.get("*\n" + address, unseen -> bucket(40, Duration.ofSeconds(2)));
    }

    private static String key(String name, String address, boolean knownDevice) {
        return name.strip().toLowerCase(Locale.ROOT) + "\n" + (knownDevice ? "known" : address);
    }

    private static Bucket bucket(int most, Duration another) {
        return Bucket.builder()
                .addLimit(Bandwidth.builder()
                        .capacity(most)
                        .refillGreedy(1, another)
                        .build())
                .build();
    }
}
