package prolalia.app.history;

import prolalia.app.lesson.LessonRef;

/** Something of a lesson's lines changed: their words, what they ask, or what is right. Told within the change's transaction. */
public record LinesChanged(LessonRef lesson) {}
