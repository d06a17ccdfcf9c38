package prolalia.app.code;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.util.FileSystemUtils;
import prolalia.app.access.LessonRef;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.LessonService.PageView;
import prolalia.app.lines.ScriptLine;
import prolalia.app.link.Link;
import prolalia.app.pages.LessonPages;
import prolalia.app.pages.PageSource;
import prolalia.app.pages.PageSource.Type;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.LimitedProcess;
import prolalia.app.platform.MediaStore;
import prolalia.core.code.CodePlaces.Wanted;
import prolalia.core.place.Area;
import prolalia.core.place.WordPlaces.StandingWord;
import prolalia.formats.code.StampProcess;
import prolalia.formats.code.StampProcess.Answer;
import prolalia.formats.code.StampProcess.Request;
import prolalia.formats.code.Stamping.Code;
import prolalia.formats.code.Stamping.Manner;

/** The teacher's own paper with a code at each question. It is opened in a program of its own; the original stays as it is. */
@Service
class PaperStamper {
    private static final int HEAP_MB = 560;
    private static final long LONGEST_MS = 120_000;

    private final LessonPages pages;
    private final MediaStore media;
    private final DataFolder folder;

    PaperStamper(LessonPages pages, MediaStore media, DataFolder folder) {
        this.pages = pages;
        this.media = media;
        this.folder = folder;
    }

    /** The pages that came from a PDF. */
    Set<String> pages(LessonRef lesson) {
        return pages.sources(lesson, Type.PDF).keySet();
    }

    /**
     * What became of a paper.
     *
     * @param file with the codes, which whoever sends it deletes; null: there is none
     * @param codes that were to be put on it, by their addresses
     */
    record Stamped(Path file, Answer answer, Map<String, Code> codes) {}

    /**
     * @param links that hold
     * @param base the school's address
     * @return one for each paper from which the lesson was made
     */
    List<Stamped> stamp(LessonView lesson, List<Link> links, String base, Manner manner, boolean evenIfSigned)
            throws IOException {
        Map<String, PageSource> ofPages = pages.sources(lesson.ref(), Type.PDF);
        Map<String, Map<String, Code>> ofPapers = new LinkedHashMap<>();
        lesson.pages().stream()
                .map(page -> ofPages.get(page.page().id()))
                .filter(Objects::nonNull)
                .forEach(source -> ofPapers.computeIfAbsent(source.fileHash(), none -> new LinkedHashMap<>()));
        // Of several codes for the same place the newest is printed.
        Map<String, Link> newest = new LinkedHashMap<>();
        links.forEach(link -> newest.put(link.pageId() + " " + link.lineId(), link));
        for (PageView page : lesson.pages()) {
            PageSource source = ofPages.get(page.page().id());
            if (source == null) {
                continue;
            }
            if (manner == Manner.ONE_A_PAGE) {
                Link link = newest.get(page.page().id() + " null");
                put(link, source, null, page.page().title(), base, ofPapers);
                continue;
            }
            for (ScriptLine line : page.lines()) {
                Link link = newest.get(page.page().id() + " " + line.line().id());
                put(link, source, wanted(page, line.line().id()).orElse(null), CodeService.words(line), base, ofPapers);
            }
        }
        List<Stamped> stamped = new ArrayList<>();
        for (Map.Entry<String, Map<String, Code>> paper : ofPapers.entrySet()) {
            stamped.add(run(media.file(paper.getKey()), paper.getValue(), manner, evenIfSigned));
        }
        return stamped;
    }

    private static void put(
            Link link,
            PageSource source,
            Wanted wanted,
            String name,
            String base,
            Map<String, Map<String, Code>> ofPapers) {
        if (link != null) {
            String address = link.address(base);
            String typed = link.typed() == null ? "" : link.typed();
            ofPapers.get(source.fileHash())
                    .put(address, new Code(source.number(), name == null ? "" : name, address, typed, wanted));
        }
    }

    private Stamped run(Path paper, Map<String, Code> codes, Manner manner, boolean evenIfSigned) throws IOException {
        Path place = folder.newTemporaryFolder();
        try {
            Path request = place.resolve("request.json");
            Path answered = place.resolve("answer.json");
            Path out = place.resolve("stamped.pdf");
            new Request(paper.toAbsolutePath(), out, List.copyOf(codes.values()), manner, evenIfSigned).write(request);
            try (LimitedProcess process = new LimitedProcess(
                    StampProcess.class, HEAP_MB, place, List.of(request.toString(), answered.toString()))) {
                process.limit(LONGEST_MS, () -> LONGEST_MS);
                if (!"done".equals(process.readLine())) {
                    throw process.failed("A paper could not be stamped");
                }
            }
            Answer answer = Answer.read(answered);
            if (answer.signed() || answer.refused() != null) {
                return new Stamped(null, answer, codes);
            }
            Path file = folder.newTemporaryFile();
            Files.move(out, file, StandardCopyOption.REPLACE_EXISTING);
            return new Stamped(file, answer, codes);
        } finally {
            FileSystemUtils.deleteRecursively(place);
        }
    }

    /** Where a question stands, with all that belongs to it. */
    private static Optional<Wanted> wanted(PageView page, String lineId) {
        Area first = null;
        Area whole = null;
        for (ScriptLine line : page.lines()) {
            boolean own = line.line().id().equals(lineId);
            if (!own && first == null) {
                continue;
            }
            if (!own && !line.line().kind().belongsToQuestion()) {
                break;
            }
            List<Area> rows = line.line().traits().places().in(line.line().words()).stream()
                    .map(StandingWord::areas)
                    .flatMap(List::stream)
                    .toList();
            if (own && rows.isEmpty()) {
                return Optional.empty();
            }
            if (own) {
                first = rows.stream()
                        .filter(row -> row.sharedHeight(rows.get(0)) > 0.5)
                        .reduce(Area::with)
                        .orElseThrow();
            }
            for (Area row : rows) {
                whole = whole == null ? row : whole.with(row);
            }
        }
        return first == null ? Optional.empty() : Optional.of(new Wanted(first, whole));
    }
}
