package prolalia.app.classroom;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.github.bucket4j.Bandwidth;
import io.github.bucket4j.Bucket;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Component;
import prolalia.app.account.CookieSignIns;
import prolalia.app.platform.Ids;
import prolalia.core.classroom.Guesses;

/**
 * How often keys and words are tried that are wrong, by the device, the child and the address together: who guesses is slowed and
 * shut out at her own device, and nobody else is. What is right is never counted.
 */
@Component
public class DoorTries {
    private static final String COOKIE = "prolalia-tablet";
    private static final Duration KEPT = Duration.ofDays(365);
    private static final int REMEMBERED = 50_000;

    /** A tablet that is passed on in a class, whose children press wrong keys in turn. */
    private static final int WRONG_OF_A_DEVICE = 30;

    private static final Duration ANOTHER_OF_A_DEVICE = Duration.ofSeconds(3);

    /** A school may come from one address. */
    private static final int WRONG_OF_AN_ADDRESS = 300;

    private static final Duration ANOTHER_OF_AN_ADDRESS = Duration.ofMillis(500);

    /** As many devices as a school has, on its first morning. */
    private static final int NEW_DEVICES = 120;

    private static final Duration ANOTHER_DEVICE = Duration.ofSeconds(60);

    private final KeySeal seal;
    private final DoorStore store;
    private final Cache<String, Bucket> buckets = Caffeine.newBuilder()
            .maximumSize(REMEMBERED)
            .expireAfterAccess(Duration.ofHours(3))
            .build();
    private final Cache<String, Integer> wrong = Caffeine.newBuilder()
            .maximumSize(REMEMBERED)
            .expireAfterAccess(Duration.ofHours(12))
            .build();

    DoorTries(KeySeal seal, DoorStore store) {
        this.seal = seal;
        this.store = store;
    }

    /**
     * From where something is tried.
     *
     * @param id of the device; of its address, where it has none of ours
     */
    public record From(String id, String address) {}

    /** A device is known by a cookie that was given by this server; whoever throws it away is measured by the address. */
    public From from(HttpServletRequest request) {
        String address = request.getRemoteAddr();
        return new From(secret(request).map(CookieSignIns::hash).orElse("at " + address), address);
    }

    private Optional<String> secret(HttpServletRequest request) {
        return CookieSignIns.value(COOKIE, request).filter(value -> {
            int dot = value.indexOf('.');
            return dot > 0 && seal.isSigned(value.substring(0, dot), value.substring(dot + 1));
        });
    }

    /** A device comes to a door for the first time. An address from which very many come gets none for a while. */
    void welcome(HttpServletRequest request, HttpServletResponse response) {
        if (secret(request).isEmpty()
                && bucket("new " + request.getRemoteAddr(), NEW_DEVICES, ANOTHER_DEVICE)
                        .tryConsume(1)) {
            String token = Ids.newToken();
            response.addHeader(
                    HttpHeaders.SET_COOKIE,
                    CookieSignIns.cookie(COOKIE, token + "." + seal.sign(token), request)
                            .maxAge(KEPT)
                            .build()
                            .toString());
        }
    }

    /** Whether a try is looked at: not while too many before it were wrong. @param student null: a word is tried */
    public boolean mayTry(From from, String student) {
        return ofDevice(from).getAvailableTokens() > 0
                && (ofAddress(from).getAvailableTokens() > 0 || student != null && knows(from, student));
    }

    /** Whether a child is shut out at a device, until her teacher lets her in. */
    boolean isShut(From from, ClassStudent student) {
        return new Guesses(wrong.asMap().getOrDefault(key(from, student.id()), 0)).isNoticed()
                || student.guesses().isShut() && !knows(from, student.id());
    }

    private boolean knows(From from, String student) {
        return store.knowsDevice(student, from.id());
    }

    /** Something was wrong. @param student null: a word */
    public void wrong(From from, String student) {
        ofDevice(from).tryConsume(1);
        ofAddress(from).tryConsume(1);
        if (student != null) {
            wrong.asMap().merge(key(from, student), 1, Integer::sum);
        }
    }

    void right(From from, String student, long now) {
        wrong.invalidate(key(from, student));
        store.rememberDevice(student, from.id(), now);
    }

    /** Whether a child is shut out at some device: her teacher sees it until she lets her in. */
    boolean isShutSomewhere(String student) {
        return wrong.asMap().entrySet().stream()
                .anyMatch(each -> each.getKey().endsWith(" " + student) && new Guesses(each.getValue()).isNoticed());
    }

    /** Her teacher lets her in, wherever she is. */
    void letIn(String student) {
        wrong.asMap().keySet().removeIf(each -> each.endsWith(" " + student));
    }

    private static String key(From from, String student) {
        return from.id() + " " + student;
    }

    private Bucket ofDevice(From from) {
        return bucket("of " + from.id(), WRONG_OF_A_DEVICE, ANOTHER_OF_A_DEVICE);
    }

    private Bucket ofAddress(From from) {
        return bucket("from " + from.address(), WRONG_OF_AN_ADDRESS, ANOTHER_OF_AN_ADDRESS);
    }

    private Bucket bucket(String name, int most, Duration another) {
        return buckets.get(
                name,
                unseen -> Bucket.builder()
                        .addLimit(Bandwidth.builder()
                                .capacity(most)
                                .refillGreedy(1, another)
                                .build())
                        .build());
    }
}
