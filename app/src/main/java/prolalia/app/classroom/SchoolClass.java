package prolalia.app.classroom;

import prolalia.core.classroom.Animal;

/**
 * A class.
 *
 * @param lessonId of the lesson that holds what is said in it: names, titles, directions
 * @param keyNeeded whether a card alone lets nobody in
 * @param idleMinutes after so long a pause a child is asked whether it is still she
 */
public record SchoolClass(
        String id,
        String name,
        String schoolYear,
        Animal picture,
        String lessonId,
        boolean keyNeeded,
        int idleMinutes) {}
