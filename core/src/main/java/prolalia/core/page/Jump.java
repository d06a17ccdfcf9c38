package prolalia.core.page;

import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import prolalia.core.lesson.Line;
import prolalia.core.place.Area;

/**
 * A part of the page that leads to another page.
 *
 * @param pageId the page that it leads to; {@link #BACK}: the one that the student came from
 * @param way whether pressing it is right, wrong, or neither
 * @param words drawn on it; empty: the part of the picture under it is pressed
 * @param unseen whether that part has no edge of its own: the picture alone shows that it can be pressed; null: it has
 * @param choiceId the choice that leads on itself: pressed, it is chosen as well; null: it is none. Where the choice has a
 *     spot, it stands around its words
 * @param noArrow whether the arrow to the next page isn't there beside it; null: it is
 */
public record Jump(
        String id,
        Area area,
        String pageId,
        Paths.Kind way,
        String words,
        Boolean unseen,
        String choiceId,
        Boolean noArrow)
        implements PageElement {
    public static final String BACK = "back";

    /** So much is free around the words of a choice, as a share of the page's width, and of the height of the words. */
    private static final double AIR_BESIDE = 0.012;

    private static final double AIR_OVER = 0.4;

    public Jump {
        way = way == null || way == Paths.Kind.NEXT ? Paths.Kind.PLAIN : way;
        words = words == null ? "" : words;
        unseen = Boolean.TRUE.equals(unseen);
        noArrow = Boolean.TRUE.equals(noArrow);
    }

    /** An area alone. */
    public Jump(String id, Area area, String pageId, Paths.Kind way) {
        this(id, area, pageId, way, "");
    }

    /** One that is seen. */
    public Jump(String id, Area area, String pageId, Paths.Kind way, String words) {
        this(id, area, pageId, way, words, false, null, false);
    }

    /** A choice that leads on itself. */
    public static Jump of(Line choice, Spot spot, String id, String pageId, Paths.Kind way) {
        return new Jump(id, around(choice, spot), pageId, way, "", false, choice.id(), false);
    }

    /** Around the words of a choice, as far as they are known; else where its spot is pressed. */
    private static Area around(Line choice, Spot spot) {
        return choice.traits()
                .places()
                .whole()
                .map(words -> Area.between(
                                words.x() - AIR_BESIDE,
                                words.y() - AIR_OVER * words.h(),
                                words.right() + AIR_BESIDE,
                                words.bottom() + AIR_OVER * words.h())
                        .onPage())
                .orElseGet(() -> spot.press() == null ? spot.area() : spot.press());
    }

    /** The same jump in place of the arrow to the next page. */
    public Jump insteadOfArrow() {
        return new Jump(id, area, pageId, way, words, unseen, choiceId, true);
    }

    /** Whether nothing on the page says that it leads on. */
    public boolean nothingShowsIt() {
        return unseen && words.isBlank();
    }

    /** The same jump to another page. */
    public Jump leadingTo(String page) {
        return new Jump(id, area, page, way, words, unseen, choiceId, noArrow);
    }

    /** The same jump around its choice; itself where that has no spot. @param things of its page @param choice null: it is none */
    public Jump besideChoice(List<PageElement> things, Line choice) {
        return things.stream()
                .filter(thing -> choice != null
                        && thing instanceof Spot spot
                        && spot.lineId().equals(choice.id()))
                .map(spot -> at(around(choice, (Spot) spot)))
                .findFirst()
                .orElse(this);
    }

    /** Its way from one page to another, counted from 0. */
    public Paths.Way way(int from, int to) {
        return new Paths.Way(from, to, way, nothingShowsIt(), noArrow);
    }

    public boolean leadsBack() {
        return BACK.equals(pageId);
    }

    @Override
    public Jump at(Area there) {
        return new Jump(id, there, pageId, way, words, unseen, choiceId, noArrow);
    }

    @Override
    public Jump named(String name) {
        return new Jump(name, area, pageId, way, words, unseen, choiceId, noArrow);
    }

    @Override
    public Optional<PageElement> withReferences(UnaryOperator<String> lines, UnaryOperator<String> pages) {
        String choice = choiceId == null ? null : lines.apply(choiceId);
        Jump ofChoice = new Jump(id, area, pageId, way, words, unseen, choice, noArrow);
        return leadsBack()
                ? Optional.of(ofChoice)
                : Optional.ofNullable(pages.apply(pageId)).map(ofChoice::leadingTo);
    }

    @Override
    public Optional<Fault> fault(Surroundings there) {
        return Fault.unless((leadsBack() || there.hasPage(pageId)) && words.length() <= LONGEST_WORDS, Fault.GONE);
    }

    @Override
    public <R> R match(Cases<R> cases) {
        return cases.jump(this);
    }
}
