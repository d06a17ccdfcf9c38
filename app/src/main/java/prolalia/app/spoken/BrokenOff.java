package prolalia.app.spoken;

/** Something that nobody ended was put together, as far as it was said. */
public record BrokenOff(AnswerPlace place, String recordingId) {}
