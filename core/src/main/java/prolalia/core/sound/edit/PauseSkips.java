package prolalia.core.sound.edit;

import java.util.ArrayList;
import java.util.List;
import prolalia.core.sound.Span;

/** What of a recording need not be played to hear all that is said in it: of each long pause, all but a breath. Stateless. */
public final class PauseSkips {
    /** Left of a pause after speech: a voice fades away for longer than it is found (measured, at 15 dB over noise). */
    public static final long KEPT_AFTER_MS = 260;

    /** Left before speech: a weak consonant comes before what is found. */
    public static final long KEPT_BEFORE_MS = 180;

    /** To skip less isn't worth the jump. */
    private static final long SHORTEST_MS = 120;

    private PauseSkips() {}

    /**
     * @param durationMs of the recording
     * @param speech where somebody speaks in it, in order; where nobody is found speaking nothing is skipped
     * @return in order, within the recording
     */
    public static List<Span> of(long durationMs, List<Span> speech) {
        List<Span> skips = new ArrayList<>();
        if (speech.isEmpty()) {
            return skips;
        }
        long from = 0;
        for (Span spoken : speech) {
            add(from, spoken.startMs() - KEPT_BEFORE_MS, skips);
            from = spoken.endMs() + KEPT_AFTER_MS;
        }
        add(from, durationMs, skips);
        return skips;
    }

    private static void add(long fromMs, long toMs, List<Span> skips) {
        if (toMs - fromMs >= SHORTEST_MS) {
            skips.add(new Span(fromMs, toMs));
        }
    }

    /** So long it takes to hear what is left. */
    public static long heardMs(long durationMs, List<Span> skips) {
        return durationMs - skips.stream().mapToLong(Span::durationMs).sum();
    }
}
