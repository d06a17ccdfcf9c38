package prolalia.app.account;

import java.util.Set;

/** Who acts. What somebody may do with a lesson is worked out from this alone ({@code LessonAccess}). */
public sealed interface Actor {
    /** Somebody of the school who signed in, or the work that she left to the server. */
    record Teacher(String id) implements Actor {}

    /**
     * The microphone of one read-through.
     *
     * @param lineIds the lines that are read, and nothing else of the lesson
     */
    record Phone(Teacher reader, String lessonId, Set<String> lineIds) implements Actor {}
}
