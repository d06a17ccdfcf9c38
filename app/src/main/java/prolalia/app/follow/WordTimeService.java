package prolalia.app.follow;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.locks.Lock;
import java.util.concurrent.locks.ReentrantLock;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import prolalia.app.house.MediaStore;
import prolalia.core.align.WordTimes;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.SpokenWords;
import prolalia.media.SoundReader;
import prolalia.media.UnreadableSoundException;

/** Finds out when the words of a line are said in its kept take: the first time somebody wants to know, and then kept. */
@Service
public class WordTimeService {
    private static final Logger LOG = LoggerFactory.getLogger(WordTimeService.class);

    /** Of a longer take the words light up as far as this. */
    private static final long LONGEST_MS = 20 * 60_000L;

    private final WordTimeStore store;
    private final MediaStore media;

    /** One after another: a class that opens a new lesson at once must not take all of the machine. */
    private final Lock turn = new ReentrantLock(true);

    WordTimeService(WordTimeStore store, MediaStore media) {
        this.store = store;
        this.media = media;
    }

    /**
     * @param soundHash of its kept take
     * @return empty when the take says other words than the line has now, or can't be followed
     */
    public List<Word> of(Line line, String soundHash) {
        if (line.kept().isEmpty()
                || !SpokenWords.areTheSame(line.words(), line.kept().get().words())) {
            return List.of();
        }
        Optional<List<Word>> known = store.find(soundHash, line.words());
        if (known.isPresent()) {
            return known.get();
        }
        turn.lock();
        try {
            return store.find(soundHash, line.words()).orElseGet(() -> follow(soundHash, line.words()));
        } finally {
            turn.unlock();
        }
    }

    /** When they are said, if that was found out, or mended, before. */
    public Optional<List<Word>> known(Line line, String soundHash) {
        return store.find(soundHash, line.words());
    }

    /** Times that are known from elsewhere hold unless there are some. */
    public void bringIn(String soundHash, String words, List<Word> times) {
        store.keep(soundHash, words, times);
    }

    private List<Word> follow(String soundHash, String words) {
        try {
            List<Word> times = WordTimes.of(
                    words, SoundReader.decode(media.file(soundHash), LONGEST_MS).sound());
            store.keep(soundHash, words, times);
            return times;
        } catch (IOException | UnreadableSoundException unreadable) {
            LOG.error("The words in {} could not be followed", soundHash, unreadable);
            return List.of();
        }
    }
}
