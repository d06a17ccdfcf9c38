package prolalia.core.lesson;

/**
 * One recording of a line.
 *
 * @param id names it everywhere
 * @param words of the line when it was recorded
 * @param durationMs how long the take is as it is heard
 */
public record Take(String id, String words, long durationMs) {}
