package prolalia.core.page;

import prolalia.core.lesson.LineKind;

/** Something that is placed on a page. Each has a name on its page, and a place. */
public sealed interface Thing {
    String id();

    Area area();

    Thing at(Area area);

    Thing named(String id);

    /**
     * A place that sounds a line.
     *
     * @param lineId the line that it sounds
     * @param mark whether its mark is seen; without it, the part of the picture under it is pressed
     * @param rule what the spot itself says of when and how it sounds
     */
    record Spot(String id, Area area, String lineId, boolean mark, Look look, PlayRule rule) implements Thing {
        public Spot {
            look = look == null ? Look.USUAL : look;
            rule = rule == null ? PlayRule.SILENT : rule;
        }

        /** A spot that looks and sounds as usual. */
        public Spot(String id, Area area, String lineId, boolean mark) {
            this(id, area, lineId, mark, Look.USUAL, PlayRule.SILENT);
        }

        @Override
        public Spot at(Area there) {
            return new Spot(id, there, lineId, mark, look, rule);
        }

        @Override
        public Spot named(String name) {
            return new Spot(name, area, lineId, mark, look, rule);
        }

        /** The same spot under another rule. */
        public Spot under(PlayRule other) {
            return new Spot(id, area, lineId, mark, look, other);
        }

        /** The same spot for another line. */
        public Spot sounding(String line) {
            return new Spot(id, area, line, mark, look, rule);
        }
    }

    /**
     * A spot that stands on every page of a lesson, and sounds a line of that page.
     *
     * @param lines the kind of the line that it sounds: the first of that kind on the page
     */
    record EverySpot(String id, Area area, LineKind lines, boolean mark, Look look, PlayRule rule) implements Thing {
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
            return new Spot(id, area, lineId, mark, look, rule);
        }
    }

    /**
     * Words that lead to an address elsewhere.
     *
     * @param address http or https
     * @param seen whether the words are drawn; without, the part of the picture under it is pressed
     */
    record Link(String id, Area area, String words, String address, Boolean seen) implements Thing {
        private static final int LONGEST_ADDRESS = 2_000;

        public Link {
            seen = seen != null && seen;
        }

        /** Whether a link may lead there. */
        public static boolean isAddress(String address) {
            return address != null && address.matches("(?i)https?://\\S+") && address.length() <= LONGEST_ADDRESS;
        }

        @Override
        public Link at(Area there) {
            return new Link(id, there, words, address, seen);
        }

        @Override
        public Link named(String name) {
            return new Link(name, area, words, address, seen);
        }
    }

    /**
     * A part of the page that leads to another page.
     *
     * @param pageId the page that it leads to; {@link #BACK}: the one that the student came from
     * @param way whether pressing it is right, wrong, or neither
     * @param words drawn on it; empty: the part of the picture under it is pressed
     */
    record Jump(String id, Area area, String pageId, Paths.Kind way, String words) implements Thing {
        public static final String BACK = "back";

        public Jump {
            way = way == null || way == Paths.Kind.NEXT ? Paths.Kind.PLAIN : way;
            words = words == null ? "" : words;
        }

        /** An area alone. */
        public Jump(String id, Area area, String pageId, Paths.Kind way) {
            this(id, area, pageId, way, "");
        }

        /** The same jump to another page. */
        public Jump leadingTo(String page) {
            return new Jump(id, area, page, way, words);
        }

        public boolean leadsBack() {
            return BACK.equals(pageId);
        }

        @Override
        public Jump at(Area there) {
            return new Jump(id, there, pageId, way, words);
        }

        @Override
        public Jump named(String name) {
            return new Jump(name, area, pageId, way, words);
        }
    }

    /** Words that stand on the page, to be read. */
    record Text(String id, Area area, String words, Size size, Look.Tint tint) implements Thing {
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
    }

    /**
     * A picture that stands on the page.
     *
     * @param hash of its content, by which it is stored
     * @param shows what is seen on it, for those who don't see it; empty when it says nothing
     */
    record Picture(String id, Area area, String hash, String shows) implements Thing {
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
    }
}
