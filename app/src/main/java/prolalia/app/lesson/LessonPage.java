package prolalia.app.lesson;

/**
 * A page without its lines.
 *
 * @param title of a folder of standing lines, null when it has none
 * @param pictureHash null when there is no picture
 * @param pictureType a media type
 * @param pictureWords what the picture shows, for those who don't see it
 */
public record LessonPage(String id, String title, String pictureHash, String pictureType, String pictureWords) {}
