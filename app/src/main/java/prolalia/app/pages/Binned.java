package prolalia.app.pages;

/**
 * Something in the bin.
 *
 * @param kind "lesson" or "page"
 * @param number of a page, from 1; 0 for a lesson
 */
public record Binned(
        String kind, String id, String title, int number, String pictureHash, String lessonId, long removedAt) {}
