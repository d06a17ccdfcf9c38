package prolalia.cli;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import prolalia.formats.archive.ArchiveRefusedException;
import prolalia.formats.archive.LessonArchive;
import prolalia.formats.book.BookManner;
import prolalia.formats.book.ReadAloudBook;
import prolalia.formats.slides.LessonSlides;
import prolalia.formats.web.LessonFolder;

/** A lesson archive as a read-aloud book, a web folder or slides. */
@Command(
        name = "export",
        mixinStandardHelpOptions = true,
        description = {
            "Writes a lesson archive as a read-aloud book (EPUB 3.3), a folder that plays without a server (web, a ZIP),",
            "or slides (PPTX). Exit code 0; 1 when the archive can't be taken; then nothing is written."
        })
final class ExportCommand implements Callable<Integer> {
    /** In what form it goes out. */
    enum As {
        EPUB,
        WEB,
        PPTX
    }

    @Parameters(paramLabel = "LESSON.zip", description = "A lesson archive, as the application saves it.")
    private Path archive;

    @Option(names = "--as", required = true, paramLabel = "epub|web|pptx", description = "In what form.")
    private As as;

    @Option(
            names = "--pages",
            description =
                    "A book as pages that look like the paper, with its words lit where they stand; otherwise as text.")
    private boolean pages;

    @Option(names = "-o", required = true, paramLabel = "OUT", description = "The file to write.")
    private Path out;

    @Override
    public Integer call() {
        Path folder = null;
        try {
            folder = Files.createTempDirectory("prolalia-export");
            try (LessonArchive opened = LessonArchive.open(archive)) {
                write(new UnpackedLesson(opened, folder));
            }
            return 0;
        } catch (ArchiveRefusedException refused) {
            System.err.println(FileMessages.of(refused));
        } catch (IOException | RuntimeException failure) {
            System.err.println(FileMessages.of(failure));
        } finally {
            delete(folder);
        }
        return 1;
    }

    /** Whole beside its place first: a file that was there before stays until the new one is finished. */
    private void write(UnpackedLesson lesson) throws IOException {
        // With the usual permissions of a new file.
        Path written = out.toAbsolutePath()
                .resolveSibling(
                        "." + out.getFileName() + "." + ProcessHandle.current().pid());
        try {
            writeTo(lesson, written);
            Files.move(written, out, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(written);
        }
    }

    private void writeTo(UnpackedLesson lesson, Path written) throws IOException {
        try (OutputStream to = new BufferedOutputStream(Files.newOutputStream(written))) {
            switch (as) {
                case EPUB ->
                    ReadAloudBook.write(
                            lesson.lesson(), lesson, pages ? BookManner.PAGES : BookManner.TEXT, Instant.now(), to);
                case WEB -> LessonFolder.write(lesson.lesson(), lesson, to);
                case PPTX -> LessonSlides.write(lesson.lesson(), lesson, to);
            }
        }
    }

    private static void delete(Path folder) {
        if (folder == null) {
            return;
        }
        try (Stream<Path> all = Files.walk(folder)) {
            List<Path> deepestFirst = all.sorted(Comparator.reverseOrder()).toList();
            for (Path each : deepestFirst) {
                Files.deleteIfExists(each);
            }
        } catch (IOException left) {
            System.err.println(FileMessages.leftBehind(folder));
        }
    }
}
