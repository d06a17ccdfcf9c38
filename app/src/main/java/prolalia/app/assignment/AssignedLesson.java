package prolalia.app.assignment;

import java.util.Map;
import prolalia.app.assignment.AssignedLessons.MetLesson;
import prolalia.app.classroom.SchoolClass;
import prolalia.core.classroom.Accommodated;
import prolalia.core.classroom.Accommodation;
import prolalia.core.marking.QuestionWithLines;
import prolalia.core.published.PublishedLesson;

/**
 * A lesson as a child meets it.
 *
 * @param asked its questions by their ids, in their order
 * @param tries how often she may answer a question, if that is different for her: 0 as often as she likes; else null
 */
public record AssignedLesson(
        Assignment assignment,
        SchoolClass schoolClass,
        Accommodation accommodation,
        PublishedLesson lesson,
        Map<String, QuestionWithLines> asked,
        Integer tries) {
    static AssignedLesson of(
            Assignment assignment, SchoolClass schoolClass, Accommodated hers, AssignedLessons lessons) {
        Accommodation accommodation = assignment.of(hers);
        MetLesson met = lessons.of(assignment, accommodation);
        Accommodated.Here here = hers.at(assignment.id(), assignment.lessonId());
        return new AssignedLesson(
                assignment, schoolClass, accommodation, met.lesson(), met.asked(), here == null ? null : here.tries());
    }
}
