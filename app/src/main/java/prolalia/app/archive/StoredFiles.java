package prolalia.app.archive;

import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import prolalia.app.pages.PageSource;
import prolalia.app.platform.MediaStore;
import prolalia.app.wordtimes.WordTimeService;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.published.PublishedLesson;
import prolalia.core.published.PublishedLesson.PublishedLine;
import prolalia.core.published.PublishedLesson.PublishedPage;
import prolalia.formats.lesson.LessonFiles;

/** The files of a lesson of this house. */
final class StoredFiles implements LessonFiles {
    private final MediaStore media;
    private final WordTimeService times;
    private final Map<String, PageSource> slides;
    private final Map<String, String> types;

    StoredFiles(
            PublishedLesson lesson,
            Map<String, String> pictures,
            Map<String, PageSource> slides,
            MediaStore media,
            WordTimeService times) {
        this.media = media;
        this.times = times;
        this.slides = slides;
        types = new HashMap<>(pictures);
        lesson.pages().stream()
                .map(PublishedPage::picture)
                .filter(picture -> picture != null)
                .forEach(picture -> types.put(picture.hash(), picture.type()));
    }

    @Override
    public Path file(String hash) {
        return media.file(hash);
    }

    @Override
    public String pictureType(String hash) {
        return types.get(hash);
    }

    @Override
    public List<Word> times(PublishedLine line) {
        return times.of(line.line(), line.soundHash());
    }

    @Override
    public Optional<Slide> slide(String pageId) {
        return Optional.ofNullable(slides.get(pageId))
                .map(slide -> new Slide(media.file(slide.fileHash()), slide.number()));
    }
}
