package prolalia.app.assignment;

import java.util.Map;
import prolalia.app.assignment.MetLessons.MetLesson;
import prolalia.app.classroom.SchoolClass;
import prolalia.core.classroom.Accommodation;
import prolalia.core.marking.Asked;
import prolalia.core.published.PublishedLesson;

/**
 * A lesson as a child meets it.
 *
 * @param asked its questions by their ids, in their order
 */
public record Met(
        Assignment assignment,
        SchoolClass schoolClass,
        Accommodation accommodation,
        PublishedLesson lesson,
        Map<String, Asked> asked) {
    Met(Assignment assignment, SchoolClass schoolClass, Accommodation accommodation, MetLesson met) {
        this(assignment, schoolClass, accommodation, met.lesson(), met.asked());
    }
}
