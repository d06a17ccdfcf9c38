package prolalia.app.player;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.web.servlet.resource.ResourceUrlProvider;
import org.springframework.web.util.UriUtils;
import prolalia.app.access.LessonRef;
import prolalia.app.lesson.Lessons;
import prolalia.app.link.Link;
import prolalia.app.link.LinkService;
import prolalia.app.link.LinkUse;
import prolalia.app.platform.NotFoundException;
import prolalia.app.platform.Waiting;
import prolalia.app.platform.WrittenPage;
import prolalia.app.stage.StageService;
import prolalia.app.station.RoomPlans;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.lesson.LineKind;
import prolalia.core.published.OneByOne;
import prolalia.core.published.PublishedLesson;
import prolalia.core.published.PublishedLesson.PublishedLine;
import prolalia.core.published.PublishedLesson.PublishedPage;
import prolalia.core.published.StudentPage;
import prolalia.core.published.StudentPages;
import prolalia.formats.web.Answering;
import prolalia.formats.web.BehindDoor;
import prolalia.formats.web.Sharing;
import prolalia.formats.web.Station;
import prolalia.formats.web.StudentPageWriter;

/**
 * A lesson by its link. A class opens it all at once, so what was made of it is kept by the lesson's revision: what somebody does
 * to another lesson, or only looks at, leaves it as it is.
 */
@Service
public class PlayerService {
    /** Of all lessons together; a line with its times takes some kB. */
    private static final int LINES_REMEMBERED = 40_000;

    /** Letters of written pages, of two bytes each. */
    private static final long PAGES_REMEMBERED =
            Math.min(32L << 20, Runtime.getRuntime().maxMemory() / 16);

    private final LinkService links;
    private final LinkUse use;
    private final Lessons lessons;
    private final PublishedLessons given;
    private final StageService stages;
    private final RoomPlans plans;
    private final StudentFiles files;
    private final ResourceUrlProvider assets;
    private final String under;
    private final StudentPageWriter writer = new StudentPageWriter();
    private final Cache<Revision, Opened> opened = Caffeine.newBuilder()
            .maximumWeight(LINES_REMEMBERED)
            .weigher((Revision key, Opened lesson) -> lesson.weight())
            .build();
    private final Cache<PageOf, WrittenPage> written = Caffeine.newBuilder()
            .maximumWeight(PAGES_REMEMBERED)
            .weigher((PageOf key, WrittenPage page) -> page.bytes())
            .build();
    private final Cache<LineOf, List<Word>> times =
            Caffeine.newBuilder().maximumSize(LINES_REMEMBERED).build();

    PlayerService(
            LinkService links,
            LinkUse use,
            Lessons lessons,
            PublishedLessons given,
            StageService stages,
            RoomPlans plans,
            StudentFiles files,
            ResourceUrlProvider assets,
            @Value("${server.servlet.context-path:}") String under) {
        this.links = links;
        this.use = use;
        this.lessons = lessons;
        this.given = given;
        this.stages = stages;
        this.plans = plans;
        this.files = files;
        this.assets = assets;
        this.under = under;
    }

    /** The teacher took the link back. */
    static final class WithdrawnException extends RuntimeException {}

    /** The code opens in school hours alone. */
    static final class AsleepException extends RuntimeException {
        private final transient Link link;

        private AsleepException(Link link) {
            this.link = link;
        }

        Link link() {
            return link;
        }
    }

    /** How somebody comes to a lesson. */
    enum Way {
        LINK("/l/"),
        /** Within a page elsewhere. */
        FRAME("/e/"),
        /** A scanned or typed code. */
        CODE("/c/");

        private final String path;

        Way(String path) {
            this.path = path;
        }

        String path() {
            return path;
        }

        static Way of(String path) {
            return Arrays.stream(values())
                    .filter(way -> path.startsWith(way.path))
                    .findFirst()
                    .orElse(LINK);
        }
    }

    /**
     * A lesson as it was at one time.
     *
     * @param pageId of which alone something is met; null: of all
     * @param lineId that alone is met, with what belongs to it; null: all
     */
    public record Revision(String lessonId, long number, String pageId, String lineId) {
        public Revision(String lessonId, long number) {
            this(lessonId, number, null, null);
        }
    }

    /** A lesson that a link leads to. */
    public record Opened(Revision revision, PublishedLesson lesson, List<StudentPage> pages, Station station) {
        private int weight() {
            return 1
                    + lesson.pages().stream()
                            .mapToInt(page -> 1 + page.lines().size())
                            .sum();
        }

        public String lessonId() {
            return revision.lessonId();
        }
    }

    /** @param server its address as others reach it */
    private record PageOf(Revision revision, String token, int number, String server, Way way) {}

    private record LineOf(Revision revision, String lineId) {}

    /** The same object as long as nothing that students see or hear of the lesson changes. */
    Opened open(String token) {
        return open(followed(token));
    }

    private Opened open(LinkService.Target target) {
        Waiting.allowed();
        Link link = target.link();
        return opened.get(new Revision(target.lessonId(), target.revision(), link.pageId(), link.lineId()), this::read);
    }

    /** Where a link leads, if it leads somewhere now. */
    private LinkService.Target followed(String token) {
        LinkService.Target target = links.follow(token).orElseThrow(() -> new NotFoundException("link"));
        if (target.withdrawn()) {
            throw new WithdrawnException();
        }
        if (target.removed()) {
            throw new NotFoundException("removed lesson");
        }
        if (links.isAsleep(target.link())) {
            throw new AsleepException(target.link());
        }
        return target;
    }

