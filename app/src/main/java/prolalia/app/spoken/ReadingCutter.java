package prolalia.app.spoken;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.LinkedList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.platform.BackgroundWork;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.MediaStore;
import prolalia.app.platform.WorkJournal;
import prolalia.app.school.SchoolService;
import prolalia.app.workers.SoundWorkers;
import prolalia.app.workers.WaveformCache;
import prolalia.core.sound.OverlapTrimmer.OwnPart;
import prolalia.core.sound.ReadingCuts;
import prolalia.core.sound.Span;
import prolalia.core.sound.TakeCuts;
import prolalia.media.UnreadableSoundException;
import prolalia.media.process.SoundRequest;
import prolalia.media.process.SoundRequest.Judged;
import prolalia.media.process.SoundRequest.Rendered;

/**
 * Looks once more at the takes of a reading when the next one is there: what both sides of a pause say puts some cuts elsewhere
 * than the first look at one take alone did ({@link ReadingCuts}). Those takes are cut anew, unless somebody touched them.
 */
@Component
class ReadingCutter implements DisposableBean {
    private static final Logger LOG = LoggerFactory.getLogger(ReadingCutter.class);

    private static final Duration GOES_ON_WITHIN = Duration.ofHours(1);

    /** What was read before these stays as it is. */
    private static final int MOST_TAKES = 60;

    /** Cuts that are nearer to each other are in the same pause. */
    private static final long ELSEWHERE_MS = 60;

    private record Heard(String takeId, String after, TakeCuts cuts, Span own) {}

    /** By speaker, what was read lately: by recording, in the order in which it came in. */
    private final Cache<String, Map<String, Heard>> readings =
            Caffeine.newBuilder().expireAfterAccess(GOES_ON_WITHIN).build();

    /** By take, what of its recording it should be. */
    private final Map<String, Span> wanted = new ConcurrentHashMap<>();

    private final RecordingStore recordings;
    private final TakeStore takes;
    private final WaveformCache waves;
    private final SoundWorkers workers;
    private final MediaStore media;
    private final DataFolder folder;
    private final SchoolService school;
    private final TransactionTemplate transaction;
    private final ApplicationEventPublisher events;
    private final BackgroundWork work;

    ReadingCutter(
            RecordingStore recordings,
            TakeStore takes,
            WaveformCache waves,
            SoundWorkers workers,
            MediaStore media,
            DataFolder folder,
            SchoolService school,
            TransactionTemplate transaction,
            ApplicationEventPublisher events,
            WorkJournal begun) {
        this.recordings = recordings;
        this.takes = takes;
        this.waves = waves;
        this.workers = workers;
        this.media = media;
        this.folder = folder;
        this.school = school;
        this.transaction = transaction;
        this.events = events;
        work = new BackgroundWork(
                "reading-cuts", begun, (takeId, course) -> cut(takeId), (takeId, why) -> wanted.remove(takeId));
    }

    /** A take of a read-through is there. @param own as it was cut at first */
    void heard(StoredRecording recording, StoredTake take, OwnPart own) {
        if (own.cuts() == null) {
            return;
        }
        Map<String, Heard> reading = readings.get(recording.speakerId(), unknown -> new LinkedHashMap<>());
        synchronized (reading) {
            reading.put(recording.id(), new Heard(take.id(), recording.after(), own.cuts(), own.span()));
            if (reading.size() > MOST_TAKES) {
                reading.remove(reading.keySet().iterator().next());
            }
            List<String> chain = chain(reading, recording.id());
            if (chain.size() == 1) {
                return;
            }
            List<Optional<Span>> spans = ReadingCuts.of(
                    chain.stream().map(id -> reading.get(id).cuts()).toList());
            for (int i = 0; i < chain.size(); i++) {
                Heard known = reading.get(chain.get(i));
                Span better = spans.get(i).orElse(known.own());
                if (isElsewhere(known.own(), better)) {
                    reading.put(chain.get(i), new Heard(known.takeId(), known.after(), known.cuts(), better));
                    wanted.put(known.takeId(), better);
                    work.soon(known.takeId());
                }
            }
        }
    }

    private static boolean isElsewhere(Span one, Span other) {
        return Math.abs(one.startMs() - other.startMs()) > ELSEWHERE_MS
                || Math.abs(one.endMs() - other.endMs()) > ELSEWHERE_MS;
    }

    /** The recordings that go on from each other without a gap, this one among them. */
    private static List<String> chain(Map<String, Heard> reading, String recordingId) {
        LinkedList<String> chain = new LinkedList<>(List.of(recordingId));
        String before = reading.get(recordingId).after();
        while (before != null && reading.containsKey(before) && !chain.contains(before)) {
            chain.addFirst(before);
            before = reading.get(before).after();
        }
        Optional<String> next = next(reading, recordingId);
        while (next.isPresent() && !chain.contains(next.get())) {
            chain.addLast(next.get());
            next = next(reading, next.get());
        }
        return chain;
    }

    private static Optional<String> next(Map<String, Heard> reading, String recordingId) {
        return reading.entrySet().stream()
                .filter(each -> recordingId.equals(each.getValue().after()))
                .map(Map.Entry::getKey)
                .findFirst();
    }

    private void cut(String takeId) throws IOException {
        Span own = wanted.get(takeId);
        StoredTake take = takes.find(takeId).orElse(null);
        if (own == null || take == null) {
            return;
        }
        Path flac = folder.newTemporaryFile();
        Path wave = folder.newTemporaryFile();
        Path mp3 = folder.newTemporaryFile();
        try {
            Path raw =
                    media.file(recordings.find(take.recordingId()).orElseThrow().rawHash());
            Judged judged = workers.askPatiently(new SoundRequest.Recut(
                    raw, school.settings().longestRecordingMs(), own, take.words(), flac, wave, WaveformCache.STEP_MS));
            if (judged.refusal() == null) {
                Rendered heard = workers.askPatiently(
                        new SoundRequest.Render(flac, judged.take().trim(), mp3));
                take(take, judged, heard, media.keep(flac), media.keep(mp3), wave);
            }
        } catch (UnreadableSoundException heavy) {
            LOG.warn("Take {} stays as it was cut at first: {}", takeId, heavy.reason());
        } finally {
            for (Path each : List.of(flac, wave, mp3)) {
                Files.deleteIfExists(each);
            }
        }
        // Not before: what fails is tried again.
        wanted.remove(takeId, own);
    }

    private void take(StoredTake take, Judged judged, Rendered heard, String original, String sound, Path wave)
            throws IOException {
        waves.keep(original, wave);
        Boolean done = transaction.execute(status -> {
            boolean untouched = takes.recut(take, judged.take(), heard, original, sound);
            if (untouched) {
                takes.replaceFindings(take.id(), judged.take().findings(), false);
            }
            return untouched;
        });
        if (Boolean.TRUE.equals(done)) {
            events.publishEvent(new TakeHeard(take.id()));
        }
    }

    @Override
    public void destroy() {
        work.close();
    }
}
