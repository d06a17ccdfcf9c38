package prolalia.app.link;

import java.security.SecureRandom;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.access.LessonAccess;
import prolalia.app.access.LessonRef;
import prolalia.app.access.Right;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.platform.NotFoundException;
import prolalia.app.school.AuditLog;
import prolalia.app.school.AuditLog.Deed;
import prolalia.core.code.SchoolHours;
import prolalia.core.code.TypedCode;

/** The links behind scannable codes: to a page or a line of a lesson, each withdrawn and renewed by itself. */
@Service
public class CodeLinks {
    /** Without letters that are taken for digits. Ten of them are 50 bits: nobody finds one by trying. */
    private static final String LETTERS = "23456789ABCDEFGHJKLMNPQRSTUVWXYZ";

    private static final int LENGTH = 10;

    private final LinkStore links;
    private final LessonAccess access;
    private final AuditLog audit;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    CodeLinks(LinkStore links, LessonAccess access, AuditLog audit, Clock clock) {
        this.links = links;
        this.access = access;
        this.audit = audit;
        this.clock = clock;
    }

    /** What a code leads to. @param pageId null: the whole lesson @param lineId null: all of the page */
    public record Goal(String pageId, String lineId) {}

    /** All codes of a lesson. */
    public List<Link> of(Teacher teacher, String lessonId) {
        return links.codes(toGive(teacher, lessonId));
    }

    /** Makes those that aren't there as yet; answers how many. */
    @Transactional
    public int make(Teacher teacher, String lessonId, List<Goal> goals, LinkPurpose purpose) {
        LessonRef lesson = toGive(teacher, lessonId);
        List<Link> there = links.codes(lesson);
        int made = 0;
        for (Goal goal : goals) {
            boolean known = there.stream()
                    .anyMatch(link -> link.holds(clock.millis())
                            && link.purpose() == purpose
                            && link.isTo(goal.pageId(), goal.lineId()));
            if (!known) {
                add(lesson, purpose, goal.pageId(), goal.lineId(), null, null);
                made++;
            }
        }
        if (made > 0) {
            audit.note(teacher.id(), Deed.LINK_GIVEN, lesson.summary().title());
        }
        return made;
    }

    private void add(
            LessonRef lesson, LinkPurpose purpose, String pageId, String lineId, Long endsAt, SchoolHours hours) {
        String typed;
        do {
            typed = TypedCode.any(random::nextInt).words();
        } while (links.byTyped(typed).isPresent());
        links.add(
                new Link(newToken(), purpose, lesson.id(), pageId, lineId, typed, endsAt, hours, false, null),
                clock.millis());
    }

    private String newToken() {
        StringBuilder token = new StringBuilder();
        for (int i = 0; i < LENGTH; i++) {
            token.append(LETTERS.charAt(random.nextInt(LETTERS.length())));
        }
        return token.toString();
    }

    /** Nobody comes in by them any more. @param tokens none: all of the lesson */
    @Transactional
    public void withdraw(Teacher teacher, String lessonId, List<String> tokens) {
        links.setWithdrawn(tokens(teacher, lessonId, tokens), clock.millis());
        audit.note(
                teacher.id(),
                Deed.LINK_WITHDRAWN,
                toGive(teacher, lessonId).summary().title());
    }

    /** They lead again where they led. */
    @Transactional
    public void open(Teacher teacher, String lessonId, List<String> tokens) {
        links.setWithdrawn(tokens(teacher, lessonId, tokens), null);
    }

    /** Others in their place, to the same; the old ones stay withdrawn. */
    @Transactional
    public void renew(Teacher teacher, String lessonId, List<String> tokens) {
        LessonRef lesson = toGive(teacher, lessonId);
        List<String> these = tokens(teacher, lessonId, tokens);
        for (Link link : links.codes(lesson)) {
            if (these.contains(link.token()) && !link.withdrawn()) {
                Long end = link.hasEnded(clock.millis()) ? null : link.endsAt();
                add(lesson, link.purpose(), link.pageId(), link.lineId(), end, link.hours());
            }
        }
        withdraw(teacher, lessonId, these);
    }

    /** @param endsAt in ms since 1970; null: never */
    @Transactional
    public void end(Teacher teacher, String lessonId, List<String> tokens, Long endsAt) {
        links.setEnd(tokens(teacher, lessonId, tokens), endsAt);
    }

    /** @param hours null: they open always */
    @Transactional
    public void openIn(Teacher teacher, String lessonId, List<String> tokens, SchoolHours hours) {
        links.setHours(tokens(teacher, lessonId, tokens), hours);
    }

    /** They were printed with an address of the school. */
    @Transactional
    public void printed(Teacher teacher, String lessonId, List<String> tokens, String base) {
        links.setPrinted(tokens(teacher, lessonId, tokens), base);
    }

    private List<String> tokens(Teacher teacher, String lessonId, List<String> asked) {
        List<String> own =
                new ArrayList<>(of(teacher, lessonId).stream().map(Link::token).toList());
        if (!own.containsAll(asked)) {
            throw new NotFoundException("code");
        }
        return asked.isEmpty() ? own : asked;
    }

    /** The path to which a typed code leads; empty when it leads nowhere. Whoever asks sees to it that nobody tries too often. */
    public Optional<String> typed(String text) {
        return TypedCode.typed(text)
                .flatMap(code -> links.byTyped(code.words()))
                .map(Link::path);
    }

    private LessonRef toGive(Teacher teacher, String lessonId) {
        LessonRef lesson = access.require(teacher, lessonId, Right.GIVE);
        if (lesson.isShelf()) {
            throw new NotFoundException("lesson");
        }
        return lesson;
    }
}
