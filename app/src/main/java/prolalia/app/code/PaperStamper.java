package prolalia.app.code;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.util.FileSystemUtils;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.LessonService.PageView;
import prolalia.app.lesson.PageSourceStore;
import prolalia.app.lesson.PageSourceStore.PageSource;
import prolalia.app.lesson.PageSourceStore.Type;
import prolalia.app.lesson.ScriptLine;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.LimitedProcess;
import prolalia.app.platform.MediaStore;
import prolalia.app.sharing.Link;
import prolalia.core.code.CodePlaces.Wanted;
import prolalia.core.place.Area;
import prolalia.core.place.WordPlaces.StandingWord;
import prolalia.formats.code.StampProcess;
import prolalia.formats.code.StampProcess.Answer;
import prolalia.formats.code.StampProcess.Code;
import prolalia.formats.code.StampProcess.Request;

/** The teacher's own paper with a code at each question. It is opened in a program of its own; the original stays as it is. */
@Service
class PaperStamper {
    private static final int HEAP_MB = 560;
    private static final long LONGEST_MS = 120_000;

    private final PageSourceStore sources;
    private final MediaStore media;
    private final DataFolder folder;

    PaperStamper(PageSourceStore sources, MediaStore media, DataFolder folder) {
        this.sources = sources;
        this.media = media;
        this.folder = folder;
    }

    /** Whether a lesson has pages that came from a PDF. */
    boolean canStamp(String lessonId) {
        return !sources.ofLesson(lessonId, Type.PDF).isEmpty();
    }

    /**
     * What became of it.
     *
     * @param file the paper, which whoever sends it deletes; null: there is none
     * @param left the addresses for which there was no room
     */
    record Stamped(Path file, Answer answer, List<String> left) {}

    /** @param links that hold @param base the school's address @param oneAPage a code for each page, in a corner */
    Stamped stamp(LessonView lesson, List<Link> links, String base, boolean oneAPage, boolean evenIfSigned)
            throws IOException {
        Map<String, PageSource> ofPages = sources.ofLesson(lesson.summary().id(), Type.PDF);
        String paper = ofPages.values().stream()
                .map(PageSource::fileHash)
                .findFirst()
                .orElseThrow(() -> new IOException("No paper"));
        List<Code> codes = new ArrayList<>();
        List<String> left = new ArrayList<>();
        // Of several codes for the same place the newest is printed.
        Map<String, Link> newest = new LinkedHashMap<>();
        links.forEach(link -> newest.put(link.pageId() + " " + link.lineId(), link));
        for (Link link : newest.values()) {
            PageView page = CodeService.view(lesson, link);
            PageSource source = page == null ? null : ofPages.get(page.page().id());
            boolean fits = link.lineId() == null == oneAPage;
            if (source == null || !source.fileHash().equals(paper) || !fits) {
                continue;
            }
            Optional<Wanted> wanted = oneAPage ? Optional.empty() : wanted(page, link.lineId());
            if (oneAPage || wanted.isPresent()) {
                codes.add(new Code(source.number(), link.address(base), wanted.orElse(null)));
            } else {
                left.add(link.address(base));
            }
        }
        return run(media.file(paper), codes, oneAPage, evenIfSigned, left);
    }

    private Stamped run(Path paper, List<Code> codes, boolean oneAPage, boolean evenIfSigned, List<String> left)
            throws IOException {
        Path place = folder.newTemporaryFolder();
        try {
            Path request = place.resolve("request.json");
            Path answered = place.resolve("answer.json");
            Path out = place.resolve("stamped.pdf");
            new Request(paper.toAbsolutePath(), out, codes, oneAPage, evenIfSigned).write(request);
            try (LimitedProcess process = new LimitedProcess(
                    StampProcess.class, HEAP_MB, place, List.of(request.toString(), answered.toString()))) {
                process.limit(LONGEST_MS, () -> LONGEST_MS);
                if (!"done".equals(process.readLine())) {
                    throw new IOException("The paper could not be stamped");
                }
            }
            Answer answer = Answer.read(answered);
            if (answer.signed() || answer.refused() != null) {
                return new Stamped(null, answer, left);
            }
            left.addAll(answer.left());
            Path file = folder.newTemporaryFile();
            Files.move(out, file, StandardCopyOption.REPLACE_EXISTING);
            return new Stamped(file, answer, left);
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
