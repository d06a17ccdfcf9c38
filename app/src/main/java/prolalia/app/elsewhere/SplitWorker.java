package prolalia.app.elsewhere;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.util.FileSystemUtils;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.elsewhere.LongRecording.SplitLine;
import prolalia.app.elsewhere.LongRecording.State;
import prolalia.app.lesson.LessonService;
import prolalia.app.lesson.LessonService.LessonView;
import prolalia.app.lines.ScriptLine;
import prolalia.app.platform.BackgroundWork;
import prolalia.app.platform.BackgroundWork.UnderWay;
import prolalia.app.platform.BackgroundWork.Why;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.MediaStore;
import prolalia.app.platform.NotFoundException;
import prolalia.app.platform.WorkJournal;
import prolalia.app.spoken.FileTakes;
import prolalia.app.spoken.Verdict;
import prolalia.app.workers.SoundWorkers;
import prolalia.core.align.LineSlice;
import prolalia.core.align.ScriptSplit;
import prolalia.core.sound.Refusal;
import prolalia.core.sound.Span;
import prolalia.media.LongRecording.Outline;
import prolalia.media.UnreadableSoundException;
import prolalia.media.process.SoundRequest;

/**
 * Listens to long recordings, finds their lines, and makes takes of those that are wanted, one recording after another.
 * What a stop of the server interrupts is done at the next start.
 */
@Component
class SplitWorker implements DisposableBean {
    /** A school day; a recorder that was left on isn't split. */
    static final long LONGEST_MS = 6 * 3_600_000L;

    private final LongRecordingStore store;
    private final LessonService lessons;
    private final FileTakes takes;
    private final MediaStore media;
    private final DataFolder folder;
    private final SoundWorkers workers;
    private final TransactionTemplate transaction;
    private final BackgroundWork worker;

    SplitWorker(
            LongRecordingStore store,
            LessonService lessons,
            FileTakes takes,
            MediaStore media,
            DataFolder folder,
            SoundWorkers workers,
            TransactionTemplate transaction,
            WorkJournal begun) {
        this.store = store;
        this.lessons = lessons;
        this.takes = takes;
        this.media = media;
        this.folder = folder;
        this.workers = workers;
        this.transaction = transaction;
        worker = new BackgroundWork("splitter", begun, this::work, this::setAside);
    }

    private void setAside(String id, Why why) {
        Refusal.Reason reason = why == Why.ENDED_SERVER ? Refusal.Reason.TOO_HEAVY : Refusal.Reason.DAMAGED;
        LongRecording recording = store.find(id).orElse(null);
        if (recording == null || recording.state() == State.ARRIVED || why == Why.ENDED_SERVER) {
            store.refuse(id, reason);
        } else {
            recording.lines().stream()
                    .filter(SplitLine::wanted)
                    .forEach(line -> store.taken(id, line.lineId(), line.takeId(), reason));
        }
    }

    @EventListener(ApplicationReadyEvent.class)
    void goOn() {
        worker.soon(store.withWork());
    }

    /** The share of a recording that was listened to, in percent. */
    long progressPercent(String id) {
        return worker.howFar(id).done();
    }

    void workSoon(String id) {
        worker.soon(id);
    }

    private void work(String id, UnderWay course) throws IOException {
        LongRecording recording = store.find(id).orElse(null);
        if (recording == null) {
            return;
        }
        try {
            if (recording.state() == State.ARRIVED) {
                listen(recording, course);
            }
            take(store.find(id).orElseThrow());
        } catch (UnreadableSoundException unreadable) {
            store.refuse(id, unreadable.reason());
        }
    }

    // ---- finding the lines

