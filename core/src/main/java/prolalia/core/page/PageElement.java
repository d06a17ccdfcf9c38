package prolalia.core.page;

import java.util.Optional;
import java.util.function.UnaryOperator;
import prolalia.core.lesson.LineKind;
import prolalia.core.place.Area;

/**
 * Something that is placed on a page. Each has a name on its page, and a place. What all kinds must answer is asked here, so
 * that a new kind has an answer everywhere.
 */
public sealed interface PageElement permits PageElement.LeadsNowhere, PageElement.Spot, Jump, PageElement.AnswerArea {
    int LONGEST_WORDS = 300;

    String id();

    Area area();

    PageElement at(Area area);

    PageElement named(String id);

    /**
     * The same with what it leads to under other names.
     *
     * @param lines the other id of a line; null: it isn't there
     * @param pages likewise of a page
     * @return empty when what it leads to isn't there
     */
    Optional<PageElement> withReferences(UnaryOperator<String> lines, UnaryOperator<String> pages);

    /** Why it can't stand there; empty when it can. */
    Optional<Fault> fault(Surroundings there);

    <R> R match(Cases<R> cases);

    /** Has neither a line nor a page of the lesson that it would lead to. */
    sealed interface LeadsNowhere extends PageElement permits EverySpot, Link, Text, Picture {
        @Override
        default Optional<PageElement> withReferences(UnaryOperator<String> lines, UnaryOperator<String> pages) {
            return Optional.of(this);
        }
    }

    /** Where something is to stand. */
    interface Surroundings {
        /** Whether it is the set of every page of a lesson. */
        boolean isEveryPage();

        /** Whether it may lead to a line; asked with null too. */
        boolean hasLine(String id);

        boolean hasPage(String id);

        boolean hasPicture(String hash);
    }

    /** What is wrong with something. */
    enum Fault {
        /** What it leads to or shows isn't there, or it can't stand on such a page. */
        GONE,
        /** It leads to no address. */
        ADDRESS,
        /** It says more than may stand there. */
        LONG;

        static Optional<Fault> unless(boolean fine, Fault fault) {
            return fine ? Optional.empty() : Optional.of(fault);
        }
    }

    /** An answer for each kind. */
    interface Cases<R> {
        R spot(Spot spot);

        R everySpot(EverySpot spot);

        R link(Link link);

        R jump(Jump jump);

        R text(Text text);

        R picture(Picture picture);

        R answerArea(AnswerArea area);
    }

    /**
     * A place that sounds a line. A line that was found on the picture is pressed where it stands, and has a small tab; any
     * other one is pressed on its mark.
     *
     * @param area where its mark is, or its tab; where it is pressed, when it has neither
     * @param lineId the line that it sounds
     * @param mark whether its mark is seen; without it, the part of the picture under it is pressed
     * @param rule what the spot itself says of when and how it sounds
     * @param press where it is pressed, as the words of the line stand; null: on its mark alone
     */
    record Spot(String id, Area area, String lineId, boolean mark, Look look, PlayRule rule, Area press)
            implements PageElement {
        public Spot {
            look = look == null ? Look.USUAL : look;
            rule = rule == null ? PlayRule.SILENT : rule;
            press = press == null ? null : mark ? press.onPage() : area;
        }

        /** A spot that looks and sounds as usual. */
        public Spot(String id, Area area, String lineId, boolean mark) {
            this(id, area, lineId, mark, Look.USUAL, PlayRule.SILENT, null);
        }

        /** A spot on a line's own words. */
        public static Spot on(LinePlacing.LinePlace place, String id, String lineId) {
            return new Spot(
                    id,
                    place.tab() == null ? place.press() : place.tab(),
                    lineId,
                    place.tab() != null,
                    Look.USUAL,
                    PlayRule.SILENT,
                    place.press());
        }

        /** The whole of what is pressed. */
        public Area pressed() {
            return press == null ? area : mark ? press.with(area) : press;
        }

        /** Whether its mark is a small tab beside the words, and the words are pressed. */
        public boolean onWords() {
            return press != null;
        }

        @Override
        public Spot at(Area there) {
            return new Spot(id, there, lineId, mark, look, rule, press);
        }

        @Override
        public Spot named(String name) {
            return new Spot(name, area, lineId, mark, look, rule, press);
        }

        /** The same spot under another rule. */
        public Spot under(PlayRule other) {
            return new Spot(id, area, lineId, mark, look, other, press);
        }

        /** The same spot with another look. */
        public Spot looking(Look other) {
            return new Spot(id, area, lineId, mark, other, rule, press);
        }

        /** The same spot pressed on its mark, or its place, alone. */
        public Spot offWords() {
            return new Spot(id, area, lineId, mark, look, rule, null);
        }

        /** The same spot for another line. */
        public Spot sounding(String line) {
            return new Spot(id, area, line, mark, look, rule, press);
        }

        @Override
        public Optional<PageElement> withReferences(UnaryOperator<String> lines, UnaryOperator<String> pages) {
            return Optional.ofNullable(lines.apply(lineId)).map(this::sounding);
        }

        @Override
        public Optional<Fault> fault(Surroundings there) {
            return Fault.unless(!there.isEveryPage() && there.hasLine(lineId), Fault.GONE);
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.spot(this);
        }
    }

