package prolalia.app.bench;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.access.Right;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.bench.EditStore.TakeEdits;
import prolalia.app.lesson.LessonService;
import prolalia.app.lines.ScriptLine;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.MediaStore;
import prolalia.app.spoken.StoredTake;
import prolalia.app.spoken.TakeService;
import prolalia.app.workers.SoundWorkers;
import prolalia.app.workers.WaveformCache;
import prolalia.core.lesson.Take;
import prolalia.core.sound.Sound;
import prolalia.core.sound.Span;
import prolalia.core.sound.edit.Edit;
import prolalia.core.sound.edit.EditPlan;
import prolalia.core.sound.edit.PauseShortening;
import prolalia.core.sound.edit.QuietPoint;
import prolalia.media.UnreadableSoundException;
import prolalia.media.process.SoundRequest;
import prolalia.media.process.SoundRequest.NoiseFigures;

/** Edits of takes: each is on the disk before it is answered; the take is rendered anew behind the teacher's back. */
@Service
public class BenchService {
    private final TakeService takes;
    private final LessonService lessons;
    private final EditStore edits;
    private final EditRenderer renderer;
    private final Originals originals;
    private final SoundWorkers workers;
    private final WaveformCache waves;
    private final MediaStore media;
    private final DataFolder folder;
    private final TransactionTemplate transaction;

    BenchService(
            TakeService takes,
            LessonService lessons,
            EditStore edits,
            EditRenderer renderer,
            Originals originals,
            SoundWorkers workers,
            WaveformCache waves,
            MediaStore media,
            DataFolder folder,
            TransactionTemplate transaction) {
        this.takes = takes;
        this.lessons = lessons;
        this.edits = edits;
        this.renderer = renderer;
        this.originals = originals;
        this.workers = workers;
        this.waves = waves;
        this.media = media;
        this.folder = folder;
        this.transaction = transaction;
    }

    /** A piece of the edited take: of the original, or a pause of {@code pauseMs}. */
    record Piece(long startMs, long endMs, long pauseMs) {}

    /**
     * How a take stands on the bench.
     *
     * @param edits in the order in which they were made, undone ones too
     * @param made how many of them hold
     * @param canRedo whether some were undone
     * @param rendered whether students hear it so already
     */
    record Bench(
            List<Piece> pieces,
            double gainDb,
            boolean quieter,
            long durationMs,
            List<StoredEdit> edits,
            int made,
            boolean canRedo,
            boolean rendered) {}

    /** Thrown when an edit can't be made; nothing was changed. */
    static final class EditRefusedException extends RuntimeException {
        EditRefusedException(String key) {
            super(key);
        }
    }

    public StoredTake take(Teacher teacher, String takeId) {
        return takes.take(teacher, takeId);
    }

    Bench bench(Teacher teacher, String takeId) {
        return bench(takes.take(teacher, takeId));
    }

    /** A take that is being worked on: its original is decoded by now or soon, so that an edit finds it ready. */
    StoredTake workedOn(Teacher teacher, String takeId) {
        StoredTake take = takes.take(teacher, takeId);
        originals.decodeSoon(take.originalHash());
        return take;
    }

    /** The line's other takes, newest first. */
    List<StoredTake> others(StoredTake take) {
        return takes.takesOf(take.lineId()).stream()
                .filter(other -> !other.id().equals(take.id()))
                .toList();
    }

    /** The magnitudes of the whole original, one for each {@link WaveformCache#STEP_MS}. */
    byte[] wave(Teacher teacher, String takeId) {
        return wave(takes.take(teacher, takeId));
    }

    private byte[] wave(StoredTake take) {
        return waves.of(take.originalHash(), () -> original(take));
    }

