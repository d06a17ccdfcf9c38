package prolalia.app.account;

import java.util.Set;

/** Who acts. What somebody may do with a lesson is worked out from this alone ({@code LessonAccess}). */
public sealed interface Actor {
    /** Somebody of the school who signed in, or the work that she left to the server. */
    record Teacher(String id, Role role) implements Actor {
        /** Work that was left to the server: what it may was asked when it was left. */
        public Teacher(String id) {
            this(id, Role.TEACHER);
        }
    }

    /**
     * The microphone of one read-through.
     *
     * @param lineIds the lines that are read, and nothing else of the lesson
     */
    record Phone(Teacher reader, String lessonId, Set<String> lineIds) implements Actor {}

    /**
     * A child who came through a class's door. What she meets is what was given to her ({@code ChildService}).
     *
     * @param classId through whose door
     */
    record Student(String id, String classId) implements Actor {}
}
