package prolalia.core.lesson;

/**
 * One recording of a line.
 *
 * @param id names it everywhere
 * @param words of the line when it was recorded
 * @param durationMs how long the take is as it is heard
 * @param doubtful whether the sound check found something that the teacher hasn't accepted
 */
public record Take(String id, String words, long durationMs, boolean doubtful) {}
