package prolalia.core.place;

/**
 * A place on a page, as shares of its width and height, from the top left: 0 to 1.
 *
 * @param x left edge
 * @param y top edge
 * @param w width, not negative
 * @param h height, not negative
 */
public record Area(double x, double y, double w, double h) {
    public static final Area WHOLE = new Area(0, 0, 1, 1);

    /** @throws IllegalArgumentException if it is no place: a figure that is no number, or a negative size */
    public Area {
        if (!Double.isFinite(x) || !Double.isFinite(y) || !(w >= 0) || !(h >= 0) || w > 1e6 || h > 1e6) {
            throw new IllegalArgumentException("No place: " + x + ", " + y + ", " + w + ", " + h);
        }
    }

    public static Area between(double left, double top, double right, double bottom) {
        return new Area(left, top, Math.max(0, right - left), Math.max(0, bottom - top));
    }

    /**
     * The place in the middle of a page where a picture keeps its form.
     *
     * @param aspect width by height of the picture
     * @param pageAspect width by height of the page
     * @param share its width by that of the page, or its height by that of the page, whichever is more
     */
    public static Area fitted(double aspect, double pageAspect, double share) {
        double relative = aspect / pageAspect;
        double w = relative >= 1 ? share : share * relative;
        double h = relative >= 1 ? share / relative : share;
        return new Area((1 - w) / 2, (1 - h) / 2, w, h);
    }

    public double right() {
        return x + w;
    }

    public double bottom() {
        return y + h;
    }

    public double middleX() {
        return x + w / 2;
    }

    public double middleY() {
        return y + h / 2;
    }

    /** The smallest place that holds both. */
    public Area with(Area other) {
        return between(
                Math.min(x, other.x),
                Math.min(y, other.y),
                Math.max(right(), other.right()),
                Math.max(bottom(), other.bottom()));
    }

    public boolean touches(Area other) {
        return x < other.right() && other.x < right() && y < other.bottom() && other.y < bottom();
    }

    public boolean holds(double atX, double atY) {
        return atX >= x && atX <= right() && atY >= y && atY <= bottom();
    }

    /** Moved, and made smaller if need be, so that none of it is off the page. */
    public Area onPage() {
        double width = Math.min(1, w);
        double height = Math.min(1, h);
        return new Area(Math.max(0, Math.min(1 - width, x)), Math.max(0, Math.min(1 - height, y)), width, height);
    }

    public Area movedBy(double byX, double byY) {
        return new Area(x + byX, y + byY, w, h);
    }

    /** How much of the two heights they share: 0 to 1, of the smaller one. */
    public double sharedHeight(Area other) {
        double shared = Math.min(bottom(), other.bottom()) - Math.max(y, other.y);
        double smaller = Math.min(h, other.h);
        return smaller <= 0 ? 0 : Math.max(0, shared / smaller);
    }

    /** How much of the two widths they share: 0 to 1, of the smaller one. */
    public double sharedWidth(Area other) {
        double shared = Math.min(right(), other.right()) - Math.max(x, other.x);
        double smaller = Math.min(w, other.w);
        return smaller <= 0 ? 0 : Math.max(0, shared / smaller);
    }
}
