package prolalia.core.lesson;

/** What a line is for. */
public enum LineKind {
    DIRECTION,
    PASSAGE,
    QUESTION,
    CHOICE,
    HINT,
    /** Said after a right answer. */
    PRAISE,
    /** Said after a wrong answer. */
    CORRECTION,
    /** Names a part of a picture. */
    LABEL,
    /** For the teacher alone. */
    NOTE;

    /** Whether students meet the line as soon as they come to its page, rather than when they ask or answer. */
    public boolean isMetAtOnce() {
        return switch (this) {
            case DIRECTION, PASSAGE, QUESTION, CHOICE, LABEL -> true;
            case HINT, PRAISE, CORRECTION, NOTE -> false;
        };
    }

    /** Whether it is part of the question before it. */
    public boolean belongsToQuestion() {
        return switch (this) {
            case CHOICE, HINT, PRAISE, CORRECTION -> true;
            case DIRECTION, PASSAGE, QUESTION, LABEL, NOTE -> false;
        };
    }
}
