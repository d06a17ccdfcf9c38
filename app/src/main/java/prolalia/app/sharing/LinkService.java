package prolalia.app.sharing;

import java.time.Clock;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.lesson.LessonService;
import prolalia.app.platform.Ids;
import prolalia.app.sharing.LinkStore.Link;

@Service
public class LinkService {
    private final LinkStore links;
    private final LessonService lessons;
    private final Clock clock;

    LinkService(LinkStore links, LessonService lessons, Clock clock) {
        this.links = links;
        this.lessons = lessons;
        this.clock = clock;
    }

    /**
     * Where a token leads.
     *
     * @param revision of the lesson: another one when anything that students see or hear of it changed
     * @param withdrawn whether the teacher took the link back
     * @param removed whether she removed the lesson
     */
    public record Target(String lessonId, long revision, boolean withdrawn, boolean removed) {}

    /** Where a token leads, or nothing when there never was such a link. */
    public Optional<Target> follow(String token) {
        return links.target(token);
    }

    /** The token of the newest link that holds, whosever lesson it is. */
    public Optional<String> newestToken() {
        return links.newestToken();
    }

    /** The token of the lesson's link, made when the lesson never had one; nothing when it is withdrawn. */
    @Transactional
    public Optional<String> token(String teacherId, String lessonId) {
        lessons.lesson(teacherId, lessonId);
        Optional<Link> newest = links.newest(lessonId);
        if (newest.isEmpty()) {
            return Optional.of(add(lessonId));
        }
        return newest.filter(link -> !link.withdrawn()).map(Link::token);
    }

    /** Takes the link back: nobody comes in by it any more. */
    @Transactional
    public void withdraw(String teacherId, String lessonId) {
        lessons.lesson(teacherId, lessonId);
        links.withdrawAll(lessonId, clock.millis());
    }

    /** Makes a new link; the old one stays withdrawn. */
    @Transactional
    public void renew(String teacherId, String lessonId) {
        withdraw(teacherId, lessonId);
        add(lessonId);
    }

    private String add(String lessonId) {
        String token = Ids.newToken();
        links.add(lessonId, token, clock.millis());
        return token;
    }
}
