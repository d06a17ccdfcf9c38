package prolalia.core.lesson;

/** Where words light up while they are said. */
public enum WordsLit {
    /** Where they stand on the page, the rest of it a little paler, and beside the controls. */
    RULER,
    /** Where they stand on the page, and beside the controls. */
    BOTH,
    /** Where they stand on the page alone. */
    PAGE,
    /** Beside the controls alone. */
    CONTROLS
}
