package prolalia.app.spoken;

/**
 * Something that was said is longer by what came in late.
 *
 * @param soundHash as it is heard now
 */
public record SaidOn(String recordingId, String soundHash, long durationMs) {}
