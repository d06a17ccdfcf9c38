package prolalia.app.wordtimes;

import java.io.IOException;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.locks.Lock;
import java.util.concurrent.locks.ReentrantLock;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import prolalia.app.lines.ScriptLine;
import prolalia.app.platform.BackgroundWork;
import prolalia.app.platform.MediaStore;
import prolalia.app.platform.NotFoundException;
import prolalia.app.platform.WorkJournal;
import prolalia.app.spoken.TakeHeard;
import prolalia.app.wordtimes.WordTimeStore.Heard;
import prolalia.app.workers.SoundWorkers;
import prolalia.core.align.WordMending;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.SpokenWords;
import prolalia.core.lesson.Take;
import prolalia.core.sound.Peaks;
import prolalia.media.UnreadableSoundException;
import prolalia.media.process.SoundRequest;

/**
 * Finds out when the words of a line are said in its kept take: when nobody waits for it, soon after it is heard there, or the
 * first time somebody wants to know.
 */
@Service
public class WordTimeService implements DisposableBean {
    private static final Logger LOG = LoggerFactory.getLogger(WordTimeService.class);

    private static final long PATIENCE_MS = 2_000;

    /** Of a longer take the words light up as far as this. */
    private static final long LONGEST_MS = 20 * 60_000L;

    private final WordTimeStore store;
    private final MediaStore media;
    private final SoundWorkers workers;

    /** One after another: a class that opens a new lesson at once must not take all of the machine. */
    private final Lock turn = new ReentrantLock(true);

    private final BackgroundWork work;

    WordTimeService(WordTimeStore store, MediaStore media, SoundWorkers workers, WorkJournal begun) {
        this.store = store;
        this.media = media;
        this.workers = workers;
        work = new BackgroundWork("word-times", begun, (takeId, course) -> findOut(takeId), (takeId, why) -> {});
    }

    @EventListener
    void heard(TakeHeard heard) {
        // An edit follows an edit, and a take a take.
        work.in(PATIENCE_MS, heard.takeId());
    }

    @EventListener(ApplicationReadyEvent.class)
    void goOn() {
        store.unknown().forEach(heard -> work.in(PATIENCE_MS, heard.takeId()));
    }

    private void findOut(String takeId) throws IOException, UnreadableSoundException {
        for (Heard heard : store.heard(takeId)) {
            if (SpokenWords.areTheSame(heard.words(), heard.takeWords())
                    && store.find(takeId, heard.soundHash(), heard.words()).isEmpty()) {
                store.keep(
                        heard.soundHash(),
                        heard.words(),
                        workers.askPatiently(request(heard.soundHash(), heard.words()))
                                .words());
            }
        }
    }

    @Override
    public void destroy() {
        work.close();
    }

    /**
     * @param soundHash of its kept take
     * @return empty when the take says other words than the line has now, or can't be followed
     */
    public List<Word> of(Line line, String soundHash) {
        Optional<List<Word>> known = known(line, soundHash);
        if (known.isPresent()) {
            return known.get();
        }
        turn.lock();
        try {
            return store.find(takeOf(line).id(), soundHash, line.words())
                    .orElseGet(() -> follow(soundHash, line.words()));
        } finally {
            turn.unlock();
        }
    }

    /**
     * When the words of a line are said, for its teacher.
     *
     * @param words none when the take says other words than the line has now
     * @param peaks of the take, one for every {@value Peaks#BUCKET_MS} ms, 0 to 255
     * @param mended whether the teacher changed what the program found
     */
    record Times(List<Word> words, int[] peaks, long durationMs, boolean mended) {}

    Times now(ScriptLine line) {
        if (line.soundHash() == null) {
            return new Times(List.of(), new int[0], 0, false);
        }
        byte[] values = line.peaks().values();
        int[] peaks = new int[values.length];
        for (int i = 0; i < values.length; i++) {
            peaks[i] = values[i] & 0xff;
        }
        return new Times(
                of(line.line(), line.soundHash()),
                peaks,
                durationMs(line),
                store.isMended(takeOf(line.line()).id(), line.line().words()));
    }

    private static long durationMs(ScriptLine line) {
        return takeOf(line.line()).durationMs();
    }

    private static Take takeOf(Line line) {
        return line.kept().orElseThrow(() -> new NotFoundException("take"));
    }

    Times move(ScriptLine line, int index, long startMs) {
        List<Word> words = needed(line);
        if (index < 0 || index >= words.size() || words.get(index).span().durationMs() == 0) {
            throw new NotFoundException("word");
        }
        return mend(line, WordMending.moved(words, index, startMs, durationMs(line)));
    }

    Times tap(ScriptLine line, List<Long> taps) {
        if (taps.stream().anyMatch(Objects::isNull)) {
            throw new NotFoundException("tap");
        }
        return mend(line, WordMending.tapped(needed(line), taps, durationMs(line)));
    }

    /** All times at once; they must be those of the line's words. */
    Times put(ScriptLine line, List<Word> words) {
        boolean inside = words.stream()
                .allMatch(word ->
                        word != null && word.span() != null && word.span().endMs() <= durationMs(line));
        if (!inside
                || words.size() != needed(line).size()
                || !WordMending.fits(words, line.line().words())) {
            throw new NotFoundException("words");
        }
        return mend(line, words);
    }

    Times findAgain(ScriptLine line) {
        store.forget(takeOf(line.line()).id(), line.line().words());
        return now(line);
    }

    private List<Word> needed(ScriptLine line) {
        durationMs(line);
        List<Word> words = of(line.line(), line.soundHash());
        if (words.isEmpty()) {
            throw new NotFoundException("words");
        }
        return words;
    }

    private Times mend(ScriptLine line, List<Word> words) {
        store.give(takeOf(line.line()).id(), line.line().words(), words, true);
        return now(line);
    }

    /** When they are said, if that was found out, or mended, before. */
    public Optional<List<Word>> known(Line line, String soundHash) {
        if (line.kept().isEmpty()
                || !SpokenWords.areTheSame(line.words(), line.kept().get().words())) {
            return Optional.of(List.of());
        }
        return store.find(takeOf(line).id(), soundHash, line.words());
    }

    /** Times that came with a take are that take's alone. */
    public void bringIn(String takeId, String words, List<Word> times) {
        store.give(takeId, words, times, false);
    }

    private SoundRequest.Follow request(String soundHash, String words) {
        return new SoundRequest.Follow(media.file(soundHash), words, LONGEST_MS);
    }

    private List<Word> follow(String soundHash, String words) {
        try {
            List<Word> times = workers.ask(request(soundHash, words)).words();
            store.keep(soundHash, words, times);
            return times;
        } catch (IOException | UnreadableSoundException unreadable) {
            LOG.error("The words in {} could not be followed", soundHash, unreadable);
            return List.of();
        }
    }
}
