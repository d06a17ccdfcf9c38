package prolalia.app.player;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.function.Function;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.servlet.resource.ResourceUrlProvider;
import org.springframework.web.util.UriUtils;
import prolalia.app.giving.LinkService;
import prolalia.app.house.NotHereException;
import prolalia.app.house.UntilChanged;
import prolalia.app.lesson.LessonStore;
import prolalia.app.lesson.LessonSummary;
import prolalia.app.stage.StageService;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.given.GivenLesson;
import prolalia.core.given.StudentPage;
import prolalia.core.given.StudentPages;
import prolalia.core.lesson.LineKind;
import prolalia.formats.web.Sharing;
import prolalia.formats.web.StudentPageWriter;

/** A lesson by its link. A class opens it all at once, so what was made of it is kept until something changes. */
@Service
class PlayerService {
    private final LinkService links;
    private final LessonStore lessonStore;
    private final GivenLessons given;
    private final StageService stages;
    private final StudentFiles files;
    private final ResourceUrlProvider assets;
    private final StudentPageWriter writer = new StudentPageWriter();
    private final Function<String, Opened> opened;
    private final Function<PageOf, String> written;
    private final Function<LineOf, List<Word>> times;

    PlayerService(
            LinkService links,
            LessonStore lessonStore,
            GivenLessons given,
            StageService stages,
            StudentFiles files,
            ResourceUrlProvider assets,
            UntilChanged untilChanged) {
        this.links = links;
        this.lessonStore = lessonStore;
        this.given = given;
        this.stages = stages;
        this.files = files;
        this.assets = assets;
        opened = untilChanged.remember(this::follow);
        written = untilChanged.remember(this::write);
        times = untilChanged.remember(this::timesOf);
    }

    /** The teacher took the link back. */
    static final class WithdrawnException extends RuntimeException {}

    /** A lesson that a link leads to. */
    record Opened(String lessonId, GivenLesson lesson, List<StudentPage> pages) {}

    /** @param server its address as others reach it @param inFrame whether it stands within a page elsewhere */
    private record PageOf(String token, int number, String server, boolean inFrame) {}

    private record LineOf(String token, String lineId) {}

    Opened open(String token) {
        return opened.apply(token);
    }

    private Opened follow(String token) {
        LinkService.Target target = links.follow(token).orElseThrow(() -> new NotHereException("link"));
        if (target.withdrawn()) {
            throw new WithdrawnException();
        }
        LessonSummary summary =
                lessonStore.lesson(target.lessonId()).orElseThrow(() -> new NotHereException("removed lesson"));
        GivenLesson lesson = given.of(summary);
        return new Opened(summary.id(), lesson, StudentPages.of(lesson));
    }

    /**
     * @param number of the page, from 1
     * @param server this server's address as others reach it
     * @param inFrame whether it stands within a page elsewhere
     */
    String page(String token, int number, String server, boolean inFrame) {
        return written.apply(new PageOf(token, number, server, inFrame));
    }

    private String write(PageOf page) {
        Opened opened = open(page.token());
        String base = (page.inFrame() ? "/e/" : "/l/") + page.token();
        return write(
                opened.lesson(),
                opened.pages(),
                page.number(),
                new OnlinePlaces(base, true, files.knownTimes(opened.lesson()), assets),
                page.inFrame() ? null : sharing(page, opened.lesson()));
    }

    private static Sharing sharing(PageOf page, GivenLesson lesson) {
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

    /** A page as its teacher sees it: nothing is counted. */
    String preview(LessonSummary summary, int number, String base) {
        GivenLesson lesson = given.of(summary);
        return write(
                lesson,
                StudentPages.of(lesson),
                number,
                new OnlinePlaces(base, false, files.knownTimes(lesson), assets),
                null);
    }

    private String write(
            GivenLesson lesson, List<StudentPage> pages, int number, OnlinePlaces places, Sharing sharing) {
        if (number < 1) {
            throw new NotHereException("page");
        }
        // A child may be on a page that the teacher has just taken out.
        return writer.write(pages.get(Math.min(number, pages.size()) - 1), lesson.prompts(), places, sharing);
    }

    List<Word> words(String token, String lineId) {
        return times.apply(new LineOf(token, lineId));
    }

    private List<Word> timesOf(LineOf line) {
        return files.words(open(line.token()).lesson(), line.lineId());
    }

    /** A child asked for a hint of a lesson. */
    @Transactional
    public void asked(String token, String lineId) {
        open(token)
                .lesson()
                .line(lineId)
                .filter(line -> line.line().kind() == LineKind.HINT)
                .ifPresent(line -> stages.asked(lineId));
    }
}
