package prolalia.app.access;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpFilter;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.InetAddress;
import java.net.NetworkInterface;
import java.net.SocketException;
import java.net.URI;
import java.net.UnknownHostException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.util.HtmlUtils;
import prolalia.app.platform.HouseProperties;
import prolalia.app.platform.Messages;
import prolalia.app.school.SchoolService;

/**
 * Answers only to this server's own names (RFC 9110, 7.4): those of the machine and its addresses, the school's address, and names
 * that it was started with. A forged one never gets into a link, a code or a cache.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class KnownHosts extends HttpFilter {
    private static final Duration LOOKED_UP_EVERY = Duration.ofSeconds(10);

    private final transient SchoolService school;
    private final transient Messages messages;
    private final List<String> named;
    private final transient LoadingCache<Boolean, Set<String>> hosts =
            Caffeine.newBuilder().expireAfterWrite(LOOKED_UP_EVERY).build(key -> lookUp());

    KnownHosts(SchoolService school, Messages messages, HouseProperties house) {
        this.school = school;
        this.messages = messages;
        named = house.hosts();
    }

    @Override
    protected void doFilter(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws IOException, ServletException {
        String host = plain(request.getServerName());
        if (hosts.get(true).contains(host)) {
            chain.doFilter(request, response);
            return;
        }
        response.setStatus(host.isEmpty() ? HttpStatus.BAD_REQUEST.value() : HttpStatus.MISDIRECTED_REQUEST.value());
        response.setHeader(HttpHeaders.CONNECTION, "close");
        response.setContentType("text/html;charset=UTF-8");
        response.setHeader("Content-Security-Policy", "default-src 'none'");
        String text = messages.say("host.unknown", host.length() > 200 ? host.substring(0, 200) : host);
        String page = "<!DOCTYPE html><html lang=\"en\"><meta charset=\"utf-8\"><title>Prolalia</title><p>"
                + HtmlUtils.htmlEscape(text) + "</p></html>";
        response.getOutputStream().write(page.getBytes(StandardCharsets.UTF_8));
    }

    private Set<String> lookUp() {
        Set<String> known = new HashSet<>(Set.of("localhost", "127.0.0.1", plain("::1")));
        named.forEach(name -> known.add(plain(name)));
        String address = school.settings().address();
        if (address != null) {
            known.add(plain(URI.create(address).getHost()));
        }
        try {
            String own = InetAddress.getLocalHost().getHostName();
            known.add(plain(own));
            known.add(plain(own.split("\\.")[0] + ".local"));
            NetworkInterface.networkInterfaces()
                    .flatMap(NetworkInterface::inetAddresses)
                    .forEach(each -> known.add(plain(each.getHostAddress())));
        } catch (UnknownHostException | SocketException noNetwork) {
            // Then it is reached as localhost alone.
        }
        return known;
    }

    /** In lower case, without the brackets and the zone of an IPv6 address (RFC 3986, 3.2.2; RFC 6874). */
    private static String plain(String host) {
        if (host == null) {
            return "";
        }
        String bare = host.startsWith("[") && host.endsWith("]") ? host.substring(1, host.length() - 1) : host;
        int zone = bare.indexOf('%');
        String lower = (zone < 0 ? bare : bare.substring(0, zone)).toLowerCase(Locale.ROOT);
        try {
            return lower.contains(":") ? InetAddress.getByName(lower).getHostAddress() : lower;
        } catch (UnknownHostException noAddress) {
            return lower;
        }
    }
}
