package prolalia.app.archive;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.springframework.stereotype.Service;
import org.springframework.util.FileSystemUtils;
import prolalia.app.access.LessonRef;
import prolalia.app.access.LessonSummary;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.bench.TakeEditTransfer;
import prolalia.app.bench.TakeEditTransfer.Held;
import prolalia.app.lesson.LessonService;
import prolalia.app.pages.LessonPages;
import prolalia.app.pages.PageSource;
import prolalia.app.pages.PageSource.Type;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.LimitedProcess;
import prolalia.app.platform.MediaStore;
import prolalia.app.platform.NotFoundException;
import prolalia.app.player.PublishedLessons;
import prolalia.app.spoken.StoredTake;
import prolalia.app.spoken.TakeService;
import prolalia.app.spoken.TakeSounds;
import prolalia.app.stage.StageService;
import prolalia.app.wordtimes.WordTimeService;
import prolalia.core.lesson.Prompt;
import prolalia.core.published.PublishedLesson;
import prolalia.core.published.PublishedLesson.PublishedLine;
import prolalia.core.published.PublishedLesson.PublishedPage;
import prolalia.core.sound.Span;
import prolalia.formats.archive.ArchivedLesson;
import prolalia.formats.archive.ArchivedLesson.ArchivedEdit;
import prolalia.formats.archive.ArchivedLesson.ArchivedLine;
import prolalia.formats.archive.ArchivedLesson.ArchivedPage;
import prolalia.formats.archive.ArchivedLesson.ArchivedPicture;
import prolalia.formats.archive.ArchivedLesson.ArchivedSlide;
import prolalia.formats.archive.ArchivedLesson.ArchivedTake;
import prolalia.formats.archive.ArchivedLesson.ArchivedWord;
import prolalia.formats.archive.LessonArchive;
import prolalia.formats.book.BookManner;
import prolalia.formats.book.ReadAloudBook;
import prolalia.formats.slides.SlidesProcess;
import prolalia.formats.web.LessonFolder;

/** Writes lessons as files: whole, to be brought back, or as students can take them along. */
@Service
public class LessonArchiver {
    private final LessonService lessons;
    private final PublishedLessons given;
    private final StageService stages;
    private final TakeService takes;
    private final TakeSounds sounds;
    private final TakeEditTransfer edits;
    private final LessonPages pages;
    private final WordTimeService times;
    private final MediaStore media;
    private final DataFolder folder;

    LessonArchiver(
            LessonService lessons,
            PublishedLessons given,
            StageService stages,
            TakeService takes,
            TakeSounds sounds,
            TakeEditTransfer edits,
            LessonPages pages,
            WordTimeService times,
            MediaStore media,
            DataFolder folder) {
        this.lessons = lessons;
        this.given = given;
        this.stages = stages;
        this.takes = takes;
        this.sounds = sounds;
        this.edits = edits;
        this.pages = pages;
        this.times = times;
        this.media = media;
        this.folder = folder;
    }

    private static final int SLIDES_HEAP_MB = 560;
    private static final long LONGEST_SLIDES_MS = 120_000;

    /** In what form a lesson goes out. */
    enum Form {
        ARCHIVE,
        WEB,
        EPUB,
        /** A book whose pages look like the paper. */
        EPUB_PAGES,
        PPTX
    }

    /** A lesson in a file of its own, which whoever sends it deletes. */
    record Written(String title, Path file) {}

