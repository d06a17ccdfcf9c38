package prolalia.core.answer;

/** How a question is answered. */
public enum AnswerKind {
    ONE_CHOICE,
    SEVERAL_CHOICES,
    /** A word or two. */
    SHORT_WORDS,
    NUMBER,
    /** Its choices are brought into their order. */
    ORDER,
    /** Each choice belongs to another one. */
    PAIRS,
    /** Places on the picture of the page are pressed. */
    AREAS,
    LONG_TEXT,
    SPOKEN,
    DRAWING,
    /** A file, or what a camera sees. */
    PICTURE;

    /** Whether a rule tells what an answer is worth; otherwise somebody hears or looks at it. */
    public boolean isMarkedByRule() {
        return switch (this) {
            case ONE_CHOICE, SEVERAL_CHOICES, SHORT_WORDS, NUMBER, ORDER, PAIRS, AREAS -> true;
            case LONG_TEXT, SPOKEN, DRAWING, PICTURE -> false;
        };
    }

    public boolean hasChoices() {
        return switch (this) {
            case ONE_CHOICE, SEVERAL_CHOICES, ORDER, PAIRS -> true;
            case SHORT_WORDS, NUMBER, AREAS, LONG_TEXT, SPOKEN, DRAWING, PICTURE -> false;
        };
    }

    /** Whether its choices are marked as right ones and wrong ones. */
    public boolean hasRightChoices() {
        return this == ONE_CHOICE || this == SEVERAL_CHOICES;
    }

    public boolean isTyped() {
        return this == SHORT_WORDS || this == NUMBER || this == LONG_TEXT;
    }

    /** Whether a child may answer it in another way instead, if its teacher lets her choose. */
    public boolean isFree() {
        return this == LONG_TEXT || this == SPOKEN || this == DRAWING;
    }
}
