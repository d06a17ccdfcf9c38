package prolalia.core.page;

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
     */
    record Spot(String id, Area area, String lineId, boolean mark) implements Thing {
        @Override
        public Spot at(Area there) {
            return new Spot(id, there, lineId, mark);
        }

        @Override
        public Spot named(String name) {
            return new Spot(name, area, lineId, mark);
        }
    }

    /**
     * Words that lead to an address elsewhere.
     *
     * @param address http or https
     */
    record Link(String id, Area area, String words, String address) implements Thing {
        @Override
        public Link at(Area there) {
            return new Link(id, there, words, address);
        }

        @Override
        public Link named(String name) {
            return new Link(name, area, words, address);
        }
    }

    /**
     * A part of the page that leads to another page.
     *
     * @param pageId the page that it leads to
     * @param way whether pressing it is right, wrong, or neither
     */
    record Jump(String id, Area area, String pageId, Paths.Kind way) implements Thing {
        @Override
        public Jump at(Area there) {
            return new Jump(id, there, pageId, way);
        }

        @Override
        public Jump named(String name) {
            return new Jump(name, area, pageId, way);
        }
    }
}
