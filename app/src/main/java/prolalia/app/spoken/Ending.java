package prolalia.app.spoken;

/**
 * How a recording is ended.
 *
 * @param chunks how many it has; null: as many as came in without a gap
 * @param words that the reader saw, which another tab may have changed since; null: not known
 * @param longestMs what comes after it isn't kept; null: its purpose says
 * @param whole whether all of it is taken, also what the sound check would refuse
 * @param brokenOff whether nobody ends it but this server
 */
public record Ending(Integer chunks, String words, Long longestMs, boolean whole, boolean brokenOff) {
    /** As far as it came in. */
    static final Ending AS_IT_CAME = new Ending(null, null, null, false, false);

    static final Ending BROKEN_OFF = new Ending(null, null, null, false, true);
    static final Ending WHOLE = new Ending(null, null, null, true, false);

    public static Ending after(Integer chunks) {
        return new Ending(chunks, null, null, false, false);
    }

    public Ending atMost(long milliseconds) {
        return new Ending(chunks, words, milliseconds, whole, brokenOff);
    }

    Ending saying(String shownWords) {
        return new Ending(chunks, shownWords, longestMs, whole, brokenOff);
    }
}
