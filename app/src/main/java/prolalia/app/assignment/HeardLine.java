package prolalia.app.assignment;

/**
 * What a child heard of a line.
 *
 * @param times she heard all of it
 * @param partPercent how much at most without its end, of a hundred
 * @param firstAt when something of it
 * @param wholeAt when all of it first; null: never
 */
public record HeardLine(String studentId, String lineId, int times, int partPercent, long firstAt, Long wholeAt) {}
