package prolalia.core.lesson;

/** How a line stands with its sound. */
public enum LineState {
    /** No kept take. */
    SILENT,
    /** The kept take says the words. */
    VOICED,
    /** The words changed after the take. */
    OUTDATED,
    /** The sound check found something in the kept take. */
    DOUBTFUL
}
