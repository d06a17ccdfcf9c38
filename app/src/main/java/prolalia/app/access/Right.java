package prolalia.app.access;

/** What somebody may do with a lesson. */
public enum Right {
    /** See and hear it. */
    READ,
    /** Read its lines aloud. */
    RECORD,
    /** Place marks and words on its pages. */
    PLACE,
    /** Change its script, takes, pages and stages. */
    EDIT,
    /** Lead others to it. */
    GIVE,
    /** Take it off the desk, and put it back. */
    REMOVE
}