    /**
     * A spot that stands on every page of a lesson, and sounds a line of that page.
     *
     * @param lines the kind of the line that it sounds: the first of that kind on the page
     */
    record EverySpot(String id, Area area, LineKind lines, boolean mark, Look look, PlayRule rule)
            implements LeadsNowhere {
        public EverySpot {
            look = look == null ? Look.USUAL : look;
            rule = rule == null ? PlayRule.SILENT : rule;
        }

        @Override
        public EverySpot at(Area there) {
            return new EverySpot(id, there, lines, mark, look, rule);
        }

        @Override
        public EverySpot named(String name) {
            return new EverySpot(name, area, lines, mark, look, rule);
        }

        /** As it stands on a page. */
        public Spot sounding(String lineId) {
            return new Spot(id, area, lineId, mark, look, rule, null);
        }

        @Override
        public Optional<Fault> fault(Surroundings there) {
            return Fault.unless(there.isEveryPage() && lines != null, Fault.GONE);
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.everySpot(this);
        }
    }

    /**
     * Words that lead to an address elsewhere.
     *
     * @param address http or https
     * @param seen whether the words are drawn; without, the part of the picture under it is pressed
     */
    record Link(String id, Area area, String words, String address, Boolean seen) implements LeadsNowhere {
        public Link {
            seen = seen != null && seen;
            address = WebAddress.of(address).orElse(address);
        }

        /** Whether a link may lead there. */
        public static boolean isAddress(String address) {
            return WebAddress.of(address).isPresent();
        }

        @Override
        public Link at(Area there) {
            return new Link(id, there, words, address, seen);
        }

        @Override
        public Link named(String name) {
            return new Link(name, area, words, address, seen);
        }

        @Override
        public Optional<Fault> fault(Surroundings there) {
            return Fault.unless(isAddress(address) && words != null && words.length() <= LONGEST_WORDS, Fault.ADDRESS);
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.link(this);
        }
    }

    /**
     * A place where a question is answered: where something is typed, drawn or spoken; or, of a question that is answered by
     * pressing the picture, a place that is right.
     *
     * @param lineId the question
     */
    record AnswerArea(String id, Area area, String lineId) implements PageElement {
        @Override
        public AnswerArea at(Area there) {
            return new AnswerArea(id, there, lineId);
        }

        @Override
        public AnswerArea named(String name) {
            return new AnswerArea(name, area, lineId);
        }

        @Override
        public Optional<PageElement> withReferences(UnaryOperator<String> lines, UnaryOperator<String> pages) {
            return Optional.ofNullable(lineId == null ? null : lines.apply(lineId))
                    .map(line -> new AnswerArea(id, area, line));
        }

        @Override
        public Optional<Fault> fault(Surroundings there) {
            return Fault.unless(lineId != null && there.hasLine(lineId), Fault.GONE);
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.answerArea(this);
        }
    }

    /** Words that stand on the page, to be read. */
    record Text(String id, Area area, String words, Size size, Look.Tint tint) implements LeadsNowhere {
        private static final int LONGEST = 2_000;

        /** How large, as the height of a row by the height of the page. */
        public enum Size {
            TINY(0.02),
            SMALL(0.04),
            NORMAL(0.06),
            LARGE(0.1);

            private final double share;

            Size(double share) {
                this.share = share;
            }

            public double share() {
                return share;
            }
        }

        public Text {
            tint = tint == null ? Look.Tint.INK : tint;
        }

        @Override
        public Text at(Area there) {
            return new Text(id, there, words, size, tint);
        }

        @Override
        public Text named(String name) {
            return new Text(name, area, words, size, tint);
        }

        @Override
        public Optional<Fault> fault(Surroundings there) {
            return Fault.unless(words != null && words.length() <= LONGEST && size != null, Fault.LONG);
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.text(this);
        }
    }

    /**
     * A picture that stands on the page.
     *
     * @param hash of its content, by which it is stored
     * @param shows what is seen on it, for those who don't see it; empty when it says nothing
     */
    record Picture(String id, Area area, String hash, String shows) implements LeadsNowhere {
        public Picture {
            shows = shows == null ? "" : shows;
        }

        @Override
        public Picture at(Area there) {
            return new Picture(id, there, hash, shows);
        }

        @Override
        public Picture named(String name) {
            return new Picture(name, area, hash, shows);
        }

        @Override
        public Optional<Fault> fault(Surroundings there) {
            return Fault.unless(there.hasPicture(hash) && shows.length() <= LONGEST_WORDS, Fault.GONE);
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.picture(this);
        }
    }
}