    Written write(Teacher teacher, String lessonId, Form form) throws IOException {
        LessonRef seen = lessons.toTakeAlong(teacher, lessonId);
        LessonSummary summary = seen.summary();
        if (summary.shelf()) {
            throw new NotFoundException("lesson");
        }
        PublishedLesson lesson = given.of(seen);
        Map<String, PageSource> ofSlides = pages.sources(seen, Type.SLIDES);
        StoredFiles files = new StoredFiles(lesson, stages.pictures(seen), ofSlides, media, times);
        if (form == Form.PPTX) {
            return new Written(
                    summary.title(),
                    slides(lesson, files, stages.pictures(seen).keySet(), Map.of())
                            .file());
        }
        Path file = folder.newTemporaryFile();
        try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file))) {
            switch (form) {
                case ARCHIVE -> writeArchive(seen, lesson, stages.pictures(seen), ofSlides, out);
                case WEB -> LessonFolder.write(lesson, files, out);
                case EPUB, EPUB_PAGES ->
                    ReadAloudBook.write(
                            lesson,
                            files,
                            form == Form.EPUB ? BookManner.TEXT : BookManner.PAGES,
                            Instant.ofEpochMilli(summary.changedAt()),
                            out);
                case PPTX -> throw new IllegalStateException("Slides are written elsewhere");
            }
        } catch (IOException | RuntimeException failure) {
            Files.deleteIfExists(file);
            throw failure;
        }
        return new Written(summary.title(), file);
    }

    /** @param file which whoever sends it deletes @param left the pages on whose slides there was no room for a code */
    public record Slides(Path file, List<String> left) {}

    /** The lesson as slides with codes on them. @param codes where they lead, by the page whose slide each stands on */
    public Slides slides(Teacher teacher, String lessonId, Map<String, String> codes) throws IOException {
        LessonRef seen = lessons.toTakeAlong(teacher, lessonId);
        LessonSummary summary = seen.summary();
        PublishedLesson lesson = given.of(seen);
        Map<String, PageSource> ofSlides = pages.sources(seen, Type.SLIDES);
        StoredFiles files = new StoredFiles(lesson, stages.pictures(seen), ofSlides, media, times);
        return slides(lesson, files, stages.pictures(seen).keySet(), codes);
    }

    /** The teacher's own slides are opened for it, in a program of its own. */
    private Slides slides(PublishedLesson lesson, StoredFiles files, Set<String> pictures, Map<String, String> codes)
            throws IOException {
        Path place = folder.newTemporaryFolder();
        try {
            Path request = place.resolve("request.json");
            Path out = place.resolve("slides.pptx");
            Path left = place.resolve("left");
            SlidesProcess.request(lesson, files, pictures.stream(), codes, request);
            try (LimitedProcess process = new LimitedProcess(
                    SlidesProcess.class,
                    SLIDES_HEAP_MB,
                    place,
                    List.of(request.toString(), out.toString(), left.toString()))) {
                process.limit(LONGEST_SLIDES_MS, () -> LONGEST_SLIDES_MS);
                if (!"done".equals(process.readLine())) {
                    throw process.failed("Slides could not be written");
                }
            }
            Path file = folder.newTemporaryFile();
            Files.move(out, file, StandardCopyOption.REPLACE_EXISTING);
            return new Slides(file, Files.readAllLines(left));
        } finally {
            FileSystemUtils.deleteRecursively(place);
        }
    }

    private void writeArchive(
            LessonRef ref,
            PublishedLesson lesson,
            Map<String, String> pictures,
            Map<String, PageSource> ofSlides,
            OutputStream out)
            throws IOException {
        Map<String, Path> files = new TreeMap<>();
        pictures.keySet().forEach(hash -> files.put(LessonArchive.pictureName(hash), media.file(hash)));
        List<ArchivedPage> pages = new ArrayList<>();
        for (PublishedPage page : lesson.pages()) {
            ArchivedPicture picture = null;
            if (page.picture() != null) {
                String hash = page.picture().hash();
                files.put(LessonArchive.pictureName(hash), media.file(hash));
                picture = new ArchivedPicture(
                        hash,
                        page.picture().type(),
                        page.picture().shows(),
                        page.picture().width(),
                        page.picture().height());
            }
            ArchivedSlide slide = null;
            if (ofSlides.containsKey(page.id())) {
                PageSource of = ofSlides.get(page.id());
                slide = new ArchivedSlide("slides/" + of.fileHash() + ".pptx", of.number());
                files.put(slide.file(), media.file(of.fileHash()));
            }
            List<ArchivedLine> lines =
                    page.lines().stream().map(line -> archived(line, files)).toList();
            pages.add(new ArchivedPage(
                    page.id(), page.title().isEmpty() ? null : page.title(), picture, page.placed(), slide, lines));
        }
        Map<Prompt, ArchivedTake> prompts = new EnumMap<>(Prompt.class);
        given.promptTakes(ref).forEach((prompt, take) -> prompts.put(prompt, archived(takes.find(take), null, files)));
        LessonArchive.write(
                new ArchivedLesson(lesson.title(), lesson.settings(), lesson.every(), pictures, prompts, pages),
                files,
                out);
    }

    private ArchivedLine archived(PublishedLine line, Map<String, Path> files) {
        List<ArchivedTake> all = takes.takesOf(line.line().id()).stream()
                .flatMap(take -> sounds.heard(take).stream())
                .map(take -> archived(take, line, files))
                .toList();
        boolean anyKept = all.stream().anyMatch(ArchivedTake::kept);
        if (!anyKept && line.isHeard()) {
            // The place of a standing line is heard in a take that belongs there.
            StoredTake kept = takes.find(line.line().kept().orElseThrow().id());
            all = new ArrayList<>(all);
            all.add(archived(kept, line, files));
        }
        return ArchivedLine.of(line.line(), all);
    }

    /** @param line that it is a take of; null: it is that of a prompt, and kept */
    private ArchivedTake archived(StoredTake take, PublishedLine line, Map<String, Path> files) {
        String original = "takes/" + take.originalHash() + ".flac";
        String heard = "heard/" + take.soundHash() + ".mp3";
        files.put(original, media.file(take.originalHash()));
        files.put(heard, media.file(take.soundHash()));
        Held held = edits.of(take.id())
                .orElseGet(() -> new Held(new Span(take.trimStartMs(), take.trimEndMs()), List.of()));
        boolean kept = line == null
                || line.line()
                        .kept()
                        .filter(each -> each.id().equals(take.id()))
                        .isPresent();
        List<ArchivedWord> words = kept && line != null
                ? times.of(line.line(), take.soundHash()).stream()
                        .map(word -> new ArchivedWord(
                                word.text(),
                                word.from(),
                                word.span().startMs(),
                                word.span().endMs()))
                        .toList()
                : null;
        return new ArchivedTake(
                original,
                heard,
                take.words(),
                held.trim(),
                held.edits().stream().map(ArchivedEdit::of).toList(),
                kept,
                take.accepted(),
                words);
    }
}
