package prolalia.formats.slides;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.page.PageElement;
import prolalia.core.published.PublishedLesson;
import prolalia.core.published.PublishedLesson.PublishedLine;
import prolalia.core.published.PublishedLesson.PublishedPage;
import prolalia.formats.archive.PageElementForms;
import prolalia.formats.lesson.LessonFiles;
import prolalia.formats.process.Parent;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * A program of its own that writes a lesson as slides, since the teacher's own slides are opened for it: {@code SlidesProcess
 * REQUEST OUT}. It says {@code done} on its standard output when OUT is written, and ends when its standard input does.
 */
public final class SlidesProcess {
    private static final JsonMapper JSON = JsonMapper.builder()
            .addMixIn(PageElement.class, PageElementForms.class)
            .changeDefaultPropertyInclusion(inclusion -> inclusion.withValueInclusion(JsonInclude.Include.NON_NULL))
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .build();

    private SlidesProcess() {}

    /** @param files by the names that the lesson gives them @param types of pictures @param slides by page */
    private record Request(
            PublishedLesson lesson,
            Map<String, Path> files,
            Map<String, String> types,
            Map<String, LessonFiles.Slide> slides) {}

    /** Writes what is asked of the program. @param pictures that things on its pages show */
    public static void request(PublishedLesson lesson, LessonFiles files, Stream<String> pictures, Path request)
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
        Files.write(request, JSON.writeValueAsBytes(new Request(lesson, paths, types, slides)));
    }

    public static void main(String[] arguments) throws IOException {
        Parent.endWithIt();
        System.setProperty("log4j2.loggerContextFactory", "org.apache.logging.log4j.simple.SimpleLoggerContextFactory");
        Request request = JSON.readValue(Files.readAllBytes(Path.of(arguments[0])), Request.class);
        try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(Path.of(arguments[1])))) {
            LessonSlides.write(request.lesson(), new NamedFiles(request), out);
        }
        System.out.println("done");
        System.out.flush();
        System.exit(0);
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
