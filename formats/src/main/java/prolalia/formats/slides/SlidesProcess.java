package prolalia.formats.slides;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.page.PageElement;
import prolalia.core.published.PublishedLesson;
import prolalia.core.published.PublishedLesson.PublishedLine;
import prolalia.core.published.PublishedLesson.PublishedPage;
import prolalia.core.published.StudentPage;
import prolalia.core.published.StudentPages;
import prolalia.formats.archive.PageElementForms;
import prolalia.formats.code.StampedSlides;
import prolalia.formats.lesson.LessonFiles;
import prolalia.formats.paper.PaperRefusedException;
import prolalia.formats.process.Parent;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * A program of its own that writes a lesson as slides, since the teacher's own slides are opened for it: {@code SlidesProcess
 * REQUEST OUT LEFT}. LEFT names the pages on whose slides there was no room for a code. It says {@code done} on its standard
 * output when both are written, and ends when its standard input does.
 */
public final class SlidesProcess {
    private static final JsonMapper JSON = JsonMapper.builder()
            .addMixIn(PageElement.class, PageElementForms.class)
            .changeDefaultPropertyInclusion(inclusion -> inclusion.withValueInclusion(JsonInclude.Include.NON_NULL))
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .build();

    private SlidesProcess() {}

    /** @param files by the names that the lesson gives them @param types of pictures @param slides by page @param codes addresses by page */
    private record Request(
            PublishedLesson lesson,
            Map<String, String> codes,
            Map<String, Path> files,
            Map<String, String> types,
            Map<String, LessonFiles.Slide> slides) {}

    /**
     * Writes what is asked of the program.
     *
     * @param pictures that things on its pages show
     * @param codes where codes lead, by the page whose slide each stands on
     */
    public static void request(
            PublishedLesson lesson, LessonFiles files, Stream<String> pictures, Map<String, String> codes, Path request)
            throws IOException {
        Map<String, Path> paths = new HashMap<>();
        Map<String, String> types = new HashMap<>();
        Map<String, LessonFiles.Slide> slides = new HashMap<>();
        lesson.lines()
                .filter(PublishedLine::isHeard)
                .forEach(line -> paths.put(line.soundHash(), files.file(line.soundHash())));
        lesson.prompts().values().forEach(hash -> paths.put(hash, files.file(hash)));
        Stream<String> ofPages = lesson.pages().stream()
                .map(PublishedPage::picture)
                .filter(picture -> picture != null)
                .map(PublishedLesson.PublishedPicture::hash);
        Stream.concat(ofPages, pictures).forEach(hash -> {
            paths.put(hash, files.file(hash));
            types.put(hash, files.pictureType(hash));
        });
        lesson.pages().forEach(page -> files.slide(page.id()).ifPresent(slide -> slides.put(page.id(), slide)));
        Files.write(request, JSON.writeValueAsBytes(new Request(lesson, codes, paths, types, slides)));
    }

    public static void main(String[] arguments) throws IOException {
        Parent parent = Parent.meet();
        Request request = JSON.readValue(Files.readAllBytes(Path.of(arguments[0])), Request.class);
        try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(Path.of(arguments[1])))) {
            LessonSlides.write(request.lesson(), new NamedFiles(request), out);
        }
        Files.write(Path.of(arguments[2]), withCodes(request, Path.of(arguments[1])));
        parent.say("done");
        System.exit(0);
    }

    /** @return the pages on whose slides there was no room */
    private static List<String> withCodes(Request request, Path slides) throws IOException {
        Map<Integer, String> codes = new TreeMap<>();
        Map<Integer, String> pages = new HashMap<>();
        for (StudentPage page : StudentPages.of(request.lesson())) {
            String id = page.page() == null ? null : page.page().id();
            if (request.codes().containsKey(id)) {
                codes.put(page.number(), request.codes().get(id));
                pages.put(page.number(), id);
            }
        }
        if (codes.isEmpty()) {
            return List.of();
        }
        Path with = slides.resolveSibling("with-codes.pptx");
        try {
            List<Integer> left = StampedSlides.stamp(slides, codes, with);
            Files.move(with, slides, StandardCopyOption.REPLACE_EXISTING);
            return left.stream().map(pages::get).toList();
        } catch (PaperRefusedException justWritten) {
            throw new IOException("What was written can't be read", justWritten);
        }
    }

    private record NamedFiles(Request request) implements LessonFiles {
        @Override
        public Path file(String hash) {
            return request.files().get(hash);
        }

        @Override
        public String pictureType(String hash) {
            return request.types().get(hash);
        }

        @Override
        public List<Word> times(PublishedLine line) {
            return List.of();
        }

        @Override
        public Optional<Slide> slide(String pageId) {
            return Optional.ofNullable(request.slides().get(pageId));
        }
    }
}
