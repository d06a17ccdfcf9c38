package prolalia.app.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.util.Locale;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Component;
import prolalia.app.platform.Ids;

/** Devices from which teachers signed in before, by a cookie that stays; it lets nobody in. */
@Component
class KnownDevices {
    private static final String COOKIE = "prolalia-device";
    private static final Duration KEPT = Duration.ofDays(365);

    private final DeviceStore devices;
    private final Clock clock;

    KnownDevices(DeviceStore devices, Clock clock) {
        this.devices = devices;
        this.clock = clock;
    }

    boolean knows(String signInName, HttpServletRequest request) {
        return CookieSignIns.value(COOKIE, request)
                .map(secret -> devices.knows(
                        CookieSignIns.hash(secret), signInName.strip().toLowerCase(Locale.ROOT)))
                .orElse(false);
    }

    /** A teacher signed in here. */
    void remember(SignedInTeacher teacher, HttpServletRequest request, HttpServletResponse response) {
        String secret = CookieSignIns.value(COOKIE, request).orElseGet(Ids::newToken);
        devices.add(CookieSignIns.hash(secret), teacher.id(), clock.millis());
        response.addHeader(
                HttpHeaders.SET_COOKIE,
                CookieSignIns.cookie(COOKIE, secret, request)
                        .maxAge(KEPT)
                        .build()
                        .toString());
    }
}
