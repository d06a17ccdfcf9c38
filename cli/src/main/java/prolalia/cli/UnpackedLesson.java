package prolalia.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import prolalia.core.align.WordMending;
import prolalia.core.align.WordTimes;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.Prompt;
import prolalia.core.lesson.SpokenWords;
import prolalia.core.lesson.Take;
import prolalia.core.published.PublishedLesson;
import prolalia.core.published.PublishedLesson.PublishedLine;
import prolalia.core.published.PublishedLesson.PublishedPage;
import prolalia.core.published.PublishedLesson.PublishedPicture;
import prolalia.formats.archive.ArchiveRefusedException;
import prolalia.formats.archive.ArchivedLesson;
import prolalia.formats.archive.ArchivedLesson.ArchivedLine;
import prolalia.formats.archive.ArchivedLesson.ArchivedPage;
import prolalia.formats.archive.ArchivedLesson.ArchivedPicture;
import prolalia.formats.archive.ArchivedLesson.ArchivedTake;
import prolalia.formats.archive.LessonArchive;
import prolalia.formats.lesson.LessonFiles;
import prolalia.media.TakeAnalysis;
import prolalia.media.UnreadableSoundException;

/** A lesson out of its archive, as students are given it, with its files in a folder. */
final class UnpackedLesson implements LessonFiles {
    private final LessonArchive archive;
    private final Path folder;
    private final Map<String, Path> files = new HashMap<>();
    private final Map<String, String> types = new HashMap<>();
    private final Map<String, List<Word>> times = new HashMap<>();
    private final Map<String, Slide> slides = new HashMap<>();
    private final Map<String, Path> extracted = new HashMap<>();
    private final PublishedLesson lesson;

    UnpackedLesson(LessonArchive archive, Path folder) throws IOException, ArchiveRefusedException {
        this.archive = archive;
        this.folder = folder;
        ArchivedLesson archived = archive.lesson();
        types.putAll(archived.pictures());
        for (String picture : archived.pictures().keySet()) {
            files.put(picture, extracted(LessonArchive.pictureName(picture)));
        }
        List<PublishedPage> pages = new ArrayList<>();
        for (ArchivedPage page : archived.pages()) {
            pages.add(page(page));
        }
        Map<Prompt, String> prompts = new EnumMap<>(Prompt.class);
        for (Map.Entry<Prompt, ArchivedTake> prompt : archived.prompts().entrySet()) {
            listen(prompt.getValue());
            prompts.put(prompt.getKey(), nameOf(prompt.getValue()));
        }
        lesson = new PublishedLesson(archived.title(), archived.settings(), pages, archived.every(), prompts);
    }

    PublishedLesson lesson() {
        return lesson;
    }

    private PublishedPage page(ArchivedPage page) throws IOException, ArchiveRefusedException {
        PublishedPicture picture = null;
        if (page.picture() != null) {
            ArchivedPicture archived = page.picture();
            files.put(archived.sha256(), extracted(LessonArchive.pictureName(archived.sha256())));
            types.put(archived.sha256(), archived.type());
            picture = new PublishedPicture(
                    archived.sha256(),
                    archived.type(),
                    archived.shows() == null ? "" : archived.shows(),
                    archived.width(),
                    archived.height());
        }
        if (page.slide() != null && page.slide().number() != null) {
            slides.put(
                    page.id(),
                    new Slide(extracted(page.slide().file()), page.slide().number()));
        }
        List<PublishedLine> lines = new ArrayList<>();
        for (ArchivedLine line : page.lines()) {
            lines.add(line(line));
        }
        return new PublishedPage(page.id(), picture, lines, page.placed(), page.title());
    }

    private PublishedLine line(ArchivedLine archived) throws IOException, ArchiveRefusedException {
        Optional<ArchivedTake> kept =
                archived.takes().stream().filter(ArchivedTake::kept).findFirst();
        if (kept.isEmpty()) {
            Line silent = new Line(archived.id(), archived.traits(), archived.words(), Optional.empty());
            return new PublishedLine(silent, null, null);
        }
        ArchivedTake archivedTake = kept.get();
        TakeAnalysis known = listen(archivedTake);
        Take take = new Take(
                archived.id(),
                archivedTake.words(),
                known.heard().durationMs(),
                !archivedTake.accepted() && !known.findings().isEmpty());
        Line line = new Line(archived.id(), archived.traits(), archived.words(), Optional.of(take));
        times.put(archived.id(), timesOf(line, archivedTake, known));
        return new PublishedLine(line, nameOf(archivedTake), known.peaks());
    }

    /** What is heard of an original may differ from take to take: it may be split over two lines. */
    private static String nameOf(ArchivedTake take) {
        return take.heard() != null ? take.heard() : take.original() + " " + take.trim() + " " + take.edits();
    }

    /** Those that came along; otherwise they are found. */
    private static List<Word> timesOf(Line line, ArchivedTake take, TakeAnalysis known) {
        if (!SpokenWords.areTheSame(line.words(), take.words())) {
            return List.of();
        }
        List<Word> words = take.plainTimes();
        return !words.isEmpty() && WordMending.fits(words, line.words())
                ? words
                : WordTimes.of(line.words(), known.heard());
    }

    private TakeAnalysis listen(ArchivedTake take) throws IOException, ArchiveRefusedException {
        Path original = extracted(take.original());
        Path heard = take.heard() == null ? newFile(".mp3") : extracted(take.heard());
        files.put(nameOf(take), heard);
        try {
            return TakeAnalysis.listen(
                    original,
                    heard,
                    take.heard() != null,
                    take.trim(),
                    take.plainEdits(),
                    take.words(),
                    Long.MAX_VALUE);
        } catch (UnreadableSoundException | IllegalArgumentException noTake) {
            throw ArchiveRefusedException.damaged(take.original());
        }
    }

    private Path extracted(String name) throws IOException, ArchiveRefusedException {
        if (!extracted.containsKey(name)) {
            Path file =
                    newFile(name.substring(Math.max(0, name.lastIndexOf('.'))).replaceAll("[^.\\w]", ""));
            archive.extract(name, file);
            extracted.put(name, file);
        }
        return extracted.get(name);
    }

    private Path newFile(String ending) throws IOException {
        return Files.createTempFile(folder, "part", ending);
    }

    @Override
    public Path file(String hash) {
        return files.get(hash);
    }

    @Override
    public String pictureType(String hash) {
        return types.get(hash);
    }

    @Override
    public List<Word> times(PublishedLine line) {
        return times.getOrDefault(line.line().id(), List.of());
    }

    @Override
    public Optional<Slide> slide(String pageId) {
        return Optional.ofNullable(slides.get(pageId));
    }
}
