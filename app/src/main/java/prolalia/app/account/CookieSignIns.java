package prolalia.app.account;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.time.Duration;
import java.util.HexFormat;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.context.SecurityContextHolderStrategy;
import org.springframework.security.web.context.HttpRequestResponseHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.stereotype.Component;
import prolalia.app.platform.Ids;
import prolalia.app.platform.PlainConnector;

/**
 * Remembers who is signed in by a secret in a cookie, of which the database holds the hash and whose it is: who the teacher is is
 * looked up with each request, nothing is written with each, and nothing at all for who isn't signed in. Where the disk is full,
 * whoever is signed in stays so.
 */
@Component
public class CookieSignIns implements SecurityContextRepository {
    private static final Logger LOG = LoggerFactory.getLogger(CookieSignIns.class);

    static final String COOKIE = "prolalia";
    private static final String KNOWN = CookieSignIns.class.getName();
    private static final Duration IDLE = Duration.ofHours(12);
    private static final Duration NOTED_EVERY = Duration.ofMinutes(10);

    private final SecurityContextHolderStrategy holders = SecurityContextHolder.getContextHolderStrategy();
    private final SignInStore signIns;
    private final Clock clock;

    CookieSignIns(SignInStore signIns, Clock clock) {
        this.signIns = signIns;
        this.clock = clock;
    }

    @Override
    @Deprecated
    public SecurityContext loadContext(HttpRequestResponseHolder holder) {
        return load(holder.getRequest());
    }

    @Override
    public org.springframework.security.core.context.DeferredSecurityContext loadDeferredContext(
            HttpServletRequest request) {
        return new DeferredOnce(() -> load(request));
    }

    private SecurityContext load(HttpServletRequest request) {
        SecurityContext context = holders.createEmptyContext();
        teacher(request)
                .ifPresent(teacher -> context.setAuthentication(
                        UsernamePasswordAuthenticationToken.authenticated(teacher, null, teacher.getAuthorities())));
        return context;
    }

    /** Whether a teacher sends this. */
    public boolean isSignedIn(HttpServletRequest request) {
        return teacher(request).isPresent();
    }

    /** The id of the teacher who sends this. */
    public Optional<String> whoIsSignedIn(HttpServletRequest request) {
        return teacher(request).map(SignedInTeacher::id);
    }

    /** By what the device of somebody who is signed in is told apart from her others. */
    public static String device(HttpServletRequest request) {
        return hash(secret(request).orElse(""));
    }

    /** Looked up once for a request. */
    @SuppressWarnings("unchecked")
    private Optional<SignedInTeacher> teacher(HttpServletRequest request) {
        Object known = request.getAttribute(KNOWN);
        Optional<SignedInTeacher> teacher = known == null ? lookedUp(request) : (Optional<SignedInTeacher>) known;
        request.setAttribute(KNOWN, teacher);
        return teacher;
    }

    private Optional<SignedInTeacher> lookedUp(HttpServletRequest request) {
        return secret(request).flatMap(secret -> {
            long now = clock.millis();
            String hash = hash(secret);
            Optional<SignInStore.Held> held = signIns.find(hash, now - IDLE.toMillis(), now);
            held.filter(each -> now - each.seenAt() > NOTED_EVERY.toMillis()).ifPresent(each -> note(hash, now));
            return held.map(SignInStore.Held::teacher);
        });
    }

    private void note(String hash, long now) {
        try {
            signIns.seen(hash, now);
        } catch (RuntimeException fullDisk) {
            LOG.debug("It is not noted that somebody is still there", fullDisk);
        }
    }

    @Override
    public void saveContext(SecurityContext context, HttpServletRequest request, HttpServletResponse response) {
        request.removeAttribute(KNOWN);
        secret(request).ifPresent(secret -> signIns.remove(hash(secret)));
        Authentication who = context.getAuthentication();
        if (who != null && who.isAuthenticated() && who.getPrincipal() instanceof SignedInTeacher teacher) {
            String secret = Ids.newToken();
            signIns.add(hash(secret), teacher.id(), clock.millis());
            response.addHeader(
                    HttpHeaders.SET_COOKIE,
                    cookie(COOKIE, secret, request).build().toString());
        } else if (secret(request).isPresent()) {
            response.addHeader(
                    HttpHeaders.SET_COOKIE,
                    cookie(COOKIE, "", request).maxAge(0).build().toString());
        }
    }

    /** One that no script reads and no other site sends, and that goes with the browser's window. */
    public static ResponseCookie.ResponseCookieBuilder cookie(String name, String value, HttpServletRequest request) {
        return ResponseCookie.from(name, value)
                .httpOnly(true)
                .secure(request.isSecure() && !PlainConnector.isBeside(request))
                .sameSite("Lax")
                .path("/");
    }

    @Override
    public boolean containsContext(HttpServletRequest request) {
        return secret(request).isPresent();
    }

    static Optional<String> secret(HttpServletRequest request) {
        return value(COOKIE, request);
    }

    public static Optional<String> value(String name, HttpServletRequest request) {
        if (request.getCookies() != null) {
            for (Cookie cookie : request.getCookies()) {
                if (cookie.getName().equals(name) && !cookie.getValue().isEmpty()) {
                    return Optional.of(cookie.getValue());
                }
            }
        }
        return Optional.empty();
    }

    /** Who reads the database can't sign in with what is in it. */
    public static String hash(String secret) {
        try {
            return HexFormat.of()
                    .formatHex(MessageDigest.getInstance("SHA-256").digest(secret.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException("Every Java has SHA-256", impossible);
        }
    }

    @Scheduled(fixedDelay = 3_600_000, initialDelay = 600_000)
    void forgetOldOnes() {
        signIns.removeUnseenSince(clock.millis() - IDLE.toMillis());
    }
}
