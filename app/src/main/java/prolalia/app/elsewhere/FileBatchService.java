package prolalia.app.elsewhere;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.access.LessonAccess;
import prolalia.app.access.LessonRef;
import prolalia.app.access.Right;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.elsewhere.FileBatch.MatchedFile;
import prolalia.app.elsewhere.FileBatch.StoredFile;
import prolalia.app.elsewhere.FileBatchStore.Batch;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lesson.LessonService.PageView;
import prolalia.app.lines.ScriptLine;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.MediaStore;
import prolalia.app.platform.NotFoundException;
import prolalia.app.platform.TooLargeException;
import prolalia.app.workers.SoundWorkers;
import prolalia.core.align.FileMatch;
import prolalia.core.align.FileMatch.Match;
import prolalia.core.align.FileMatch.ScriptPlace;
import prolalia.media.UnreadableSoundException;
import prolalia.media.process.SoundRequest;

/** Many files at once: each is on the disk before it is answered, and nothing is taken before the match was seen. */
@Service
class FileBatchService {
    static final int MOST_FILES = 1_000;

    /** So much is decoded of each file to see whether it is sound. */
    private static final long LOOK_MS = 2_000;

    private final FileBatchStore store;
    private final FileImporter taker;
    private final LessonService lessons;
    private final LessonAccess access;
    private final MediaStore media;
    private final DataFolder folder;
    private final SoundWorkers workers;
    private final Clock clock;

    FileBatchService(
            FileBatchStore store,
            FileImporter taker,
            LessonService lessons,
            LessonAccess access,
            MediaStore media,
            DataFolder folder,
            SoundWorkers workers,
            Clock clock) {
        this.store = store;
        this.taker = taker;
        this.lessons = lessons;
        this.access = access;
        this.media = media;
        this.folder = folder;
        this.workers = workers;
        this.clock = clock;
    }

    /** Takes a file in; what is no sound is noted and not kept. */
    void receive(Teacher teacher, String lessonId, String batchId, int number, String name, InputStream content)
            throws IOException {
        LessonRef lesson = access.require(teacher, lessonId, Right.EDIT);
        if (number < 0 || number >= MOST_FILES) {
            throw new TooLargeException();
        }
        Path file = folder.newTemporaryFile();
        try {
            Files.copy(content, file, StandardCopyOption.REPLACE_EXISTING);
            store.begin(batchId, lesson, clock.millis());
            if (!batch(teacher, batchId).lessonId().equals(lessonId)) {
                throw new NotFoundException("batch");
            }
            long durationMs = workers.ask(new SoundRequest.Look(file, LOOK_MS)).durationMs();
            store.add(batchId, number, name, media.keep(file), durationMs, null);
        } catch (UnreadableSoundException unreadable) {
            store.add(batchId, number, name, null, null, unreadable.reason());
        } finally {
            Files.deleteIfExists(file);
        }
    }

    private Batch batch(Teacher teacher, String batchId) {
        return store.find(batchId)
                .filter(batch -> access.mayStill(teacher, batch.lessonId(), Right.EDIT))
                .orElseThrow(() -> new NotFoundException("batch"));
    }

    /** The batch with each file's place: where the teacher put it, or what its name says among those of the others. */
    FileBatch matched(Teacher teacher, String batchId) {
        Batch batch = batch(teacher, batchId);
        LessonView lesson = lessons.lesson(teacher, batch.lessonId());
        List<StoredFile> files = store.files(batchId);
        Map<String, PageView> pages = lesson.pages().stream()
                .collect(Collectors.toMap(page -> page.page().id(), Function.identity()));
        List<ScriptLine> script =
                lesson.script().stream().filter(line -> line.line().isSayable()).toList();
        Map<String, ScriptLine> lines =
                script.stream().collect(Collectors.toMap(line -> line.line().id(), Function.identity()));
        List<StoredFile> named = files.stream()
                .filter(file -> file.rawHash() != null && !file.chosen())
                .toList();
        List<Match> byName = FileMatch.of(
                named.stream().map(StoredFile::name).toList(),
                script.stream()
                        .map(line -> new ScriptPlace(
                                pages.get(line.pageId()).number(), line.line().words()))
                        .toList());
        List<MatchedFile> matched = new ArrayList<>();
        for (StoredFile file : files) {
            int at = named.indexOf(file);
            if (at < 0 || file.wanted() || file.isDone()) {
                matched.add(new MatchedFile(file, null, lines.get(file.lineId()), pages.get(file.pageId()), false));
            } else {
                Match match = byName.get(at);
                matched.add(new MatchedFile(
                        file,
                        match.how(),
                        match.line() < 0 ? null : script.get(match.line()),
                        match.page() == 0 ? null : lesson.pages().get(match.page() - 1),
                        false));
            }
        }
        return FileBatch.of(batchId, lesson, withContests(matched), batch.begunAt());
    }

    private static List<MatchedFile> withContests(List<MatchedFile> files) {
        Map<String, Integer> claims = new HashMap<>();
        files.stream()
                .filter(each -> !each.place().isEmpty() && each.file().rawHash() != null)
                .forEach(each -> claims.merge(each.place(), 1, Integer::sum));
        return files.stream()
                .map(each -> new MatchedFile(
                        each.file(),
                        each.how(),
                        each.line(),
                        each.page(),
                        !each.file().isDone() && claims.getOrDefault(each.place(), 0) > 1))
                .toList();
    }

    /** @param place "line:" or "page:" and its id, or empty for nowhere */
    @Transactional
    FileBatch place(Teacher teacher, String batchId, int number, String place) {
        FileBatch batch = matched(teacher, batchId);
        String lineId = place.startsWith("line:") ? place.substring(5) : null;
        String pageId = place.startsWith("page:") ? place.substring(5) : null;
        boolean known = lineId == null && pageId == null
                || batch.lesson().script().stream()
                        .anyMatch(line -> line.line().id().equals(lineId))
                || batch.lesson().pages().stream()
                        .anyMatch(page -> page.page().id().equals(pageId));
        if (!known) {
            throw new NotFoundException("place");
        }
        store.place(batchId, number, lineId, pageId);
        return matched(teacher, batchId);
    }

    /** Takes all files whose place is clear, soon; each take is kept. */
    FileBatch take(Teacher teacher, String batchId) {
        for (MatchedFile each : matched(teacher, batchId).takeable()) {
            store.want(
                    batchId,
                    each.file().number(),
                    each.line() == null ? null : each.line().line().id(),
                    each.page() == null ? null : each.page().page().id());
        }
        taker.takeSoon(batchId);
        return matched(teacher, batchId);
    }

    StoredFile file(Teacher teacher, String batchId, int number) {
        batch(teacher, batchId);
        return store.files(batchId).stream()
                .filter(file -> file.number() == number && file.rawHash() != null)
                .findFirst()
                .orElseThrow(() -> new NotFoundException("file"));
    }

    List<FileBatchStore.Summary> ofLesson(Teacher teacher, String lessonId) {
        return store.ofLesson(access.require(teacher, lessonId, Right.READ));
    }

    @Transactional
    void putAway(Teacher teacher, String batchId) {
        store.putAway(batch(teacher, batchId).id(), clock.millis());
    }
}
