package prolalia.app.history;

import prolalia.app.access.LessonRef;

/**
 * What a lesson's questions ask, or what is right, may have changed: lines came, went, moved, or are marked otherwise. Told within
 * the change's transaction.
 */
public record QuestionsChanged(LessonRef lesson) {}
