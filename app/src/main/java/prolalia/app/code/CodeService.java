package prolalia.app.code;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import net.coobird.thumbnailator.Thumbnails;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.LessonService.PageView;
import prolalia.app.lines.ScriptLine;
import prolalia.app.link.CodeLinks;
import prolalia.app.link.CodeLinks.Goal;
import prolalia.app.link.Link;
import prolalia.app.link.LinkPurpose;
import prolalia.app.link.LinkUse;
import prolalia.app.link.LinkUse.Count;
import prolalia.app.link.LinkUse.Hour;
import prolalia.app.platform.MediaStore;
import prolalia.app.platform.Messages;
import prolalia.app.platform.NotFoundException;
import prolalia.core.lesson.LineKind;
import prolalia.core.station.StationMark;
import prolalia.formats.card.StationPicture;
import prolalia.formats.code.CodeSheet.Item;

/** The codes of a lesson. */
@Service
class CodeService {
    private static final Logger LOG = LoggerFactory.getLogger(CodeService.class);
    private static final int LONGEST_NAME = 120;
    private static final int PICTURE_PX = 400;

    private final CodeLinks links;
    private final LinkUse use;
    private final LessonService lessons;
    private final MediaStore media;
    private final Messages messages;
    private final Clock clock;

    CodeService(CodeLinks links, LinkUse use, LessonService lessons, MediaStore media, Messages messages, Clock clock) {
        this.links = links;
        this.use = use;
        this.lessons = lessons;
        this.media = media;
        this.messages = messages;
        this.clock = clock;
    }

    /** What codes are made for in one press. */
    enum What {
        /** One that opens all of it. */
        LESSON,
        PAGES,
        QUESTIONS,
        LINES,
        STATIONS
    }

    /**
     * A code as it is listed.
     *
     * @param name of what it opens; null: that isn't there any more
     * @param ended whether its last day is over
     * @param silent whether nothing is heard there
     * @param used all that it was used for
     * @param days scans of the last days, the newest last
     * @param hours scans by the hour of the day
     * @param lastMs when it was used last, to the hour; null: never
     * @param brokenBy the address with which it was printed, if that isn't the school's any more
     */
    record Code(
            Link link,
            String name,
            int page,
            boolean ended,
            boolean silent,
            Count used,
            List<Integer> days,
            List<Integer> hours,
            Long lastMs,
            String brokenBy) {
        public boolean isThere() {
            return name != null;
        }

        /** Whether it leads somewhere, and so is printed. */
        public boolean holds() {
            return isThere() && !ended && !link.withdrawn();
        }
    }

    /** Codes in the order of what they open; those that were withdrawn come last. @param base the school's address */
    List<Code> codes(Teacher teacher, LessonView lesson, String base, CodeUsePicture.Clock now) {
        List<Link> all = links.of(teacher, lesson.summary().id());
        Map<String, List<Hour>> used = new HashMap<>();
        use.of(all.stream().map(Link::token).toList())
                .forEach(hour -> used.computeIfAbsent(hour.token(), none -> new ArrayList<>())
                        .add(hour));
        List<Code> codes = new ArrayList<>();
        for (Link link : all) {
            List<Hour> hours = used.getOrDefault(link.token(), List.of());
            Count count = hours.stream().map(Hour::count).reduce(Count.NONE, Count::plus);
            boolean elsewhere =
                    link.printedBase() != null && !link.printedBase().equals(base);
            codes.add(new Code(
                    link,
                    name(lesson, link),
                    page(lesson, link),
                    link.hasEnded(clock.millis()),
                    isSilent(lesson, link),
                    count,
                    CodeUsePicture.days(hours, now),
                    CodeUsePicture.hours(hours, now),
                    hours.isEmpty() ? null : hours.get(hours.size() - 1).ms(),
                    elsewhere ? link.printedBase() : null));
        }
        codes.sort(Comparator.comparing((Code code) -> code.link().withdrawn() || code.ended())
                .thenComparing(Code::page)
                .thenComparing(code -> order(lesson, code.link())));
        return codes;
    }

    int make(Teacher teacher, String lessonId, What what) {
        LessonView lesson = lessons.lesson(teacher, lessonId);
        return make(
                teacher,
                lesson,
                what,
                lesson.pages().stream().map(page -> page.page().id()).collect(Collectors.toSet()));
    }