    /** Shortens the pause at a moment of the original. */
    Bench shortenPause(Teacher teacher, String takeId, long atMs) {
        StoredTake take = takes.take(teacher, takeId, Right.EDIT);
        TakeEdits held = editsOf(take);
        Edit edit = PauseShortening.of(original(take), plan(take, held), renderer.made(held), atMs)
                .orElseThrow(() -> new EditRefusedException("NO_PAUSE"));
        return add(teacher, takeId, StoredEdit.of(edit));
    }

    /** What noise reduction does to a take; empty when it is off. */
    Optional<NoiseFigures> noise(StoredTake take) {
        TakeEdits held = editsOf(take);
        if (!seen(take, held).quieter()) {
            return Optional.empty();
        }
        return Optional.of(ask(take, new SoundRequest.Noise(file(take), renderer.edited(held))));
    }

    Bench add(Teacher teacher, String takeId, StoredEdit edit) {
        StoredTake take = takes.take(teacher, takeId, Right.EDIT);
        StoredEdit placed = placed(edit, original(take));
        transaction.executeWithoutResult(status -> {
            TakeEdits after = with(editsOf(take), take.id(), placed);
            if (plan(take, after).leavesNothing()) {
                throw new EditRefusedException("EMPTY");
            }
            edits.save(after);
        });
        renderer.renderSoon(take.id());
        return bench(take);
    }

    /**
     * Takes the last edit back, or with {@code by} 1 makes the last undone one again. A split is taken back on both lines,
     * unless another take is kept on the second one since.
     */
    Bench step(Teacher teacher, String takeId, int by) {
        StoredTake take = takes.take(teacher, takeId, Right.EDIT);
        transaction.executeWithoutResult(status -> {
            TakeEdits before = editsOf(take);
            int made = Math.max(0, Math.min(before.edits().size(), before.made() + by));
            if (made != before.made()) {
                edits.save(new TakeEdits(take.id(), before.edits(), made, before.trim()));
                StoredEdit crossed = before.edits().get(Math.min(made, before.made()));
                if (crossed.kind() == StoredEdit.Kind.SPLIT) {
                    String other = crossed.otherTakeId();
                    String nextLine = takes.take(teacher, other).lineId();
                    takes.exchange(
                            teacher,
                            nextLine,
                            by < 0 ? other : crossed.beforeTakeId(),
                            by < 0 ? crossed.beforeTakeId() : other);
                }
            }
        });
        renderer.renderSoon(take.id());
        return bench(take);
    }

    /**
     * Splits a take in two at a moment of its original: the first part stays, the second is kept on the line that comes
     * next in the script, and says its words.
     */
    Bench split(Teacher teacher, String takeId, long atMs) {
        StoredTake take = takes.take(teacher, takeId, Right.EDIT);
        ScriptLine line = lessons.line(teacher, take.lineId());
        List<ScriptLine> script = lessons.lesson(teacher, line.lessonId()).script();
        int next = 1 + script.stream().map(each -> each.line().id()).toList().indexOf(take.lineId());
        if (next == script.size()) {
            throw new EditRefusedException("NO_NEXT_LINE");
        }
        TakeEdits held = editsOf(take);
        Span reach = plan(take, held).reach();
        if (atMs <= reach.startMs() || atMs >= reach.endMs()) {
            throw new EditRefusedException("EMPTY");
        }
        long at = QuietPoint.near(original(take), atMs);
        Span part = new Span(reach.startMs(), at);
        transaction.executeWithoutResult(status -> {
            ScriptLine nextLine = script.get(next);
            String before = nextLine.line().kept().map(Take::id).orElse(null);
            StoredTake second = takes.copyTo(take, nextLine);
            TakeEdits first = with(held, take.id(), StoredEdit.split(part, second.id(), before));
            TakeEdits rest = with(held, second.id(), new StoredEdit(StoredEdit.Kind.ENDS, at, reach.endMs(), 0, false));
            if (plan(take, first).leavesNothing() || plan(take, rest).leavesNothing()) {
                throw new EditRefusedException("EMPTY");
            }
            edits.save(first);
            edits.save(rest);
            takes.keep(teacher, second.id());
            renderer.renderSoon(second.id());
        });
        renderer.renderSoon(take.id());
        return bench(take);
    }

