package prolalia.app.access;

/** A lesson with which somebody may do what was asked for: only {@link LessonAccess} hands these out. */
public final class LessonRef {
    private final LessonSummary summary;

    LessonRef(LessonSummary summary) {
        this.summary = summary;
    }

    public String id() {
        return summary.id();
    }

    public LessonSummary summary() {
        return summary;
    }

    /** Whether it is a teacher's shelf of standing lines. */
    public boolean isShelf() {
        return summary.shelf();
    }
}
