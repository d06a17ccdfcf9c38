package prolalia.app.code;

import java.io.IOException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import prolalia.app.access.LessonRef;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.archive.LessonArchiver;
import prolalia.app.archive.LessonArchiver.Slides;
import prolalia.app.code.CodeService.What;
import prolalia.app.code.GeneratedFiles.Made;
import prolalia.app.code.PaperStamper.Stamped;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.LessonService.PageView;
import prolalia.app.link.CodeLinks;
import prolalia.app.link.Link;
import prolalia.app.platform.NotFoundException;
import prolalia.core.lesson.SpeakingName;
import prolalia.formats.code.Stamping.Code;
import prolalia.formats.code.Stamping.Manner;
import prolalia.formats.paper.PaperRefusedException;

/** Papers and slides of a lesson with its codes on them. Codes that are missing are made. */
@Service
class StampService {
    private static final String PDF = "application/pdf";
    private static final String PPTX = "application/vnd.openxmlformats-officedocument.presentationml.presentation";

    private final CodeService codes;
    private final CodeLinks links;
    private final PaperStamper papers;
    private final LessonArchiver archiver;
    private final LessonService lessons;
    private final GeneratedFiles files;
    private final Clock clock;

    StampService(
            CodeService codes,
            CodeLinks links,
            PaperStamper papers,
            LessonArchiver archiver,
            LessonService lessons,
            GeneratedFiles files,
            Clock clock) {
        this.codes = codes;
        this.links = links;
        this.papers = papers;
        this.archiver = archiver;
        this.lessons = lessons;
        this.files = files;
        this.clock = clock;
    }

    /**
     * What became of a file.
     *
     * @param file what it is asked for by; null: nothing was written
     * @param name with which it is saved
     * @param count how many codes stand on it
     * @param atEnd what those are for that stand on a sheet at its end
     * @param left what those are for that stand nowhere
     * @param newCodes how many were made for it
     * @param signed whether it is signed, and so nothing was written
     * @param refused why it can't be opened; null: it can
     */
    record Outcome(
            String file,
            String name,
            int count,
            List<String> atEnd,
            List<String> left,
            int newCodes,
            boolean signed,
            PaperRefusedException.Reason refused) {}

    /** Whether a lesson has pages that came from a PDF. */
    boolean canStamp(LessonRef lesson) {
        return !papers.pages(lesson).isEmpty();
    }

    /** @param base the school's address @param evenIfSigned whether a signature may break */
    List<Outcome> papers(Teacher teacher, String lessonId, String base, Manner manner, boolean evenIfSigned)
            throws IOException {
        LessonView lesson = lessons.lesson(teacher, lessonId);
        Set<String> pages = papers.pages(lesson.ref());
        if (pages.isEmpty()) {
            throw new NotFoundException("paper");
        }
        int made = codes.make(teacher, lesson, manner == Manner.ONE_A_PAGE ? What.PAGES : What.QUESTIONS, pages);
        List<Link> holding = holding(teacher, lessonId);
        List<Stamped> all = papers.stamp(lesson, holding, base, manner, evenIfSigned);
        String title = SpeakingName.of(lesson.summary().title());
        List<Outcome> outcomes = new ArrayList<>();
        for (Stamped stamped : all) {
            String number = all.size() > 1 ? " " + (outcomes.size() + 1) : "";
            String name = title + number + " (with codes).pdf";
            String file = stamped.file() == null ? null : files.keep(new Made(lessonId, stamped.file(), name, PDF));
            List<String> left = stamped.answer().left();
            outcomes.add(new Outcome(
                    file,
                    name,
                    stamped.codes().size() - left.size(),
                    names(stamped.codes(), stamped.answer().atEnd()),
                    names(stamped.codes(), left),
                    outcomes.isEmpty() ? made : 0,
                    stamped.answer().signed(),
                    stamped.answer().refused()));
            if (file != null) {
                printed(teacher, lessonId, holding, base, stamped.codes().keySet());
            }
        }
        return outcomes;
    }

    private void printed(Teacher teacher, String lessonId, List<Link> holding, String base, Set<String> addresses) {
        List<String> tokens = holding.stream()
                .filter(link -> addresses.contains(link.address(base)))
                .map(Link::token)
                .toList();
        if (!tokens.isEmpty()) {
            links.printed(teacher, lessonId, tokens, base);
        }
    }

    private static List<String> names(Map<String, Code> codes, List<String> addresses) {
        return addresses.stream().map(address -> codes.get(address).name()).toList();
    }

    private List<Link> holding(Teacher teacher, String lessonId) {
        return links.of(teacher, lessonId).stream()
                .filter(link -> link.holds(clock.millis()))
                .toList();
    }

    /** The lesson as slides, each with the code of its page in a free corner. @param base the school's address */
    Outcome slides(Teacher teacher, String lessonId, String base) throws IOException {
        LessonView lesson = lessons.lesson(teacher, lessonId);
        Map<String, String> names = lesson.pages().stream()
                .collect(Collectors.toMap(page -> page.page().id(), StampService::name));
        int made = codes.make(teacher, lesson, What.PAGES, names.keySet());
        List<Link> holding = holding(teacher, lessonId);
        Map<String, String> addresses = new HashMap<>();
        holding.stream()
                .filter(link -> link.lineId() == null && names.containsKey(link.pageId()))
                .forEach(link -> addresses.put(link.pageId(), link.address(base)));
        Slides slides = archiver.slides(teacher, lessonId, addresses);
        String name = SpeakingName.of(lesson.summary().title()) + " (with codes).pptx";
        printed(teacher, lessonId, holding, base, Set.copyOf(addresses.values()));
        return new Outcome(
                files.keep(new Made(lessonId, slides.file(), name, PPTX)),
                name,
                addresses.size() - slides.left().size(),
                List.of(),
                slides.left().stream().map(names::get).toList(),
                made,
                false,
                null);
    }

    private static String name(PageView page) {
        String title = page.page().title();
        return page.number() + (title == null || title.isBlank() ? "" : ": " + title);
    }

    Made file(Teacher teacher, String lessonId, String token) {
        lessons.summary(teacher, lessonId);
        return files.find(lessonId, token).orElseThrow(() -> new NotFoundException("file"));
    }
}
