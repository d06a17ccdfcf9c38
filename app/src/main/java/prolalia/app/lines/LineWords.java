package prolalia.app.lines;

/** The words of a line, and the lesson in whose script it stands. */
public record LineWords(String lineId, String lessonId, String words) {}
