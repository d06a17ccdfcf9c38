package prolalia.app.account;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.Locale;
import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.context.event.EventListener;
import org.springframework.security.authentication.event.AbstractAuthenticationEvent;
import org.springframework.security.authentication.event.AuthenticationFailureBadCredentialsEvent;
import org.springframework.security.authentication.event.AuthenticationSuccessEvent;
import org.springframework.stereotype.Component;

/** Slows down guessing: after some wrong passwords for a name, none is looked at for a while (OWASP ASVS 6.3.1). */
@Component
class SignInThrottle {
    private static final int WRONG_ALLOWED = 8;
    private static final Duration PAUSE = Duration.ofMinutes(5);
    private static final int NAMES_REMEMBERED = 10_000;

    private final Cache<String, AtomicInteger> wrong = Caffeine.newBuilder()
            .maximumSize(NAMES_REMEMBERED)
            .expireAfterWrite(PAUSE)
            .build();

    boolean isPaused(String signInName) {
        AtomicInteger count = wrong.getIfPresent(signInName);
        return count != null && count.get() >= WRONG_ALLOWED;
    }

    @EventListener
    void failed(AuthenticationFailureBadCredentialsEvent event) {
        wrong.get(name(event), unseen -> new AtomicInteger()).incrementAndGet();
    }

    @EventListener
    void succeeded(AuthenticationSuccessEvent event) {
        wrong.invalidate(name(event));
    }

    private static String name(AbstractAuthenticationEvent event) {
        return event.getAuthentication().getName().strip().toLowerCase(Locale.ROOT);
    }
}