    private static TakeEdits with(TakeEdits held, String takeId, StoredEdit edit) {
        List<StoredEdit> list = new ArrayList<>(held.edits().subList(0, held.made()));
        list.add(edit);
        return new TakeEdits(takeId, list, list.size(), held.trim());
    }

    /** The original with its noise reduced, as FLAC in the media store; answers its name there. */
    String quieter(Teacher teacher, String takeId) throws IOException {
        StoredTake take = takes.take(teacher, takeId);
        Path flac = folder.newTemporaryFile();
        try {
            ask(take, new SoundRequest.Quieter(file(take), flac));
            return media.keep(flac);
        } finally {
            Files.deleteIfExists(flac);
        }
    }

    /** Writes a take as it is heard, made from its original without loss. */
    public void writeWav(StoredTake take, OutputStream out) throws IOException {
        Path wav = folder.newTemporaryFile();
        try {
            ask(take, new SoundRequest.Wav(file(take), renderer.edited(editsOf(take)), wav));
            Files.copy(wav, out);
        } finally {
            Files.deleteIfExists(wav);
        }
    }

    private StoredEdit placed(StoredEdit edit, Sound original) {
        boolean sensible = edit.kind() != null
                && edit.startMs() >= 0
                && switch (edit.kind()) {
                    case ENDS, CUT -> edit.endMs() > edit.startMs() && edit.startMs() < original.durationMs();
                    case PAUSE -> edit.endMs() >= 0 && edit.edit().isSensible();
                    case GAIN -> edit.edit().isSensible();
                    case SPLIT -> false;
                    case QUIETER -> true;
                };
        if (!sensible) {
            throw new EditRefusedException("SENSELESS");
        }
        if (edit.kind() != StoredEdit.Kind.CUT) {
            return edit;
        }
        long start = QuietPoint.near(original, edit.startMs());
        long end = QuietPoint.near(original, Math.min(edit.endMs(), original.durationMs()));
        return end > start ? new StoredEdit(edit.kind(), start, end, 0, false) : edit;
    }

    private Bench bench(StoredTake take) {
        TakeEdits held = editsOf(take);
        EditPlan plan = seen(take, held);
        List<Piece> pieces = plan.pieces().stream()
                .map(piece -> piece instanceof EditPlan.Kept kept
                        ? new Piece(kept.span().startMs(), kept.span().endMs(), 0)
                        : new Piece(0, 0, piece.durationMs()))
                .toList();
        return new Bench(
                pieces,
                plan.gainDb(),
                plan.quieter(),
                plan.durationMs(),
                held.edits(),
                held.made(),
                held.made() < held.edits().size(),
                edits.isRendered(take.id()));
    }

    private TakeEdits editsOf(StoredTake take) {
        return edits.of(take.id())
                .orElseGet(
                        () -> new TakeEdits(take.id(), List.of(), 0, new Span(take.trimStartMs(), take.trimEndMs())));
    }

    /** The plan by the outline, not the samples: a take of ten minutes is on the bench before it is decoded. */
    private EditPlan seen(StoredTake take, TakeEdits held) {
        return renderer.plan((long) wave(take).length * WaveformCache.STEP_MS, held);
    }

    private EditPlan plan(StoredTake take, TakeEdits held) {
        return renderer.plan(original(take).durationMs(), held);
    }

    private Path file(StoredTake take) {
        return media.file(take.originalHash());
    }

    private <A> A ask(StoredTake take, SoundRequest<A> request) {
        try {
            return workers.ask(request);
        } catch (IOException | UnreadableSoundException failure) {
            throw new IllegalStateException("The original of take " + take.id() + " can't be worked on", failure);
        }
    }

    private Sound original(StoredTake take) {
        return originals.of(take.originalHash());
    }
}
