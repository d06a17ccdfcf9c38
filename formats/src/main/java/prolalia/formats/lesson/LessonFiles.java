package prolalia.formats.lesson;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.published.PublishedLesson.PublishedLine;

/** The files of a lesson, by the names that core's types have for them. */
public interface LessonFiles {
    /** The file of a sound (MP3) or a picture. */
    Path file(String hash);

    /** The media type of a picture. */
    String pictureType(String hash);

    /** When the words of a line that is heard are said; empty when that isn't known. */
    List<Word> times(PublishedLine line);

    /** The slide that a page was made of, if it was made of one. */
    Optional<Slide> slide(String pageId);

    /**
     * A slide of a file of slides.
     *
     * @param deck a PPTX
     * @param number from 1
     */
    record Slide(Path deck, int number) {}
}
