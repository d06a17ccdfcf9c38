package prolalia.app.account;

/** What somebody of the school may do beyond her own lessons. */
public enum Role {
    /** Looks after the school: who comes in, and what holds for all. A teacher as well. */
    ADMIN,
    TEACHER,
    /** Reads scripts aloud, places marks and hears answers; changes no settings and gives nothing out. */
    AIDE;

    /** Whether she has lessons and classes of her own. */
    public boolean teaches() {
        return this != AIDE;
    }
}
