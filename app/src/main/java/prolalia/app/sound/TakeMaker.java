package prolalia.app.sound;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Semaphore;
import java.util.concurrent.locks.Lock;
import java.util.concurrent.locks.ReentrantLock;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.house.DataFolder;
import prolalia.app.house.Ids;
import prolalia.app.house.MediaStore;
import prolalia.app.school.SchoolService;
import prolalia.app.sound.StoredRecording.State;
import prolalia.core.sound.Finding;
import prolalia.core.sound.PreparedTake;
import prolalia.core.sound.Refusal;
import prolalia.core.sound.Sound;
import prolalia.core.sound.SoundCheck;
import prolalia.core.sound.SoundMeter;
import prolalia.core.sound.Span;
import prolalia.media.SoundReader;
import prolalia.media.TakeRenderer;
import prolalia.media.TakeRenderer.Rendering;
import prolalia.media.UnreadableSoundException;

/** Makes takes of sealed recordings, each recording once. */
@Component
class TakeMaker {
    /** Ten minutes of sound take some 300 MB while they are worked on. */
    private static final int AT_A_TIME = 2;

    private final Lock[] locks = new Lock[64];
    private final Semaphore rooms = new Semaphore(AT_A_TIME, true);
    private final RecordingStore recordings;
    private final TakeStore takes;
    private final MediaStore media;
    private final Waves waves;
    private final DataFolder folder;
    private final SchoolService school;
    private final TransactionTemplate transaction;
    private final Clock clock;

    TakeMaker(
            RecordingStore recordings,
            TakeStore takes,
            MediaStore media,
            Waves waves,
            DataFolder folder,
            SchoolService school,
            TransactionTemplate transaction,
            Clock clock) {
        this.recordings = recordings;
        this.takes = takes;
        this.media = media;
        this.waves = waves;
        this.folder = folder;
        this.school = school;
        this.transaction = transaction;
        this.clock = clock;
        java.util.Arrays.setAll(locks, i -> new ReentrantLock());
    }

    /** The verdict on a recording; the first time, it is rendered for it. */
    Verdict judge(String recordingId) throws IOException {
        return once(recordingId, false);
    }

    /** Makes a take of all that was recorded. */
    Verdict takeWhole(String recordingId) throws IOException {
        return once(recordingId, true);
    }

    /** What the sound check finds in a take if it is to say these words. */
    List<Finding> checkAgain(StoredTake take, String words) {
        long longestMs = school.settings().longestRecordingMs();
        rooms.acquireUninterruptibly();
        try {
            Sound whole = SoundReader.decode(media.file(take.originalHash()), Long.MAX_VALUE / 1_000_000)
                    .sound();
            return SoundCheck.check(SoundMeter.measure(whole), words, longestMs);
        } catch (IOException | UnreadableSoundException failure) {
            throw new IllegalStateException("The recording of take " + take.id() + " can't be read", failure);
        } finally {
            rooms.release();
        }
    }

    private Verdict once(String recordingId, boolean whole) throws IOException {
        Lock lock = locks[Math.floorMod(recordingId.hashCode(), locks.length)];
        lock.lock();
        try {
            StoredRecording recording = recordings.find(recordingId).orElseThrow();
            boolean render = recording.state() == State.SEALED || whole && recording.canBeTakenWhole();
            if (render) {
                rooms.acquireUninterruptibly();
                try {
                    render(recording, whole);
                } finally {
                    rooms.release();
                }
            }
        } finally {
            lock.unlock();
        }
        Optional<StoredTake> take = takes.ofRecording(recordingId);
        return take.isPresent()
                ? new Verdict.Taken(take.get())
                : new Verdict.Refused(
                        recordings.find(recordingId).orElseThrow(),
                        school.settings().longestRecordingMs());
    }

    private void render(StoredRecording recording, boolean whole) throws IOException {
        Path mp3 = folder.newTemporaryFile();
        Path flac = folder.newTemporaryFile();
        try {
            Rendering rendering = TakeRenderer.render(
                    media.file(recording.rawHash()),
                    school.settings().longestRecordingMs(),
                    recording.overlapMs(),
                    whole,
                    mp3,
                    flac);
            if (rendering.preparation() instanceof PreparedTake prepared) {
                StoredTake take = take(recording, rendering, prepared, media.keep(flac), media.keep(mp3));
                waves.keep(take.originalHash(), rendering.recording());
                transaction.executeWithoutResult(status -> {
                    takes.add(take);
                    recordings.conclude(
                            recording.id(),
                            State.TAKEN,
                            null,
                            recording.rawHash(),
                            rendering.recording().durationMs(),
                            clock.millis());
                });
            } else {
                refuse(recording, (Refusal) rendering.preparation());
            }
        } finally {
            Files.deleteIfExists(mp3);
            Files.deleteIfExists(flac);
        }
    }

    private StoredTake take(
            StoredRecording recording, Rendering rendering, PreparedTake prepared, String flac, String mp3) {
        Span trim = prepared.trim();
        return new StoredTake(
                Ids.newId(),
                recording.lineId(),
                recording.id(),
                recording.words(),
                flac,
                mp3,
                prepared.levelled().durationMs(),
                trim.startMs(),
                trim.endMs(),
                prepared.gainDb(),
                prepared.loudnessLufs(),
                prepared.peaks(),
                rendering.truncated(),
                clock.millis(),
                false,
                SoundCheck.check(
                        prepared.original(),
                        recording.words(),
                        school.settings().longestRecordingMs()),
                false);
    }

    private void refuse(StoredRecording recording, Refusal refusal) throws IOException {
        boolean keepRaw = refusal.reason().hasSoundInIt();
        recordings.conclude(
                recording.id(),
                State.REFUSED,
                refusal.reason(),
                keepRaw ? recording.rawHash() : null,
                refusal.durationMs(),
                clock.millis());
        if (!keepRaw && !recordings.anyOtherHas(recording.rawHash(), recording.id())) {
            media.delete(recording.rawHash());
        }
    }
}
