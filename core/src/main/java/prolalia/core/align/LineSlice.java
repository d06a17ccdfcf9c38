package prolalia.core.align;

import java.util.List;
import prolalia.core.sound.Span;

/** What is taken out of a long recording for a line. */
public final class LineSlice {
    /**
     * So much of the room around a line goes with it, so that its ends can still be moved a little. No more: where a recorder
     * opens its gate for a word, the room that comes with it is taken for speech when a take is trimmed.
     */
    private static final long MOST_BEFORE_MS = 400;

    private static final long MOST_AFTER_MS = 600;

    /** A line that isn't found is put this far behind the one before. */
    private static final long GAP_MS = 100;

    private LineSlice() {}

    /**
     * The line with the quiet around it: up to half way to whatever else is said before and after.
     *
     * @param line where its words are
     * @param pieces all speech of the recording in order
     * @param durationMs of the recording
     */
    public static Span around(Span line, List<Span> pieces, long durationMs) {
        long start = Math.max(0, line.startMs() - MOST_BEFORE_MS);
        long end = Math.min(durationMs, line.endMs() + MOST_AFTER_MS);
        for (Span piece : pieces) {
            if (piece.endMs() <= line.startMs()) {
                start = Math.max(start, (piece.endMs() + line.startMs()) / 2);
            } else if (piece.startMs() < line.startMs()) {
                // The line begins in the middle of speech: that is where it was put.
                start = line.startMs();
            }
            if (piece.startMs() >= line.endMs()) {
                end = Math.min(end, (piece.startMs() + line.endMs()) / 2);
            } else if (piece.endMs() > line.endMs()) {
                end = line.endMs();
            }
        }
        return new Span(start, Math.max(start, end));
    }

    /**
     * Where a line that wasn't found could be: behind the one before it, as long as its words take, before the one after.
     *
     * @param beforeEndMs where the line before ends, 0 for none
     * @param afterStartMs where the line after begins, or the recording's length
     */
    public static Span guess(long beforeEndMs, long afterStartMs, long expectedMs) {
        long start = Math.min(beforeEndMs + (beforeEndMs == 0 ? 0 : GAP_MS), Math.max(0, afterStartMs - GAP_MS));
        return new Span(start, Math.max(start + GAP_MS, Math.min(afterStartMs, start + expectedMs)));
    }
}
