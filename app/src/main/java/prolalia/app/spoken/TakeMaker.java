package prolalia.app.spoken;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.Ids;
import prolalia.app.platform.MediaStore;
import prolalia.app.platform.WorkJournal;
import prolalia.app.school.SchoolService;
import prolalia.app.workers.SoundWorkers;
import prolalia.app.workers.WaveformCache;
import prolalia.core.sound.Finding;
import prolalia.core.sound.KeyHabit;
import prolalia.core.sound.Peaks;
import prolalia.core.sound.Refusal;
import prolalia.media.UnreadableSoundException;
import prolalia.media.process.SoundRequest;
import prolalia.media.process.SoundRequest.Judged;
import prolalia.media.process.SoundRequest.MadeTake;

/** Makes takes of recordings of lines; their sounds come after the verdict ({@link TakeSounds}). */
@Component
class TakeMaker {
    private static final Logger LOG = LoggerFactory.getLogger(TakeMaker.class);

    /** Its name in what was begun. */
    static final String WORK = "take";

    private static final Duration HABIT_HOLDS = Duration.ofHours(1);

    /** By speaker; after a pause somebody is pressed for time in another way. */
    private final Cache<String, KeyHabit> habits =
            Caffeine.newBuilder().expireAfterAccess(HABIT_HOLDS).build();

    private final TakeStore takes;
    private final MediaStore media;
    private final WaveformCache waves;
    private final SoundWorkers workers;
    private final TakeSounds sounds;
    private final ReadingCutter cutter;
    private final DataFolder folder;
    private final SchoolService school;
    private final WorkJournal begun;
    private final Clock clock;

    TakeMaker(
            TakeStore takes,
            MediaStore media,
            WaveformCache waves,
            SoundWorkers workers,
            TakeSounds sounds,
            ReadingCutter cutter,
            DataFolder folder,
            SchoolService school,
            WorkJournal begun,
            Clock clock) {
        this.takes = takes;
        this.media = media;
        this.waves = waves;
        this.workers = workers;
        this.sounds = sounds;
        this.cutter = cutter;
        this.folder = folder;
        this.school = school;
        this.begun = begun;
        this.clock = clock;
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

    /** Opens a recording that is put together. @param whole whether all of it is a take, also what would be refused */
    Judgement judge(StoredRecording recording, boolean whole) throws IOException {
        if (!begun.begin(WORK, recording.id())) {
            LOG.error("Recording {} ended the server twice and is set aside", recording.id());
            return new Judgement.Refused(Refusal.Reason.TOO_HEAVY, 0);
        }
        try {
            return opened(recording, whole);
        } finally {
            begun.end(WORK, recording.id());
        }
    }

    private Judgement opened(StoredRecording recording, boolean whole) throws IOException {
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
            if (judged.refusal() != null) {
                return new Judgement.Refused(judged.refusal(), judged.wholeMs());
            }
            StoredTake take = take(recording, judged, media.keep(flac));
            waves.keep(take.originalHash(), wave);
            return new Judgement.Taken(judged.wholeMs(), null, () -> takes.add(take), () -> {
                sounds.soon(take.id());
                cutter.heard(recording, take, judged.own());
            });
        } catch (UnreadableSoundException heavy) {
            return new Judgement.Refused(heavy.reason(), 0);
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
                false,
                ((RecordingOwner.OfLine) recording.owner()).voice());
    }
}
