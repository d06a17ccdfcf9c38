package prolalia.core.script;

import java.util.Collection;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.Take;

/**
 * How fast a teacher reads, against the pace that {@link ReadingTime} begins with.
 *
 * @param factor of the time that words take: 1 as at first, 1.2 for somebody who takes a fifth longer
 * @param known whether enough of the teacher's takes went into it to say so
 */
public record Pace(double factor, boolean known) {
    /** Nobody's pace yet. */
    public static final Pace UNKNOWN = new Pace(1, false);

    /** Half a minute of takes weighs as much as the pace we begin with: a single odd take can't carry it away. */
    private static final double TRUST_MS = 30_000;

    /** Takes that are farther off than this hold other words than the line's, or a long silence. */
    private static final double FARTHEST = 2.5;

    /** From this many takes on the pace is called the teacher's own. */
    private static final int KNOWN_FROM = 5;

    /**
     * The pace of some takes: all that they last together against all that was expected of their words, drawn towards 1
     * while there are few (a ratio estimate with a prior).
     */
    public static Pace of(Collection<Take> takes) {
        double lasted = TRUST_MS;
        double expected = TRUST_MS;
        int count = 0;
        for (Take take : takes) {
            double ms = ReadingTime.ofWordsMs(take.words());
            if (ms > 0 && take.durationMs() < ms * FARTHEST && take.durationMs() > ms / FARTHEST) {
                lasted += take.durationMs();
                expected += ms;
                count++;
            }
        }
        return new Pace(lasted / expected, count >= KNOWN_FROM);
    }

    /** About how long words take at this pace, in ms. */
    public long ofWordsMs(String words) {
        return Math.round(ReadingTime.ofWordsMs(words) * factor);
    }

    /** About how long all lines that are still to be read take at this pace, in ms. */
    public long ofLinesToReadMs(Collection<Line> script) {
        return ofReadingMs(ReadingTime.ofLinesToReadMs(script));
    }

    /** What takes so long at an unknown pace ({@link ReadingTime}), at this one. */
    public long ofReadingMs(double readingMs) {
        return Math.round(readingMs * factor);
    }
}
