package prolalia.app.spoken;

import java.util.List;
import java.util.Set;
import prolalia.core.sound.AnswerCheck;
import prolalia.core.sound.Refusal;
import prolalia.core.sound.Span;

/** What is said of a recording when it is opened. */
sealed interface Judgement {
    /** @param wholeMs of all that was recorded; 0: not known */
    record Refused(Refusal.Reason reason, long wholeMs) implements Judgement {}

    /**
     * @param heard as it is heard; null where something else is made of it
     * @param together what is written down with it
     * @param afterwards what follows when that is written
     */
    record Taken(long durationMs, Heard heard, Runnable together, Runnable afterwards) implements Judgement {}

    /**
     * Something that was said, as it is heard.
     *
     * @param soundHash of its MP3
     * @param skips what is left out when it is heard quickly
     */
    record Heard(String soundHash, byte[] peaks, Set<AnswerCheck> checks, List<Span> skips) {}
}
