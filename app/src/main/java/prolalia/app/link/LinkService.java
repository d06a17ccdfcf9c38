package prolalia.app.link;

import java.time.Clock;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoField;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.access.LessonAccess;
import prolalia.app.access.LessonRef;
import prolalia.app.access.Right;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.lesson.Lessons;
import prolalia.app.platform.Ids;
import prolalia.app.school.AuditLog;
import prolalia.app.school.AuditLog.Deed;

/** Links to lessons. They are made when somebody asks for one, never because somebody looks. */
@Service
public class LinkService {
    private final LinkStore links;
    private final LessonAccess access;
    private final Lessons lessons;
    private final AuditLog audit;
    private final Clock clock;

    LinkService(LinkStore links, LessonAccess access, Lessons lessons, AuditLog audit, Clock clock) {
        this.links = links;
        this.access = access;
        this.lessons = lessons;
        this.audit = audit;
        this.clock = clock;
    }

    /**
     * Where a token leads.
     *
     * @param revision of the lesson: another one when anything that students see or hear of it changed
     * @param withdrawn whether the teacher took the link back, or it has ended
     * @param removed whether she removed the lesson
     */
    public record Target(Link link, long revision, boolean withdrawn, boolean removed) {
        public String lessonId() {
            return link.lessonId();
        }
    }

    /**
     * Whether students can come in.
     *
     * @param token of the link that holds; null: there is none
     * @param withdrawn whether there was one, which can be opened again
     * @param preview the link by which it is looked at before it is given; null: none holds
     */
    public record GivenLink(String token, boolean withdrawn, Link preview) {
        public Optional<String> link() {
            return Optional.ofNullable(token);
        }
    }

    /** Where a token leads, or nothing when there never was such a link. */
    public Optional<Target> follow(String token) {
        return links.target(token, clock.millis());
    }

    /** Whether it is asleep now: it opens in school hours alone. */
    public boolean isAsleep(Link link) {
        ZonedDateTime now = clock.instant().atZone(ZoneId.systemDefault());
        return link.hours() != null
                && !link.hours().isOpen(now.getDayOfWeek().getValue(), now.get(ChronoField.MINUTE_OF_DAY));
    }

    /** The title of the lesson to which a link leads; empty when it leads to none, or to none any more. */
    public Optional<String> title(String token) {
        return follow(token)
                .filter(target -> !target.withdrawn())
                .flatMap(target -> lessons.ofHouse(target.lessonId()))
                .map(lesson -> lesson.summary().title());
    }

    /** The token of the newest link that holds, whosever lesson it is. */
    public Optional<String> newestToken() {
        return links.newestToken();
    }

    public GivenLink given(Teacher teacher, String lessonId) {
        LessonRef lesson = toGive(teacher, lessonId);
        Optional<Link> newest = links.newest(lesson, LinkPurpose.GIVEN);
        Optional<Link> preview = links.newest(lesson, LinkPurpose.PREVIEW).filter(link -> link.holds(clock.millis()));
        boolean withdrawn = newest.map(Link::withdrawn).orElse(false);
        return new GivenLink(withdrawn ? null : newest.map(Link::token).orElse(null), withdrawn, preview.orElse(null));
    }

    /** Gives the lesson, unless it is; answers its token. */
    @Transactional
    public String give(Teacher teacher, String lessonId) {
        LessonRef lesson = toGive(teacher, lessonId);
        return links.newest(lesson, LinkPurpose.GIVEN)
                .filter(link -> !link.withdrawn())
                .map(Link::token)
                .orElseGet(() -> add(teacher, lesson));
    }

    /** Takes the link back: nobody comes in by it any more. */
    @Transactional
    public void withdraw(Teacher teacher, String lessonId) {
        LessonRef lesson = toGive(teacher, lessonId);
        links.withdrawAll(lesson, LinkPurpose.GIVEN, clock.millis());
        audit.note(teacher.id(), Deed.LINK_WITHDRAWN, lesson.summary().title());
    }

    /** The link that was withdrawn last leads here again, and so does each code that was printed of it. */
    @Transactional
    public void open(Teacher teacher, String lessonId) {
        links.newest(toGive(teacher, lessonId), LinkPurpose.GIVEN)
                .map(Link::token)
                .ifPresent(links::open);
    }

    /** Makes a new link; the old one stays withdrawn. */
    @Transactional
    public void renew(Teacher teacher, String lessonId) {
        withdraw(teacher, lessonId);
        add(teacher, toGive(teacher, lessonId));
    }

    /** Makes a link by which the lesson is met as students will meet it; those that were made before hold no more. */
    @Transactional
    public void preview(Teacher teacher, String lessonId) {
        LessonRef lesson = toGive(teacher, lessonId);
        long now = clock.millis();
        links.withdrawAll(lesson, LinkPurpose.PREVIEW, now);
        links.add(lesson, LinkPurpose.PREVIEW, Ids.newToken(), now);
    }

    @Transactional
    public void endPreview(Teacher teacher, String lessonId) {
        links.withdrawAll(toGive(teacher, lessonId), LinkPurpose.PREVIEW, clock.millis());
    }

    private LessonRef toGive(Teacher teacher, String lessonId) {
        return access.require(teacher, lessonId, Right.GIVE);
    }

    private String add(Teacher teacher, LessonRef lesson) {
        audit.note(teacher.id(), Deed.LINK_GIVEN, lesson.summary().title());
        String token = Ids.newToken();
        links.add(lesson, LinkPurpose.GIVEN, token, clock.millis());
        return token;
    }
}
