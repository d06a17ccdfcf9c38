package prolalia.core.published;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import prolalia.core.lesson.LessonSettings;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.Prompt;
import prolalia.core.lesson.StepIcon;
import prolalia.core.marking.QuestionWithLines;
import prolalia.core.page.Jump;
import prolalia.core.page.PageElement;
import prolalia.core.page.Placed;
import prolalia.core.sound.InkTrace;
import prolalia.core.sound.Peaks;

/**
 * All of a lesson that students can meet. Its sounds and pictures are named by what is in them; whoever holds the files knows
 * where they are.
 *
 * @param settings what holds for all of it
 * @param pages in order
 * @param every what stands on every page, and what is said of the lesson as a whole
 * @param prompts the sounds that take the place of those that ship, by SHA-256
 */
public record PublishedLesson(
        String title, LessonSettings settings, List<PublishedPage> pages, Placed every, Map<Prompt, String> prompts) {
    public PublishedLesson {
        pages = List.copyOf(pages);
        prompts = Map.copyOf(prompts);
    }

    /**
     * A page.
     *
     * @param id names it within the lesson
     * @param picture null when there is none
     * @param lines in reading order
     * @param title what the teacher calls it; empty: nothing
     */
    public record PublishedPage(
            String id, PublishedPicture picture, List<PublishedLine> lines, Placed placed, String title) {
        private static final double SLIDE = 16.0 / 9;

        public PublishedPage {
            lines = List.copyOf(lines);
            title = title == null ? "" : title;
        }

        /** A page without a title. */
        public PublishedPage(String id, PublishedPicture picture, List<PublishedLine> lines, Placed placed) {
            this(id, picture, lines, placed, "");
        }

        /** Width by height; that of a slide when it isn't known. */
        public double aspect() {
            return picture == null || picture.width() == null || picture.height() == null
                    ? SLIDE
                    : (double) picture.width() / picture.height();
        }

        /** Its questions that are answered, each where it is answered. */
        public List<QuestionWithLines> questions() {
            return QuestionWithLines.on(plainLines(), placed.things(), aspect());
        }

        public List<Line> plainLines() {
            return lines.stream().map(PublishedLine::line).toList();
        }
    }

    /**
     * The picture of a page.
     *
     * @param hash SHA-256 of its file, in hexadecimal
     * @param type a media type
     * @param shows what is seen on it, for those who don't see it
     * @param width in units of its file; null when it isn't known
     * @param height likewise
     */
    public record PublishedPicture(String hash, String type, String shows, Integer width, Integer height) {}

    /**
     * A line.
     *
     * @param soundHash SHA-256 of the MP3 of its kept take, in hexadecimal; null when it is silent
     * @param peaks of the kept take; null when it is silent
     */
    public record PublishedLine(Line line, String soundHash, Peaks peaks) {
        /** What it asks to do, as a picture; null when it has none. */
        public StepIcon icon() {
            return line.traits().icon();
        }

        public boolean isHeard() {
            return soundHash != null;
        }

        public String words() {
            return line.words();
        }

        public long durationMs() {
            return line.kept().orElseThrow().durationMs();
        }

        /** The trace of its take over the whole width. */
        public InkTrace trace(double width, double height) {
            return InkTrace.of(peaks, width, height);
        }
    }

    /** A lesson whose settings are as usual. */
    public PublishedLesson(String title, List<PublishedPage> pages, Placed every, Map<Prompt, String> prompts) {
        this(title, LessonSettings.USUAL, pages, every, prompts);
    }

    /** Only some of its pages, in its own order; none named: all. */
    public PublishedLesson onlyPages(List<String> pageIds) {
        return pageIds.isEmpty()
                ? this
                : new PublishedLesson(
                        title,
                        settings,
                        pages.stream()
                                .filter(page -> pageIds.contains(page.id()))
                                .toList(),
                        every,
                        prompts);
    }

    /** One page of it alone, with what stands on it, but no way to another page. */
    public PublishedLesson onlyPage(String pageId) {
        PublishedLesson one = new PublishedLesson(
                title,
                settings,
                pages.stream().filter(page -> page.id().equals(pageId)).toList(),
                every,
                prompts);
        return one.withPages(page -> new PublishedPage(
                page.id(),
                page.picture(),
                page.lines(),
                new Placed(one.asItStands(page.placed().things()), page.placed().manner()),
                page.title()));
    }

    /** One line of it alone; of a question, all that belongs to it: choices, hints, praise and correction. Its page isn't seen. */
    public PublishedLesson onlyLine(String lineId) {
        PublishedLesson one = onlyPage(pages.stream()
                .filter(page ->
                        page.lines().stream().anyMatch(line -> line.line().id().equals(lineId)))
                .map(PublishedPage::id)
                .findFirst()
                .orElse(""));
        return new PublishedLesson(title, settings, one.pages(), Placed.NOTHING, prompts)
                .withPages(page -> new PublishedPage(
                        page.id(), null, together(page.lines(), lineId), Placed.NOTHING, page.title()));
    }

    private static List<PublishedLine> together(List<PublishedLine> lines, String lineId) {
        List<PublishedLine> together = new ArrayList<>();
        for (PublishedLine line : lines) {
            if (line.line().id().equals(lineId)) {
                together.add(line);
            } else if (!together.isEmpty()) {
                if (together.get(0).line().kind() != LineKind.QUESTION
                        || !line.line().kind().belongsToQuestion()) {
                    break;
                }
                together.add(line);
            }
        }
        return together;
    }

    private PublishedLesson withPages(UnaryOperator<PublishedPage> change) {
        return new PublishedLesson(title, settings, pages.stream().map(change).toList(), every, prompts);
    }

    public Optional<PublishedLine> line(String lineId) {
        return lines().filter(line -> line.line().id().equals(lineId)).findFirst();
    }

    public Stream<PublishedLine> lines() {
        return pages.stream().flatMap(page -> page.lines().stream());
    }

    /** The picture of a page, by its hash. */
    public Optional<PublishedPicture> picture(String hash) {
        return pages.stream()
                .map(PublishedPage::picture)
                .filter(picture -> picture != null && picture.hash().equals(hash))
                .findFirst();
    }

    /** Whether a sound is heard in it. */
    public boolean hears(String soundHash) {
        return prompts.containsValue(soundHash) || lines().anyMatch(line -> soundHash.equals(line.soundHash()));
    }

    /** Of what is placed on a page, that whose line, or page, is still there; a choice that leads on does so where its words are. */
    public List<PageElement> asItStands(List<PageElement> things) {
        Map<String, Line> known =
                lines().map(PublishedLine::line).collect(Collectors.toMap(Line::id, line -> line, (one, other) -> one));
        Set<String> pageIds = pages.stream().map(PublishedPage::id).collect(Collectors.toSet());
        List<PageElement> there = things.stream()
                .flatMap(thing -> thing
                        .withReferences(
                                line -> known.containsKey(line) ? line : null,
                                page -> pageIds.contains(page) ? page : null)
                        .stream())
                .toList();
        return there.stream()
                .map(thing -> thing instanceof Jump jump ? jump.besideChoice(there, known.get(jump.choiceId())) : thing)
                .toList();
    }
}
