package prolalia.core.sound;

/**
 * A stretch of time within a sound.
 *
 * @param startMs first millisecond, 0 or more
 * @param endMs the millisecond after the last, not before {@code startMs}
 */
public record Span(long startMs, long endMs) {
    public Span {
        if (startMs < 0 || endMs < startMs) {
            throw new IllegalArgumentException("Not a stretch of time: " + startMs + " to " + endMs + " ms");
        }
    }

    public long durationMs() {
        return endMs - startMs;
    }
}