    /** @param pages for which alone they are made */
    int make(Teacher teacher, LessonView lesson, What what, Set<String> pages) {
        List<Goal> goals = new ArrayList<>();
        if (what == What.LESSON) {
            goals.add(new Goal(null, null));
        }
        for (PageView page : lesson.pages()) {
            if (!pages.contains(page.page().id())) {
                continue;
            }
            if (what == What.PAGES || what == What.STATIONS) {
                goals.add(new Goal(page.page().id(), null));
            }
            for (ScriptLine line : page.lines()) {
                boolean wanted = what == What.QUESTIONS && line.line().kind() == LineKind.QUESTION
                        || what == What.LINES && line.line().kind().isMetAtOnce();
                if (wanted && line.line().isSayable()) {
                    goals.add(new Goal(page.page().id(), line.line().id()));
                }
            }
        }
        LinkPurpose purpose = what == What.STATIONS ? LinkPurpose.STATION : LinkPurpose.PAPER;
        return links.make(teacher, lesson.summary().id(), goals, purpose);
    }

    /** One code for a page or a line. */
    int makeOne(Teacher teacher, String lessonId, String pageId, String lineId) {
        LessonView lesson = lessons.lesson(teacher, lessonId);
        PageView page = lesson.pages().stream()
                .filter(each -> lineId == null
                        ? each.page().id().equals(pageId)
                        : each.lines().stream()
                                .anyMatch(line -> line.line().id().equals(lineId)))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("page or line"));
        return links.make(teacher, lessonId, List.of(new Goal(page.page().id(), lineId)), LinkPurpose.ofCode(lineId));
    }

    /** What is printed of codes that hold. @param tokens none: of all */
    List<Item> items(Teacher teacher, LessonView lesson, String base, List<String> tokens) {
        List<Item> items = new ArrayList<>();
        for (Code code : codes(teacher, lesson, base, CodeUsePicture.Clock.NONE)) {
            Link link = code.link();
            if (code.holds() && (tokens.isEmpty() || tokens.contains(link.token()))) {
                items.add(new Item(
                        code.name(),
                        link.address(base),
                        link.typed(),
                        link.lineId() == null ? picture(lesson, link) : null));
            }
        }
        return items;
    }

    private BufferedImage picture(LessonView lesson, Link link) {
        PageView page = view(lesson, link);
        if (page == null) {
            return null;
        }
        if (page.page().pictureHash() == null) {
            return link.purpose() == LinkPurpose.STATION
                    ? StationPicture.of(new StationMark(page.number()), PICTURE_PX)
                    : null;
        }
        try {
            return Thumbnails.of(media.file(page.page().pictureHash()).toFile())
                    .size(PICTURE_PX, PICTURE_PX)
                    .asBufferedImage();
        } catch (IOException unreadable) {
            // A code without its small picture is still a code.
            LOG.warn(
                    "The picture of page {} can't be drawn small: {}",
                    page.page().id(),
                    unreadable.getMessage());
            return null;
        }
    }

    static PageView view(LessonView lesson, Link link) {
        return lesson.pages().stream()
                .filter(page -> page.page().id().equals(link.pageId()))
                .findFirst()
                .orElse(null);
    }

    private static int page(LessonView lesson, Link link) {
        PageView page = view(lesson, link);
        return page == null ? 0 : page.number();
    }

    private static int order(LessonView lesson, Link link) {
        PageView page = view(lesson, link);
        return page == null || link.lineId() == null
                ? -1
                : page.lines().stream().map(line -> line.line().id()).toList().indexOf(link.lineId());
    }

    private String name(LessonView lesson, Link link) {
        if (link.pageId() == null) {
            return lesson.summary().title();
        }
        PageView page = view(lesson, link);
        if (page == null) {
            return null;
        }
        if (link.lineId() != null) {
            return page.lines().stream()
                    .filter(line -> line.line().id().equals(link.lineId()))
                    .map(CodeService::words)
                    .findFirst()
                    .orElse(null);
        }
        boolean named = page.page().title() != null && !page.page().title().isBlank();
        return named
                ? page.page().title()
                : page.lines().stream()
                        .filter(line -> line.line().isSayable())
                        .map(CodeService::words)
                        .findFirst()
                        .orElse(messages.say("codes.page", page.number()));
    }

    static String words(ScriptLine line) {
        String label = line.line().traits().label();
        String words = (label == null ? "" : label + " ") + line.line().words();
        return words.length() <= LONGEST_NAME
                ? words
                : words.substring(0, LONGEST_NAME).strip() + "…";
    }

    private static boolean isSilent(LessonView lesson, Link link) {
        return lesson.pages().stream()
                .filter(page -> link.pageId() == null || page.page().id().equals(link.pageId()))
                .flatMap(page -> page.lines().stream())
                .filter(line -> link.lineId() == null || line.line().id().equals(link.lineId()))
                .noneMatch(line -> line.soundHash() != null);
    }
}