    private void listen(LongRecording recording, UnderWay course) throws IOException, UnreadableSoundException {
        Path flac = folder.newTemporaryFile();
        try {
            Outline outline = workers.ask(
                    new SoundRequest.Outline(media.file(recording.rawHash()), LONGEST_MS, flac),
                    share -> course.at(Math.round(100 * share), 100));
            if (!outline.complete()) {
                store.refuse(recording.id(), Refusal.Reason.TOO_LONG);
                return;
            }
            List<ScriptLine> script = script(recording);
            ScriptSplit split = ScriptSplit.of(
                            outline.pieces(),
                            script.stream().map(line -> line.line().words()).toList())
                    .with(outline.secondVoice());
            List<SplitLine> lines = new ArrayList<>();
            for (ScriptSplit.SplitLine line : split.lines()) {
                lines.add(new SplitLine(
                        script.get(line.index()).line().id(),
                        line.index() + 1,
                        line.words(),
                        line.span(),
                        line.span(),
                        line.confidence(),
                        false,
                        false,
                        null,
                        null));
            }
            String hash = media.keep(flac);
            transaction.executeWithoutResult(
                    status -> store.split(recording.id(), outline, hash, split.findings(), lines));
        } finally {
            Files.deleteIfExists(flac);
        }
    }

    /** The lines that can be said, of the page or of the whole script. */
    private List<ScriptLine> script(LongRecording recording) {
        LessonView lesson = lessons.lesson(new Teacher(recording.teacherId()), recording.lessonId());
        return lesson.script().stream()
                .filter(line -> line.line().isSayable())
                .filter(line -> recording.pageId() == null || recording.pageId().equals(line.pageId()))
                .toList();
    }

    // ---- taking them

    private void take(LongRecording recording) throws IOException, UnreadableSoundException {
        List<SplitLine> wanted = recording.lines().stream()
                .filter(line -> line.wanted() && line.span() != null)
                .sorted(Comparator.comparing(
                        (SplitLine line) -> slice(recording, line).startMs()))
                .toList();
        List<Span> slices = wanted.stream().map(line -> slice(recording, line)).toList();
        if (slices.isEmpty()) {
            return;
        }
        Path place = folder.newTemporaryFolder();
        try {
            workers.ask(new SoundRequest.Slices(media.file(recording.flacHash()), slices, place));
            for (int index = 0; index < wanted.size(); index++) {
                Path slice = place.resolve(Integer.toString(index));
                if (Files.exists(slice)) {
                    take(recording, wanted.get(index), slice);
                    Files.delete(slice);
                }
            }
        } finally {
            FileSystemUtils.deleteRecursively(place);
        }
    }

    private static Span slice(LongRecording recording, SplitLine line) {
        return LineSlice.around(line.span(), recording.pieces(), recording.durationMs());
    }

    private void take(LongRecording recording, SplitLine line, Path flac) throws IOException {
        // Its name is made of where it is: whatever stops in between, it is one take.
        String id = UUID.nameUUIDFromBytes(
                        (recording.id() + line.lineId() + line.span() + line.takeId()).getBytes(StandardCharsets.UTF_8))
                .toString();
        try (InputStream content = Files.newInputStream(flac)) {
            Verdict verdict = takes.keep(
                    new Teacher(recording.teacherId()),
                    id,
                    line.lineId(),
                    name(recording, line),
                    line.words(),
                    content);
            if (verdict instanceof Verdict.Taken taken) {
                store.taken(recording.id(), line.lineId(), taken.take().id(), null);
            } else if (verdict instanceof Verdict.Refused refused) {
                store.taken(
                        recording.id(), line.lineId(), null, refused.recording().refusal());
            }
        } catch (NotFoundException removed) {
            // The line was taken out of its script meanwhile; the recording is still there.
            store.place(recording.id(), line.lineId(), null, true);
            store.taken(recording.id(), line.lineId(), null, null);
        }
    }

    private static String name(LongRecording recording, SplitLine line) {
        return recording.fileName().replaceFirst("\\.\\w{1,5}$", "") + " " + line.number() + ".flac";
    }

    @Override
    public void destroy() {
        worker.close();
    }
}
