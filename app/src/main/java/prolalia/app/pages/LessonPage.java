package prolalia.app.pages;

import prolalia.core.published.PublishedLesson.PublishedPicture;

/**
 * A page without its lines.
 *
 * @param title of a folder of standing lines, null when it has none
 * @param pictureHash null when there is no picture
 * @param pictureType a media type
 * @param pictureWords what the picture shows, for those who don't see it
 * @param width of the picture, in units of its file; null when it isn't known
 * @param height likewise
 */
public record LessonPage(
        String id,
        String title,
        String pictureHash,
        String pictureType,
        String pictureWords,
        Integer width,
        Integer height) {
    /** Width by height; that of a slide when it isn't known. */
    public double aspect() {
        return width == null || height == null ? 16.0 / 9 : (double) width / height;
    }

    /** Its picture as students meet it; null when there is none. */
    public PublishedPicture picture() {
        return pictureHash == null ? null : new PublishedPicture(pictureHash, pictureType, pictureWords, width, height);
    }
}
