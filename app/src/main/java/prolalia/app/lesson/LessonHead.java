package prolalia.app.lesson;

import prolalia.app.access.LessonSummary;

/**
 * What the head of a lesson's screens says.
 *
 * @param lineCount of lines that have a word to say
 */
public record LessonHead(LessonSummary summary, int pageCount, int lineCount) {}
