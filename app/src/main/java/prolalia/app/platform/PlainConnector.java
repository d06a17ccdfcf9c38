package prolalia.app.platform;

import jakarta.servlet.http.HttpServletRequest;
import org.apache.catalina.connector.Connector;
import org.apache.coyote.http11.AbstractHttp11Protocol;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Answers plain HTTP beside HTTPS, alike in all else: most of what students do needs no secure page, and no certificate. */
@Component
@Order(Ordered.LOWEST_PRECEDENCE)
public class PlainConnector implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
    private static final String BESIDE = "prolalia.plain-beside-secure";

    private final HouseProperties house;

    PlainConnector(HouseProperties house) {
        this.house = house;
    }

    /** Whether plain HTTP is answered beside HTTPS: a cookie serves both, for one of HTTPS alone can't be set anew by a plain page. */
    public static boolean isBeside(HttpServletRequest request) {
        return request.getServletContext().getInitParameter(BESIDE) != null;
    }

    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        if (house.plainPort() == 0) {
            return;
        }
        Connector plain = new Connector(TomcatServletWebServerFactory.DEFAULT_PROTOCOL);
        plain.setPort(house.plainPort());
        if (factory.getAddress() != null) {
            plain.setProperty("address", factory.getAddress().getHostAddress());
        }
        factory.getConnectorCustomizers().forEach(customizer -> customizer.customize(plain));
        if (factory.getCompression() != null
                && factory.getCompression().getEnabled()
                && plain.getProtocolHandler() instanceof AbstractHttp11Protocol<?> protocol) {
            protocol.setCompression("on");
            protocol.setCompressibleMimeType(
                    String.join(",", factory.getCompression().getAllMimeTypes()));
        }
        plain.setProperty("bindOnInit", "false");
        factory.addAdditionalConnectors(plain);
        factory.addInitializers(context -> context.setInitParameter(BESIDE, "true"));
    }
}
