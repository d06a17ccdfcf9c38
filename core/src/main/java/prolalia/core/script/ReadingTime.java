package prolalia.core.script;

import java.util.Collection;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.LineState;

/**
 * About how long words take to say when a teacher reads to young children.
 *
 * <p>{@link Syllables} and pauses at punctuation. The pace is that of reading aloud to learners, 130 to 150 words of about 1.4 syllables a minute with their pauses.
 */
public final class ReadingTime {
    private static final int MS_PER_SYLLABLE = 230;
    private static final int MS_PER_COMMA = 250;
    private static final int MS_PER_SENTENCE_END = 500;

    private ReadingTime() {}

    /** Milliseconds for the words of one line; 0 when there is nothing to say. */
    public static long ofWordsMs(String words) {
        long ms = (long) Syllables.of(words) * MS_PER_SYLLABLE;
        if (ms == 0) {
            return 0;
        }
        for (int i = 0; i < words.length() - 1; i++) {
            char c = words.charAt(i);
            if (",;:،、，".indexOf(c) >= 0) {
                ms += MS_PER_COMMA;
            } else if (".!?…؟。！？".indexOf(c) >= 0) {
                ms += MS_PER_SENTENCE_END;
            }
        }
        return ms;
    }

    /** Milliseconds for all lines that are still to be read: silent, outdated and doubtful ones. */
    public static long ofLinesToReadMs(Collection<Line> script) {
        return script.stream()
                .filter(line -> line.state() != LineState.VOICED)
                .mapToLong(line -> ofWordsMs(line.words()))
                .sum();
    }
}
