package prolalia.app.sound;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.locks.Lock;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.platform.BegunWork;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.Ids;
import prolalia.app.platform.LocksByName;
import prolalia.app.platform.MediaStore;
import prolalia.app.platform.NotFoundException;
import prolalia.app.school.SchoolService;
import prolalia.app.sound.StoredRecording.State;
import prolalia.core.sound.Finding;
import prolalia.core.sound.KeyHabit;
import prolalia.core.sound.Peaks;
import prolalia.core.sound.Refusal;
import prolalia.media.UnreadableSoundException;
import prolalia.media.process.SoundRequest;
import prolalia.media.process.SoundRequest.Judged;
import prolalia.media.process.SoundRequest.MadeTake;

/** Makes takes of sealed recordings, each recording once; their sounds come after the verdict ({@link TakeSounds}). */
@Component
class TakeMaker {
    private static final Logger LOG = LoggerFactory.getLogger(TakeMaker.class);

    /** Its name in what was begun. */
    static final String WORK = "take";

    private static final Duration HABIT_HOLDS = Duration.ofHours(1);

    private final LocksByName locks = new LocksByName();

    /** By speaker; after a pause somebody is pressed for time in another way. */
    private final Cache<String, KeyHabit> habits =
            Caffeine.newBuilder().expireAfterAccess(HABIT_HOLDS).build();

    private final RecordingStore recordings;
    private final TakeStore takes;
    private final MediaStore media;
    private final WaveformCache waves;
    private final SoundWorkers workers;
    private final TakeSounds sounds;
    private final ReadingCutter cutter;
    private final DataFolder folder;
    private final SchoolService school;
    private final TransactionTemplate transaction;
    private final BegunWork begun;
    private final Clock clock;

    TakeMaker(
            RecordingStore recordings,
            TakeStore takes,
            MediaStore media,
            WaveformCache waves,
            SoundWorkers workers,
            TakeSounds sounds,
            ReadingCutter cutter,
            DataFolder folder,
            SchoolService school,
            TransactionTemplate transaction,
            BegunWork begun,
            Clock clock) {
        this.recordings = recordings;
        this.takes = takes;
        this.media = media;
        this.waves = waves;
        this.workers = workers;
        this.sounds = sounds;
        this.cutter = cutter;
        this.folder = folder;
        this.school = school;
        this.transaction = transaction;
        this.begun = begun;
        this.clock = clock;
    }

    /** The verdict on a recording; the first time, it is opened for it. */
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
        try {
            return workers.ask(new SoundRequest.Check(media.file(take.originalHash()), words, longestMs))
                    .findings();
        } catch (IOException | UnreadableSoundException failure) {
            throw new IllegalStateException("The recording of take " + take.id() + " can't be read", failure);
        }
    }

    private Verdict once(String recordingId, boolean whole) throws IOException {
        Lock lock = locks.of(recordingId);
        lock.lock();
        try {
            StoredRecording recording = recordings.find(recordingId).orElseThrow();
            boolean due = recording.state() == State.SEALED || whole && recording.canBeTakenWhole();
            if (due) {
                judgeOnce(recording, whole);
            }
        } finally {
            lock.unlock();
        }
        Optional<StoredTake> take = takes.ofRecording(recordingId);
        if (take.isEmpty() && recordings.find(recordingId).orElseThrow().refusal() == null) {
            throw new NotFoundException("recording that was thrown away");
        }
        return take.isPresent()
                ? new Verdict.Taken(take.get())
                : new Verdict.Refused(
                        recordings.find(recordingId).orElseThrow(),
                        school.settings().longestRecordingMs());
    }

    private void judgeOnce(StoredRecording recording, boolean whole) throws IOException {
        if (!begun.begin(WORK, recording.id())) {
            LOG.error("Recording {} ended the server twice and is set aside", recording.id());
            refuse(recording, Refusal.Reason.TOO_HEAVY, 0);
        } else {
            try {
                judge(recording, whole);
            } finally {
                begun.end(WORK, recording.id());
            }
        }
    }

    private void judge(StoredRecording recording, boolean whole) throws IOException {
        Path flac = folder.newTemporaryFile();
        Path wave = folder.newTemporaryFile();
        try {
            Judged judged = workers.ask(new SoundRequest.Judge(
                    media.file(recording.rawHash()),
                    school.settings().longestRecordingMs(),
                    recording.overlapMs(),
                    habits.get(recording.speakerId(), unknown -> KeyHabit.UNKNOWN)
                            .offsMs(),
                    whole,
                    recording.words(),
                    flac,
                    wave,
                    WaveformCache.STEP_MS));
            if (judged.own() != null) {
                habits.asMap()
                        .merge(recording.speakerId(), new KeyHabit(judged.own().offsMs()), KeyHabit::with);
            }
            if (judged.refusal() == null) {
                StoredTake take = take(recording, judged, media.keep(flac));
                waves.keep(take.originalHash(), wave);
                transaction.executeWithoutResult(status -> {
                    takes.add(take);
                    recordings.conclude(
                            recording.id(), State.TAKEN, null, recording.rawHash(), judged.wholeMs(), clock.millis());
                });
                sounds.soon(take.id());
                cutter.heard(recording, take, judged.own());
            } else {
                refuse(recording, judged.refusal(), judged.wholeMs());
            }
        } catch (UnreadableSoundException heavy) {
            refuse(recording, heavy.reason(), 0);
        } finally {
            Files.deleteIfExists(flac);
            Files.deleteIfExists(wave);
        }
    }

    private StoredTake take(StoredRecording recording, Judged judged, String flac) {
        MadeTake made = judged.take();
        return new StoredTake(
                Ids.newId(),
                recording.lineId(),
                recording.id(),
                recording.words(),
                flac,
                flac,
                made.durationMs(),
                made.trim().startMs(),
                made.trim().endMs(),
                made.gainDb(),
                made.loudnessLufs(),
                new Peaks(made.peaks()),
                judged.truncated(),
                clock.millis(),
                false,
                made.findings(),
                false);
    }

    /** What came in stays, whatever it is, until nobody has asked for it for a while ({@code StorageSweeper}). */
    private void refuse(StoredRecording recording, Refusal.Reason reason, long durationMs) {
        recordings.conclude(recording.id(), State.REFUSED, reason, recording.rawHash(), durationMs, clock.millis());
    }
}
