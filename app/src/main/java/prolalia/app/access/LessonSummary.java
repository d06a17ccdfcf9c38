package prolalia.app.access;

/**
 * A lesson without its pages.
 *
 * @param cover which of the covers its exercise book has, 0 or more
 * @param changedAt milliseconds since 1970
 * @param revision another one when anything that students see or hear of it changed
 * @param shelf whether it holds the teacher's standing lines, and is no lesson for students
 */
public record LessonSummary(String id, String title, int cover, long changedAt, long revision, boolean shelf) {}
