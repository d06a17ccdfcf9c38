package prolalia.app.spoken;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Collection;
import java.util.Optional;
import java.util.concurrent.locks.Lock;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import prolalia.app.lines.LessonLines;
import prolalia.app.platform.BackgroundWork;
import prolalia.app.platform.BackgroundWork.Why;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.LocksByName;
import prolalia.app.platform.MediaStore;
import prolalia.app.platform.Waiting;
import prolalia.app.platform.WorkJournal;
import prolalia.app.workers.SoundWorkers;
import prolalia.core.sound.Span;
import prolalia.media.UnreadableSoundException;
import prolalia.media.process.SoundRequest;
import prolalia.media.process.SoundRequest.Rendered;

/**
 * Makes the MP3s of takes: after their verdicts, which teachers wait for and which are a fifth of the work, one after another,
 * or at once when somebody wants to hear one.
 */
@Component
public class TakeSounds implements DisposableBean {
    private static final Logger LOG = LoggerFactory.getLogger(TakeSounds.class);

    /** What failed isn't tried again for everybody who opens a page. */
    private static final Duration NOT_AGAIN_WITHIN = Duration.ofSeconds(30);

    private final TakeStore takes;
    private final LessonLines lines;
    private final SoundWorkers workers;
    private final MediaStore media;
    private final DataFolder folder;
    private final ApplicationEventPublisher events;
    private final BackgroundWork work;
    private final LocksByName locks = new LocksByName();
    private final Cache<String, Boolean> failed =
            Caffeine.newBuilder().expireAfterWrite(NOT_AGAIN_WITHIN).build();

    TakeSounds(
            TakeStore takes,
            LessonLines lines,
            SoundWorkers workers,
            MediaStore media,
            DataFolder folder,
            ApplicationEventPublisher events,
            WorkJournal begun) {
        this.takes = takes;
        this.lines = lines;
        this.workers = workers;
        this.media = media;
        this.folder = folder;
        this.events = events;
        work = new BackgroundWork("take-sounds", begun, (takeId, course) -> make(takeId, true), (takeId, why) -> {
            if (why == Why.ENDED_SERVER) {
                setAside(takeId);
            }
        });
    }

    @EventListener(ApplicationReadyEvent.class)
    void goOn() {
        takes.withoutSound().forEach(work::soon);
    }

    void soon(String takeId) {
        work.soon(takeId);
    }

    /** A take that can be heard; its sound is made now, if it isn't there as yet. Empty when it can't be made. */
    public Optional<StoredTake> heard(StoredTake take) {
        Waiting.allowed();
        if (take.hasSound()) {
            return Optional.of(take);
        }
        makeNow(take.id());
        return takes.find(take.id()).filter(StoredTake::hasSound);
    }

    /** Makes the sounds that are wanted now; a take whose sound can't be made stays without. */
    public void makeNow(Collection<String> takeIds) {
        takeIds.forEach(this::makeNow);
    }

    private void makeNow(String takeId) {
        if (failed.getIfPresent(takeId) == null) {
            try {
                make(takeId, false);
            } catch (IOException | RuntimeException failure) {
                failed.put(takeId, true);
                LOG.error("The sound of take {} could not be made", takeId, failure);
            }
        }
    }

    /** @param patient whether nobody waits for it */
    private void make(String takeId, boolean patient) throws IOException {
        Lock lock = locks.of(takeId);
        lock.lock();
        try {
            StoredTake take = takes.find(takeId).orElse(null);
            if (take != null && !take.hasSound()) {
                render(take, patient);
            }
        } finally {
            lock.unlock();
        }
    }

    private void render(StoredTake take, boolean patient) throws IOException {
        Path mp3 = folder.newTemporaryFile();
        try {
            SoundRequest.Render request = new SoundRequest.Render(
                    media.file(take.originalHash()), new Span(take.trimStartMs(), take.trimEndMs()), mp3);
            Rendered made = patient ? workers.askPatiently(request) : workers.ask(request);
            takes.setSound(take.id(), made, media.keep(mp3));
            events.publishEvent(new TakeHeard(take.id()));
        } catch (UnreadableSoundException heavy) {
            LOG.error("The sound of take {} can't be made", take.id(), heavy);
            failed.put(take.id(), true);
            setAside(take.id());
        } finally {
            Files.deleteIfExists(mp3);
        }
    }

    /** Nobody can hear it: its line is silent again, where the teacher sees it. What was recorded stays. */
    private void setAside(String takeId) {
        takes.find(takeId).filter(StoredTake::kept).ifPresent(take -> lines.keep(take.lineId(), null));
    }

    @Override
    public void destroy() {
        work.close();
    }
}
