package prolalia.app.reading;

import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.account.StaffService;
import prolalia.app.platform.Ids;

/** The read-throughs that a phone may be the microphone of, by the secret in their code. */
@Service
class PhoneLinks {
    /** As long as a phone that lost its network may take to send the rest. */
    private static final long KEPT_MS = 24 * 3_600_000L;

    private final Map<String, PhoneLink> links = new ConcurrentHashMap<>();
    private final StaffService staff;
    private final Clock clock;

    PhoneLinks(StaffService staff, Clock clock) {
        this.staff = staff;
        this.clock = clock;
    }

    /** Opens a read-through for a phone; answers its secret. */
    String open(Teacher teacher, String lessonId, List<String> lineIds) {
        long now = clock.millis();
        links.values().removeIf(link -> now - link.openedAt() > KEPT_MS);
        String token = Ids.newToken();
        links.put(token, new PhoneLink(teacher, lessonId, lineIds, now));
        return token;
    }

    /** The link of a secret, over or not, as long as its teacher may come in. */
    Optional<PhoneLink> find(String token) {
        return Optional.ofNullable(token)
                .map(links::get)
                .filter(link -> staff.find(link.teacher().id())
                        .filter(member -> member.mayComeIn(clock.millis()))
                        .isPresent());
    }

    Optional<PhoneLink> findOpen(String token) {
        return find(token).filter(link -> link.isOpen(clock.millis()));
    }

    void computerIsThere(PhoneLink link) {
        link.computerIsThere(clock.millis());
    }

    /** Nobody waits on a server that stops. */
    @EventListener(ContextClosedEvent.class)
    void close() {
        links.values().forEach(PhoneLink::end);
    }
}
