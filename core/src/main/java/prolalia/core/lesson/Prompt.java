package prolalia.core.lesson;

/** What a student's page itself says aloud: in a plain voice that ships, or in the teacher's own. */
public enum Prompt {
    /** Nothing was pressed for a while. */
    PRESS_HERE,
    /** All of a page was heard, and the child is to choose. */
    YOUR_TURN,
    /** A right way was pressed. */
    WELL_DONE,
    /** A wrong way was pressed. */
    TRY_AGAIN,
    /** A link was pressed that leads out of the lesson. */
    OPENS_ELSEWHERE,
    /** A sound, or a page, does not come. */
    NO_CONNECTION,
    /** A choice was chosen, which is said next. */
    YOU_CHOSE,
    /** She hands in, and something isn't answered. */
    NOT_ANSWERED,
    /** All of it was handed in. */
    HANDED_IN,
    /** She had begun to say something, and didn't end it: that is said next. */
    LEFT_OVER
}