    /** A lesson as it is at a revision. */
    public Opened open(String lessonId, long revision) {
        Waiting.allowed();
        return opened.get(new Revision(lessonId, revision), this::read);
    }

    private Opened read(Revision revision) {
        LessonRef ref = lessons.ofHouse(revision.lessonId()).orElseThrow(() -> new NotFoundException("removed lesson"));
        PublishedLesson whole = given.of(ref);
        PublishedLesson lesson = revision.lineId() != null
                ? whole.onlyLine(revision.lineId())
                : revision.pageId() != null ? whole.onlyPage(revision.pageId()) : whole;
        if (lesson.pages().isEmpty() && !whole.pages().isEmpty()) {
            throw new NotFoundException("removed page");
        }
        Station station = revision.pageId() == null || revision.lineId() != null ? null : station(whole, revision, ref);
        return new Opened(revision, lesson, StudentPages.of(lesson), station);
    }

    private Station station(PublishedLesson whole, Revision revision, LessonRef lesson) {
        int count = whole.pages().size();
        int number = 1 + whole.pages().stream().map(PublishedPage::id).toList().indexOf(revision.pageId());
        Integer next = count > 1 && plans.areMade(lesson) ? (Integer) (number % count + 1) : null;
        return new Station(number, next);
    }

    /**
     * @param number of the page, from 1
     * @param server this server's address as others reach it
     */
    WrittenPage page(String token, int number, String server, Way way) {
        Opened lesson = open(token);
        return written.get(
                new PageOf(lesson.revision(), token, number, server, way),
                page -> new WrittenPage(write(lesson, page)));
    }

    private String write(Opened opened, PageOf page) {
        String base = page.way().path + page.token();
        return write(
                opened.lesson(),
                opened.pages(),
                page.number(),
                new OnlineUrls(under, base, true, files.knownTimes(opened.lesson()), assets),
                page.way() == Way.LINK ? sharing(page, opened.lesson()) : null,
                page.way() == Way.CODE ? opened.station() : null);
    }

    private static Sharing sharing(PageOf page, PublishedLesson lesson) {
        String address = page.server() + "/l/" + page.token();
        String picture = lesson.pages().stream()
                .filter(each -> each.picture() != null)
                .findFirst()
                .map(each -> address + "/picture/" + each.picture().hash())
                .orElse(null);
        return new Sharing(
                address,
                picture,
                page.server() + "/oembed?format=json&url=" + UriUtils.encode(address, StandardCharsets.UTF_8));
    }

    /**
     * A page of a lesson as one child meets it.
     *
     * @param base of all addresses of what belongs to it
     * @param answering where her answers are kept
     * @param door what her pages have from her class; where it says no heard lines, hints aren't counted either
     */
    public String page(PublishedLesson lesson, int number, String base, BehindDoor door, Answering answering) {
        List<StudentPage> pages = StudentPages.toAnswer(lesson);
        if (number < 1) {
            throw new NotFoundException("page");
        }
        return writer.writeBehindDoor(
                pages.get(Math.min(number, pages.size()) - 1),
                lesson.prompts(),
                new OnlineUrls(under, base, door.heard() != null, files.knownTimes(lesson), assets),
                door,
                answering);
    }

    /** A page as its teacher sees it: nothing is counted. */
    String preview(LessonRef ref, int number, String base) {
        PublishedLesson lesson = given.of(ref);
        List<StudentPage> pages = StudentPages.toAnswer(OneByOne.of(lesson));
        if (number < 1) {
            throw new NotFoundException("page");
        }
        return writer.writeToTry(
                pages.get(Math.min(number, pages.size()) - 1),
                lesson.prompts(),
                new OnlineUrls(under, base, false, files.knownTimes(lesson), assets));
    }

    private String write(
            PublishedLesson lesson,
            List<StudentPage> pages,
            int number,
            OnlineUrls places,
            Sharing sharing,
            Station station) {
        if (number < 1) {
            throw new NotFoundException("page");
        }
        // A child may be on a page that the teacher has just taken out.
        return writer.write(pages.get(Math.min(number, pages.size()) - 1), lesson.prompts(), places, sharing, station);
    }

    List<Word> words(String token, String lineId) {
        Opened lesson = open(token);
        return times.get(new LineOf(lesson.revision(), lineId), line -> files.words(lesson.lesson(), lineId));
    }

    /** Somebody came by a code. */
    void scanned(String token) {
        open(token);
        use.scanned(token);
    }

    /** Something was listened to at a code, so far. */
    void heard(String token, int percent) {
        open(token);
        use.heard(token, percent);
    }

    /** A child asked for a hint of a lesson. */
    void asked(String token, String lineId) {
        LinkService.Target target = followed(token);
        // Who looks at it before it is given isn't a child.
        if (target.link().purpose().isForChildren()) {
            asked(open(target).lesson(), lineId);
        }
    }

    public void asked(PublishedLesson lesson, String lineId) {
        PublishedLine line = lesson.line(lineId).orElseThrow(() -> new NotFoundException("line"));
        if (line.line().kind() == LineKind.HINT) {
            stages.asked(lineId);
        }
    }
}
