package prolalia.core.script;

/**
 * All of a page that a change of a lesson can touch, but for its lines and what is placed on it.
 *
 * @param title null: none
 * @param removed whether it is out of the lesson; a page that isn't there yet counts as removed
 * @param position counts from 0; removed pages keep theirs among the others
 * @param picture what it shows; null: nothing
 */
public record PageShape(String title, boolean removed, int position, Picture picture) {
    /**
     * The picture of a page.
     *
     * @param hash SHA-256 of its file
     * @param type media type
     * @param words what it shows, for those who don't see it; may be null
     * @param width in pixels; null: not known
     * @param height in pixels; null: not known
     * @param source the file that it was made of, while it shows that; null: none
     */
    public record Picture(String hash, String type, String words, Integer width, Integer height, Source source) {
        public Picture withWords(String changed) {
            return new Picture(hash, type, changed, width, height, source);
        }
    }

    /**
     * A page of a file that was brought in.
     *
     * @param file SHA-256 of the file
     * @param type what kind of file it is
     * @param number of the page within it, from 1
     */
    public record Source(String file, String type, int number) {}

    public PageShape withTitle(String changed) {
        return new PageShape(changed, removed, position, picture);
    }

    public PageShape withRemoved(boolean changed) {
        return new PageShape(title, changed, position, picture);
    }

    public PageShape withPosition(int changed) {
        return new PageShape(title, removed, changed, picture);
    }

    public PageShape withPicture(Picture changed) {
        return new PageShape(title, removed, position, changed);
    }
}
