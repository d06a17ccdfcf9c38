package prolalia.app.school;

import jakarta.servlet.http.HttpServletRequest;
import java.net.Inet4Address;
import java.net.InetAddress;
import java.net.NetworkInterface;
import java.net.SocketException;
import java.net.UnknownHostException;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.web.server.context.WebServerInitializedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import prolalia.app.platform.HouseProperties;

/** The address at which students reach this server: as set for the school, or else worked out. */
@Component
public class SchoolAddress {
    private final SchoolService school;
    private final String listensOn;
    private final boolean behindProxy;
    private final int plainPort;
    private final String under;
    private volatile int securePort;

    SchoolAddress(
            SchoolService school,
            HouseProperties house,
            @Value("${server.address:}") String listensOn,
            @Value("${server.tomcat.remoteip.internal-proxies:}") String proxies,
            @Value("${server.servlet.context-path:}") String under) {
        this.school = school;
        this.listensOn = listensOn;
        behindProxy = !proxies.isEmpty();
        plainPort = house.plainPort();
        this.under = under;
    }

    @EventListener
    void opened(WebServerInitializedEvent event) {
        securePort = event.getWebServer().getPort();
    }

    /**
     * An address.
     *
     * @param base without a slash at the end
     * @param thisMachineOnly whether no other device can reach it
     */
    public record Address(String base, boolean thisMachineOnly) {}

    /**
     * A teacher who works on the server itself sees "localhost"; a tablet needs this machine's name in the network. Where plain
     * HTTP is answered beside HTTPS it is plain: a certificate of the server's own would be warned of.
     */
    public Address address(HttpServletRequest request) {
        String set = set();
        if (set != null) {
            return new Address(set, false);
        }
        String host = host(request);
        return new Address(base(host, request), isLoopback(host));
    }

    /** As it was set for the school, with the path under which this server is; null: it wasn't. */
    private String set() {
        String set = school.settings().address();
        return set == null || set.endsWith(under) ? set : set + under;
    }

    private String host(HttpServletRequest request) {
        String host = request.getServerName();
        boolean onNetwork = listensOn.isEmpty() || listensOn.equals("0.0.0.0") || listensOn.equals("::");
        return isLoopback(host) && onNetwork ? networkAddress().orElse(host) : host;
    }

    /** The address of secure pages, which alone are given a microphone (W3C Secure Contexts); empty: there is none. */
    public Optional<String> secure(HttpServletRequest request) {
        String set = set();
        if (set != null && set.startsWith("https:")) {
            return Optional.of(set);
        }
        if (plainPort > 0) {
            return Optional.of("https://" + host(request) + (securePort == 443 ? "" : ":" + securePort) + under);
        }
        return request.isSecure() ? Optional.of(base(host(request), request)) : Optional.empty();
    }

    /** @param host one of this server's own (see KnownHosts); its port is not taken from what the browser says of it */
    private String base(String host, HttpServletRequest request) {
        if (plainPort > 0) {
            return "http://" + host + (plainPort == 80 ? "" : ":" + plainPort) + under;
        }
        int port = behindProxy ? request.getServerPort() : request.getLocalPort();
        boolean usual = port == (request.isSecure() ? 443 : 80);
        return (request.isSecure() ? "https://" : "http://") + host + (usual ? "" : ":" + port) + under;
    }

    private static boolean isLoopback(String host) {
        try {
            return host.equals("localhost")
                    || Character.isDigit(host.charAt(0))
                            && InetAddress.getByName(host).isLoopbackAddress()
                    || host.equals("[::1]");
        } catch (UnknownHostException unreadable) {
            return false;
        }
    }

    /** The first of {@link #networkAddresses}. */
    static Optional<String> networkAddress() {
        return networkAddresses().stream().findFirst();
    }

    /** This machine's addresses in its networks, those in private ones (RFC 1918) first. */
    public static List<String> networkAddresses() {
        try {
            return NetworkInterface.networkInterfaces()
                    .flatMap(NetworkInterface::inetAddresses)
                    .filter(address -> address instanceof Inet4Address
                            && !address.isLoopbackAddress()
                            && !address.isLinkLocalAddress())
                    .sorted(Comparator.comparing((InetAddress address) -> !address.isSiteLocalAddress()))
                    .map(InetAddress::getHostAddress)
                    .toList();
        } catch (SocketException noNetwork) {
            return List.of();
        }
    }
}
