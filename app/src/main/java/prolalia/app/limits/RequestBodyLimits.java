package prolalia.app.limits;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpFilter;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.apache.tomcat.util.http.InvalidParameterException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import prolalia.app.account.Actor.Student;
import prolalia.app.account.CookieSignIns;
import prolalia.app.classroom.StudentSignIns;
import prolalia.app.platform.TooSlowException;

/**
 * Looks at every request with a body before anybody reads it (OWASP ASVS 4.1, denial of service by slow bodies): of one that
 * needs a teacher and has none, nothing is read; strangers send little, few of them at a time, and soon; of one person, and of one
 * device, only so many are read at a time; and a body that drips is given up, whoever sends it.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 5)
class RequestBodyLimits extends HttpFilter {
    private static final List<String> STRANGERS_PAGES =
            List.of("/sign-in", "/sign-out", "/first-account", "/enter-demo");

    private static final int STRANGERS_BYTES = 16 << 10;
    private static final int LARGEST_FORM_BYTES = 20 << 20;
    private static final long DRAINED_BYTES = 64 << 10;

    /** Read to its end although it is refused, so that the browser hears why. */
    private static final long TOO_LARGE_DRAINED_BYTES = 210L << 20;

    private final transient CookieSignIns signIns;
    private final transient StudentSignIns children;
    private final transient AnonymousBodySlots strangers = new AnonymousBodySlots();
    private final transient PersonBodySlots friends = new PersonBodySlots();

    RequestBodyLimits(CookieSignIns signIns, StudentSignIns children) {
        this.signIns = signIns;
        this.children = children;
    }

    @Override
    protected void doFilter(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws IOException, ServletException {
        try {
            guard(request, response, chain);
        } catch (InvalidParameterException senseless) {
            // Bytes in an address or a form that are no text (RFC 3629).
            response.sendError(HttpStatus.BAD_REQUEST.value());
        }
    }

    private void guard(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws IOException, ServletException {
        if (isOfChild(request)) {
            // A school may come from one address, and each of its children says what she heard and answers.
            Optional<String> child = children.student(request).map(Student::id);
            if (child.isEmpty() && isWriting(request)) {
                refuse(response, HttpStatus.UNAUTHORIZED);
            } else if (hasBody(request) && child.isPresent()) {
                friend(child.get(), StudentSignIns.device(request), request, response, chain, STRANGERS_BYTES);
            } else if (hasBody(request)) {
                stranger(request, response, chain);
            } else {
                chain.doFilter(request, response);
            }
        } else if (!hasBody(request)) {
            if (isWriting(request) && isOpen(request) && !strangers.mayWrite(request.getRemoteAddr())) {
                refuse(response, HttpStatus.TOO_MANY_REQUESTS);
            } else {
                chain.doFilter(request, response);
            }
        } else if (isSoundOfPhone(request)) {
            // Whether its secret is one is known before anything is read; where it is none, nothing is.
            String phone = request.getServletPath().split("/")[2];
            friend(phone, phone + request.getRemoteAddr(), request, response, chain, 0);
        } else if (isOpen(request)) {
            stranger(request, response, chain);
        } else if (signIns.isSignedIn(request)) {
            String teacher = signIns.whoIsSignedIn(request).orElseThrow();
            friend(teacher, CookieSignIns.device(request), request, response, chain, LARGEST_FORM_BYTES);
        } else if (request.getHeader("X-XSRF-TOKEN") != null || !isForm(request)) {
            refuse(response, HttpStatus.UNAUTHORIZED);
        } else {
            response.setHeader(HttpHeaders.CONNECTION, "close");
            response.sendRedirect(request.getContextPath() + "/sign-in");
        }
    }

    private static boolean isOfChild(HttpServletRequest request) {
        return request.getServletPath().startsWith("/my/");
    }

    private static boolean isWriting(HttpServletRequest request) {
        return !request.getMethod().equals("GET") && !request.getMethod().equals("HEAD");
    }

    private static boolean hasBody(HttpServletRequest request) {
        return request.getContentLengthLong() > 0 || request.getHeader(HttpHeaders.TRANSFER_ENCODING) != null;
    }

    private static boolean isOpen(HttpServletRequest request) {
        String path = request.getServletPath();
        return STRANGERS_PAGES.contains(path)
                || path.startsWith("/l/")
                || path.startsWith("/e/")
                || path.startsWith("/c/")
                || path.startsWith("/phone/")
                || path.startsWith("/password/")
                || path.startsWith("/substitute/")
                || path.startsWith("/door/");
    }

    private static boolean isSoundOfPhone(HttpServletRequest request) {
        return request.getServletPath().startsWith("/phone/")
                && request.getMethod().equals("PUT")
                && !isForm(request);
    }

    private static boolean isForm(HttpServletRequest request) {
        String type = request.getContentType();
        return type != null && type.toLowerCase(java.util.Locale.ROOT).startsWith("application/x-www-form-urlencoded");
    }

    private void stranger(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws IOException, ServletException {
        if (request.getContentLengthLong() > STRANGERS_BYTES) {
            refuse(response, HttpStatus.CONTENT_TOO_LARGE);
            return;
        }
        String address = request.getRemoteAddr();
        if (!strangers.mayWrite(address)) {
            refuse(response, HttpStatus.TOO_MANY_REQUESTS);
            return;
        }
        if (!strangers.enter(address)) {
            response.setHeader(HttpHeaders.RETRY_AFTER, "2");
            refuse(response, HttpStatus.SERVICE_UNAVAILABLE);
            return;
        }
        GuardedRequest guarded = new GuardedRequest(request, SlowBodyLimit.OF_STRANGERS);
        try {
            guarded.readWhole(STRANGERS_BYTES, isForm(request));
        } catch (TooSlowException slow) {
            refuse(response, HttpStatus.REQUEST_TIMEOUT);
            return;
        } catch (GuardedRequest.TooLargeException large) {
            refuse(response, HttpStatus.CONTENT_TOO_LARGE);
            return;
        } finally {
            strangers.leave(address);
        }
        chain.doFilter(guarded, response);
    }

    private void friend(
            String person,
            String device,
            HttpServletRequest request,
            HttpServletResponse response,
            FilterChain chain,
            int largestForm)
            throws IOException, ServletException {
        if (!friends.enter(person, device)) {
            response.setHeader(HttpHeaders.RETRY_AFTER, "1");
            refuse(response, HttpStatus.TOO_MANY_REQUESTS);
            return;
        }
        GuardedRequest guarded = new GuardedRequest(request, SlowBodyLimit.OF_FRIENDS);
        boolean isRead = isForm(request) && request.getMethod().equals("POST");
        try {
            if (isRead) {
                guarded.readWhole(largestForm, true);
            } else {
                passOn(guarded, response, chain);
            }
        } catch (TooSlowException slow) {
            refuse(response, HttpStatus.REQUEST_TIMEOUT);
            return;
        } catch (GuardedRequest.TooLargeException large) {
            response.sendError(HttpStatus.CONTENT_TOO_LARGE.value());
            guarded.drain(TOO_LARGE_DRAINED_BYTES);
            return;
        } finally {
            friends.leave(person, device);
        }
        if (isRead) {
            // What takes its time now holds none of her places.
            chain.doFilter(guarded, response);
        }
    }

    private static void passOn(GuardedRequest request, HttpServletResponse response, FilterChain chain)
            throws IOException, ServletException {
        chain.doFilter(request, response);
        boolean tooLarge = response.getStatus() == HttpStatus.CONTENT_TOO_LARGE.value()
                || response.getStatus() == HttpStatus.INSUFFICIENT_STORAGE.value();
        request.drain(tooLarge ? TOO_LARGE_DRAINED_BYTES : DRAINED_BYTES);
    }

    /** The words are ErrorPage's. */
    private static void refuse(HttpServletResponse response, HttpStatus status) throws IOException {
        if (!response.isCommitted()) {
            response.setHeader(HttpHeaders.CONNECTION, "close");
            response.sendError(status.value());
        }
    }
}
