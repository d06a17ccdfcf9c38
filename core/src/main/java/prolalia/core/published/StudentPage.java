package prolalia.core.published;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.StringJoiner;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import prolalia.core.lesson.LessonSettings;
import prolalia.core.page.Jump;
import prolalia.core.page.Look;
import prolalia.core.page.PageElement;
import prolalia.core.page.Paths;
import prolalia.core.page.PlayRule;
import prolalia.core.place.Area;
import prolalia.core.place.WordPlaces.StandingWord;
import prolalia.core.published.PublishedLesson.PublishedLine;
import prolalia.core.published.PublishedLesson.PublishedPage;

/**
 * One page as a student meets it.
 *
 * @param page null when the lesson has nothing to show yet
 * @param lines that are met at once and have words, but no spot on a picture
 * @param onPage what is placed on it
 * @param number of the page, from 1
 * @param count of all pages
 * @param goesOn whether there is an arrow to the next page
 * @param example whether it is to look at and listen to, not to answer on
 * @param hints in the order in which they are given when the child asks
 * @param praise what is said after a right way; null: the prompt is
 * @param correction what is said after a wrong one; null: the prompt is
 * @param settings of the lesson
 * @param asked its questions that are answered
 */
public record StudentPage(
        String title,
        PublishedPage page,
        List<SaidLine> lines,
        List<OnPage> onPage,
        int number,
        int count,
        boolean goesOn,
        boolean example,
        List<SaidLine> hints,
        PublishedLine praise,
        PublishedLine correction,
        LessonSettings settings,
        List<AskedOnPage> asked) {
    /** What the teacher calls it; empty: nothing. */
    public String name() {
        return page == null ? "" : page.title();
    }

    /** The question that a line asks; null when it is none that is answered. */
    public AskedOnPage askedBy(String lineId) {
        return asked.stream()
                .filter(each -> each.id().equals(lineId))
                .findFirst()
                .orElse(null);
    }

    /** The question whose choice a line is; null when it is none of one that is answered. */
    public AskedOnPage askedWith(String choiceId) {
        return asked.stream()
                .filter(each ->
                        each.choices().stream().anyMatch(choice -> choice.id().equals(choiceId)))
                .findFirst()
                .orElse(null);
    }

    /** Whether something is answered on the picture itself. */
    public boolean isAnsweredOnPicture() {
        return asked.stream().anyMatch(AskedOnPage::onPicture);
    }

    /** Whether the words of the line that is heard are seen. */
    public boolean wordsShown() {
        return !settings.wordsHidden();
    }

    /** Whether it is known of any line that is pressed on the page where its words stand. */
    public boolean hasWordsOnPage() {
        return onPage.stream()
                .anyMatch(each -> each.said() != null
                        && !each.said().line().line().traits().places().areUnknown());
    }

    /** The language of a line's words (BCP 47). */
    public String lang(PublishedLine line) {
        String own = line.line().traits().lang();
        return own == null ? settings.lang() : own;
    }

    /** A line, and the play rule that holds for it. */
    public record SaidLine(PublishedLine line, PlayRule rule) {
        public String id() {
            return line.line().id();
        }
    }

    /**
     * Something that is placed on a page.
     *
     * @param said what a spot sounds, null for what is no spot
     * @param toNumber the page that a jump leads to, null for what is no jump
     */
    public record OnPage(PageElement thing, SaidLine said, Integer toNumber) {
        private static final double UNITS = 1e5;

        /** All of what is pressed, or seen. */
        public Area area() {
            return thing instanceof PageElement.Spot spot ? spot.pressed() : thing.area();
        }

        /** Whether the words themselves are pressed, and the mark is a small tab beside them. */
        public boolean isOnWords() {
            return thing instanceof PageElement.Spot spot && spot.onWords();
        }

        /** The tab, in shares of what is pressed; null: there is none. */
        public Area tab() {
            if (!isOnWords() || !isMark()) {
                return null;
            }
            Area all = area();
            Area tab = thing.area();
            return new Area(
                    (tab.x() - all.x()) / all.w(), (tab.y() - all.y()) / all.h(), tab.w() / all.w(), tab.h() / all.h());
        }

        /**
         * Where the words of its line stand on the page: for each {@code from,length,x,y,w,h}, with four more figures for each
         * further row that it goes on in, and {@code ;} between words; places in hundred-thousandths of the page. Empty when it isn't known.
         */
        public String wordPlaces() {
            if (said == null) {
                return "";
            }
            StringJoiner words = new StringJoiner(";");
            for (StandingWord word :
                    said.line().line().traits().places().in(said.line().words())) {
                StringJoiner figures = new StringJoiner(",");
                figures.add(Integer.toString(word.from()));
                figures.add(Integer.toString(word.text().length()));
                word.areas()
                        .forEach(area -> DoubleStream.of(area.x(), area.y(), area.w(), area.h())
                                .forEach(share -> figures.add(Long.toString(Math.round(share * UNITS)))));
                words.add(figures.toString());
            }
            return words.toString();
        }

        public boolean isMark() {
            return thing instanceof PageElement.Spot spot && spot.mark();
        }

        public Look look() {
            return thing instanceof PageElement.Spot spot ? spot.look() : Look.USUAL;
        }

        public PageElement.Link link() {
            return thing instanceof PageElement.Link link ? link : null;
        }

        public Jump jump() {
            return thing instanceof Jump jump ? jump : null;
        }

        public PageElement.Text text() {
            return thing instanceof PageElement.Text text ? text : null;
        }

        public PageElement.Picture picture() {
            return thing instanceof PageElement.Picture picture ? picture : null;
        }

        /** Whether there is no arrow beside it: the child chooses, or goes this way alone. */
        boolean takesArrow() {
            return isChosen() || (thing instanceof Jump jump && jump.noArrow());
        }

        /** Whether it is a right or a wrong way. */
        public boolean isChosen() {
            return thing instanceof Jump jump && jump.way() != Paths.Kind.PLAIN;
        }
    }

    /** Whether something is the way of a choice that is answered where it stands: it leads on when it is chosen. */
    public boolean isUnderChoice(OnPage each) {
        return each.jump() != null
                && each.jump().choiceId() != null
                && asked.stream()
                        .anyMatch(question ->
                                question.places().containsKey(each.jump().choiceId()));
    }

    /** The way of a choice whose words lead on: it is heard by its mark beside them; null: they don't. */
    public Area wayBeside(OnPage each) {
        return each.said() == null
                ? null
                : waysOf(each.said()).map(OnPage::area).findFirst().orElse(null);
    }

    /** The page to which a choice leads when it is chosen; null: to none. */
    public Integer whereTo(SaidLine choice) {
        return waysOf(choice).map(OnPage::toNumber).findFirst().orElse(null);
    }

    private Stream<OnPage> waysOf(SaidLine choice) {
        return onPage.stream()
                .filter(each ->
                        each.jump() != null && choice.id().equals(each.jump().choiceId()));
    }

    /** The words of the choice that is a way; empty where a way is no choice. */
    public String wordsOfChoice(Jump jump) {
        return page.lines().stream()
                .filter(line -> line.line().id().equals(jump.choiceId()))
                .map(PublishedLine::words)
                .findFirst()
                .orElse("");
    }

    /**
     * The lines that sound on the picture, and those that are answered there though nobody read them yet; a small screen has no
     * room for marks and answers there.
     */
    public List<SaidLine> placedLines() {
        Stream<SaidLine> sounding = onPage.stream().map(OnPage::said).filter(Objects::nonNull);
        // A lesson in which nothing is said has one page with nothing on it.
        Stream<SaidLine> silent = (page == null ? List.<PublishedLine>of() : page.lines())
                .stream()
                        .filter(line -> !line.isHeard() && isAnsweredOnPicture(line))
                        .map(line -> new SaidLine(line, PlayRule.USUAL));
        return Stream.concat(sounding, silent)
                .filter(said -> !lines.contains(said) && askedWith(said.id()) == null)
                .toList();
    }

    private boolean isAnsweredOnPicture(PublishedLine line) {
        AskedOnPage here = askedBy(line.line().id());
        return here != null && here.onPicture();
    }

    /** Whether none of the lines beside a picture is heard: then nothing in their list can be pressed. */
    public boolean isSilentBeside() {
        return lines.stream().noneMatch(said -> said.line().isHeard());
    }

    /** Those on the picture first, in the order in which they are read. */
    public List<SaidLine> allLines() {
        return Stream.concat(placedLines().stream(), lines.stream()).toList();
    }

    /** The line that the big mark plays at first: the first one with a sound. */
    public Optional<SaidLine> first() {
        return allLines().stream().filter(said -> said.line().isHeard()).findFirst();
    }

    /** All lines of the page that can be heard, each once. */
    public List<PublishedLine> heard() {
        Stream<PublishedLine> said = Stream.of(
                        allLines().stream(),
                        hints.stream(),
                        asked.stream().flatMap(each -> Stream.concat(each.choices().stream(), each.hints().stream())))
                .flatMap(each -> each)
                .map(SaidLine::line);
        return Stream.concat(said, Stream.of(praise, correction))
                .filter(line -> line != null && line.isHeard())
                .distinct()
                .toList();
    }
}
