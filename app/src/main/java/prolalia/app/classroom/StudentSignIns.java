package prolalia.app.classroom;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import prolalia.app.account.Actor.Student;
import prolalia.app.account.CookieSignIns;
import prolalia.app.platform.Ids;

/**
 * Remembers which child came in, by a secret in a cookie of the browser's session: a tablet that is closed has forgotten her, and
 * a school day later the server has as well.
 */
@Component
public class StudentSignIns {
    static final String COOKIE = "prolalia-child";
    private static final Duration LONGEST = Duration.ofHours(10);

    private final DoorStore store;
    private final Clock clock;

    StudentSignIns(DoorStore store, Clock clock) {
        this.store = store;
        this.clock = clock;
    }

    public Optional<Student> student(HttpServletRequest request) {
        return secret(request)
                .flatMap(secret -> store.signedIn(CookieSignIns.hash(secret), clock.millis() - LONGEST.toMillis()));
    }

    /** By what a child's device is told apart from others at which she is. */
    public static String device(HttpServletRequest request) {
        return CookieSignIns.hash(secret(request).orElse(""));
    }

    void enter(Student student, HttpServletRequest request, HttpServletResponse response) {
        secret(request).ifPresent(secret -> store.signOut(CookieSignIns.hash(secret)));
        String secret = Ids.newToken();
        store.signIn(CookieSignIns.hash(secret), student, clock.millis());
        response.addHeader(
                HttpHeaders.SET_COOKIE,
                CookieSignIns.cookie(COOKIE, secret, request).build().toString());
    }

    void leave(HttpServletRequest request, HttpServletResponse response) {
        secret(request).ifPresent(secret -> store.signOut(CookieSignIns.hash(secret)));
        response.addHeader(
                HttpHeaders.SET_COOKIE,
                CookieSignIns.cookie(COOKIE, "", request).maxAge(0).build().toString());
    }

    private static Optional<String> secret(HttpServletRequest request) {
        return CookieSignIns.value(COOKIE, request);
    }

    @Scheduled(fixedDelay = 3_600_000)
    void forget() {
        store.removeMadeBefore(clock.millis() - LONGEST.toMillis());
    }
}
