package prolalia.app.assignment;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import prolalia.core.classroom.Accommodated;
import prolalia.core.classroom.Accommodation;
import prolalia.core.classroom.Due;

/**
 * A lesson, or some of its pages, given to a class or to some of it.
 *
 * @param title of the lesson
 * @param revision of the lesson
 * @param titleLineId the line that says its title in the class
 * @param titleSound hash of the sound of it; null when it is silent
 * @param directionLineId the line that says what is to be done; null: none
 * @param direction its words; null: none
 * @param directionSound hash of the sound of it; null when it is silent
 * @param pageIds of the pages that were given; none: all
 * @param toAll whether it is to all of the class
 * @param toGroups otherwise to these, and to the students
 */
public record Assignment(
        String id,
        String lessonId,
        String title,
        long revision,
        String classId,
        String teacherId,
        String titleLineId,
        String titleSound,
        String directionLineId,
        String direction,
        String directionSound,
        List<String> pageIds,
        Due due,
        boolean toAll,
        List<String> toGroups,
        List<String> toStudents,
        long madeAt,
        boolean takenBack) {
    /** What is different for a child here. */
    Accommodation of(Accommodated child) {
        return child.in(id, lessonId);
    }

    /** Those of its title and its direction that a child doesn't hear as yet. */
    List<String> silentLines() {
        List<String> silent = new ArrayList<>();
        if (titleLineId != null && titleSound == null) {
            silent.add(titleLineId);
        }
        if (directionLineId != null && directionSound == null) {
            silent.add(directionLineId);
        }
        return silent;
    }

    /** @param groups a student's */
    boolean isTo(String studentId, Set<String> groups) {
        return toAll || toStudents.contains(studentId) || toGroups.stream().anyMatch(groups::contains);
    }
}
